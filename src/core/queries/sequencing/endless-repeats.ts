import { say } from '../../words';
import { queryKind, type Doubt } from '../query-kind';

/** Repeats and jumps that would go on and on. */
export type EndlessRepeats = Doubt<'endless-repeats'>;

export const endlessRepeats = queryKind<EndlessRepeats>({
  kind: 'endless-repeats',
  effect: 'rhythm',
  station: 'timeline',
  remedies: () => [{ label: say('queries.playEveryBarOnce'), decision: { kind: 'setSequencing', playRepeats: false } }],
});
