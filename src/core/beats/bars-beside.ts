/* Bars of the file's own length that begin beside the file's: a pickup nobody padded, a count-in of odd length. */
import type { BeatFeature } from './beat-features';
import { leansOn } from './leaning';
import { bestWay } from './part-beats';

/** So much better bars must be that begin later than the file's, where players lean on them and where nobody does. */
const BESIDE = 10;
const CLEARLY_BESIDE = 16;

/** @returns how many beats after the file's bars of that length the music's begin; 0 where they begin together */
export function barsBeside(features: readonly BeatFeature[], length: number): number {
  const best = bestWay(features, [length]);
  const own = bestWay(features, [length], { fixed: new Set([0]) });
  const enough = leansOn(best.downbeats, features) ? BESIDE : CLEARLY_BESIDE;
  return best.score - own.score >= enough ? best.downbeats[0]! % length : 0;
}
