/*
 * What all tracks have in common: where the off-beats lie in this piece, and how far the whole file stands beside its
 * barlines. Found in all parts together, before one is held against another.
 */
import type { Seconds } from '../../../time';
import type { BeatLine } from '../beats';
import { fitsOf, leadsAround, likeness, rasterWith, type Fit, type Fits } from './fit';
import type { Onset } from './onsets';
import { togetherWith } from './together';
import { LEADS } from './tuning';

export interface WholeFile {
  /** Where off-beats lie, as a share of a plain beat. */
  half: number;
  /** How early the whole file is; 0 unless it is clear. */
  base: Seconds;
}

/** @param tracks that were played by hand @param exact leads of tracks that the file has exactly on a grid */
export function wholeFile(
  tracks: readonly (readonly Onset[])[],
  line: BeatLine,
  fits: Fits,
  exact: readonly Seconds[],
): WholeFile {
  const played = tracks.filter((onsets) => onsets.length > 0);
  const half = halfOf(played, line, fits);
  return {
    half,
    base:
      commonLead(exact) ??
      offsetOf(
        played.map((onsets) => fits.of(onsets, half, 0)),
        played,
      ),
  };
}

/** Where the off-beats lie: told by the tracks with most onsets, wherever each of them may have been played. */
function halfOf(played: readonly (readonly Onset[])[], line: BeatLine, fits: Fits): number {
  const telling = [...played].sort((a, b) => b.length - a.length).slice(0, LEADS.mostCompany);
  const onsets = telling.reduce((sum, list) => sum + list.length, 0);
  const leads = leadsAround(0).filter((_, i) => i % 2 === 0);
  const costs = LEADS.offBeats.map((half) => {
    const raster = rasterWith(line, half);
    const nats = telling.map((list) => {
      const each = half === 0.5 ? fits.of(list, half, 0).filter((_, i) => i % 2 === 0) : fitsOf(list, raster, leads);
      return each.reduce((least, { misfit }) => Math.min(least, misfit), Infinity);
    });
    return { half, cost: nats.reduce((a, b) => a + b, half === 0.5 ? 0 : LEADS.uneven * onsets) };
  });
  return costs.reduce((a, b) => (b.cost < a.cost ? b : a)).half;
}

/** Of tracks on a grid, where all of them stand beside it by the same; 0 where they do not; null where there are none. */
function commonLead(exact: readonly Seconds[]): Seconds | null {
  const [first] = exact;
  if (first === undefined) return null;
  return exact.every((lead) => Math.abs(lead - first) < LEADS.alike) ? first : 0;
}

/** One track alone says nothing of a file: its lead is its own. */
const LEAST_TRACKS = 2;

function offsetOf(fits: readonly (readonly Fit[])[], played: readonly (readonly Onset[])[]): Seconds {
  const near = (fit: Fit) => Math.abs(fit.lead) <= LEADS.mostOfFile + 1e-9;
  const inReach = fits.map((track) => track.filter(near));
  const [first] = inReach;
  if (!first || played.length < LEAST_TRACKS) return 0;
  const none = first.findIndex(({ lead }) => lead === 0);
  const costs = first.map(({ lead }, l) => {
    const misfit = inReach.reduce((sum, track) => sum + track[l]!.misfit, 0);
    if (Math.abs(lead) <= LEADS.negligible) return { lead, cost: misfit };
    const believed = inReach.reduce(
      (sum, track, t) => sum + LEADS.believed * played[t]!.length * likeness(track[l]!.residue, track[none]!.residue),
      0,
    );
    return { lead, cost: misfit + believed + LEADS.wholeFile + LEADS.fileSize * Math.abs(lead) };
  });
  const { lead } = costs.reduce((a, b) => (b.cost < a.cost ? b : a));
  const notable = Math.abs(lead) > LEADS.negligible;
  const clear = notable && inReach.every((track, t) => suits(track, lead, played[t]!.length)) && fitAsPlayed(played);
  return clear ? lead : 0;
}

/** No other offset is better for this track by much. */
function suits(fits: readonly Fit[], lead: Seconds, onsets: number): boolean {
  const own = fits.find((fit) => fit.lead === lead)!.misfit;
  const least = fits.reduce((nats, { misfit }) => Math.min(nats, misfit), Infinity);
  return own - least <= LEADS.fileSlack * onsets + LEADS.fileSlackInAll;
}

/** The parts fall together as they were played: whoever is early, all of them are by the same. */
function fitAsPlayed(played: readonly (readonly Onset[])[]): boolean {
  const seconds = played.map((onsets) => onsets.map((onset) => onset.seconds));
  return played.every((onsets, t) => {
    const others = Float64Array.from(seconds.filter((_, other) => other !== t).flat()).sort();
    const together = togetherWith(onsets, others);
    return together.witnessed < LEADS.leastWitnessed || together.at(0) >= LEADS.fileTogether * together.witnessed;
  });
}
