import { performanceFromSmf, type Performance } from '../core/performance';
import type { Part, PartBar, Score } from '../core/score';
import { USUAL_SEQUENCING, type SequencerSettings } from '../core/settings';
import { readSmf, writeSmf } from '../core/smf';
import { toSequencer } from '../core/to-sequencer';
import { plainPart, plainScore } from './scores';

/* Scores sequenced and read back, for tests of the way to a sequencer. */

export const play = (score: Score, settings: Partial<SequencerSettings> = {}) => {
  const [made] = toSequencer(score, { ...USUAL_SEQUENCING, ...settings });
  const bytes = writeSmf(made!.file);
  return { ...made!, bytes, performance: performanceFromSmf(readSmf(bytes)) };
};
/** Key, start and end in quarters. */
export const notesOf = ({ performance }: { performance: Performance }, track = 1) =>
  performance.tracks[track]!.notes.map((note) => [note.key, note.start / 480, note.end / 480]);
/** Place in quarters and value. */
export const controls = ({ performance }: { performance: Performance }, controller: number, track = 1) =>
  performance.tracks[track]!.controllers.filter((one) => one.controller === controller).map((one) => [
    one.tick / 480,
    one.value,
  ]);
export const one = (bars: PartBar[], more: Partial<Part> = {}, score: Partial<Score> = {}) =>
  plainScore([plainPart(bars, more)], undefined, score);
