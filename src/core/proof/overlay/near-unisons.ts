/*
 * Parts that move together and differ in one place: often a slip of the player, or of whoever read it.
 *
 *     bar        1        2        3
 *     Violin 1   x x x x  x x x x  x  xx
 *     Violin 2   x x x x  x x xx   x  xx      bar 2: Violin 2 has one onset otherwise
 */
import type { PartId } from '../../base';
import { barIndexAt, type Bar, type WrittenUnits } from '../../time';

export interface NearUnison {
  /** Index of the bar. */
  bar: number;
  /** Who differs, and from whom. */
  part: PartId;
  from: PartId[];
  /** Places that only the part has, and that only the others have, from the beginning of the bar. */
  only: WrittenUnits[];
  missing: WrittenUnits[];
}

interface Onsets {
  part: PartId;
  onsets: readonly WrittenUnits[];
}

/** So many places may differ on either side; more is another rhythm. */
const MOST_DIFFERENT = 1;
/** Fewer onsets a bar are alike by chance. */
const FEWEST = 3;

export function nearUnisons(parts: readonly Onsets[], bars: readonly Bar[]): NearUnison[] {
  const starts = bars.map((bar) => bar.start);
  const rhythms = parts.map(({ onsets }) => rhythmsOf(onsets, starts));
  const found: (NearUnison & { size: number })[] = [];
  for (let bar = 0; bar < bars.length; bar++) {
    const here: typeof found = [];
    for (const [p, own] of rhythms.entries()) {
      const rhythm = own[bar]!;
      if (rhythm.length < FEWEST) continue;
      const groups = new Map<string, number[]>();
      for (const [q, other] of rhythms.entries()) {
        if (q === p || other[bar]!.length < FEWEST || !together(own, other, bar)) continue;
        const apart = difference(rhythm, other[bar]!);
        if (apart.count === 0 || apart.count > MOST_DIFFERENT) continue;
        const key = other[bar]!.join(' ');
        groups.set(key, [...(groups.get(key) ?? []), q]);
      }
      const company = [...groups.values()].sort((a, b) => b.length - a.length)[0];
      if (!company) continue;
      const { only, missing } = difference(rhythm, rhythms[company[0]!]![bar]!);
      here.push({
        bar,
        part: parts[p]!.part,
        from: company.map((q) => parts[q]!.part),
        only,
        missing,
        size: company.length,
      });
    }
    found.push(...withoutMirrors(here));
  }
  return found.map(({ size: _, ...one }) => one);
}

/** Of two who differ from each other one is named: who stands alone against more, or the later one in the score. */
function withoutMirrors<T extends NearUnison & { size: number }>(here: readonly T[]): T[] {
  return here.filter(
    (one, i) =>
      !here.some(
        (other, j) =>
          j !== i &&
          other.from.includes(one.part) &&
          one.from.includes(other.part) &&
          (other.size > one.size || (other.size === one.size && j > i)),
      ),
  );
}

/** Onsets in each bar, from its beginning; each place once. */
function rhythmsOf(onsets: readonly WrittenUnits[], starts: readonly WrittenUnits[]): WrittenUnits[][] {
  const rhythms: WrittenUnits[][] = starts.map(() => []);
  for (const onset of onsets) {
    const bar = barIndexAt(starts, onset);
    const place = onset - starts[bar]!;
    if (rhythms[bar]!.at(-1) !== place) rhythms[bar]!.push(place);
  }
  return rhythms;
}

/** They play the same rhythm before and after; at an end of the piece, in the two bars beside. */
function together(own: readonly WrittenUnits[][], other: readonly WrittenUnits[][], bar: number): boolean {
  const last = own.length - 1;
  const beside = [bar - 1, bar + 1].map((at) => {
    if (at < 0) return bar + 2;
    return at > last ? bar - 2 : at;
  });
  return (
    beside.every((at) => own[at] !== undefined && own[at].join(' ') === other[at]?.join(' ')) &&
    beside.some((at) => own[at]!.length >= FEWEST)
  );
}

function difference(a: readonly WrittenUnits[], b: readonly WrittenUnits[]) {
  const only = a.filter((place) => !b.includes(place));
  const missing = b.filter((place) => !a.includes(place));
  return { only, missing, count: Math.max(only.length, missing.length) };
}
