/*
 * Of a job on its way to a score: which differences between the original and the score's own playback a stage or a person
 * answers for, and for how much. What nobody answers for is a fault, of the engine's or of the score's: that the score says so
 * is no reason.
 */
import { say } from '../../words';
import type { NoteId, Performance, PlayedNote } from '../../performance';
import { soundsOf } from '../../score';
import { barIndexAt, secondsAtTick, ticksFromUnits, type Seconds, type WrittenUnits } from '../../time';
import { appliedLead, swung, type Conversion } from '../../to-score';
import { VALUE_LENGTH, type ConversionSettings } from '../../settings';
import type { AgreementOptions, Explanation } from './agreement';
import type { DifferenceKind } from './model';
import type { NotePair } from './pair-notes';
import { musicOfPerformance, type SoundingMusic } from './sounding-music';

/** The original under the parts its notes went to; what went to none stands under its track. */
export function originalOf({ casting }: Conversion, performance: Performance): SoundingMusic {
  const written = new Set(casting.parts.flatMap((part) => part.notes.map((note) => note.id)));
  const rest = performance.tracks.map((track) => ({
    id: `not in a part: ${track.id}`,
    name: track.name || say('proof.trackChunk', { chunk: track.chunk + 1 }),
    notes: track.notes.filter((note) => !written.has(note.id)),
  }));
  const parts: { id: string; name: string; notes: readonly PlayedNote[] }[] = casting.parts;
  return musicOfPerformance(performance, [...parts, ...rest.filter(({ notes }) => notes.length > 0)]);
}

/** What became of a played note on the page. */
interface Fate {
  release: Seconds;
  onset: Seconds;
  unpitched: boolean;
  lead: Seconds;
  /** Somebody set the lead. */
  pinned: boolean;
  /** How far the grid may write it from where it was played, the lead taken out. */
  grid: Seconds;
  /** The grid was set by somebody. */
  set: boolean;
}

/** A playback may be rounded by so much. */
const ROUNDING: Seconds = 0.004;
/** The shortest that an articulation makes of a value, with room for what people set. */
const SHORTEST_SHARE = 0.04;
/** A grid writes a note no further from its place than this, or than so many times the unevenness of its part. */
const GRID: Seconds = 0.045;
const JITTERS = 3.5;
/** A sign begins no further from the first of the notes it stands for. */
const SIGN: Seconds = 0.25;

const conversionOf = (words: string): Explanation => ({ words, by: 'conversion' });
const decision = (words: string): Explanation => ({ words, by: 'decision' });

export interface DecisionsOnPage {
  /** Notes that people changed, deleted or added. */
  byHand: ReadonlySet<NoteId>;
  /** Grids that people set, by part. */
  grids: ConversionSettings['grids'];
}

/**
 * @returns who answers for a difference of this conversion; nobody where it is more than a decision or a stage may do to
 *   the note
 */
export function decisionsBehind(
  conversion: Conversion,
  performance: Performance,
  { byHand, grids }: DecisionsOnPage,
): AgreementOptions['explain'] {
  const fates = fatesOf(conversion, performance, grids);
  const inParts = new Set(conversion.casting.parts.flatMap((part) => part.notes.map((note) => note.id)));
  const leftOut = new Set(conversion.casting.tracks.filter((track) => track.leftOut).map((track) => track.id));
  const left = new Set(
    performance.tracks.filter((track) => leftOut.has(track.id)).flatMap((track) => track.notes.map((note) => note.id)),
  );
  return (pair, kind) => {
    if (kind === 'extra') return whyExtra(pair.b!, byHand);
    const [id] = pair.a!.played;
    const fate = id === undefined ? undefined : fates.get(id);
    if (id !== undefined && byHand.has(id)) return decision(say('proof.changedByHand'));
    if (!fate && (id === undefined || inParts.has(id))) return undefined;
    if (!fate)
      return left.has(id!) ? decision(say('proof.itsTrackIsLeftOut')) : conversionOf(say('proof.aKeyswitchNotMusic'));
    return whyWritten(pair, kind, fate);
  };
}

function whyExtra(
  { ofSign, played }: NonNullable<NotePair['b']>,
  byHand: ReadonlySet<NoteId>,
): Explanation | undefined {
  if (ofSign) return conversionOf(say('proof.playedOutFromASign'));
  return played.some((id) => byHand.has(id)) ? decision(say('proof.addedByHand')) : undefined;
}

function whyWritten({ a, b }: NotePair, kind: DifferenceKind, fate: Fate): Explanation | undefined {
  // Behind a trill, or struck twice in one place: written, but not as a note of its own.
  if (!b) return conversionOf(say('proof.behindASignOrWrittenOnceWith'));
  const shift = b.onset - a!.onset;
  if (b.ofSign) return Math.abs(shift) <= SIGN ? conversionOf(say('proof.playedOutFromASign')) : undefined;
  const linked = a!.played.some((id) => b.played.includes(id));
  switch (kind) {
    case 'moved':
      if (Math.abs(shift - fate.lead) > fate.grid + ROUNDING) return undefined;
      return whyMoved(fate);
    case 'length': {
      const length = fate.release - fate.onset;
      const sounds = b.release - b.onset;
      const isValue = sounds <= length + ROUNDING && sounds >= SHORTEST_SHARE * length;
      return isValue ? conversionOf(say('proof.theWrittenValue')) : undefined;
    }
    case 'pitch':
      return linked && fate.unpitched ? conversionOf(say('proof.theDrumMap')) : undefined;
    default:
      return undefined;
  }
}

function whyMoved({ lead, pinned, set }: Fate): Explanation {
  if (lead !== 0) return pinned ? decision(say('proof.leadRemovedAsSet')) : conversionOf(say('proof.leadRemoved'));
  return set ? decision(say('proof.quantizedAsSet')) : conversionOf(say('proof.quantized'));
}

function fatesOf(
  { casting, score, line, swing, reports }: Conversion,
  performance: Performance,
  grids: ConversionSettings['grids'],
): Map<NoteId, Fate> {
  const { tempo, ticksPerQuarter } = performance;
  const at = (place: WrittenUnits): Seconds =>
    secondsAtTick(tempo, ticksFromUnits(swung(place, swing, line), ticksPerQuarter));
  const leads = new Map<NoteId, Pick<Fate, 'lead' | 'pinned'>>();
  casting.parts.forEach((part, p) => {
    for (const { track, notes } of part.sources) {
      const own = reports[p]?.leads[track];
      const lead = { lead: appliedLead(own), pinned: own?.pinned ?? false };
      for (const { id } of notes) leads.set(id, lead);
    }
  });
  const starts = score.bars.map((bar) => bar.start);
  const fates = new Map<NoteId, Fate>();
  for (const part of score.parts) {
    const jitter = reports.find((report) => report.part === part.id)?.jitter ?? 0;
    const pins = grids[part.id] ?? [];
    for (const { start, end, played } of soundsOf(part, score.bars)) {
      const bar = barIndexAt(starts, start);
      const [onset, release] = [at(start), at(end)];
      const pin = pins.findLast(({ bars }) => !bars || (bar >= bars.from && bar < bars.to));
      const step = pin ? at(start + VALUE_LENGTH[pin.smallest]) - onset : 0;
      const grid = Math.max(GRID, JITTERS * jitter, step / 2);
      for (const id of played)
        fates.set(id, {
          onset,
          release,
          unpitched: part.unpitched,
          ...(leads.get(id) ?? { lead: 0, pinned: false }),
          grid,
          set: pin !== undefined,
        });
    }
  }
  return fates;
}
