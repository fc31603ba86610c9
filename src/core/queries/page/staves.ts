import { say } from '../../words';
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
    { label: say('queries.writeOnTwoStaves'), decision: { kind: 'setStaves', part, staves: 2 } },
    { label: say('queries.writeOnOneStaff'), decision: { kind: 'setStaves', part, staves: 1 } },
  ],
});
