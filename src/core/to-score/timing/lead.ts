/*
 * Lead: how far ahead of the beat each track was played, in seconds.
 *
 *     beats    |       |       |       |
 *     played  x      x       x      x        every note early by about the same time: lead
 *
 * Takes the onsets of each track; gives a constant offset for each, the confidence in it and what else was considered.
 * A track that the file has exactly on its grid has no lead, however syncopated it is; one that stands beside the grid
 * by the same ticks throughout has just that. For the others every offset in reach is compared with none: a good one
 * puts the onsets close to grid places, on the kinds of place that some style of music uses, and together with tracks
 * that are on the beat. Between two offsets that fit equally well (a sixteenth apart, say) the file is believed.
 * Circular statistics on onset phase with metrical weights (the idea is common in beat tracking; styles and weights
 * here are our own).
 */
import type { TrackId } from '../../performance';
import type { Milliseconds, PlayedUnits, Seconds } from '../../time';
import { beatIndexAt, type BeatLine } from './beats';
import type { ExactTrack } from './exactness';
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

/** A lead nobody can be sure of is not taken out; it is asked about instead. @returns what is taken out */
export function appliedLead(lead: Lead | undefined): Seconds {
  if (!lead) return 0;
  return lead.pinned || lead.confidence >= LEAST_LEAD_CONFIDENCE ? lead.milliseconds / 1000 : 0;
}

/** As sure as nothing is that is taken out. */
const IN_DOUBT = LEAST_LEAD_CONFIDENCE - 0.01;

const SURE_WITNESS = 0.9;
const MOST_COMPANY = 10;
const ALIKE: Seconds = 0.008;
const STEP: Seconds = 0.01;
const EARLIEST: Seconds = 0.32;
const LATEST: Seconds = -0.06;
const SPREAD: Seconds = 0.02;
const OUTLIER = 4.5;
interface Place {
  /** Of the beat. */
  share: number;
  kind: number;
}

/** Kinds of place in a beat: on it, at its half, at its quarters, at its thirds. */
const PLACES: readonly Place[] = [
  { share: 0, kind: 0 },
  { share: 1, kind: 0 },
  { share: 1 / 2, kind: 1 },
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

interface Style {
  /** −ln of how usual one place of a kind is, in a plain and in a compound beat. */
  places: readonly [plain: readonly number[], compound: readonly number[]];
  cost: number;
  /** Only believed of notes that are let go before the next one. */
  detached?: true;
}

/**
 * @param plain share of the onsets on places of each kind; a beat has one, one, two and two of them
 * @param compound the same: one, one, one, three
 */
function style(plain: readonly number[], compound: readonly number[], cost: number): Style {
  const nats = (shares: readonly number[], places: readonly number[]) =>
    shares.map((share, kind) => -Math.log(share / places[kind]!));
  return { places: [nats(plain, [1, 1, 2, 2]), nats(compound, [1, 1, 1, 3])], cost };
}

/** Nats an onset for the file as it is, where it stands on a grid as well as with a lead taken out. */
const BELIEVED = 0.25;
const MUCH_CLOSER = 0.4;
/** A lead as large as this that brings the onsets no closer to a grid is asked about. */
const UNHEARD_OF: Seconds = 0.26;
const NO_CLOSER = 0.9;
/** For a second of lead: people play ahead of the beat far more often than behind it. */
const EARLY_COST = 6;
/** Nats for a lead of any size: most tracks have none. */
const ANY_LEAD = 8;
/** For a second of lateness: people play behind the beat far less often. */
const LATE_COST = 60;
/** What falling together with sure tracks is worth, an onset and at most. */
const TOGETHER_WORTH = 0.5;
const MOST_TOGETHER = 40;
/** Notes of after-beats are let go before the beat. */
const DETACHED_SHARE = 0.75;
const MOST_ONSETS = 180;
const TOGETHER: Seconds = 0.025;
const DETACHED_ONLY = 12;
/** A track with so many exact onsets tells its lead itself. */
const MOSTLY_EXACT = 0.5;
/** Smaller leads are not worth a correction: rounding takes care of them. */
const NEGLIGIBLE: Seconds = 0.012;

interface Onset {
  beat: number;
  at: PlayedUnits;
  release: PlayedUnits;
  seconds: Seconds;
  /** Long notes stand on strong places: how much the strength of its place counts. */
  weight: number;
  /** Let go well before the next onset. */
  detached: boolean;
}

/**
 * @param tracks notes timed with no lead taken out
 * @param exact what the file says of tracks that stand on a grid; those that are not in it were played
 * @param hands tracks that are one hand of a player, recorded apart
 */
export function estimateLeads(
  tracks: ReadonlyMap<TrackId, readonly TimedNote[]>,
  line: BeatLine,
  pins: Record<TrackId, Milliseconds>,
  exact: ReadonlyMap<TrackId, ExactTrack> = new Map(),
  hands: ReadonlySet<TrackId> = new Set(),
): Map<TrackId, Lead> {
  const onsets = new Map([...tracks].map(([id, notes]) => [id, distinctOnsets(notes, line)]));
  const known = (id: TrackId): Found | null => {
    if (pins[id] !== undefined) return { lead: pins[id] / 1000, rival: 0, confidence: 1, set: true };
    const track = exact.get(id);
    return track && track.share >= MOSTLY_EXACT
      ? {
          lead: -track.offset * line.unitsPerTick * line.secondsPerUnit[0]!,
          rival: 0,
          confidence: 1,
          exact: track.share,
        }
      : null;
  };
  // What the file says of itself needs no search.
  const fits = new Map([...onsets].map(([id, list]) => [id, known(id) ? [] : fitsOf(list, line)]));
  const alone = new Map(
    [...onsets].map(([id, list]): [TrackId, Found] => [id, known(id) ?? search(list, fits.get(id)!, line, null)]),
  );
  const found = doubtHands(doubtIfAllAlike(inCompany(alone, onsets, fits, line)), hands);
  return new Map(
    [...onsets].map(([id, list]) => [
      id,
      pins[id] !== undefined
        ? { milliseconds: pins[id], confidence: 1, pinned: true, evidence: 'set by hand' }
        : describe(found.get(id)!, list.length),
    ]),
  );
}

/**
 * Each track once more: heard together with those that are sure, and expected to have a lead as far as the others
 * clearly have one. Who plays one part ahead of the beat plays the next one so too.
 */
function inCompany(
  alone: ReadonlyMap<TrackId, Found>,
  onsets: ReadonlyMap<TrackId, readonly Onset[]>,
  fits: ReadonlyMap<TrackId, readonly Fit[]>,
  line: BeatLine,
): Map<TrackId, Found> {
  const found = new Map(alone);
  if (alone.size < 2) return found;
  for (const [id, own] of alone) {
    if (own.exact !== undefined || own.set) continue;
    const others = [...alone].filter(([other]) => other !== id);
    const early = others.filter(([, { lead, confidence }]) => lead > NEGLIGIBLE && confidence > SURE_WITNESS).length;
    const witnesses = others.filter(([, { confidence }]) => confidence > SURE_WITNESS).slice(0, MOST_COMPANY);
    const reference = Float64Array.from(
      witnesses.flatMap(([other, { lead }]) => onsets.get(other)!.map((onset) => onset.seconds + lead)),
    ).sort();
    found.set(id, search(onsets.get(id)!, fits.get(id)!, line, reference, early / others.length));
  }
  return found;
}

/**
 * Players are early each by a time of their own: where all are by the same, the barlines are in doubt and not the
 * playing.
 */
function doubtIfAllAlike(found: Map<TrackId, Found>): Map<TrackId, Found> {
  const leads = [...found.values()].map(({ lead }) => lead);
  const alike =
    found.size > 1 &&
    leads.every((lead) => Math.abs(lead) > NEGLIGIBLE && Math.abs(lead - leads[0]!) < ALIKE) &&
    [...found.values()].every(({ exact, set }) => exact === undefined && !set);
  return alike
    ? new Map([...found].map(([id, one]) => [id, { ...one, confidence: Math.min(one.confidence, IN_DOUBT) }]))
    : found;
}

/**
 * Both hands of a player are played in one go: one that would have to be ahead of the other, and lies on a grid as it
 * is, has a rhythm of its own.
 */
function doubtHands(found: Map<TrackId, Found>, hands: ReadonlySet<TrackId>): Map<TrackId, Found> {
  return new Map(
    [...found].map(([id, one]) => [
      id,
      hands.has(id) && one.noCloser ? { ...one, confidence: Math.min(one.confidence, IN_DOUBT) } : one,
    ]),
  );
}

function describe(found: Found, onsets: number): Lead {
  // What the file has to the tick is taken out to the tick; a hand is not that steady.
  const milliseconds =
    found.exact === undefined && Math.abs(found.lead) < NEGLIGIBLE ? 0 : Math.round(found.lead * 10_000) / 10;
  const rounded = found.exact === undefined ? Math.round(milliseconds) : milliseconds;
  return {
    milliseconds: rounded,
    confidence: found.confidence,
    pinned: false,
    evidence: evidenceOf(found, rounded, onsets),
  };
}

function evidenceOf({ exact, rival, confidence }: Found, milliseconds: Milliseconds, onsets: number): string {
  const words = (ms: number) =>
    Math.round(ms) === 0 ? 'none' : `${Math.abs(Math.round(ms))} ms ${ms > 0 ? 'early' : 'late'}`;
  if (exact !== undefined) {
    const all = exact === 1 ? `all ${onsets} onsets` : `${Math.round(exact * 100)} % of ${onsets} onsets`;
    return milliseconds === 0 ? `${all} stand exactly on a grid` : `${all} stand beside the grid by the same ticks`;
  }
  return `${onsets} onsets fit best with ${milliseconds === 0 ? 'no lead' : words(milliseconds)}; next best: ${words(rival * 1000)} (${Math.round(confidence * 100)} % sure)`;
}

/** One onset for notes struck together. */
function distinctOnsets(notes: readonly TimedNote[], line: BeatLine): Onset[] {
  const sorted = [...notes].sort((a, b) => a.onset - b.onset);
  const onsets: Onset[] = [];
  for (const note of sorted) {
    const last = onsets.at(-1);
    if (last && note.onsetSeconds - last.seconds < TOGETHER) continue;
    if (last) {
      last.weight = weightOf(note.onset - last.at, line, last.beat);
      last.detached = last.release - last.at < DETACHED_SHARE * (note.onset - last.at);
    }
    if (onsets.length >= MOST_ONSETS) break;
    onsets.push({
      beat: beatIndexAt(line, note.onset),
      at: note.onset,
      release: note.release,
      seconds: note.onsetSeconds,
      weight: 1,
      detached: true,
    });
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
  /** By a person. */
  set?: true;
  /** It brings the onsets no closer to a grid than they were played. */
  noCloser?: boolean;
  /** Share of the onsets that the file has exactly on a grid, where it says the lead itself. */
  exact?: number;
}

/**
 * @param fits of the onsets
 * @param expected 0–1: how far the other tracks give reason to expect a lead
 */
function search(
  onsets: readonly Onset[],
  fits: readonly Fit[],
  line: BeatLine,
  reference: Float64Array | null,
  expected = 0,
): Found {
  if (onsets.length === 0) return { lead: 0, rival: 0, confidence: 1 };
  const asPlayed = fits.find(({ lead }) => lead === 0)!.residue;
  const costs = fits.map(({ lead, misfit, residue }) => {
    const notable = Math.abs(lead) > NEGLIGIBLE;
    const believed = notable ? onsets.length * BELIEVED * (1 - expected) * likeness(residue, asPlayed) : 0;
    const together = reference ? Math.min(MOST_TOGETHER, TOGETHER_WORTH * agreement(onsets, reference, lead)) : 0;
    const size = notable ? ANY_LEAD * (1 - expected) + (lead > 0 ? EARLY_COST : LATE_COST) * Math.abs(lead) : 0;
    return { lead, cost: misfit + believed - together + size };
  });
  const best = costs.reduce((a, b) => (b.cost < a.cost ? b : a));
  const rival = costs
    .filter(({ lead }) => Math.abs(lead - best.lead) > 0.05)
    .reduce((a, b) => (b.cost < a.cost ? b : a));
  const lead = best.lead + remainder(onsets, line, best.lead);
  // A few nats of difference in all are certainty enough.
  const sure = 1 - Math.exp(-(rival.cost - best.cost) / 3);
  const fit = fits.find((one) => one.lead === best.lead)!;
  const noCloser = Math.abs(best.lead) > NEGLIGIBLE && likeness(fit.residue, asPlayed) > NO_CLOSER;
  // Further ahead than people play, and no closer to the grid for it: rather a rhythm.
  const confidence = noCloser && best.lead > UNHEARD_OF ? Math.min(sure, IN_DOUBT) : sure;
  return { lead, rival: rival.lead, confidence, noCloser };
}

/** How well the onsets stand on places of the beat once a lead is taken out. */
interface Fit {
  lead: Seconds;
  /** Cost in the style of music that explains them best. */
  misfit: number;
  /** Mean cost of what the nearest places of any kind leave over. */
  residue: number;
}

/** The fit of each lead in question. */
function fitsOf(onsets: readonly Onset[], line: BeatLine): Fit[] {
  if (onsets.length === 0) return [];
  const detached = areDetached(onsets);
  const styles = STYLES.map((one) => ({
    places: one.places,
    cost: one.cost + (one.detached && !detached ? DETACHED_ONLY : 0),
  }));
  const fits: Fit[] = [];
  for (let lead = LATEST; lead <= EARLIEST + 1e-9; lead += STEP) {
    fits.push(fitAt(Math.round(lead / STEP) * STEP, onsets, line, styles));
  }
  return fits;
}

/** Called for every track and every lead in question: loops, no lists. */
function fitAt(lead: Seconds, onsets: readonly Onset[], line: BeatLine, styles: readonly Style[]): Fit {
  const sums = styles.map(({ cost }) => cost);
  const away = NOWHERE();
  let left = 0;
  for (const onset of onsets) {
    measure(onset, line, lead, away);
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
function likeness(withLead: number, asPlayed: number): number {
  return Math.max(0, 1 - Math.max(0, asPlayed - withLead) / MUCH_CLOSER);
}

const areDetached = (onsets: readonly Onset[]) =>
  onsets.filter(({ detached }) => detached).length > 0.7 * onsets.length;

/** What the best grid places still leave over, on average: refines the raster. */
function remainder(onsets: readonly Onset[], line: BeatLine, lead: Seconds): Seconds {
  const away = NOWHERE();
  const left = onsets
    .map((onset) => {
      measure(onset, line, lead, away);
      return away.residual;
    })
    .filter((residual) => Math.abs(residual) < 2 * SPREAD);
  if (left.length === 0) return 0;
  left.sort((a, b) => a - b);
  return -left[left.length >> 1]!;
}

/** How far an onset lies from the nearest place of each kind, as a cost, and from the nearest of all. */
interface Away {
  costs: [number, number, number, number];
  residual: Seconds;
  compound: boolean;
}

const NOWHERE = (): Away => ({ costs: [0, 0, 0, 0], residual: 0, compound: false });

/** Writes the distances into `away`: this is called some hundred thousand times for a score. */
function measure(onset: Onset, line: BeatLine, lead: Seconds, away: Away): void {
  let { beat } = onset;
  const at = onset.at + lead / line.secondsPerUnit[beat]!;
  while (beat > 0 && at < line.starts[beat]!) beat--;
  while (beat + 1 < line.starts.length && at >= line.starts[beat + 1]!) beat++;
  const { start, length, compound } = line.beats[beat]!;
  const share = (at - start) / length;
  const beatSeconds = length * line.secondsPerUnit[beat]!;
  const { costs } = away;
  costs.fill(OUTLIER);
  let residual = Infinity;
  const places = compound ? PLACES_COMPOUND : PLACES;
  for (let i = 0; i < places.length; i++) {
    const { share: place, kind } = places[i]!;
    const distance = (share - place) * beatSeconds;
    const cost = (distance * distance) / (2 * SPREAD * SPREAD);
    if (cost < costs[kind]!) costs[kind] = cost;
    if (Math.abs(distance) < Math.abs(residual)) residual = distance;
  }
  away.residual = residual;
  away.compound = compound;
}

/** How many onsets fall together with one of the reference. */
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
    const near = Math.min(
      Math.abs((reference[low] ?? Infinity) - at),
      Math.abs((reference[low - 1] ?? -Infinity) - at),
    );
    if (near < TOGETHER) together++;
  }
  return together;
}
