import { say } from '../../words';
import type { Fold } from '../../score';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** A stretch that is written once for several playings which are not alike any more. */
export interface UnevenRepeat extends Doubt<'uneven-repeat'> {
  facts: Fold & {
    /** So many bars at the end of each playing hold all that differs; null where they are too many for endings. */
    asEndings: number | null;
  };
}

export const unevenRepeat = queryKind<UnevenRepeat>({
  kind: 'uneven-repeat',
  effect: 'pitch',
  station: 'page',
  remedies: ({ id, facts: { asEndings, ...fold } }) => [
    ...(asEndings === null
      ? []
      : [
          {
            label: say('queries.writeEndings'),
            decision: { kind: 'foldRepeat' as const, ...fold, endings: asEndings },
          },
        ]),
    { label: say('queries.writeItOut'), decision: { kind: 'foldRepeat', ...fold, times: 1 } },
    itIsRight({ id }, say('queries.keepTheFirstPlaying')),
  ],
});
