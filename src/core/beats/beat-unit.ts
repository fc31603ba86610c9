import { firstNotBefore } from '../base';
import type { BeatUnit } from '../settings';
import type { Seconds } from '../time';
import type { Onset } from './onsets';

/** Where onsets lie in a beat, in its parts of twelve: the ends, sixths, quarters, thirds and the half. */
const PLACES = [0, 2, 3, 4, 6, 8, 9, 10, 12] as const;
/** Onsets on thirds for each on the half and quarters, where a beat is a dotted quarter: its sixteenths lie there too. */
const MORE = 2;
/** Where the first third is hardly ever struck, for each that the second one is, eighths are swung. */
const NOT_SWUNG = 0.15;
const ENOUGH = 12;

/** What even beats are written as: a dotted quarter where they are parted in three, else a quarter. */
export function beatUnit(beats: readonly Seconds[], onsets: readonly Onset[]): BeatUnit {
  const struck = new Map<number, number>();
  beats.slice(0, -1).forEach((beat, i) => {
    const end = beats[i + 1]!;
    for (let k = firstNotBefore(onsets, beat, ({ at }) => at); onsets[k] && onsets[k]!.at < end; k++) {
      const place = nearest(((onsets[k]!.at - beat) / (end - beat)) * 12);
      struck.set(place, (struck.get(place) ?? 0) + 1);
    }
  });
  const on = (place: number) => struck.get(place) ?? 0;
  const [first, second] = [on(4), on(8)];
  const thirds = first + second;
  const isThree = thirds >= ENOUGH && thirds >= MORE * (on(3) + on(6) + on(9));
  return isThree && first >= NOT_SWUNG * second ? 'dotted quarter' : 'quarter';
}

const nearest = (twelfths: number): number =>
  PLACES.reduce((best, place) => (Math.abs(place - twelfths) < Math.abs(best - twelfths) ? place : best));
