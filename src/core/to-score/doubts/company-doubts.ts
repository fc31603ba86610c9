/*
 * Doubts about company: places where a part stands a step beside those it moves with elsewhere. One query for each two
 * parts.
 */
import { say } from '../../words';
import { groupBy, queryId } from '../../base';
import { stage, type Memo } from '../../base/stage';
import type { CastPart } from '../../casting';
import type { OneStep, Query } from '../../queries';
import { barIndexAt, placeInWords, QUARTER, type Bar, type WrittenUnits } from '../../time';
import type { GridChoice } from '../timing/grid';
import type { PlacedNote } from '../timing/timed-note';

/** A part moves with others in a bar when at least this share of its onsets, and this many, fall together with theirs. */
const SAME_SHARE = 0.6;
const SAME_LEAST = 2;
/** Over the whole piece: parts that share fewer onsets than this do not move together. */
const COMPANY = 0.85;
const MOST_COMPANIONS = 8;
/** Steps that are looked at: a thirty-second, a sixteenth, an eighth. */
const STEPS: readonly WrittenUnits[] = [QUARTER / 8, QUARTER / 4, QUARTER / 2];

interface PartGrid {
  part: CastPart;
  grid: GridChoice;
}

/** Notes of a part that stand beside those of another one. */
interface Beside {
  /** Indexes of the parts. */
  part: number;
  as: number;
  at: WrittenUnits;
  to: WrittenUnits;
  notes: readonly PlacedNote[];
}

type Places = ReadonlyMap<WrittenUnits, PlacedNote[]>;

export function companyQueries(parts: readonly PartGrid[], bars: readonly Bar[], memo: Memo): Query[] {
  const onsets = parts.map(({ part, grid }) => memo.run(onsetsInBars, { grid, bars }, part.id));
  const company = companions(parts.map(({ part, grid }) => memo.run(onsetPlaces, { grid }, part.id)));
  const found = parts.flatMap(({ part, grid }, p) =>
    grid.exact || part.instrument.unpitched || company[p]!.length === 0 ? [] : besideIn(p),
  );
  // What one of two parts has beside the other, the other has beside the one.
  const pairs = groupBy(found, ({ part, as }) => `${Math.min(part, as)}/${Math.max(part, as)}`);
  return [...pairs.values()].map((places) => inOneQuery(places, parts, bars));

  function besideIn(part: number): Beside[] {
    return [...onsets[part]!].flatMap(([bar, own]) => {
      const others = company[part]!.flatMap((q): Company[] => {
        const places = onsets[q]!.get(bar);
        return places ? [{ part: q, places, together: moveTogether(own, places) }] : [];
      });
      return [...own].flatMap(([at, notes]): Beside[] => {
        const step = stepTo(at, own, others);
        return step ? [{ part, at, notes, ...step }] : [];
      });
    });
  }
}

/** A part that moves with another one elsewhere, in one bar. */
interface Company {
  part: number;
  places: Places;
  /** In this bar too, but for a place that only the other one has. */
  together: boolean;
}

/** Where most of the others are instead of there, a small step away. */
function stepTo(at: WrittenUnits, own: Places, company: readonly Company[]): { to: WrittenUnits; as: number } | null {
  const agreeing = company.filter(({ places }) => places.has(at)).length;
  const elsewhere = company.filter(({ places, together }) => together && !places.has(at));
  if (elsewhere.length <= agreeing) return null;
  for (const to of STEPS.flatMap((step) => [at + step, at - step])) {
    if (own.has(to)) continue;
    const others = elsewhere.filter(({ places }) => places.has(to));
    if (others.length > agreeing) return { to, as: others[0]!.part };
  }
  return null;
}

/** The part with more of the places is asked about; where both have as many, the first. */
function inOneQuery(places: readonly Beside[], parts: readonly PartGrid[], bars: readonly Bar[]): OneStep {
  const [most, theirs] = [...groupBy(places, ({ part }) => part).values()].sort((a, b) => b.length - a.length);
  const own = most!;
  const { part: index, as, at, to } = own[0]!;
  const { part } = parts[index]!;
  const other = parts[as]!.part;
  const by = to - at;
  const more = own.length > 1 ? own.length : 0;
  return {
    id: queryId(`one-step/${part.id}/${other.id}`),
    kind: 'one-step',
    part: part.id,
    at,
    bar: barIndexAt(
      bars.map(({ start }) => start),
      at,
    ),
    played: own.flatMap(({ notes }) => notes.map(({ id }) => id)),
    message: say('doubts.partPlaceInWordsStepNameBefore', {
      part: part.name,
      placeInWords: placeInWords(bars, at),
      stepName: stepName(Math.abs(by)),
      byOver0: by > 0,
      other: other.name,
      more,
    }),
    facts: {
      name: part.name,
      as: other.name,
      moves: movesOf(own),
      back: theirs ? { part: other.id, moves: movesOf(theirs) } : null,
    },
  };
}

const movesOf = (places: readonly Beside[]) =>
  places.flatMap(({ notes, at, to }) => notes.map(({ id }) => ({ note: id, by: to - at })));

/** Where a part has onsets. */
const onsetPlaces = stage(
  'onset places',
  ({ grid }: { grid: GridChoice }) => new Set(grid.notes.map(({ start }) => start)),
);

const onsetsInBars = stage('onsets in bars', ({ grid, bars }: { grid: GridChoice; bars: readonly Bar[] }) => {
  const starts = bars.map((bar) => bar.start);
  const inBars = groupBy(grid.notes, ({ start }) => barIndexAt(starts, start));
  return new Map([...inBars].map(([bar, notes]) => [bar, groupBy(notes, ({ start }) => start)]));
});

/** For each part those it usually moves with. @param places where each part has onsets */
function companions(places: readonly ReadonlySet<WrittenUnits>[]): number[][] {
  return places.map((own, p) => {
    const found = places.flatMap((_, q) => {
      const sizes = own.size / Math.max(1, places[q]!.size);
      if (q === p || own.size < 8 || sizes < COMPANY || sizes > 1 / COMPANY) return [];
      let common = 0;
      for (const at of own) if (places[q]!.has(at)) common++;
      return common >= COMPANY * own.size && common >= COMPANY * places[q]!.size ? [q] : [];
    });
    // Those nearest on the page; a hundred like parts need not all be asked.
    return found.sort((a, b) => Math.abs(a - p) - Math.abs(b - p)).slice(0, MOST_COMPANIONS);
  });
}

/** Whether two parts have most onsets of a bar in common, one apart that is the first part's alone. */
function moveTogether(own: Places, other: Places): boolean {
  let common = 0;
  for (const at of own.keys()) if (other.has(at)) common++;
  return common >= SAME_LEAST && common >= SAME_SHARE * (own.size - 1) && common >= SAME_SHARE * (other.size - 1);
}

function stepName(units: WrittenUnits): string {
  if (units === QUARTER / 2) return say('doubts.anEighth');
  return units === QUARTER / 4 ? 'a sixteenth' : 'a thirty-second';
}
