/*
 * Signatures: which key signatures to print, and where they change.
 *
 *     keys heard     G . . . D . . . . . D . e . G     E . . . .  E
 *     printed        G                                 E                 home is kept through modulations
 *
 * Takes the key heard in each bar and what sounds there; gives the signatures. A piece has a home key, told by how it
 * begins and ends; passing modulations, above all to the dominant, stay under its signature. It changes where a section
 * stands in another key: least cost over the bars (Viterbi), each bar weighing how far the key heard lies from the
 * signature and how many accidentals it would need; a change costs less where everybody comes to rest or the file marks
 * a section. Weights: common practice, no source.
 */
import { lastNotAfter, QUARTER, type Bar, type WrittenUnits } from '../../time';
import type { KeyEvent } from '../../performance';
import type { ScoreKey } from '../../score';
import { pitchClassWeights, usualKey, type BarKey, type SoundingNote } from './keys';

const MOST_SIGNS = 6;
/** What a bar says against a signature whose key lies so many fifths from the one heard. */
const AWAY = [0, 0.05, 0.4, 0.5, 0.5, 0.5, 0.5];
/** For each pitch class of a bar that would need an accidental, and the most of it. */
const ACCIDENTAL = 0.6;
const MOST_ACCIDENTALS = 4;
/** A pitch class counts in a bar when it sounds this long there, in quarter notes. */
const COUNTS = 0.2;
/** For each sign of the signature: in doubt the plainer page is the right one. */
const SIGN = 0.08;
/** The first bars tell the home key, and the last ones a little: how much more the key heard there weighs. */
const EDGE_BARS = 4;
const OPENING = 36;
const ENDING = 2;
/** Before it modulates a piece shows what is diatonic in it: how much more an accidental weighs, and how long. */
const EXPOSED_BARS = 16;
const EXPOSED = 3;
/** A change of signature; a section that stands in the dominant is rarely given one. */
const CHANGE = 10;
const TO_DOMINANT = 24;
/** As a share of that, where everybody comes to rest or the file marks a section. */
const AT_SECTION = 0.8;
/** Before this share of all barlines the music moves on as usual. */
const USUAL_SHARE = 0.8;
/** A signature that lasts fewer bars than this is none. */
const LEAST_BARS = 8;

/** Signatures to print: the file's own where somebody set them, else those the music asks for. */
export function signatures(
  barKeys: readonly BarKey[],
  notes: readonly SoundingNote[],
  bars: readonly Bar[],
  events: readonly KeyEvent[],
  sections: ReadonlySet<number> = new Set(),
): ScoreKey[] {
  if (!isDefaultKey(events)) {
    const stated = events.map((event) => ({
      bar: barAtOrAfter(bars, event.at),
      fifths: event.fifths,
      mode: event.mode,
    }));
    if (stated[0]!.bar > 0) stated.unshift({ bar: 0, ...usualKey(barKeys.slice(0, stated[0]!.bar)) });
    return distinct(stated);
  }
  if (bars.length === 0) return [{ bar: 0, fifths: 0, mode: 'major' }];
  const rests = restsBefore(notes, bars);
  const path = leastCostPath(barCosts(barKeys, notes, bars), (bar) => sections.has(bar) || rests.has(bar));
  const changes = path.flatMap((fifths, bar) => (bar === 0 || fifths !== path[bar - 1] ? [{ bar, fifths }] : []));
  return changes.map(({ bar, fifths }, i) => ({
    bar,
    fifths,
    mode: modeUnder(fifths, barKeys.slice(bar, changes[i + 1]?.bar)),
  }));
}

/** A lone C major at the very start is what programs write when nobody set a key. */
export function isDefaultKey(events: readonly KeyEvent[]): boolean {
  return events.every((event) => event.fifths === 0 && event.mode === 'major') && events.length <= 1;
}

/**
 * Signatures set by hand at single bars take their place among the others; one that repeats what is in force is none.
 */
export function withKeyChanges(keys: readonly ScoreKey[], changes: readonly ScoreKey[], bars: number): ScoreKey[] {
  return changes.length === 0 ? [...keys] : distinct([...keys, ...changes.filter((change) => change.bar < bars)]);
}

function distinct(keys: readonly ScoreKey[]): ScoreKey[] {
  const sorted = [...new Map(keys.map((key) => [key.bar, key])).values()].sort((a, b) => a.bar - b.bar);
  return sorted.filter((key, i) => i === 0 || key.fifths !== sorted[i - 1]!.fifths || key.mode !== sorted[i - 1]!.mode);
}

function barAtOrAfter(bars: readonly Bar[], at: WrittenUnits): number {
  const i = bars.findIndex((bar) => bar.start >= at - QUARTER / 8);
  return i < 0 ? bars.length - 1 : i;
}

const SIGNATURES = Array.from({ length: 2 * MOST_SIGNS + 1 }, (_, i) => i - MOST_SIGNS);

/** Cost of each signature in each bar. */
function barCosts(barKeys: readonly BarKey[], notes: readonly SoundingNote[], bars: readonly Bar[]): number[][] {
  const sounding = pitchClassWeights(notes, bars);
  const used = sounding.flatMap((weights, bar) => (weights.some((weight) => weight > 0) ? [bar] : []));
  const [first, last] = [used[0] ?? 0, used.at(-1) ?? 0];
  return bars.map((_, bar) => {
    const weights = sounding[bar]!;
    if (!weights.some((weight) => weight > 0)) return SIGNATURES.map(() => 0);
    const exposed = bar < first + EXPOSED_BARS ? EXPOSED : 1;
    const later = bar > last - EDGE_BARS ? ENDING : 1;
    const edge = bar < first + EDGE_BARS ? OPENING : later;
    return SIGNATURES.map((signature) => {
      const away = AWAY[Math.abs(fifthsFrom(signature, barKeys[bar]!.fifths))]!;
      const accidentals = weights.filter(
        (weight, pitchClass) => weight >= COUNTS && !isDiatonic(pitchClass, signature),
      ).length;
      const foreign = exposed * ACCIDENTAL * Math.min(accidentals, MOST_ACCIDENTALS);
      return edge * away + foreign + SIGN * Math.abs(signature);
    });
  });
}

/** How far a key lies on the sharp side of a signature, −6 to 6. */
function fifthsFrom(signature: number, key: number): number {
  const apart = (((key - signature) % 12) + 12) % 12;
  return apart > 6 ? apart - 12 : apart;
}

function isDiatonic(pitchClass: number, signature: number): boolean {
  // On the line of fifths the scale reaches from one fifth below its major tonic to five above it.
  const place = (((pitchClass * 7 - signature) % 12) + 12) % 12;
  return place <= 5 || place === 11;
}

function runningSums(values: readonly number[]): Float64Array {
  const sums = Float64Array.from(values);
  for (let i = 1; i < sums.length; i++) sums[i] = sums[i]! + sums[i - 1]!;
  return sums;
}

function changeCost(from: number, to: number): number {
  return fifthsFrom(from, to) === 1 ? TO_DOMINANT : CHANGE;
}

/** How a bar came under a signature. */
interface Step {
  cost: number;
  /** Signature of the bar before `since`. */
  from: number;
  /**
   * The bar itself where the signature just went on; where it took the place of another, the first bar it stands at.
   */
  since: number;
}

/**
 * The signature of each bar. A new signature is entered with its first LEAST_BARS bars at once, so that it stands at
 * least so long.
 */
function leastCostPath(costs: readonly (readonly number[])[], isSection: (bar: number) => boolean): number[] {
  const sums = SIGNATURES.map((_, s) => runningSums(costs.map((cost) => cost[s]!)));
  const steps: Step[][] = [costs[0]!.map((cost, s) => ({ cost, from: s, since: 0 }))];
  for (let bar = 1; bar < costs.length; bar++) steps.push(SIGNATURES.map((_, s) => stepTo(s, bar)));
  return trace(steps);

  function stepTo(s: number, bar: number): Step {
    let best: Step = { cost: steps[bar - 1]![s]!.cost + costs[bar]![s]!, from: s, since: bar };
    const since = bar - LEAST_BARS + 1;
    if (since < LEAST_BARS) return best;
    const first = sums[s]![bar]! - sums[s]![since - 1]!;
    const share = isSection(since) ? AT_SECTION : 1;
    for (let from = 0; from < SIGNATURES.length; from++) {
      if (from === s) continue;
      const cost = steps[since - 1]![from]!.cost + first + share * changeCost(SIGNATURES[from]!, SIGNATURES[s]!);
      if (cost < best.cost) best = { cost, from, since };
    }
    return best;
  }
}

function trace(steps: readonly (readonly Step[])[]): number[] {
  const last = steps.at(-1)!;
  let state = last.reduce((best, step, s) => (step.cost < last[best]!.cost ? s : best), 0);
  const path: number[] = [];
  for (let bar = steps.length - 1; bar >= 0;) {
    const { from, since } = steps[bar]![state]!;
    for (let b = since; b <= bar; b++) path[b] = SIGNATURES[state]!;
    state = from;
    bar = since - 1;
  }
  return path;
}

/**
 * Bars before which everybody comes to rest: nothing sounds over the barline, and nothing has begun for at least half a
 * bar, longer than before nearly all other barlines.
 */
function restsBefore(notes: readonly SoundingNote[], bars: readonly Bar[]): Set<number> {
  const gaps = bars.map(() => Infinity);
  const starts = bars.map((bar) => bar.start);
  for (const note of notes) {
    const after = lastNotAfter(starts, note.start) + 1;
    if (after < bars.length)
      gaps[after] = Math.min(gaps[after]!, note.end > starts[after]! ? 0 : starts[after]! - note.start);
    for (let bar = after + 1; bar < bars.length && starts[bar]! < note.end; bar++) gaps[bar] = 0;
  }
  const usual = [...gaps.slice(1)].sort((x, y) => x - y)[Math.floor(USUAL_SHARE * (gaps.length - 1))] ?? Infinity;
  return new Set(gaps.flatMap((gap, bar) => (bar > 0 && gap >= bars[bar - 1]!.length / 2 && gap > usual ? [bar] : [])));
}

function modeUnder(fifths: number, heard: readonly BarKey[]): 'major' | 'minor' {
  const here = heard.filter((key) => fifthsFrom(fifths, key.fifths) === 0);
  const minor = here.filter((key) => key.mode === 'minor').length;
  return minor * 2 > here.length ? 'minor' : 'major';
}
