/* What is asked where one original has the bars and another one the times. */
import { queryId } from '../base';
import type { Performance } from '../performance';
import type { Query } from '../queries';
import { barIndexAt, tickAtSeconds, type Bar } from '../time';
import type { Prepared } from './prepare';

/** Of many bars so many are named. */
const MOST_NAMED = 6;

export function versionDoubts(
  { timed, performance }: Pick<Prepared, 'timed' | 'performance'>,
  bars: readonly Bar[],
): Query[] {
  if (!timed) return [];
  const { original, versions } = timed;
  const id = queryId(`two-versions/${original}`);
  if (!versions)
    return [
      {
        id,
        kind: 'two-versions',
        message: `Original ${original} is hardly another version of this music: fewer than half of the notes are in both. Its times are not taken.`,
        facts: { original, strangers: true },
      },
    ];
  const { matched, missing, extra } = versions;
  if (missing === 0 && extra.length === 0) return [];
  const said = [
    missing > 0 &&
      `${missing === 1 ? 'one note is' : `${missing} notes are`} not in it and ${missing === 1 ? 'keeps its' : 'keep their'} place`,
    extra.length > 0 &&
      `${extra.length === 1 ? 'one of its notes is' : `${extra.length} of its notes are`} not written (${placesOf(extra, performance, bars)})`,
  ].filter(Boolean);
  return [
    {
      id,
      kind: 'two-versions',
      message: `The times are those of original ${original}, in which ${matched} notes are found; ${said.join('; ')}.`,
      facts: { original, strangers: false },
    },
  ];
}

function placesOf(seconds: readonly number[], { tempo }: Performance, bars: readonly Bar[]): string {
  const starts = bars.map((bar) => bar.start);
  // A tick of two versions is a written unit.
  const numbers = [...new Set(seconds.map((at) => bars[barIndexAt(starts, tickAtSeconds(tempo, at))]!.number))];
  const some = numbers.slice(0, MOST_NAMED).join(', ');
  return `${numbers.length === 1 ? 'bar' : 'bars'} ${some}${numbers.length > MOST_NAMED ? ' …' : ''}`;
}
