/*
 * Of a job on its way to a score: which differences between the original and the score's own playback a stage or a person
 * answers for. What nobody answers for is a fault, of the engine's or of the score's.
 */
import type { NoteId, Performance, PlayedNote } from '../../performance';
import { soundsOf } from '../../score';
import { secondsAtTick, ticksFromUnits, type Seconds, type WrittenUnits } from '../../time';
import { appliedLead, swung, type Conversion } from '../../to-score';
import type { AgreementOptions } from './agreement';
import type { DifferenceKind } from './model';
import type { NotePair } from './pair-notes';
import { musicOfPerformance, type SoundingMusic } from './sounding-music';

/** The original under the parts its notes went to; what went to none stands under its track. */
export function originalOf({ casting }: Conversion, performance: Performance): SoundingMusic {
  const written = new Set(casting.parts.flatMap((part) => part.notes.map((note) => note.id)));
  const rest = performance.tracks.map((track) => ({
    id: `not in a part: ${track.id}`,
    name: track.name || `Track ${track.chunk + 1}`,
    notes: track.notes.filter((note) => !written.has(note.id)),
  }));
  const parts: { id: string; name: string; notes: readonly PlayedNote[] }[] = casting.parts;
  return musicOfPerformance(performance, [...parts, ...rest.filter(({ notes }) => notes.length > 0)]);
}

/** What became of a played note on the page. */
interface Fate {
  onset: Seconds;
  release: Seconds;
  unpitched: boolean;
  lead: Seconds;
}

/** A playback may be rounded by so much. */
const ROUNDING: Seconds = 0.004;
/** The shortest that an articulation makes of a value, with room for what people set. */
const SHORTEST_SHARE = 0.04;

/**
 * @param byHand notes that people changed, took away or put in
 * @returns the reason for a difference of this conversion, in words; none where nobody decided it
 */
export function decisionsBehind(
  conversion: Conversion,
  performance: Performance,
  byHand: ReadonlySet<NoteId> = new Set(),
): AgreementOptions['decidedBy'] {
  const fates = fatesOf(conversion, performance);
  const inParts = new Set(conversion.casting.parts.flatMap((part) => part.notes.map((note) => note.id)));
  const leftOut = new Set(conversion.casting.tracks.filter((track) => track.leftOut).map((track) => track.id));
  const left = new Set(
    performance.tracks.filter((track) => leftOut.has(track.id)).flatMap((track) => track.notes.map((note) => note.id)),
  );
  return (pair, kind) => {
    if (kind === 'extra') return whyExtra(pair.b!, byHand);
    const [id] = pair.a!.played;
    const fate = id === undefined ? undefined : fates.get(id);
    if (!fate && id !== undefined && byHand.has(id)) return 'changed by hand';
    if (!fate && (id === undefined || inParts.has(id))) return undefined;
    if (!fate) return left.has(id!) ? 'its track is left out' : 'a keyswitch, no music';
    return byHand.has(id!) ? 'changed by hand' : whyWritten(pair, kind, fate);
  };
}

function whyExtra({ ofSign, played }: NonNullable<NotePair['b']>, byHand: ReadonlySet<NoteId>): string | undefined {
  if (ofSign) return 'a sign played out';
  return played.some((id) => byHand.has(id)) ? 'put in by hand' : undefined;
}

function whyWritten({ a, b }: NotePair, kind: DifferenceKind, fate: Fate): string | undefined {
  // Behind a trill, or struck twice in one place: written, but not as a note of its own.
  if (!b) return 'behind a sign, or written once with another';
  if (b.ofSign) return 'a sign played out';
  const linked = a!.played.some((id) => b.played.includes(id));
  switch (kind) {
    case 'moved':
      if (Math.abs(b.onset - fate.onset) > ROUNDING) return undefined;
      return fate.lead !== 0 ? 'its track’s lead taken out' : 'written on the grid';
    case 'length': {
      const length = fate.release - fate.onset;
      const sounds = b.release - b.onset;
      return sounds <= length + ROUNDING && sounds >= SHORTEST_SHARE * length ? 'the written value' : undefined;
    }
    case 'pitch':
      if (!linked) return undefined;
      return fate.unpitched ? 'the drum map' : 'shifted by hand';
    default:
      return undefined;
  }
}

function fatesOf({ casting, score, line, swing, reports }: Conversion, performance: Performance): Map<NoteId, Fate> {
  const { tempo, ticksPerQuarter } = performance;
  const at = (place: WrittenUnits): Seconds =>
    secondsAtTick(tempo, ticksFromUnits(swung(place, swing, line), ticksPerQuarter));
  const leads = new Map<NoteId, Seconds>();
  casting.parts.forEach((part, p) => {
    for (const { track, notes } of part.sources)
      for (const { id } of notes) leads.set(id, appliedLead(reports[p]?.leads[track]));
  });
  const fates = new Map<NoteId, Fate>();
  for (const part of score.parts)
    for (const { start, end, played } of soundsOf(part, score.bars))
      for (const id of played)
        fates.set(id, { onset: at(start), release: at(end), unpitched: part.unpitched, lead: leads.get(id) ?? 0 });
  return fates;
}
