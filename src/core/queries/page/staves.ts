import type { PartId } from '../../base';
import { queryKind, type Doubt } from '../query-kind';

/** One staff or two. */
export interface Staves extends Doubt<'staves'> {
  part: PartId;
}

export const staves = queryKind<Staves>({
  kind: 'staves',
  effect: 'look',
  station: 'page',
  remedies: ({ part }) => [
    { label: 'Write on two staves', decision: { kind: 'setStaves', part, staves: 2 } },
    { label: 'Write on one staff', decision: { kind: 'setStaves', part, staves: 1 } },
  ],
});
