import { expect } from 'vitest';
import { readMusicXml, writeMusicXml } from '../core/musicxml';
import { checkScore, soundsOf, type Score } from '../core/score';
import { USUAL_SEQUENCING, type SequencerSettings } from '../core/settings';
import { QUARTER } from '../core/time';
import { toSequencer } from '../core/to-sequencer';
import { HEAD, noteText as note, partText, scoreText } from './musicxml-text';

/* Small scores written as text, read, and what is heard of them. */

/** A part of such bars, as the reader gives it: the score and what it noticed. */
export const read = (measures: readonly string[], head = HEAD, declared = '', name = 'Flute') =>
  readMusicXml(new TextEncoder().encode(scoreText([partText(measures, head)], [declared], [name])));
/** The score of such bars, sound by its own checks. */
export const scoreOf = (...args: Parameters<typeof read>): Score => {
  const { score } = read(...args);
  expect(checkScore(score)).toEqual([]);
  return score;
};
/** Written and read again. */
export const again = (score: Score) => readMusicXml(new TextEncoder().encode(writeMusicXml(score))).score;
/** Sounding keys of a part: key@quarter+quarters. */
export const sounding = (score: Score, p = 0) =>
  soundsOf(score.parts[p]!, score.bars).map(
    ({ key, start, end }) => `${key}@${start / QUARTER}+${(end - start) / QUARTER}`,
  );
/** What a sequencer gets of all parts, in quarters. */
export const played = (score: Score, settings: Partial<SequencerSettings> = {}) =>
  toSequencer(score, { ...USUAL_SEQUENCING, ...settings })[0]!.tracks.flatMap(({ notes }) =>
    notes.map(({ key, start, end, velocity }) => ({
      key,
      at: start / QUARTER,
      for: (end - start) / QUARTER,
      velocity,
    })),
  );
/** The same in short: key@quarter. */
export const keysAt = (score: Score, settings?: Partial<SequencerSettings>) =>
  played(score, settings).map(({ key, at }) => `${key}@${Math.round(at * 1000) / 1000}`);
/** A bar of one note. */
export const whole = (name: string, more = {}) => note(name, 16, more);
/** Quarters, one after the other. */
export const line = (...names: string[]) => names.map((name) => note(name, 4)).join('');
