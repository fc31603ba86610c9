import { say } from '../../words';
import type { PartId } from '../../base';
import type { Tablature } from '../../score';
import { queryKind, type Doubt } from '../query-kind';

/** A chord no hand can hold on the strings. */
export interface ImpossibleChord extends Doubt<'impossible-chord'> {
  part: PartId;
  facts: Pick<Tablature, 'tuning' | 'capo'>;
}

export const impossibleChord = queryKind<ImpossibleChord>({
  kind: 'impossible-chord',
  effect: 'pitch',
  station: 'page',
  remedies: ({ part, facts: { tuning, capo } }) => [
    {
      label: say('queries.removeTheTablature'),
      decision: { kind: 'setTablature', part, show: 'notation', tuning: [...tuning], capo },
    },
  ],
});
