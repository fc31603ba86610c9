/*
 * A tempo that bends: several changes one way, close together. They are played, not printed; a player has to be told in a word.
 *
 *     96 ─────┐93┐87┐80┐72        rit.
 */
import { say } from '../../words';
import { queryIdOf } from '../../base';
import type { Bend, Query } from '../../queries';
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
/** @param tempos every change, in order @returns one query for all places of the piece */
export function tempoDoubts(tempos: readonly TempoMark[], bars: readonly Bar[]): Query[] {
  const bends = unsaidBends(tempos);
  const [first] = bends;
  if (!first) return [];
  const bar = barIndexAt(
    bars.map(({ start }) => start),
    first.from,
  );
  const { number } = bars[bar]!;
  const message =
    bends.length === 1
      ? say('doubts.barNumberTheTempoFallsGradually', {
          number,
          firstWordsRit: first.words === 'rit.',
          bpm: first.bpm[0],
          bpm2: first.bpm[1],
        })
      : say('doubts.barNumberAndOnTheTempoFallsOrRises', { number, bends: bends.length });
  return [
    {
      id: queryIdOf(
        'tempo-bends',
        bends.map(({ from }) => from),
      ),
      kind: 'tempo-bends',
      at: first.from,
      bar,
      message,
      facts: { bends: bends.map(({ from, words, back }) => ({ from, words, back })) },
    },
  ];
}

function unsaidBends(tempos: readonly TempoMark[]) {
  const found: (Bend & { bpm: [number, number] })[] = [];
  for (let i = 1; i < tempos.length;) {
    const bend = bendFrom(tempos, i);
    if (!bend) {
      i++;
      continue;
    }
    const { last, before, words } = bend;
    const from = tempos[i]!.at;
    const next = tempos[last + 1];
    const back = next && Math.abs(next.bpm / before - 1) < AGAIN ? next.at : null;
    const said = tempos.some((mark) => mark.words !== undefined && Math.abs(mark.at - from) <= SAID);
    if (!said) found.push({ from, words, back, bpm: [Math.round(before), Math.round(tempos[last]!.bpm)] });
    i = last + 1;
  }
  return found;
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
