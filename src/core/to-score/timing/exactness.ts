/*
 * Exactness: which notes of a track the file has exactly where a machine puts them. Such a note was drawn, typed or
 * quantized; it is meant where it stands, however syncopated, and no later stage may move it.
 *
 *     ticks    0   240  360  480        721   958  1130
 *     judged   ├── exact: beat 1 ──┤    ├─ by hand ───┤
 *
 * Takes the notes of one track in the file's own ticks; gives their written places. Two hypotheses for each beat, exact
 * and by hand, are compared along the track (Viterbi over two states, so that one lucky onset of a player is no
 * quantization and one odd beat of a machine no playing). Exact costs what the places are unusual; by hand costs what
 * it is unlikely that a hand meets the tick. A whole track may stand beside the grid by the same number of ticks, as
 * some programs export it.
 */
import { commonDivisor, lowest } from '../../base';
import type { NoteId, PlayedNote } from '../../performance';
import { noteValue } from '../../score';
import { QUARTER, type Beat, type PlayedUnits, type Seconds, type Ticks, type WrittenUnits } from '../../time';
import { withoutAccidents } from './accidents';
import { beatIndexAt, type BeatLine } from './beats';

export interface ExactTrack {
  /** Written place of every note that stands exactly on a grid. */
  places: ReadonlyMap<NoteId, WrittenUnits>;
  /** Ticks by which the whole track stands after its grid (negative: before it). */
  offset: Ticks;
  /** Of the track's onsets. */
  share: number;
}

/** What a hand misses the beat by, usually (own choice; the bench's performers have 8 to 30 ms). */
const HAND: Seconds = 0.012;
const CHANGE = 2.5;
const IMPOSSIBLE = 1e6;
/** Nats for the tick on which the file begins. */
const NO_EVIDENCE = 1;
/** A displacement of the whole track is the exception. */
const DISPLACED = 8;
const PER_SECOND_OF_DISPLACEMENT = 2;
/** Nats an onset. */
const FAR = 0.3;
const FAR_FOR_NOTHING = 0.8;
const SLIGHT: Seconds = 0.02;
const EARLIEST: Seconds = 0.32;
const LATEST: Seconds = 0.06;
const LEAST_DISPLACED = 8;
/** Share of the onsets on sixteenths and thirds: a track on its barlines has nearly all of them there. */
const FEW_PLAIN = 0.2;
/** A whole file stands no further beside its barlines. */
const MOST_OF_FILE: Seconds = 0.2;
/** Tuplets that go over several beats, and nats for one of them. */
const WIDE_DIVISIONS = [5, 7] as const;
const WIDE = 5;
/** Nats for a beat whose parts are divided each in its own way. */
const PARTED = 1;
const THIRDS = 3;
/** Nearly all notes must agree on a displacement. */
const DISPLACED_SHARE = 0.95;
/** Fewer onsets than this share have no residue in common: they were played. Fifths of a beat leave five, a fifth each. */
const LEAST_RESIDUE = 0.15;
const MOST_RESIDUES = 2;

/** Of a part of a beat. */
const PART_DIVISIONS = [1, 2, 3, 4, 6, 8];
const DIVISIONS = [1, 2, 3, 4, 6, 8, 12, 16, 5, 7, 9, 10, 14, 18, 20, 24, 32];
/** Nothing smaller than a 64th, or the third of a 32nd. */
const FINEST: WrittenUnits = QUARTER / 16;

/** @param notes of one track @param mayBeDisplaced nobody has set the track's lead */
export function findExact(notes: readonly PlayedNote[], line: BeatLine, mayBeDisplaced: boolean): ExactTrack {
  const ticks = ticksOf(notes);
  if (ticks.length === 0) return { places: new Map(), offset: 0, share: 0 };
  const onGrid = judge(ticks, 0, line);
  let best = { ...onGrid, offset: 0 };
  if (mayBeDisplaced && ticks.length >= LEAST_DISPLACED) {
    for (const offset of displacements(ticks, line)) {
      const judged = judge(ticks, offset, line);
      const seconds = Math.abs(offset) * line.unitsPerTick * line.secondsPerUnit[0]!;
      const cost =
        judged.cost + DISPLACED + PER_SECOND_OF_DISPLACEMENT * seconds + farCost(offset, line) * ticks.length;
      if (cost < best.cost && judged.places.size >= DISPLACED_SHARE * ticks.length) best = { ...judged, cost, offset };
    }
  }
  return trackOf(notes, best, line);
}

function trackOf(
  notes: readonly PlayedNote[],
  { places: judged, offset }: Judgement & { offset: Ticks },
  line: BeatLine,
): ExactTrack {
  const at = withoutAccidents(judged, notes, line);
  const places = new Map(
    notes.flatMap((note) => (at.has(note.start) ? [[note.id, at.get(note.start)!] as const] : [])),
  );
  return { places, offset, share: notes.length === 0 ? 0 : places.size / notes.length };
}

/** As if nothing else had been tried: the whole track stands beside the grid by so many ticks. */
export function exactAt(notes: readonly PlayedNote[], line: BeatLine, offset: Ticks): ExactTrack {
  const ticks = ticksOf(notes);
  return trackOf(notes, { ...judge(ticks, offset, line), offset }, line);
}

/**
 * By how much a whole file stands beside its barlines: all of its tracks are exact, and each stands beside the grid or on
 * thirty-seconds between its places. Each by itself could as well be off the beat; all of them together are not.
 *
 * @returns null where the file stands on its barlines
 */
export function commonOffset(
  tracks: readonly (readonly PlayedNote[])[],
  own: readonly ExactTrack[],
  line: BeatLine,
): Ticks | null {
  const played = tracks.flatMap((notes, t) => (notes.length > 0 ? [{ exact: own[t]!, ticks: ticksOf(notes) }] : []));
  const whole = played.length > 1 && played.every(({ exact }) => exact.share >= DISPLACED_SHARE);
  if (!whole) return null;
  const seldom = ({ exact, ticks }: (typeof played)[number]) =>
    exact.offset !== 0 || countPlain(ticks, line) < FEW_PLAIN * ticks.length;
  // Where all of them say the same the file is believed, off the beat as it may be.
  const agreed = played.every(({ exact }) => exact.offset !== 0 && exact.offset === played[0]!.exact.offset);
  if (agreed || !played.every(seldom)) return null;
  const step = QUARTER / 8 / line.unitsPerTick;
  const most = (seconds: Seconds) => seconds / line.secondsPerUnit[0]! / line.unitsPerTick;
  const offsets = new Set(
    played.flatMap(({ exact }) => [-4, -3, -2, -1, 0, 1, 2, 3, 4].map((k) => exact.offset + Math.round(k * step))),
  );
  const costs = [...offsets]
    .filter((offset) => Math.abs(offset) <= most(MOST_OF_FILE))
    .map((offset) => ({
      offset,
      cost:
        played.reduce((sum, { ticks }) => sum + judge(ticks, offset, line).cost, 0) +
        PER_SECOND_OF_DISPLACEMENT * Math.abs(offset) * line.unitsPerTick * line.secondsPerUnit[0]!,
    }));
  const best = costs.reduce((a, b) => (b.cost < a.cost ? b : a), { offset: 0, cost: Infinity });
  return best.offset === 0 ? null : best.offset;
}

/** Onsets that stand on sixteenths or thirds of a beat. */
function countPlain(ticks: readonly Ticks[], line: BeatLine): number {
  return ticks.filter((tick) => {
    const at = tick * line.unitsPerTick;
    const { start, length } = line.beats[beatIndexAt(line, at)]!;
    return [4, 3].some((division) => {
      const unit = length / division;
      return Math.abs(at - start - Math.round((at - start) / unit) * unit) < line.unitsPerTick / 2;
    });
  }).length;
}

const ticksOf = (notes: readonly PlayedNote[]): Ticks[] =>
  [...new Set(notes.map((note) => note.start))].sort((a, b) => a - b);

/**
 * Displaced by a sixteenth and more it could as well be off the beat; the more so where a few milliseconds explain the
 * rest.
 */
function farCost(offset: Ticks, line: BeatLine): number {
  const sixteenth = QUARTER / 4 / line.unitsPerTick;
  if (Math.abs(offset) <= sixteenth / 2) return 0;
  const rest: Seconds =
    Math.abs(offset - Math.round(offset / sixteenth) * sixteenth) * line.unitsPerTick * line.secondsPerUnit[0]!;
  return rest < SLIGHT ? FAR_FOR_NOTHING : FAR;
}

interface Judgement {
  cost: number;
  places: Map<Ticks, WrittenUnits>;
}

/** The cheapest way to call each beat exact or played by hand. */
function judge(ticks: readonly Ticks[], offset: Ticks, line: BeatLine): Judgement {
  const beats = strikesByBeat(ticks, offset, line);
  const wide = wideTuplets(beats, line);
  let exact: Path = { cost: 0, last: null };
  let byHand: Path = { cost: CHANGE, last: null };
  for (const [beat, strikes] of beats) {
    const own = fitBeat(strikes, line.beats[beat]!, line.unitsPerTick) ?? fitParts(strikes, line.beats[beat]!, line);
    const fit = cheapest(own, wide.get(beat) ?? null);
    // Whatever begins with the file, played early or not, stands on its first tick: that says nothing for a machine.
    const telling = strikes.filter(({ tick }) => tick > 0).length;
    const handCost = telling * missing(line, beat);
    const cheaper = (stay: Path, change: Path) =>
      stay.cost <= change.cost + CHANGE ? stay : { ...change, cost: change.cost + CHANGE };
    const [toExact, toHand] = [cheaper(exact, byHand), cheaper(byHand, exact)];
    exact = {
      cost: toExact.cost + (fit?.cost ?? IMPOSSIBLE) + (telling < strikes.length ? NO_EVIDENCE : 0),
      last: { strikes, fit, before: toExact.last },
    };
    byHand = { cost: toHand.cost + handCost, last: { strikes, fit: null, before: toHand.last } };
  }
  const best = exact.cost <= byHand.cost ? exact : byHand;
  const places = new Map<Ticks, WrittenUnits>();
  for (let step = best.last; step; step = step.before) {
    const { strikes, fit } = step;
    if (fit) strikes.forEach(({ tick }, i) => places.set(tick, fit.places[i]!));
  }
  return { cost: best.cost, places };
}

interface Path {
  cost: number;
  last: Step | null;
}

interface Step {
  strikes: readonly Strike[];
  fit: BeatFit | null;
  before: Step | null;
}

interface Strike {
  tick: Ticks;
  at: PlayedUnits;
}

interface BeatFit {
  cost: number;
  places: WrittenUnits[];
}

/** −ln of how likely a hand meets a place to the tick. */
function missing(line: BeatLine, beat: number): number {
  const tick: Seconds = line.unitsPerTick * line.secondsPerUnit[beat]!;
  return -Math.log(Math.min(0.9, tick / (HAND * 2.5)));
}

function strikesByBeat(ticks: readonly Ticks[], offset: Ticks, line: BeatLine): Map<number, Strike[]> {
  const beats = new Map<number, Strike[]>();
  for (const tick of ticks) {
    // What starts with the file could not stand any earlier.
    const at = Math.max(0, tick - offset) * line.unitsPerTick;
    // A place that was rounded down a tick belongs to the beat it was rounded from.
    const beat = beatIndexAt(line, at + toleranceOf(line.unitsPerTick) * 0.99);
    const strikes = beats.get(beat);
    if (strikes) strikes.push({ tick, at });
    else beats.set(beat, [{ tick, at }]);
  }
  return beats;
}

/** How far a place between two ticks may lie from the one it was rounded to. */
function toleranceOf(unitsPerTick: number): number {
  return Math.min(unitsPerTick, QUARTER / 90);
}

/**
 * A place that falls on a tick has no reason to lie beside it; one between two ticks may have been rounded either way.
 */
function standsOn(at: PlayedUnits, place: WrittenUnits, unitsPerTick: number): boolean {
  const betweenTicks = Math.abs(place / unitsPerTick - Math.round(place / unitsPerTick)) > 1e-6;
  return Math.abs(at - place) <= (betweenTicks ? 1 : 0.5) * toleranceOf(unitsPerTick) + 1e-6;
}

function cheapest(a: BeatFit | null, b: BeatFit | null): BeatFit | null {
  return !a || (b && b.cost < a.cost) ? b : a;
}

/** Fives and sevens over two beats, or over a bar of three: in each beat alone they look like accidents. */
function wideTuplets(beats: ReadonlyMap<number, readonly Strike[]>, line: BeatLine): Map<number, BeatFit> {
  const fits = new Map<number, BeatFit>();
  for (const b of beats.keys()) {
    // Three beats hold no fewer than two: most music is done here.
    if (strikesIn(beats, b, 3) < lowest(WIDE_DIVISIONS) - 1) continue;
    const { bar, start, length } = line.beats[b]!;
    let inBar = 0;
    while (line.beats[b - inBar - 1]?.bar === bar) inBar++;
    const beatsOf = (count: number) =>
      line.beats.slice(b, b + count).filter((beat) => beat.bar === bar && beat.length === length).length === count;
    for (const count of [2, 3]) {
      if (
        !beatsOf(count) ||
        (count === 2 && inBar % 2 === 1) ||
        (count === 3 && (inBar > 0 || line.beats[b + 3]?.bar === bar))
      )
        continue;
      const members = Array.from({ length: count }, (_, i) => b + i).filter((one) => beats.has(one));
      const struck = members.reduce((sum, one) => sum + beats.get(one)!.length, 0);
      for (const division of WIDE_DIVISIONS) {
        if (struck < division - 1) continue;
        const unit = (count * length) / division;
        const placesOf = (one: number) =>
          beats.get(one)!.map(({ at }) => start + Math.round((at - start) / unit) * unit);
        const strikes = members.flatMap((one) =>
          beats.get(one)!.map(({ at }, i) => ({ at, place: placesOf(one)[i]! })),
        );
        if (!strikes.every(({ at, place }) => standsOn(at, place, line.unitsPerTick))) continue;
        for (const one of members) fits.set(one, { cost: WIDE / members.length, places: placesOf(one) });
      }
    }
  }
  return fits;
}

function strikesIn(beats: ReadonlyMap<number, readonly Strike[]>, from: number, count: number): number {
  let strikes = 0;
  for (let b = from; b < from + count; b++) strikes += beats.get(b)?.length ?? 0;
  return strikes;
}

function fitBeat(
  strikes: readonly Strike[],
  beat: Beat,
  unitsPerTick: number,
  divisions: readonly number[] = DIVISIONS,
): BeatFit | null {
  let best: BeatFit | null = null;
  for (const division of divisions) {
    const unit = beat.length / division;
    if (!Number.isInteger(unit) || unit < FINEST * 0.6) continue;
    const places: WrittenUnits[] = [];
    let cost = divisionCost(beat, division);
    for (const { at } of strikes) {
      const slot = Math.round((at - beat.start) / unit);
      const place = beat.start + slot * unit;
      if (!standsOn(at, place, unitsPerTick)) {
        cost = Infinity;
        break;
      }
      places.push(place);
      cost += rarity(beat, division / commonDivisor(slot, division));
    }
    if (cost < (best?.cost ?? Infinity)) best = { cost, places };
  }
  return best;
}

/** Thirds of a compound beat, each divided for itself: three in the time of two in one eighth, thirty-seconds in the next. */
function fitParts(strikes: readonly Strike[], beat: Beat, { unitsPerTick }: BeatLine): BeatFit | null {
  if (!beat.compound) return null;
  const length = beat.length / THIRDS;
  const places: WrittenUnits[] = [];
  let cost = PARTED;
  for (let part = 0; part < THIRDS; part++) {
    const start = beat.start + part * length;
    const end = part + 1 < THIRDS ? start + length - toleranceOf(unitsPerTick) : Infinity;
    const inside = strikes.filter(({ at }) => (part === 0 || at >= start - toleranceOf(unitsPerTick)) && at < end);
    if (inside.length === 0) continue;
    const fit = fitBeat(inside, { ...beat, start, length, compound: false }, unitsPerTick, PART_DIVISIONS);
    if (!fit) return null;
    cost += fit.cost;
    places.push(...fit.places);
  }
  return places.length === strikes.length ? { cost, places } : null;
}

/** Nats by the smallest unit they hold for, the largest first. */
type BySize = readonly (readonly [unit: WrittenUnits, nats: number])[];
const PLAIN: BySize = [
  [QUARTER / 2, 0.25],
  [QUARTER / 4, 0.5],
  [QUARTER / 8, 1],
  [0, 2],
];
const OF_THREE: BySize = [
  [QUARTER / 3, 0.8],
  [QUARTER / 6, 1],
  [0, 1.8],
];
const bySize = (unit: WrittenUnits, costs: BySize) => costs.find(([smallest]) => unit >= smallest)![1];

/** Nats for a place that needs its beat to be divided so. */
function rarity(beat: Beat, division: number): number {
  const unit = beat.length / division;
  if (division === 1) return 0;
  if (noteValue(unit, 0)) return bySize(unit, PLAIN);
  if (noteValue(unit * 1.5, 0) && !beat.compound) return bySize(unit, OF_THREE);
  if (division === 2 || division === 4) return 1;
  if (division === 5 || division === 7) return 1.2;
  return division === 9 || division === 10 ? 1.8 : 3;
}

/**
 * Nats for a beat divided so at all: a lone note at a fifth or a fourteenth of its beat is an accident, five of them
 * are a quintuplet.
 */
function divisionCost(beat: Beat, division: number): number {
  const unit = beat.length / division;
  if (noteValue(unit, 0)) return unit >= QUARTER / 8 ? 0.2 : 1.2;
  if (noteValue(unit * 1.5, 0) && !beat.compound) return unit >= QUARTER / 6 ? 0.6 : 1.5;
  if (division === 1) return 0;
  if (division === 2 || division === 4) return 0.8;
  if (division === 5 || division === 7) return 5.5;
  return division === 9 ? 7 : 9;
}

/**
 * Displacements worth a try: what most onsets leave over when divided by a sixteenth, and that by further sixteenths.
 */
function displacements(ticks: readonly Ticks[], line: BeatLine): Ticks[] {
  const sixteenth = QUARTER / 4 / line.unitsPerTick;
  if (sixteenth < 4) return [];
  const residues = new Map<Ticks, number>();
  for (const tick of ticks) {
    const residue = Math.round(tick % sixteenth) % Math.round(sixteenth);
    residues.set(residue, (residues.get(residue) ?? 0) + 1);
  }
  const usual = [...residues]
    .filter(([, count]) => count >= LEAST_RESIDUE * ticks.length)
    .sort((a, b) => b[1] - a[1])
    .slice(0, MOST_RESIDUES)
    .map(([residue]) => residue);
  const perTick: Seconds = line.unitsPerTick * line.secondsPerUnit[0]!;
  const found: Ticks[] = [];
  for (const residue of usual) {
    // Where a grid runs through it the file says what it says.
    if ([3, 4, 6, 8].some((division) => nearGrid(residue, QUARTER / division / line.unitsPerTick))) continue;
    for (
      let offset = residue - Math.ceil(EARLIEST / perTick / sixteenth) * sixteenth;
      offset * perTick <= LATEST;
      offset += sixteenth
    ) {
      if (offset * perTick >= -EARLIEST) found.push(Math.round(offset));
    }
  }
  return found;
}

function nearGrid(ticks: Ticks, step: number): boolean {
  return Math.abs(ticks - Math.round(ticks / step) * step) < 1;
}
