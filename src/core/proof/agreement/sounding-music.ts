/* What sounds, in clock time, whatever it was read from: the two sides of an agreement. */
import { groupBy } from '../../base';
import {
  barsOfPerformance,
  PERCUSSION_CHANNEL,
  type NoteId,
  type Performance,
  type PlayedNote,
} from '../../performance';
import type { Articulation, Part, Score, SymbolMarks } from '../../score';
import { barIndexAt, QUARTER, secondsAtTick, writtenUnits, type MidiKey, type Seconds } from '../../time';
import { clockOf, type SequencedFile } from '../../to-sequencer';

export interface SoundingNote {
  key: MidiKey;
  onset: Seconds;
  release: Seconds;
  /** Index into the bars of its music. */
  bar: number;
  /** The played notes it stands for, where that is known. */
  played: readonly NoteId[];
  /** One of the notes that a sign is played as: a trill, a tremolo, a grace note, a spread chord. */
  ofSign?: true;
  /** Struck on a drum. */
  drum?: true;
  /** Of a cue; a step of a glide. */
  ofCue?: true;
  ofGlide?: true;
  articulations?: readonly Articulation[];
}

export interface SoundingPart {
  id: string;
  name: string;
  /** In order of onset. */
  notes: SoundingNote[];
}

export interface SoundingMusic {
  parts: SoundingPart[];
  /** Numbers of the bars as printed, in the order they are played. */
  bars: number[];
}

const isSign = ({ trill, turn, tremolo, alternating, graces, arpeggio }: SymbolMarks) =>
  Boolean(trill ?? turn ?? tremolo ?? alternating ?? graces ?? arpeggio);

const byOnset = (a: SoundingNote, b: SoundingNote) => a.onset - b.onset || a.key - b.key;

/** The notes of a performance under the parts they are given; its tracks when nothing is said. */
export function musicOfPerformance(
  performance: Performance,
  parts: readonly { id: string; name: string; notes: readonly PlayedNote[] }[] = performance.tracks.filter(
    (track) => track.notes.length > 0,
  ),
): SoundingMusic {
  const { tempo, ticksPerQuarter } = performance;
  const bars = barsOfPerformance(performance);
  const starts = bars.map((bar) => bar.start);
  return {
    bars: bars.map((bar) => bar.number),
    parts: parts.map(({ id, name, notes }) => ({
      id,
      name,
      notes: notes
        .map((note): SoundingNote => ({
          key: note.key,
          onset: secondsAtTick(tempo, note.start),
          release: secondsAtTick(tempo, note.end),
          bar: barIndexAt(starts, writtenUnits(note.start, ticksPerQuarter)),
          played: [note.id],
          ...(note.channel === PERCUSSION_CHANNEL && { drum: true as const }),
        }))
        .sort(byOnset),
    })),
  };
}

/** Parts that are one for somebody, under one id; in order of the first of each. */
export function mergedParts(music: SoundingMusic, idOf: (id: string) => string): SoundingMusic {
  const together = groupBy(music.parts, ({ id }) => idOf(id));
  const parts = [...together].map(([id, own]) => ({
    id,
    name: own[0]!.name,
    notes: own.length === 1 ? own[0]!.notes : own.flatMap(({ notes }) => notes).sort(byOnset),
  }));
  return { ...music, parts };
}

/** A score as our own playback sounds: repeats taken, ornaments played out. */
export function musicOfSequence(score: Score, { tracks, line, tempos }: SequencedFile): SoundingMusic {
  const secondsAt = clockOf({ tempos });
  const starts = line.bars.map((bar) => bar.start);
  const notesOf = ({ id, unpitched }: Part) =>
    tracks
      .filter((track) => track.part === id)
      .flatMap((track) => track.notes)
      .map((note): SoundingNote => ({
        key: note.key,
        onset: secondsAt(note.start),
        release: secondsAt(note.end),
        bar: Math.max(0, barIndexAt(starts, note.start + NEARLY)),
        played: note.sound.played,
        ...(isSign(note.sound.marks) && { ofSign: true as const }),
        ...(unpitched && { drum: true as const }),
        ...(note.sound.cue && { ofCue: true as const }),
        ...(note.sound.marks.glide && { ofGlide: true as const }),
        ...(note.sound.marks.articulations && { articulations: note.sound.marks.articulations }),
      }))
      .sort(byOnset);
  return {
    bars: line.bars.map(({ bar }) => score.bars[bar]!.number),
    parts: score.parts.map((part) => ({ id: part.id, name: part.name, notes: notesOf(part) })),
  };
}

/** Grace notes just before a barline belong to the bar they lead into; roundings do not count either. */
const NEARLY = QUARTER / 16;
