import type { MidiKey, WrittenUnits } from '../time';
import type { Pitch } from './pitch';
import type { Bar } from '../time';
import type { Part } from './score';
import { notesInTime, OpenTies } from './ties';

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

/** All sounds of a part with ties joined, in order of start, then key. Cue notes are another part's. */
export function soundsOf(part: Part, bars: readonly Bar[]): ScoreSound[] {
  const sounds: ScoreSound[] = [];
  const open = new OpenTies<ScoreSound>();
  for (const { note, symbol, staff, voice, at, until } of notesInTime(part.bars, bars)) {
    if (symbol.cue) continue;
    const { key, pitch, played } = note;
    let sound = note.tieFromLast ? open.take(key, at, voice, true) : null;
    if (sound) sound.end = until;
    else sounds.push((sound = { start: at, end: until, key, pitch, staff, voice, played }));
    if (note.tieToNext) open.open(key, until, voice, sound);
  }
  return sounds.sort((a, b) => a.start - b.start || a.key - b.key);
}
