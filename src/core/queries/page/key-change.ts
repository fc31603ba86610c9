import type { Decision } from '../../decisions';
import { keyName, type ScoreKey } from '../../score';
import { queryKind, type Doubt } from '../query-kind';

/** A long stretch in another key than is printed. */
export interface KeyChange extends Doubt<'key-change'> {
  facts: {
    /** What is heard from a bar on. */
    heard: ScoreKey;
    /** What is printed there, and where it holds again; null to the end of the piece. */
    back: ScoreKey | null;
  };
}

export const keyChange = queryKind<KeyChange>({
  kind: 'key-change',
  remedies: ({ facts: { heard, back } }) => {
    const from = ({ fifths, mode, bar }: ScoreKey): Decision => ({ kind: 'setKey', fifths, mode, bar });
    return [{ label: keyName(heard), decision: from(heard), also: back ? [from(back)] : [] }];
  },
});
