import { instrumentById, type Family } from '../../instruments';
import type { Part } from '../score';

/** Staves that a part prints: a fretted part may show its notes a second time as tablature. */
export function stavesOf(part: Part): number {
  return part.clefs.length + (part.tablature?.show === 'both' ? 1 : 0);
}

export interface PartGroup {
  first: number;
  last: number;
  symbol: 'bracket' | 'brace';
}

/** More players of one instrument than these are a family and not a desk: a brace would only repeat the bracket. */
const MOST_IN_A_BRACE = 4;
/** Each stands by itself; a brace there means the two staves of one player. */
const UNBRACKETED: readonly Family[] = ['keyboard', 'plucked', 'other'];

/**
 * A bracket for each family of two or more parts; inside it a brace for two to four players of one instrument, unless
 * they are the whole family. Outer groups first. Printed orchestral and band scores, from memory.
 */
export function partGroups(parts: readonly Part[]): PartGroup[] {
  const runs = (same: (a: Part, b: Part) => boolean, symbol: PartGroup['symbol']) => {
    const found: PartGroup[] = [];
    for (let first = 0, i = 1; i <= parts.length; i++) {
      if (i < parts.length && same(parts[first]!, parts[i]!)) continue;
      if (i - first > 1) found.push({ first, last: i - 1, symbol });
      first = i;
    }
    return found;
  };
  const family = (part: Part) => instrumentById(part.instrument).family;
  const families = runs((a, b) => family(a) === family(b), 'bracket').filter(
    ({ first }) => !UNBRACKETED.includes(family(parts[first]!)),
  );
  const desks = runs(
    (a, b) => a.instrument === b.instrument && a.solo === b.solo && a.clefs.length === 1 && !a.unpitched,
    'brace',
  ).filter(({ first }) => !UNBRACKETED.includes(family(parts[first]!)));
  const wholeFamily = (desk: PartGroup) =>
    families.some(({ first, last }) => first === desk.first && last === desk.last);
  return [...families, ...desks.filter((desk) => desk.last - desk.first < MOST_IN_A_BRACE && !wholeFamily(desk))];
}
