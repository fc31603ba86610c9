import type { PartId } from '../../base';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Parts that play the same and are written otherwise. */
export interface Doubled extends Doubt<'doubled'> {
  part: PartId;
  facts: {
    as: PartId;
    name: string;
  };
}

export const doubled = queryKind<Doubled>({
  kind: 'doubled',
  remedies: (query) => {
    const { part, facts } = query;
    const apart = 'As each plays it';
    return [
      { label: `As in ${facts.name}`, decision: { kind: 'writeAs', part, as: facts.as } },
      { label: apart, decision: { kind: 'writeAs', part, as: part }, also: [itIsRight(query, apart).decision] },
    ];
  },
});
