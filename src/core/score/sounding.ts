import type { MidiKey, WrittenUnits } from '../time';
import type { Pitch } from './pitch';
import type { Bar } from '../time';
import type { Part, ScoreNote } from './score';

/** A sound of the score: one note, or several tied ones. */
export interface ScoreSound {
  start: WrittenUnits;
  end: WrittenUnits;
  key: MidiKey;
  /** As printed. */
  pitch: Pitch;
  staff: number;
  voice: number;
  played: number[];
}

/** All sounds of a part with ties joined, in order of start, then key. */
export function soundsOf(part: Part, bars: readonly Bar[]): ScoreSound[] {
  const sounds: ScoreSound[] = [];
  const open = new Map<string, ScoreSound>();
  part.bars.forEach((partBar, b) => {
    for (const { staff, voice, symbols } of partBar.voices) {
      for (const symbol of symbols)
        for (const note of symbol.notes) take(note, staff, voice, bars[b]!.start + symbol.at, symbol.duration);
    }
  });
  return sounds.sort((a, b) => a.start - b.start || a.key - b.key);

  function take(note: ScoreNote, staff: number, voice: number, start: WrittenUnits, duration: WrittenUnits): void {
    const slot = `${voice}/${note.key}`;
    let sound = note.tieFromLast ? open.get(slot) : undefined;
    if (sound) sound.end = start + duration;
    else
      sounds.push(
        (sound = { start, end: start + duration, key: note.key, pitch: note.pitch, staff, voice, played: note.played }),
      );
    if (note.tieToNext) open.set(slot, sound);
    else open.delete(slot);
  }
}
