/*
 * Of a job on its way to a sequencer: which differences between what came in and what goes out somebody decided. A setting
 * answers for a note it concerns, and for no more than it may do to it: humanized by 8 ms it may begin 32 ms late, not 200.
 */
import { say } from '../../words';
import type { NoteId } from '../../performance';
import {
  partSettings,
  USUAL_SEQUENCING,
  VALUE_LENGTH,
  type JobSettings,
  type Loosening,
  type NoteEdit,
  type SequencerSettings,
  type Treatment,
  type Treating,
} from '../../settings';
import { partId } from '../../base';
import { QUARTER, type MidiKey, type Milliseconds, type Seconds } from '../../time';
import type { AgreementOptions, Explanation } from './agreement';
import { decidedStarts, type OriginalBar } from './decided-bars';
import type { DifferenceKind } from './model';
import type { NotePair } from './pair-notes';
import type { SoundingMusic, SoundingNote } from './sounding-music';

export interface PlayingContext {
  settings: JobSettings;
  /** Of the original, as they are played. */
  bars: readonly OriginalBar[];
  emptyBars: number;
  /** Parts nobody wanted, by id: said where they were left out. */
  leftOut: ReadonlySet<string>;
  /** Changes to single notes by hand, and what those put where, if what goes out does not know its notes' ids. */
  edits: readonly NoteEdit[];
  added: readonly { key: MidiKey; at: Seconds }[];
  /** Half a tick of what goes out. */
  halfTick: Milliseconds;
}

function startsOf({ settings, bars, emptyBars }: PlayingContext): (Seconds | null)[] {
  const { onlyBars, playRepeats, padPickup } = settings.sequencing;
  return decidedStarts(bars, { onlyBars, playRepeats, padPickup, emptyBars });
}

/** Notes that are not to be played stand where none of what goes out is. */
const NOWHERE: Seconds = -1e6;

/** The original at the times that were decided for its bars. */
export function asDecided(original: SoundingMusic, context: PlayingContext): SoundingMusic {
  const { bars } = context;
  const starts = startsOf(context);
  const placed = (note: SoundingNote): SoundingNote => {
    const bar = bars[note.bar];
    const start = starts[note.bar];
    const by = bar && start !== null && start !== undefined ? start - bar.at : NOWHERE;
    return by === 0 ? note : { ...note, onset: note.onset + by, release: note.release + by };
  };
  return { ...original, parts: original.parts.map((part) => ({ ...part, notes: part.notes.map(placed) })) };
}

const decision = (words: string): Explanation => ({ words, by: 'decision' });
const ROUNDING: Milliseconds = 4;
/** Chance stays within so many of its standard deviations. */
const SIGMAS = 4;

export function playingDecisions(context: PlayingContext): AgreementOptions['explain'] {
  const end = endOfChosen(context);
  const edited = new Map<NoteId, NoteEdit[]>();
  for (const edit of context.edits)
    for (const id of [edit.note, ...(edit.kind === 'join' ? [edit.with] : [])])
      edited.set(id, [...(edited.get(id) ?? []), edit]);
  const editsOf = (note: SoundingNote | null) => note?.played.flatMap((id) => edited.get(id) ?? []) ?? [];
  return (pair, kind, { part, milliseconds }) => {
    switch (kind) {
      case 'missing':
        return whyMissing(pair.a!, part, context, editsOf(pair.a));
      case 'extra':
        return whyExtra(pair.b!, context, editsOf(pair.b));
      case 'pitch':
        return whyPitch(pair, part, context, editsOf(pair.a));
      default:
        if (kind === 'length' && end !== null && Math.abs(pair.b!.release - end) * 1000 <= ROUNDING)
          return decision(say('proof.cutWhereTheChosenBarsEnd'));
        return whyTime(pair, kind, { part, milliseconds }, context, editsOf(pair.a));
    }
  };
}

/** Where the chosen bars end; null where all go out. */
function endOfChosen(context: PlayingContext): Seconds | null {
  if (context.settings.sequencing.onlyBars === null) return null;
  const starts = startsOf(context);
  return context.bars.reduce((last, { seconds }, i) => Math.max(last, (starts[i] ?? -seconds) + seconds), 0);
}

function whyMissing(
  note: SoundingNote,
  part: string,
  { settings, leftOut }: PlayingContext,
  edits: readonly NoteEdit[],
): Explanation | undefined {
  const { onlyParts } = settings.sequencing;
  if (note.onset < NOWHERE / 2) return decision(say('proof.itsBarIsNotExported'));
  const chosen = onlyParts === null || onlyParts.includes(partId(part));
  if (!chosen || leftOut.has(part) || partSettings(settings.sequencing, partId(part)).leftOut)
    return decision(say('proof.itsPartIsNotExported'));
  if (edits.some(({ kind }) => kind === 'remove' || kind === 'join' || kind === 'add'))
    return decision(say('proof.changedByHand'));
  if (notPlayedOut(note, settings.sequencing)) return decision(say('proof.ornamentsAreNotPlayedOut'));
  return undefined;
}

/** It belongs to a sign, or to a glide, that was decided to be played otherwise than usual. */
function notPlayedOut({ ofSign, ofGlide }: SoundingNote, { ornaments, glides }: SequencerSettings): boolean {
  if (!ornaments) return Boolean(ofSign ?? ofGlide);
  return Boolean(ofGlide) && glides !== USUAL_SEQUENCING.glides;
}

function whyExtra(
  note: SoundingNote,
  { settings, added }: PlayingContext,
  edits: readonly NoteEdit[],
): Explanation | undefined {
  if (added.some(({ key, at }) => key === note.key && Math.abs(at - note.onset) * 1000 <= ROUNDING))
    return decision(say('proof.changedByHand'));
  if (edits.some(({ kind }) => kind === 'add' || kind === 'cut')) return decision(say('proof.changedByHand'));
  if (settings.sequencing.cues && note.ofCue) return decision(say('proof.cueNotesArePlayed'));
  if (settings.sequencing.glides !== USUAL_SEQUENCING.glides && note.ofGlide)
    return decision(say('proof.glidesArePlayedInSteps'));
  return undefined;
}

function whyPitch(
  { a, b }: NotePair,
  part: string,
  { settings }: PlayingContext,
  edits: readonly NoteEdit[],
): Explanation | undefined {
  const { drumKeys } = partSettings(settings.sequencing, partId(part));
  if (drumKeys?.[a!.key] === b!.key) return decision(say('proof.drumKeyMoved'));
  const by = edits.reduce((sum, edit) => sum + (edit.kind === 'shift' ? edit.by : 0), 0);
  return by !== 0 && b!.key === a!.key + by ? decision(say('proof.changedByHand')) : undefined;
}

/** What may be done to when a note begins and how long it is. */
interface Allowance {
  words: string;
  onset: Milliseconds;
  longer: Milliseconds;
  shorter: Milliseconds;
}

function whyTime(
  { a, b }: NotePair,
  kind: DifferenceKind,
  { part, milliseconds }: { part: string; milliseconds: Milliseconds },
  context: PlayingContext,
  edits: readonly NoteEdit[],
): Explanation | undefined {
  if (edits.some((edit) => edit.kind === 'move' || edit.kind === 'end' || edit.kind === 'cut' || edit.kind === 'join'))
    return decision(say('proof.changedByHand'));
  const length = (a!.release - a!.onset) * 1000;
  const allowed = allowances(a!, part, length, context);
  const room = (of: (one: Allowance) => number) => allowed.reduce((sum, one) => sum + of(one), 0) + ROUNDING;
  const lasts = milliseconds > 0 ? 'longer' : 'shorter';
  const least = kind === 'moved' ? 'onset' : lasts;
  const most = [...allowed].sort((x, y) => y[least] - x[least])[0];
  if (!most || most[least] <= 0 || b === null) return undefined;
  return Math.abs(milliseconds) <= room((one) => one[least]) ? decision(most.words) : undefined;
}

function allowances(note: SoundingNote, part: string, length: Milliseconds, context: PlayingContext): Allowance[] {
  const { settings, bars, halfTick } = context;
  const { sequencing } = settings;
  const bar = bars[note.bar];
  const quarter: Milliseconds = bar ? (1000 * bar.seconds * QUARTER) / bar.bar.length : 500;
  const treatments = sequencing.treatments.filter((one) => concerns(one, part, bar?.bar.index ?? 0));
  const usual = USUAL_SEQUENCING.articulations;
  const articulated = (note.articulations ?? []).map((kind): Allowance => {
    const share = sequencing.articulations[kind].length / usual[kind].length - 1;
    return { words: say('proof.articulationLengths'), onset: 0, longer: share * length, shorter: -share * length };
  });
  const overlap = sequencing.slurOverlap;
  return [
    { words: say('proof.otherTicksPerQuarter'), onset: halfTick, longer: 2 * halfTick, shorter: 2 * halfTick },
    // The steps of a glide are spread over what its note has more.
    { words: say('proof.slursOverlap'), onset: note.ofGlide ? overlap : 0, longer: overlap, shorter: 0 },
    ...(notPlayedOut(note, sequencing)
      ? [{ words: say('proof.ornamentsAreNotPlayedOut'), onset: 0, longer: (bar?.seconds ?? 0) * 1000, shorter: 0 }]
      : []),
    ...articulated,
    loosened(sequencing.loosening, quarter),
    ...treatments.map(({ does }) => treated(does, quarter, length)),
  ];
}

function loosened({ onset, swing, legato, spread = 0 }: Loosening, quarter: Milliseconds): Allowance {
  const chance = SIGMAS * onset + spread;
  const swung = swing === 'even' ? quarter / 4 : Math.abs(swing / (1 + swing) - 0.5) * quarter;
  const moved = chance + swung;
  return {
    words: say(swung > chance ? 'proof.swing' : 'proof.humanized'),
    onset: moved,
    longer: 2 * moved + legato,
    shorter: 2 * moved,
  };
}

function treated(does: Treatment, quarter: Milliseconds, length: Milliseconds): Allowance {
  switch (does.kind) {
    case 'quantize': {
      const step = (VALUE_LENGTH[does.grid] / QUARTER) * quarter;
      const moved = does.strength * (step / 2 + Math.abs(does.swing / (1 + does.swing) - 0.5) * 2 * step);
      return { words: say('proof.quantized'), onset: moved, longer: 2 * moved, shorter: 2 * moved };
    }
    case 'closeGaps':
      return {
        words: say('proof.gapsClosed'),
        onset: 0,
        longer: (VALUE_LENGTH[does.upTo] / QUARTER) * quarter,
        shorter: 0,
      };
    case 'trimOverlaps':
      return { words: say('proof.overlapsTrimmed'), onset: 0, longer: 0, shorter: length };
    case 'loosen':
      return loosened(does.loosening, quarter);
    default:
      return { words: '', onset: 0, longer: 0, shorter: 0 };
  }
}

function concerns({ part, bars }: Treating, id: string, bar: number): boolean {
  return (part === null || part === id) && (bars === null || (bar >= bars.from && bar < bars.to));
}
