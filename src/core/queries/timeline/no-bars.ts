import { say } from '../../words';
import { queryKind, type Doubt } from '../query-kind';

/** Notes lie everywhere but on the file's beats: it was played without them. */
export interface NoBars extends Doubt<'no-bars'> {
  facts: { notes: number };
}

export const noBars = queryKind<NoBars>({
  kind: 'no-bars',
  effect: 'piece',
  station: 'timeline',
  remedies: () => [{ label: say('queries.findTheBeats'), decision: { kind: 'findTheBeats' } }],
});
