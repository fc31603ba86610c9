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
    { label: 'Two staves', decision: { kind: 'setStaves', part, staves: 2 } },
    { label: 'One staff', decision: { kind: 'setStaves', part, staves: 1 } },
  ],
});
