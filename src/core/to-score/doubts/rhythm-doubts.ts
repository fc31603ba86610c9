/*
 * Doubts about rhythm: places where a part leaves the company it keeps, tuplets that are hardly better than none,
 * splinters of rests, and notes that were struck twice in one place.
 */
import { queryId } from '../../base';
import { append, lowest } from '../../base';
import type { CastPart } from '../../casting';
import type { PlacedNote } from '../timing/timed-note';
import type { Query } from '../../queries';
import { noteValue } from '../../score';
import { barBeat, barIndexAt, QUARTER, type Bar, type WrittenUnits } from '../../time';
import { beatIndexAt, type BeatLine } from '../timing/beats';
import type { DurationReport } from '../layout/durations';
import type { GridChoice } from '../timing/grid';
import { stage, type Memo } from '../../base/stage';
import { SMALLEST_VALUES, VALUE_LENGTH, type SmallestValue } from '../../settings';
import type { OneStep } from '../../queries';
import { SURE_SWING, type Swing } from '../timing/swing';

/**
 * A part moves with others in a bar when at least this share of its onsets, and this many, fall together with theirs.
 */
const SAME_SHARE = 0.6;
const SAME_LEAST = 2;
/** Over the whole piece: parts that share fewer onsets than this do not move together. */
const COMPANY = 0.85;
const MOST_COMPANIONS = 8;
/** Up to this share of its divided beats a value is an exception. */
const EXCEPTION = 0.15;
/** Steps that are looked at: an eighth, a sixteenth, a thirty-second. */
const STEPS: readonly WrittenUnits[] = [QUARTER / 8, QUARTER / 4, QUARTER / 2];

interface PartRhythm {
  part: CastPart;
  grid: GridChoice;
  report: DurationReport;
}

export function rhythmQueries(
  parts: readonly PartRhythm[],
  bars: readonly Bar[],
  line: BeatLine,
  swing: Swing,
  memo: Memo,
): Query[] {
  const starts = bars.map((bar) => bar.start);
  const barOf = (at: WrittenUnits) => barIndexAt(starts, at);
  const words = (part: CastPart, at: WrittenUnits) => {
    const { bar, beat } = barBeat(bars, at);
    return `${part.name}, bar ${bar}, beat ${beat}`;
  };
  const onsets = parts.map(({ part, grid }) => memo.run(onsetsInBars, { grid, bars }, part.id));
  const company = companions(parts.map(({ part, grid }) => memo.run(onsetPlaces, { grid }, part.id)));
  return [
    ...swingQuery(swing),
    ...parts.flatMap((one, p) => [...oneStepOff(one, p), ...tuplets(one), ...shortRests(one), ...merged(one)]),
  ];

  /** Onsets one step beside the place where most of those that go with this part have theirs. */
  function oneStepOff({ part, grid }: PartRhythm, p: number): Query[] {
    if (grid.exact || part.instrument.unpitched || company[p]!.length === 0) return [];
    const queries: OneStep[] = [];
    const moves: { note: number; by: WrittenUnits }[] = [];
    for (const [bar, own] of onsets[p]!) {
      for (const at of own.keys()) {
        const off = stepTo(at, bar, p);
        if (!off) continue;
        const notes = own.get(at)!;
        const by = off.to - at;
        append(
          moves,
          notes.map((note) => ({ note: note.id, by })),
        );
        const more = off.with.length > 1 ? ` and ${off.with.length - 1} more` : '';
        queries.push({
          id: queryId(`one-step/${part.id}/${notes[0]!.id}`),
          kind: 'one-step',
          part: part.id,
          at,
          bar,
          played: notes.map((note) => note.id),
          message: `${words(part, at)}: ${stepName(Math.abs(by))} ${by > 0 ? 'before' : 'after'} ${parts[off.with[0]!]!.part.name}${more}, with which it moves elsewhere in the bar.`,
          facts: { by, as: parts[off.with[0]!]!.part.name, all: null },
        });
      }
    }
    // Places of the whole part, where there are several.
    const all = queries.length > 1 ? moves : null;
    return queries.map((query) => ({ ...query, facts: { ...query.facts, all } }));
  }

  function stepTo(at: WrittenUnits, bar: number, p: number): { to: WrittenUnits; with: number[] } | null {
    const own = onsets[p]!.get(bar)!;
    for (const step of STEPS) {
      for (const to of [at + step, at - step]) {
        if (own.has(to)) continue;
        const others = company[p]!.filter(
          (q) =>
            onsets[q]!.get(bar)?.has(to) &&
            !onsets[q]!.get(bar)!.has(at) &&
            moveTogether(own, onsets[q]!.get(bar)!, at),
        );
        const agreeing = company[p]!.filter((q) => onsets[q]!.get(bar)?.has(at));
        if (others.length > agreeing.length) return { to, with: others };
      }
    }
    return null;
  }

  function tuplets({ part, grid }: PartRhythm): Query[] {
    return grid.doubtfulTuplets.map((beat): Query => {
      const { start, bar } = line.beats[beat]!;
      const notes = grid.notes.filter((note) => beatIndexAt(line, note.start) === beat);
      return {
        id: queryId(`tuplet/${part.id}/${beat}`),
        kind: 'tuplet',
        part: part.id,
        at: start,
        bar,
        played: notes.map((note) => note.id),
        message: `${words(part, start)}: written as a triplet; plain values fit nearly as well.`,
        facts: { smallest: smallestValue(usualSmallest(grid, line)) },
      };
    });
  }

  function shortRests({ part, report }: PartRhythm): Query[] {
    const places = report.shortRests;
    if (places.length === 0) return [];
    const first = lowest(places);
    const more = places.length > 1 ? ` (${places.length} of them)` : '';
    return [
      {
        id: queryId(`short-rest/${part.id}`),
        kind: 'short-rest',
        part: part.id,
        at: first,
        bar: barOf(first),
        message: `${words(part, first)}: a rest shorter than a sixteenth${more}.`,
      },
    ];
  }

  /** Two played notes of one key on one place, which are not an ornament and not one gathered twice. */
  function merged({ part, grid }: PartRhythm): Query[] {
    const twice = grid.notes.filter(
      (note) => note.absorbed.length > 0 && !note.ornament && (note.behind?.length ?? 0) === 0,
    );
    if (twice.length === 0 || part.sources.length > 1) return [];
    const { start } = twice[0]!;
    const more = twice.length > 1 ? ` (${twice.length} times)` : '';
    return [
      {
        id: queryId(`merged/${part.id}`),
        kind: 'merged',
        part: part.id,
        at: start,
        bar: barOf(start),
        played: twice.flatMap((note) => [note.id, ...note.absorbed]),
        message: `${words(part, start)}: struck twice in one place and written once${more}.`,
      },
    ];
  }
}

function swingQuery({ heard, stretches, confidence, pinned, evidence }: Swing): Query[] {
  if (pinned || heard.length === 0 || confidence >= SURE_SWING) return [];
  const { ratio, unit } = heard[0]!;
  const written = stretches.length > 0 ? 'Written evenly, with “Swing” above.' : 'Written as played.';
  return [
    {
      id: queryId('swing'),
      kind: 'swing',
      message: `Perhaps this swings: ${evidence}. ${written}`,
      facts: { ratio, unit },
    },
  ];
}

/** Where a part has onsets. */
const onsetPlaces = stage(
  'onset places',
  ({ grid }: { grid: GridChoice }) => new Set(grid.notes.map(({ start }) => start)),
);

const onsetsInBars = stage('onsets in bars', ({ grid, bars }: { grid: GridChoice; bars: readonly Bar[] }) => {
  const starts = bars.map((bar) => bar.start);
  return onsetsByBar(grid.notes, (at) => barIndexAt(starts, at));
});

function onsetsByBar(
  notes: readonly PlacedNote[],
  barOf: (at: WrittenUnits) => number,
): Map<number, Map<WrittenUnits, PlacedNote[]>> {
  const byBar = new Map<number, Map<WrittenUnits, PlacedNote[]>>();
  for (const note of notes) {
    const bar = barOf(note.start);
    const places = byBar.get(bar) ?? new Map<WrittenUnits, PlacedNote[]>();
    byBar.set(bar, places);
    const here = places.get(note.start);
    if (here) here.push(note);
    else places.set(note.start, [note]);
  }
  return byBar;
}

/** The smallest plain value that is no exception in the part. */
function usualSmallest({ divisions, smallest }: GridChoice, line: BeatLine): WrittenUnits {
  const units = divisions
    .flatMap((division, b) =>
      division > 1 && noteValue(line.beats[b]!.length / division, 0) ? [line.beats[b]!.length / division] : [],
    )
    .sort((a, b) => a - b);
  return units[Math.floor(units.length * EXCEPTION)] ?? smallest;
}

/** The smallest value that allows a length. */
function smallestValue(units: WrittenUnits): SmallestValue {
  return SMALLEST_VALUES.find((value) => VALUE_LENGTH[value] <= units) ?? '32nd';
}

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

/** Whether two parts have most onsets of a bar in common, the doubtful one apart. */
function moveTogether(
  own: ReadonlyMap<WrittenUnits, unknown>,
  other: ReadonlyMap<WrittenUnits, unknown>,
  but: WrittenUnits,
): boolean {
  const mine = [...own.keys()].filter((at) => at !== but);
  const common = mine.filter((at) => other.has(at)).length;
  return common >= SAME_LEAST && common >= SAME_SHARE * mine.length && common >= SAME_SHARE * (other.size - 1);
}

function stepName(units: WrittenUnits): string {
  return units === QUARTER / 2 ? 'an eighth' : units === QUARTER / 4 ? 'a sixteenth' : 'a thirty-second';
}
