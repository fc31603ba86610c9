/* Stretches that are written once for several playings: whether those are still alike after what was changed by hand. */
import { say } from '../../words';
import { queryId } from '../../base';
import type { Query } from '../../queries';
import type { Fold } from '../../score';
import type { Bar } from '../../time';
import { MOST_ENDING } from '../notation/repeats';

/** A part by name, with what is written in each of its bars as a string. */
export interface CodedPart {
  name: string;
  codes: readonly string[];
}

/** @param bars of the score written out in full */
export function unevenRepeatQueries(
  parts: readonly CodedPart[],
  folds: readonly Fold[],
  bars: readonly Bar[],
): Query[] {
  return folds.flatMap((fold): Query[] => {
    const { from, length, times, endings } = fold;
    if (from + length * times > bars.length) return [];
    const differing = differences(parts, fold);
    const [first] = differing;
    if (!first) return [];
    const number = (bar: number) => bars[bar]!.number;
    const more = differing.length - 1;
    const apart = length - Math.min(...differing.map(({ within }) => within));
    return [
      {
        id: queryId(`uneven-repeat/${from}/${length}/${times}`),
        kind: 'uneven-repeat',
        at: bars[first.bar]!.start,
        bar: first.bar,
        message: say('doubts.barsFromFrom2AreWrittenOnceFor', {
          from: number(from),
          from2: number(from + length - 1),
          times,
          part: first.part,
          bar: number(first.bar),
          more,
        }),
        facts: { from, length, times, endings, asEndings: apart <= MOST_ENDING && apart < length ? apart : null },
      },
    ];
  });
}

/** Bars that are not as in the first playing, in order. */
function differences(parts: readonly CodedPart[], { from, length, times, endings }: Fold) {
  const found: { bar: number; within: number; part: string }[] = [];
  for (let turn = 1; turn < times; turn++)
    for (let within = 0; within < length - endings; within++) {
      const bar = from + turn * length + within;
      const other = parts.find(({ codes }) => codes[bar] !== codes[from + within]);
      if (other) found.push({ bar, within, part: other.name });
    }
  return found;
}
