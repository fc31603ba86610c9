/*
 * Percussion: struck notes have no written length of their own.
 *
 * Takes placed notes of an unpitched part; gives each its voice (hands up, feet down) and an end: up to the next stroke
 * of its voice within the beat, else to the end of the beat, so that the beat stays visible and rests stay few (common
 * practice of drum notation).
 */
import { drumSound, type DrumMap } from '../../instruments';
import { lastNotAfter, type WrittenUnits } from '../../time';
import type { BeatLine } from '../timing/beats';
import type { EndedNote } from './durations';
import type { PlacedNote } from '../timing/timed-note';

export function writeStrokes(
  notes: readonly PlacedNote[],
  line: BeatLine,
  map: DrumMap,
): { notes: EndedNote[]; voices: number[] } {
  const voiceOf = (note: PlacedNote) => (drumSound(map, note.key).limb === 'feet' ? 1 : 0);
  const written: EndedNote[] = [];
  const voices: number[] = [];
  for (const voice of [0, 1]) {
    const own = notes.filter((note) => voiceOf(note) === voice);
    const starts = [...new Set(own.map((note) => note.start))];
    const endAfter = new Map(
      starts.map((start, i): [WrittenUnits, WrittenUnits] => [
        start,
        Math.min(starts[i + 1] ?? Infinity, beatEnd(line, start)),
      ]),
    );
    for (const note of own) {
      written.push({ ...note, end: endAfter.get(note.start)! });
      voices.push(voice);
    }
  }
  return { notes: written, voices };
}

function beatEnd(line: BeatLine, at: WrittenUnits): WrittenUnits {
  const beat = line.beats[lastNotAfter(line.starts, at)]!;
  return beat.start + beat.length;
}
