/* The sounds of a score as one hears them: written names taken back to sounding pitch. */
import {
  fifthsOf,
  lineOfFifths,
  pitchAtFifths,
  soundsOf,
  transpositionAt,
  type Part,
  type Pitch,
  type Score,
} from '../score';
import type { ScoreSound } from '../score';
import { barIndexAt } from '../time';

/** Sounds of a part with their sounding names, in order of start, then key. */
export function soundingOf(part: Part, { bars }: Pick<Score, 'bars'>): ScoreSound[] {
  const starts = bars.map(({ start }) => start);
  return soundsOf(part, bars).map((sound) => {
    const shift = fifthsOf(transpositionAt(part, barIndexAt(starts, sound.start)));
    return { ...sound, pitch: soundingName(sound.pitch, sound.key, shift) };
  });
}

const soundingName = (pitch: Pitch, key: number, shift: number): Pitch =>
  pitchAtFifths(key, lineOfFifths(pitch) - shift);
