/*
 * From placed notes of a part to written notes on its staves: hands, voices, ends.
 */
import type { CastPart } from '../casting';
import type { DrumMap } from '../instruments';
import type { BeatLine } from './beats';
import { writeEnds, type DurationReport, type EndedNote } from './durations';
import type { GridChoice } from './grid';
import { writeStrokes } from './percussion';
import { splitHands } from './staves';
import { separateVoices } from './voices';

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

export function writeStaves(part: CastPart, grid: GridChoice, line: BeatLine, drums: DrumMap): { output: StaffNotes[]; report: DurationReport } {
  const report: DurationReport = { gapsClosed: 0, overlapsTrimmed: 0 };
  if (part.instrument.unpitched) return { output: [{ staff: 1, ...writeStrokes(grid.notes, line, drums) }], report };
  const staffOfNote = part.instrument.clefs.length < 2 ? grid.notes.map(() => 1) : handsOf(part, grid);
  const output = part.instrument.clefs.map((_, s): StaffNotes => {
    const own = grid.notes.filter((_note, i) => staffOfNote[i] === s + 1);
    const voiceOfNote = separateVoices(own, { secondVoice: part.instrument.polyphonic ? SECOND_VOICE_KEYBOARD : SECOND_VOICE_MELODIC });
    const notes: EndedNote[] = [];
    const voices: number[] = [];
    for (const voice of [0, 1]) {
      const ended = writeEnds({ notes: own.filter((_note, i) => voiceOfNote[i] === voice), line, divisions: grid.divisions, smallest: grid.smallest, exact: grid.exact });
      notes.push(...ended.notes);
      voices.push(...ended.notes.map(() => voice));
      report.gapsClosed += ended.report.gapsClosed;
      report.overlapsTrimmed += ended.report.overlapsTrimmed;
    }
    return { staff: s + 1, notes, voices };
  });
  return { output, report };
}

function handsOf({ sources }: CastPart, grid: GridChoice): number[] {
  if (sources.every((source) => source.staff === null)) return splitHands(grid.notes);
  const staffOfNote = new Map(sources.flatMap((source) => source.notes.map((note) => [note.id, source.staff ?? 1] as const)));
  return grid.notes.map((note) => staffOfNote.get(note.id) ?? 1);
}
