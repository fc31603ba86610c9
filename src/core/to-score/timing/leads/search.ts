/* The lead of one track: every offset in reach is compared with none, and the best is held against what the others play. */
import type { Seconds } from '../../../time';
import { isSeldomWritten, likeness, rasterWith, remainder, type Fit, type Fits, type Raster } from './fit';
import { usualDistance, type Onset } from './onsets';
import { companyOf, togetherWith, type Company, type Together } from './together';
import { IN_DOUBT, LEADS, LEAST_ASKED_CONFIDENCE } from './tuning';

/** A track whose lead is looked for. */
export interface Sought {
  onsets: readonly Onset[];
  raster: Raster;
  /** Of each lead in question, as far around what is none. */
  fits: readonly Fit[];
  /** What is no lead: the file's own offset. */
  base: Seconds;
  /** It is struck or plucked and sounds at once. */
  struck: boolean;
}

export interface Found {
  lead: Seconds;
  rival: Seconds;
  confidence: number;
  /** By a person. */
  set?: true;
  /** One was heard that was not believed: `rival`. */
  dismissed?: true;
  /** All of it is the file's own offset. */
  ofFile?: true;
  /** It brings the onsets no closer to a grid than they were played. */
  noCloser?: boolean;
  /** Share of the onsets that the file has exactly on a grid, where it says the lead itself. */
  exact?: number;
  /** What it does for falling together with the others. */
  company?: Company | null;
}

export function seek(
  onsets: readonly Onset[],
  { line, fits, half, base }: { line: Raster['line']; fits: Fits; half: number; base: Seconds },
  struck: boolean,
): Sought {
  return { onsets, raster: rasterWith(line, half), fits: fits.of(onsets, half, base), base, struck };
}

/**
 * @param others onsets of other tracks, where they belong, in rising order; null where nobody is listened to
 * @param expected 0–1: how far the other tracks give reason to expect a lead
 */
export function search(sought: Sought, others: Float64Array | null, expected = 0): Found {
  const { onsets, fits, raster, base } = sought;
  if (onsets.length === 0) return { lead: base, rival: base, confidence: 1 };
  const together = others && togetherWith(onsets, others);
  const asPlayed = residueAt(fits, base);
  const costs = fits.map((fit) => ({ lead: fit.lead, cost: costOf(fit, sought, { together, asPlayed, expected }) }));
  const best = costs.reduce((a, b) => (b.cost < a.cost ? b : a));
  const rival = costs
    .filter(({ lead }) => Math.abs(lead - best.lead) > LEADS.apart)
    .reduce((a, b) => (b.cost < a.cost ? b : a));
  const lead = best.lead + remainder(onsets, raster, best.lead);
  const ofFile = Math.abs(lead - base) < LEADS.negligible;
  const noCloser = !ofFile && likeness(residueAt(fits, best.lead), asPlayed) > LEADS.noCloser;
  // Onsets are no independent witnesses: the more there are, the less each of them says.
  const step = LEADS.certainty + onsets.length * LEADS.certaintyAnOnset;
  const sure = 1 - Math.exp(-(rival.cost - best.cost) / step);
  const found: Found = { lead, rival: rival.lead, confidence: sure, noCloser };
  if (ofFile) return base === 0 ? found : { ...found, ofFile };
  // Alone nobody contradicts: what a track says of itself is held against the others' playing afterwards.
  if (!together) return found;
  return believedOrNot({ ...found, company: companyOf(together, best.lead, base) }, sought);
}

/** What is done about a lead that was found: it is taken out, asked about, or left as a rhythm of its own. */
type Verdict = 'believed' | 'doubted' | 'as played';

/** A lead has a reason, is shorter than the notes it moves, and makes the parts fit each other. */
function believedOrNot(found: Found, sought: Sought): Found {
  const verdict = verdictOn(found, sought);
  if (verdict === 'believed') return found;
  if (verdict === 'doubted') return { ...found, confidence: Math.min(found.confidence, IN_DOUBT) };
  const { base } = sought;
  const left: Found = { ...found, lead: base, rival: found.lead, confidence: LEADS.sureWitness };
  return base === 0 ? { ...left, dismissed: true } : { ...left, ofFile: true };
}

function verdictOn(found: Found, sought: Sought): Verdict {
  const { onsets, base, fits, struck } = sought;
  const size = Math.abs(found.lead - base);
  const distance = usualDistance(onsets);
  if (struck && size > LEADS.mostOfDistanceStruck * distance) return 'as played';
  const closer = likeness(residueAt(fits, found.lead), residueAt(fits, base)) < LEADS.plainlyCloser;
  const plain = closer && found.confidence >= LEADS.sureWitness && !isLong(size, sought);
  const short = size < LEADS.mostOfDistance * distance;
  if (found.company) return inCompany(found, found.company, sought, { closer, plain, short });
  return plain || short ? 'believed' : 'doubted';
}

function inCompany(
  { lead, noCloser, confidence }: Found,
  { gain, unique }: Company,
  { onsets, raster, base, struck }: Sought,
  { closer, plain, short }: Record<'closer' | 'plain' | 'short', boolean>,
): Verdict {
  const gained = gain >= (struck ? LEADS.leastGainStruck : LEADS.leastGain);
  if (!gained) return gain > 0 && closer && !struck ? 'doubted' : 'as played';
  const told = unique >= LEADS.leastUnique || (!struck && (plain || isSeldomWritten(onsets, raster, base)));
  if (told && !(noCloser && lead - base > LEADS.unheardOf)) return 'believed';
  // On places of its own, and as far from the others' as its notes are from each other: after-beats.
  const rhythm = noCloser && (struck || !short);
  return rhythm || confidence < LEAST_ASKED_CONFIDENCE ? 'as played' : 'doubted';
}

/** Half a beat and more: rather a rhythm. */
function isLong(lead: Seconds, { onsets, raster: { line } }: Sought): boolean {
  const beats = onsets.map(({ beat }) => line.beats[beat]!.length * line.secondsPerUnit[beat]!).sort((a, b) => a - b);
  return Math.abs(lead) > LEADS.mostOfBeat * beats[beats.length >> 1]!;
}

function costOf(
  { lead, misfit, residue }: Fit,
  { onsets, base, struck }: Sought,
  { together, asPlayed, expected }: { together: Together | null; asPlayed: number; expected: number },
): number {
  const heard = together ? LEADS.together * together.at(lead) : 0;
  if (Math.abs(lead - base) <= LEADS.negligible) return misfit - heard;
  const believed = onsets.length * LEADS.believed * (1 - expected) * likeness(residue, asPlayed);
  const any = (struck ? LEADS.anyStruck : LEADS.any) * (1 - expected);
  return misfit + believed - heard + any + sizeCost(lead - base);
}

function sizeCost(lead: Seconds): number {
  if (lead < 0) return LEADS.late * -lead;
  return LEADS.early * lead + LEADS.farEarly * Math.max(0, lead - LEADS.far);
}

const residueAt = (fits: readonly Fit[], lead: Seconds): number =>
  fits.reduce((a, b) => (Math.abs(b.lead - lead) < Math.abs(a.lead - lead) ? b : a)).residue;
