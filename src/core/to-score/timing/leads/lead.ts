/*
 * Lead: how far ahead of the beat each track was played, in seconds.
 *
 *     beats    |       |       |       |
 *     played  x      x       x      x        every note early by about the same time: lead
 *
 * Takes the onsets of each track; gives a constant offset for each, the confidence in it and what else was considered.
 * A track that the file has exactly on its grid has no lead, however syncopated it is; one that stands beside the grid
 * by the same ticks throughout has just that. Of the others first what all have in common (whole-file.ts), then each by
 * itself (search.ts, fit.ts), then each in company (together.ts): a lead that makes the parts fit each other no better
 * was not played. Between two offsets that fit equally well the file is believed.
 */
import { say } from '../../../words';
import type { TrackId } from '../../../performance';
import type { Milliseconds, Seconds } from '../../../time';
import type { BeatLine } from '../beats';
import type { ExactTrack } from '../exactness';
import type { TimedNote } from '../timed-note';
import { Fits } from './fit';
import { distinctOnsets, type Onset } from './onsets';
import { search, seek, type Found, type Sought } from './search';
import { IN_DOUBT, LEADS, LEAST_LEAD_CONFIDENCE } from './tuning';
import { wholeFile } from './whole-file';

export interface Lead {
  /** Positive: played early. */
  milliseconds: Milliseconds;
  /** 0–1 */
  confidence: number;
  /** Set by a person. */
  pinned: boolean;
  evidence: string;
}

/** A lead nobody can be sure of is not taken out; it is asked about instead. @returns what is taken out */
export function appliedLead(lead: Lead | undefined): Seconds {
  if (!lead) return 0;
  return lead.pinned || lead.confidence >= LEAST_LEAD_CONFIDENCE ? lead.milliseconds / 1000 : 0;
}

/** What is known of a track beside its notes. */
export interface TrackFacts {
  /** What the file says of it, where it stands on a grid; none where it was played. */
  exact?: ExactTrack;
  /** It is one hand of a player, recorded apart. */
  hand?: boolean;
  /** It is struck or plucked and sounds at once. */
  struck?: boolean;
}

/** @param tracks notes timed with no lead removed */
export function estimateLeads(
  tracks: ReadonlyMap<TrackId, readonly TimedNote[]>,
  line: BeatLine,
  pins: Record<TrackId, Milliseconds>,
  facts: ReadonlyMap<TrackId, TrackFacts> = new Map(),
): Map<TrackId, Lead> {
  const onsets = new Map([...tracks].map(([id, notes]) => [id, distinctOnsets(notes, line)]));
  const known = new Map<TrackId, Found>();
  for (const id of tracks.keys()) {
    const found = knownLead(pins[id], facts.get(id)?.exact, line);
    if (found) known.set(id, found);
  }
  const played = [...onsets].filter(([id]) => !known.has(id));
  const exact = [...known.values()].flatMap((one) => (one.exact === undefined ? [] : [one.lead]));
  const fits = new Fits(line);
  const common = {
    line,
    fits,
    ...wholeFile(
      played.map(([, list]) => list),
      line,
      fits,
      exact,
    ),
  };
  const sought = new Map(played.map(([id, list]) => [id, seek(list, common, facts.get(id)?.struck ?? false)]));
  const alone = new Map(
    [...onsets.keys()].map((id): [TrackId, Found] => [id, known.get(id) ?? search(sought.get(id)!, null)]),
  );
  const hands = new Set([...facts].flatMap(([id, { hand }]) => (hand ? [id] : [])));
  const together = inCompany(inCompany(alone, onsets, sought, common.base), onsets, sought, common.base);
  const found = doubtHands(doubtIfAllAlike(together), hands);
  return new Map(
    [...onsets].map(([id, list]) => [
      id,
      pins[id] !== undefined
        ? { milliseconds: pins[id], confidence: 1, pinned: true, evidence: say('doubts.setByHand') }
        : describe(found.get(id)!, list.length),
    ]),
  );
}

/** What a person or the file itself says. */
function knownLead(pin: Milliseconds | undefined, exact: ExactTrack | undefined, line: BeatLine): Found | null {
  if (pin !== undefined) return { lead: pin / 1000, rival: 0, confidence: 1, set: true };
  if (!exact || exact.share < LEADS.mostlyExact) return null;
  const lead = -exact.offset * line.unitsPerTick * line.secondsPerUnit[0]!;
  return { lead, rival: 0, confidence: 1, exact: exact.share };
}

/**
 * Each track once more: heard together with those that are sure, and expected to have a lead as far as the others
 * clearly have one. Who plays one part ahead of the beat plays the next one so too.
 */
function inCompany(
  before: ReadonlyMap<TrackId, Found>,
  onsets: ReadonlyMap<TrackId, readonly Onset[]>,
  sought: ReadonlyMap<TrackId, Sought>,
  base: Seconds,
): Map<TrackId, Found> {
  const found = new Map(before);
  if (before.size < 2) return found;
  for (const [id, track] of sought) {
    const others = [...before].filter(([other]) => other !== id);
    const sure = others.filter(([, { confidence }]) => confidence > LEADS.sureWitness);
    const early = sure.filter(([, { lead }]) => lead - base > LEADS.negligible);
    const witnesses = sure.slice(0, LEADS.mostCompany);
    const reference = Float64Array.from(
      witnesses.flatMap(([other, { lead }]) => onsets.get(other)!.map((onset) => onset.seconds + lead)),
    ).sort();
    found.set(id, search(track, reference, early.length / others.length));
  }
  return found;
}

/**
 * Players are early each by a time of their own: where all are by the same, and it is not plainly the file, the barlines
 * are in doubt and not the playing.
 */
function doubtIfAllAlike(found: Map<TrackId, Found>): Map<TrackId, Found> {
  const leads = [...found.values()].map(({ lead }) => lead);
  const alike =
    found.size > 1 &&
    leads.every((lead) => Math.abs(lead) > LEADS.negligible && Math.abs(lead - leads[0]!) < LEADS.alike) &&
    [...found.values()].every(({ exact, set, ofFile }) => exact === undefined && !set && !ofFile);
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
    found.exact === undefined && Math.abs(found.lead) < LEADS.negligible ? 0 : Math.round(found.lead * 10_000) / 10;
  const rounded = found.exact === undefined ? Math.round(milliseconds) : milliseconds;
  return {
    milliseconds: rounded,
    confidence: found.confidence,
    pinned: false,
    evidence: evidenceOf(found, rounded, onsets),
  };
}

function evidenceOf(
  { exact, rival, confidence, ofFile, dismissed, company }: Found,
  ms: Milliseconds,
  onsets: number,
): string {
  if (exact !== undefined) {
    const facts = { all: exact === 1, share: Math.round(exact * 100), onsets };
    return say(ms === 0 ? 'doubts.onsetsOnAGrid' : 'doubts.onsetsBesideAGrid', facts);
  }
  if (dismissed) return say('doubts.onsetsLeft', { onsets, lead: leadInWords(rival * 1000) });
  if (ofFile) return say('doubts.wholeFile', { ms: Math.abs(Math.round(ms)), late: ms < 0 });
  const share = Math.round(confidence * 100);
  const facts = { onsets, lead: leadInWords(ms), rival: leadInWords(rival * 1000), share };
  if (!company || ms === 0) return say('doubts.onsetsFit', facts);
  const { gain } = company;
  return say('doubts.onsetsFitInCompany', { ...facts, gain: Math.abs(Math.round(gain * 100)), more: gain >= 0 });
}

const leadInWords = (ms: number) =>
  Math.round(ms) === 0 ? say('doubts.leadNone') : say('doubts.leadMs', { ms: Math.abs(Math.round(ms)), early: ms > 0 });
