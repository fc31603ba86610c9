/*
 * How well a track's onsets stand on places of the beat once a lead is taken out: circular statistics on onset phase with
 * metrical weights (the idea is common in beat tracking; styles and weights here are our own).
 */
import type { Seconds } from '../../../time';
import type { BeatLine } from '../beats';
import { areDetached, type Onset } from './onsets';
import { LEADS } from './tuning';

interface Place {
  /** Of the beat. */
  share: number;
  kind: number;
}

/** Kinds of place in a beat: on it, at its half, at its quarters, at its thirds. @param half where the off-beat lies */
const placesWith = (half: number): readonly Place[] => [
  { share: 0, kind: 0 },
  { share: 1, kind: 0 },
  { share: half, kind: 1 },
  { share: 1 / 4, kind: 2 },
  { share: 3 / 4, kind: 2 },
  { share: 1 / 3, kind: 3 },
  { share: 2 / 3, kind: 3 },
];
/** In a compound beat: on it, at its second third, at its last one, and at halves of thirds. */
const PLACES_COMPOUND: readonly Place[] = [
  { share: 0, kind: 0 },
  { share: 1, kind: 0 },
  { share: 1 / 3, kind: 1 },
  { share: 2 / 3, kind: 2 },
  { share: 1 / 6, kind: 3 },
  { share: 5 / 6, kind: 3 },
  { share: 1 / 2, kind: 3 },
];

interface Style {
  /** −ln of how usual one place of a kind is, in a plain and in a compound beat. */
  places: readonly [plain: readonly number[], compound: readonly number[]];
  cost: number;
  /** Only believed of notes that are let go before the next one. */
  detached?: true;
}

/** How usual each kind of place is in some styles of music, and what the style costs in nats. */
const STYLES: readonly Style[] = [
  // Hardly anything but beats: as plain as the plainest after-beats below, or these would explain it better.
  style([0.92, 0.04, 0.02, 0.02], [0.9, 0.03, 0.04, 0.03], 0),
  style([0.62, 0.24, 0.08, 0.06], [0.55, 0.13, 0.22, 0.1], 0),
  style([0.4, 0.4, 0.14, 0.06], [0.36, 0.28, 0.29, 0.07], 0.5),
  style([0.3, 0.28, 0.36, 0.06], [0.25, 0.2, 0.2, 0.35], 1),
  style([0.45, 0.06, 0.04, 0.45], [0.5, 0.08, 0.08, 0.34], 1),
  // Off the beat more often than on it; never on it.
  style([0.25, 0.6, 0.1, 0.05], [0.2, 0.37, 0.37, 0.06], 3),
  { ...style([0.03, 0.9, 0.04, 0.03], [0.03, 0.45, 0.45, 0.07], 3), detached: true },
  { ...style([0.08, 0.12, 0.74, 0.06], [0.1, 0.1, 0.1, 0.7], 3), detached: true },
];

/**
 * @param plain share of the onsets on places of each kind; a beat has one, one, two and two of them
 * @param compound the same: one, one, one, three
 */
function style(plain: readonly number[], compound: readonly number[], cost: number): Style {
  const nats = (shares: readonly number[], places: readonly number[]) =>
    shares.map((share, kind) => -Math.log(share / places[kind]!));
  return { places: [nats(plain, [1, 1, 2, 2]), nats(compound, [1, 1, 1, 3])], cost };
}

export interface Fit {
  lead: Seconds;
  /** Nats, in the style of music that explains the onsets best. */
  misfit: number;
  /** Mean nats of what the nearest places of any kind leave over. */
  residue: number;
}

/** Where the beats of a piece may be struck. */
export interface Raster {
  line: BeatLine;
  plain: readonly Place[];
}

export const rasterWith = (line: BeatLine, half: number): Raster => ({ line, plain: placesWith(half) });

/** Leads in question, in rising order. @param around they lie as far before and behind it as people play */
export function leadsAround(around: Seconds): Seconds[] {
  const leads: Seconds[] = [];
  for (let lead = LEADS.latest; lead <= LEADS.earliest + 1e-9; lead += LEADS.step)
    leads.push(around + Math.round(lead / LEADS.step) * LEADS.step);
  return leads;
}

/** The fits of all tracks of a piece, each computed once. */
export class Fits {
  private readonly known = new Map<readonly Onset[], Map<string, Fit[]>>();

  constructor(private readonly line: BeatLine) {}

  /** Of each lead in question around what is none. @param half where the off-beats lie */
  of(onsets: readonly Onset[], half: number, around: Seconds): readonly Fit[] {
    const own = this.known.get(onsets) ?? new Map<string, Fit[]>();
    this.known.set(onsets, own);
    const slot = `${half}/${around}`;
    const fits = own.get(slot) ?? fitsOf(onsets, rasterWith(this.line, half), leadsAround(around));
    own.set(slot, fits);
    return fits;
  }
}

export function fitsOf(onsets: readonly Onset[], raster: Raster, leads: readonly Seconds[]): Fit[] {
  if (onsets.length === 0) return [];
  const detached = areDetached(onsets);
  const styles = STYLES.map((one) => ({
    places: one.places,
    cost: one.cost + (one.detached && !detached ? LEADS.detachedOnly : 0),
  }));
  return leads.map((lead) => fitAt(lead, onsets, raster, styles));
}

/** Called for every track and every lead in question: loops, no lists. */
function fitAt(lead: Seconds, onsets: readonly Onset[], raster: Raster, styles: readonly Style[]): Fit {
  const sums = styles.map(({ cost }) => cost);
  const away = NOWHERE();
  let left = 0;
  for (const onset of onsets) {
    measure(onset, raster, lead, away);
    const { costs, compound } = away;
    for (let s = 0; s < styles.length; s++) {
      const places = styles[s]!.places[compound ? 1 : 0];
      let least = Infinity;
      for (let kind = 0; kind < costs.length; kind++) {
        least = Math.min(least, costs[kind]! + places[kind]! * onset.weight);
      }
      sums[s]! += least;
    }
    left += Math.min(costs[0], costs[1], costs[2], costs[3]);
  }
  return { lead, misfit: Math.min(...sums), residue: left / onsets.length };
}

/** 1 where a lead brings the onsets no closer to a grid than they were played, 0 where it does by far. */
export function likeness(withLead: number, asPlayed: number): number {
  return Math.max(0, 1 - Math.max(0, asPlayed - withLead) / LEADS.muchCloser);
}

/** What the best grid places still leave over, on average: refines the raster. */
export function remainder(onsets: readonly Onset[], raster: Raster, lead: Seconds): Seconds {
  const away = NOWHERE();
  const left = onsets
    .map((onset) => {
      measure(onset, raster, lead, away);
      return away.residual;
    })
    .filter((residual) => Math.abs(residual) < 2 * LEADS.spread);
  if (left.length === 0) return 0;
  left.sort((a, b) => a - b);
  return -left[left.length >> 1]!;
}

/** Most onsets stand between the beats and their halves and are held: a rhythm that is seldom meant. */
export function isSeldomWritten(onsets: readonly Onset[], raster: Raster, lead: Seconds): boolean {
  if (areDetached(onsets)) return false;
  const away = NOWHERE();
  const between = onsets.filter((onset) => {
    measure(onset, raster, lead, away);
    const [onBeat, onHalf, onQuarter] = away.costs;
    return !away.compound && onQuarter < Math.min(onBeat, onHalf);
  });
  return between.length >= LEADS.seldomWritten * onsets.length;
}

/** How far an onset lies from the nearest place of each kind, as a cost, and from the nearest of all. */
interface Away {
  costs: [number, number, number, number];
  residual: Seconds;
  compound: boolean;
}

const NOWHERE = (): Away => ({ costs: [0, 0, 0, 0], residual: 0, compound: false });

/** Writes the distances into `away`: this is called some hundred thousand times for a score. */
function measure(onset: Onset, { line, plain }: Raster, lead: Seconds, away: Away): void {
  let { beat } = onset;
  const at = onset.at + lead / line.secondsPerUnit[beat]!;
  while (beat > 0 && at < line.starts[beat]!) beat--;
  while (beat + 1 < line.starts.length && at >= line.starts[beat + 1]!) beat++;
  const { start, length, compound } = line.beats[beat]!;
  const share = (at - start) / length;
  const beatSeconds = length * line.secondsPerUnit[beat]!;
  const { costs } = away;
  costs.fill(LEADS.outlier);
  let residual = Infinity;
  const places = compound ? PLACES_COMPOUND : plain;
  for (let i = 0; i < places.length; i++) {
    const { share: place, kind } = places[i]!;
    const distance = (share - place) * beatSeconds;
    const cost = (distance * distance) / (2 * LEADS.spread * LEADS.spread);
    if (cost < costs[kind]!) costs[kind] = cost;
    if (Math.abs(distance) < Math.abs(residual)) residual = distance;
  }
  away.residual = residual;
  away.compound = compound;
}
