/*
 * A tempo that bends: several changes one way, close together. They are played, not printed; a player has to be told in a word.
 *
 *     96 ─────┐93┐87┐80┐72        rit.
 */
import { queryId } from '../../base';
import type { Query } from '../../queries';
import type { TempoMark } from '../../score';
import { barIndexAt, QUARTER, type Bar, type WrittenUnits } from '../../time';

/** Fewer changes are steps. */
const FEWEST = 3;
/** Further apart they are changes by themselves. */
const APART: WrittenUnits = 2 * QUARTER;
/** Less than this share nobody hears. */
const NOTICED = 0.07;
/** Words so near say it already. */
const SAID: WrittenUnits = 4 * QUARTER;
/** The tempo before is taken up again when it is as near. */
const AGAIN = 0.03;
/** More would be a performance, not a score. */
const MOST_ASKED = 20;

/** @param tempos every change, in order */
export function tempoDoubts(tempos: readonly TempoMark[], bars: readonly Bar[]): Query[] {
  const starts = bars.map((bar) => bar.start);
  const queries: Query[] = [];
  for (let i = 1; i < tempos.length && queries.length < MOST_ASKED;) {
    const bend = bendFrom(tempos, i);
    if (!bend) {
      i++;
      continue;
    }
    const { last, before, words } = bend;
    const from = tempos[i]!.at;
    const said = tempos.some((mark) => mark.words !== undefined && Math.abs(mark.at - from) <= SAID);
    const next = tempos[last + 1];
    const back = next && Math.abs(next.bpm / before - 1) < AGAIN ? next.at : null;
    const bar = barIndexAt(starts, from);
    if (!said)
      queries.push({
        id: queryId(`tempo-bends/${from}`),
        kind: 'tempo-bends',
        bar,
        message: `Bar ${bars[bar]!.number}: the tempo ${words === 'rit.' ? 'falls' : 'rises'} by degrees from ${Math.round(before)} to ${Math.round(tempos[last]!.bpm)}, and no word says so.`,
        facts: { from, words, back },
      });
    i = last + 1;
  }
  return queries;
}

/** The changes one way that begin with one of them. */
function bendFrom(tempos: readonly TempoMark[], first: number) {
  const before = tempos[first - 1]!.bpm;
  const way = Math.sign(tempos[first]!.bpm - before);
  let last = first;
  while (
    tempos[last + 1] &&
    tempos[last + 1]!.at - tempos[last]!.at <= APART &&
    Math.sign(tempos[last + 1]!.bpm - tempos[last]!.bpm) === way
  )
    last++;
  const enough = way !== 0 && last - first + 1 >= FEWEST && Math.abs(tempos[last]!.bpm / before - 1) >= NOTICED;
  return enough ? { last, before, words: way < 0 ? ('rit.' as const) : ('accel.' as const) } : null;
}
