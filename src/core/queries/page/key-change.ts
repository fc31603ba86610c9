import { say } from '../../words';
import type { Decision } from '../../decisions';
import { keyName, type ScoreKey } from '../../score';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Long stretches in other keys than are printed. */
export interface KeyChange extends Doubt<'key-change'> {
  facts: {
    /** What is heard from a bar on; what is printed there, and where it holds again (null to the end of the piece). */
    stretches: { heard: ScoreKey; back: ScoreKey | null }[];
  };
}

export const keyChange = queryKind<KeyChange>({
  kind: 'key-change',
  effect: 'look',
  station: 'page',
  remedies: (query) => {
    const { stretches } = query.facts;
    const from = ({ fifths, mode, bar }: ScoreKey): Decision => ({ kind: 'setKey', fifths, mode, bar });
    const [first, ...also] = stretches.flatMap(({ heard, back }) => [heard, ...(back ? [back] : [])]).map(from);
    const keep = itIsRight(query, say('queries.keepTheSignature'));
    return [
      {
        label:
          stretches.length === 1
            ? keyName(stretches[0]!.heard)
            : say('queries.changeItInAllStretchesPlaces', { stretches: stretches.length }),
        decision: first!,
        also: [...also, keep.decision],
      },
      keep,
    ];
  },
});
