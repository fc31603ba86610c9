/*
 * From placed notes of a part to written notes on its staves: hands, voices, ends.
 */
import { append } from '../../base';
import type { CastPart } from '../../casting';
import type { DrumMap, Instrument } from '../../instruments';
import type { MidiKey, WrittenUnits } from '../../time';
import type { BeatLine } from '../timing/beats';
import { isTuplet, writeEnds, type DurationReport, type EndedNote } from './durations';
import { absorbDoubles } from '../timing/doubles';
import type { GridChoice } from '../timing/grid';
import type { PlacedNote } from '../timing/timed-note';
import { writeStrokes } from './percussion';
import { withPlainValues } from './short-values';
import { splitHands } from './staves';
import { separateVoices, type VoiceCosts } from './voices';
import type { Lengths } from '../../settings';

/** A staff's notes with their written times, before they are spelled. */
export interface StaffNotes {
  staff: number;
  notes: EndedNote[];
  /** Of the staff, from 0; same order as `notes`. */
  voices: number[];
}

/** What a second voice costs: little where several lines are usual, much for an instrument of one line. */
const SECOND_VOICE_KEYBOARD = 0.5;
const SECOND_VOICE_MELODIC = 3.5;

export interface LengthSpan {
  as: Lengths;
  from: WrittenUnits;
  /** Not included. */
  to: WrittenUnits;
}

/** Whether a short note that starts here keeps the length it was played with. */
export function keepsLength(lengths: readonly LengthSpan[], at: WrittenUnits): boolean {
  return lengths.findLast(({ from, to }) => at >= from && at < to)?.as === 'played';
}

/** What people set for one part. */
export interface StaffSettings {
  /** Voices a staff at most, 1–4; two unless set. */
  voices?: number;
  /** Lowest key of the upper staff, where hands do not move freely. */
  handSplit?: MidiKey;
  /** Gaps up to this long are closed, whatever they look like. */
  closeGaps?: WrittenUnits;
  /**
   * Where short notes were decided to keep the lengths they were played with, or not to; a later span counts before an
   * earlier one.
   */
  lengths: readonly LengthSpan[];
}

const USUAL_VOICES = 2;

/** @param swings whether eighths are played long and short here */
export function writeStaves(
  part: CastPart,
  grid: GridChoice,
  line: BeatLine,
  drums: DrumMap,
  settings: StaffSettings,
  swings: (at: WrittenUnits) => boolean = () => false,
): { output: StaffNotes[]; report: DurationReport } {
  const report: DurationReport = { gapsClosed: 0, overlapsTrimmed: 0, shortRests: [], shortNotes: 0 };
  if (part.instrument.unpitched) return { output: [{ staff: 1, ...writeStrokes(grid.notes, line, drums) }], report };
  const staffOfNote =
    part.instrument.clefs.length < 2 ? grid.notes.map(() => 1) : handsOf(part, grid, settings.handSplit);
  const output = part.instrument.clefs.map((_, s): StaffNotes => {
    const own = onOneStaff(grid.notes.filter((_note, i) => staffOfNote[i] === s + 1));
    const set = own.map((note) => note.byHand?.voice);
    const most = Math.max(settings.voices ?? USUAL_VOICES, ...set.map((voice) => voice ?? 1));
    const found = separateVoices(own, voiceCosts(part.instrument, settings.voices ?? USUAL_VOICES));
    const voiceOfNote = found.map((voice, n) => (set[n] === undefined ? voice : set[n] - 1));
    const notes: EndedNote[] = [];
    const voices: number[] = [];
    for (let voice = 0; voice < most; voice++) {
      const ended = writeEnds({
        notes: own.filter((_note, i) => voiceOfNote[i] === voice),
        line,
        divisions: grid.divisions,
        parted: grid.parted,
        smallest: grid.smallest,
        closeGaps: settings.closeGaps,
      });
      const plain = withPlainValues(ended.notes, line, {
        isPlain: (beat) => !isTuplet(grid.divisions[beat] ?? 1, line.beats[beat]!.compound),
        swings: (beat) => swings(line.beats[beat]!.start),
      });
      const written = ended.notes.map((note, n) => (keepsLength(settings.lengths, note.start) ? note : plain[n]!));
      append(notes, written);
      append(
        voices,
        ended.notes.map(() => voice),
      );
      report.gapsClosed += ended.report.gapsClosed;
      report.overlapsTrimmed += ended.report.overlapsTrimmed;
      const ends = new Set(written.map((note) => note.end));
      append(
        report.shortRests,
        ended.report.shortRests.filter((end) => ends.has(end)),
      );
      report.shortNotes += written.filter((note) => note.short).length;
    }
    return { staff: s + 1, notes, voices };
  });
  return { output, report };
}

function voiceCosts({ family, polyphonic, clefs }: Instrument, most: number): VoiceCosts {
  // A harp is read like a keyboard; the plucked instruments of one staff are strummed.
  return {
    most,
    secondVoice: polyphonic ? SECOND_VOICE_KEYBOARD : SECOND_VOICE_MELODIC,
    strums: family === 'plucked' && clefs.length === 1,
  };
}

/** What both hands strike is written once where it comes to lie on one staff. */
function onOneStaff(notes: PlacedNote[]): PlacedNote[] {
  const places = new Set(notes.map(({ start, key }) => `${start} ${key}`));
  if (places.size === notes.length) return notes;
  return absorbDoubles(notes.map(({ hand: _, ...note }) => ({ ...note, absorbed: [...note.absorbed] })));
}

function handsOf(part: CastPart, grid: GridChoice, split: MidiKey | undefined): number[] {
  const found = foundHands(part, grid, split);
  return grid.notes.map((note, i) => Math.min(note.byHand?.staff ?? found[i]!, part.instrument.clefs.length));
}

function foundHands({ sources }: CastPart, grid: GridChoice, split: MidiKey | undefined): number[] {
  if (split !== undefined) return grid.notes.map((note) => (note.key >= split ? 1 : 2));
  if (sources.every((source) => source.staff === null)) return splitHands(grid.notes);
  const staffOfNote = new Map(
    sources.flatMap((source) => source.notes.map((note) => [note.id, source.staff ?? 1] as const)),
  );
  return grid.notes.map((note) => staffOfNote.get(note.id) ?? 1);
}
