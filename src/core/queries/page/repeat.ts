import { say } from '../../words';
import type { Fold } from '../../score';
import { queryKind, type Doubt } from '../query-kind';

/** A stretch that comes again in all parts. */
export interface Repeat extends Doubt<'repeat'> {
  facts: Fold;
}

export const repeat = queryKind<Repeat>({
  kind: 'repeat',
  effect: 'look',
  station: 'page',
  remedies: ({ facts }) => [
    {
      label: facts.endings > 0 ? say('queries.writeRepeatSignsWithEndings') : say('queries.writeRepeatSigns'),
      decision: { kind: 'foldRepeat', ...facts },
    },
  ],
});
