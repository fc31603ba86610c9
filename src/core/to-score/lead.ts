/*
 * Lead: how far ahead of the beat each track was played, in seconds.
 *
 *     beats    |       |       |       |
 *     played  x      x       x      x        every note early by about the same time: lead
 *
 * Takes the onsets of each track; gives a constant offset for each, the confidence in it and what else was considered.
 * For every offset in reach, onsets are compared with the metrical grid: a good offset puts them close to grid places, on
 * strong places rather than weak ones, and together with tracks that are already on the beat. The last two decide between
 * "early by 80 ms" and "late by 420 ms". Circular statistics on onset phase with metrical weights (the idea is common in
 * beat tracking; weights here are our own).
 */
import type { TrackId } from '../performance';
import type { Milliseconds, Seconds } from '../time';
import { beatIndexAt, type BeatLine } from './beats';
import type { TimedNote } from './timed-note';

export interface Lead {
  /** Positive: played early. */
  milliseconds: Milliseconds;
  /** 0–1 */
  confidence: number;
  /** Set by a person. */
  pinned: boolean;
  evidence: string;
}

/** A lead less certain than this is asked about, not taken out. */
export const LEAST_LEAD_CONFIDENCE = 0.6;

const SURE_WITNESS = 0.9;
const STEP: Seconds = 0.01;
const EARLIEST: Seconds = 0.32;
const LATEST: Seconds = -0.06;
const SPREAD: Seconds = 0.02;
const OUTLIER = 4.5;
/** Share of a beat → how unusual an onset there is, in nats (own choice, checked on the bench). */
const PLACES: readonly (readonly [number, number])[] = [[0, 0], [1, 0], [1 / 2, 0.5], [1 / 4, 1.2], [3 / 4, 1.2], [1 / 3, 1.4], [2 / 3, 1.4]];
const PLACES_COMPOUND: readonly (readonly [number, number])[] = [[0, 0], [1, 0], [1 / 3, 0.5], [2 / 3, 0.5], [1 / 6, 1.3], [1 / 2, 1.3], [5 / 6, 1.3]];
/** For a second of lead: people play ahead of the beat far more often than behind it. */
const EARLY_COST = 0.5;
/** Nats for a lead of any size: most tracks have none. */
const ANY_LEAD = 6;
/** For a second of lateness: people play behind the beat far less often. */
const LATE_COST = 4;
const MOST_ONSETS = 180;
const TOGETHER: Seconds = 0.025;
/** Smaller leads are not worth a correction: rounding takes care of them. */
const NEGLIGIBLE: Seconds = 0.012;

interface Onset {
  beat: number;
  at: number;
  seconds: Seconds;
  /** Long notes stand on strong places: how much the strength of its place counts. */
  weight: number;
}

/** @param tracks notes timed with no lead taken out */
export function estimateLeads(tracks: ReadonlyMap<TrackId, readonly TimedNote[]>, line: BeatLine, pins: Record<TrackId, Milliseconds>): Map<TrackId, Lead> {
  const onsets = new Map([...tracks].map(([id, notes]) => [id, distinctOnsets(notes, line)]));
  const alone = new Map([...onsets].map(([id, list]): [TrackId, Found] => [id, pins[id] === undefined ? search(list, line, null) : { lead: pins[id] / 1000, rival: 0, confidence: 1 }]));
  // Tracks that are sure of their lead, be it none, bear witness for the others once it is taken out.
  const witnesses = [...alone].filter(([, found]) => found.confidence > SURE_WITNESS).map(([id]) => id);
  const reference = coincidences(witnesses.map((id) => onsets.get(id)!.map((onset) => onset.seconds + alone.get(id)!.lead)));
  const leads = new Map<TrackId, Lead>();
  for (const [id, list] of onsets) {
    const pin = pins[id];
    if (pin !== undefined) {
      leads.set(id, { milliseconds: pin, confidence: 1, pinned: true, evidence: 'set by hand' });
      continue;
    }
    const found = witnesses.includes(id) || witnesses.length === 0 ? alone.get(id)! : search(list, line, reference);
    leads.set(id, describe(found, list.length));
  }
  return leads;
}

function describe(found: Found, onsets: number): Lead {
  const milliseconds = Math.abs(found.lead) < NEGLIGIBLE ? 0 : Math.round(found.lead * 1000);
  const rival = Math.round(found.rival * 1000);
  const evidence =
    milliseconds === 0
      ? `${onsets} onsets lie on the beat`
      : `${onsets} onsets fit best ${Math.abs(milliseconds)} ms ${milliseconds > 0 ? 'early' : 'late'}; next best ${Math.abs(rival)} ms ${rival >= 0 ? 'early' : 'late'}`;
  return { milliseconds, confidence: found.confidence, pinned: false, evidence };
}

/** One onset for notes struck together. */
function distinctOnsets(notes: readonly TimedNote[], line: BeatLine): Onset[] {
  const sorted = [...notes].sort((a, b) => a.onset - b.onset);
  const onsets: Onset[] = [];
  for (const note of sorted) {
    const last = onsets.at(-1);
    if (last && note.onsetSeconds - last.seconds < TOGETHER) continue;
    if (last) last.weight = weightOf(note.onset - last.at, line, last.beat);
    if (onsets.length >= MOST_ONSETS) break;
    onsets.push({ beat: beatIndexAt(line, note.onset), at: note.onset, seconds: note.onsetSeconds, weight: 1 });
  }
  return onsets;
}

/** By the time to the next onset, in beats. */
function weightOf(interval: number, line: BeatLine, beat: number): number {
  return 0.6 + 0.7 * Math.min(2, interval / line.beats[beat]!.length);
}

interface Found {
  lead: Seconds;
  rival: Seconds;
  confidence: number;
}

function search(onsets: readonly Onset[], line: BeatLine, reference: Float64Array | null): Found {
  if (onsets.length === 0) return { lead: 0, rival: 0, confidence: 1 };
  const costs: { lead: Seconds; cost: number }[] = [];
  for (let lead = LATEST; lead <= EARLIEST + 1e-9; lead += STEP) {
    const rounded = Math.round(lead / STEP) * STEP;
    costs.push({ lead: rounded, cost: misfit(onsets, line, rounded) - (reference ? agreement(onsets, reference, rounded) : 0) + (rounded > 0 ? EARLY_COST : LATE_COST) * Math.abs(rounded) + (Math.abs(rounded) > NEGLIGIBLE ? ANY_LEAD / onsets.length : 0) });
  }
  const best = costs.reduce((a, b) => (b.cost < a.cost ? b : a));
  const rival = costs.filter(({ lead }) => Math.abs(lead - best.lead) > 0.05).reduce((a, b) => (b.cost < a.cost ? b : a));
  const lead = best.lead + remainder(onsets, line, best.lead);
  // Each onset is a witness; a few nats of difference in all are certainty enough.
  const confidence = 1 - Math.exp(-((rival.cost - best.cost) * onsets.length) / 3);
  return { lead, rival: rival.lead, confidence };
}

/** Mean cost of the onsets, shifted by `lead`, against the metrical grid. */
function misfit(onsets: readonly Onset[], line: BeatLine, lead: Seconds): number {
  let sum = 0;
  for (const onset of onsets) sum += nearestPlace(onset, line, lead).cost;
  return sum / onsets.length;
}

/** What the best grid places still leave over, on average: refines the raster. */
function remainder(onsets: readonly Onset[], line: BeatLine, lead: Seconds): Seconds {
  const left = onsets.map((onset) => nearestPlace(onset, line, lead).residual).filter((residual) => Math.abs(residual) < 2 * SPREAD);
  if (left.length === 0) return 0;
  left.sort((a, b) => a - b);
  return -left[left.length >> 1]!;
}

function nearestPlace(onset: Onset, line: BeatLine, lead: Seconds): { cost: number; residual: Seconds } {
  let { beat } = onset;
  const at = onset.at + lead / line.secondsPerUnit[beat]!;
  while (beat > 0 && at < line.starts[beat]!) beat--;
  while (beat + 1 < line.starts.length && at >= line.starts[beat + 1]!) beat++;
  const { start, length, compound } = line.beats[beat]!;
  const share = (at - start) / length;
  const beatSeconds = length * line.secondsPerUnit[beat]!;
  let cost = Infinity;
  let residual = 0;
  for (const [place, level] of compound ? PLACES_COMPOUND : PLACES) {
    const away = (share - place) * beatSeconds;
    const here = Math.min((away * away) / (2 * SPREAD * SPREAD), OUTLIER) + level * onset.weight;
    if (here < cost) {
      cost = here;
      residual = away;
    }
  }
  return { cost, residual };
}

function coincidences(lists: readonly (readonly Seconds[])[]): Float64Array {
  return Float64Array.from(lists.flat()).sort();
}

/** Share of onsets that fall together with one of the reference. */
function agreement(onsets: readonly Onset[], reference: Float64Array, lead: Seconds): number {
  let together = 0;
  for (const onset of onsets) {
    const at = onset.seconds + lead;
    let low = 0;
    let high = reference.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (reference[middle]! < at) low = middle + 1;
      else high = middle;
    }
    const near = Math.min(Math.abs((reference[low] ?? Infinity) - at), Math.abs((reference[low - 1] ?? -Infinity) - at));
    if (near < TOGETHER) together++;
  }
  return together / onsets.length;
}
