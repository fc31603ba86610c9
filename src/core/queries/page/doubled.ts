import { say } from '../../words';
import type { PartId } from '../../base';
import type { Decision } from '../../decisions';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Parts that play the same as another one and are written otherwise. */
export interface Doubled extends Doubt<'doubled'> {
  part: PartId;
  parts: PartId[];
  facts: {
    as: PartId;
    name: string;
  };
}

export const doubled = queryKind<Doubled>({
  kind: 'doubled',
  effect: 'look',
  station: 'rhythm',
  remedies: (query) => {
    const { parts, facts } = query;
    const apart = itIsRight(query, say('queries.writeAsEachPlaysIt'));
    const writeAs = (as: (part: PartId) => PartId): Decision[] =>
      parts.map((part) => ({ kind: 'writeAs', part, as: as(part) }));
    const [first, ...also] = writeAs(() => facts.as);
    const [own, ...others] = writeAs((part) => part);
    return [
      {
        label: say('queries.writeAsInFacts', { facts: facts.name }),
        like: say('queries.asInTheOtherPart'),
        decision: first!,
        also,
      },
      { label: apart.label, decision: own!, also: [...others, apart.decision] },
    ];
  },
});
