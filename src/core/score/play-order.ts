import type { BarSigns } from './marks';

interface Pass {
  /** First bar of the repeated stretch. */
  from: number;
  /** Which playing of it this is, from 1. */
  time: number;
}

/**
 * The bars in the order they are played, by index: repeats, endings, D.C., D.S., Coda and Fine carried out.
 *
 *     |: A  B |1. C :|2. D |  E  Fine   →   A B C A B D E …
 *
 * After D.C. or D.S. repeats are not taken again and the last ending is played (common practice of dance and march
 * forms), Fine ends the piece and To Coda leads to the Coda. A repeat without an opening sign goes back to the last
 * double bar that closed a repeat, or to the beginning.
 */
export function playOrder(signs: Readonly<Record<number, BarSigns>>, bars: number): number[] {
  const order = unfolded(signs, bars);
  // Signs by which nothing at all would be played are no form.
  return order.length > 0 ? order : Array.from({ length: bars }, (_, bar) => bar);
}

/** So many bars are played at most: hours of music, and what only a broken form reaches. */
export const MOST_BARS_PLAYED = 200_000;

function unfolded(signs: Readonly<Record<number, BarSigns>>, bars: number): number[] {
  const order: number[] = [];
  const segno = find(signs, bars, (one) => one.segno);
  const coda = find(signs, bars, (one) => one.coda);
  /**
   * Every repeat is taken so many times and every jump once, whatever a broken form says: the piece comes to an end.
   */
  const taken = new Map<number, number>();
  const jumped = new Set<number>();
  let codaReached = false;
  let pass: Pass = { from: 0, time: 1 };
  let afterJump = false;
  let bar = 0;
  while (bar < bars && order.length < MOST_BARS_PLAYED) {
    const here = signs[bar] ?? {};
    if (here.repeatStart && pass.from !== bar) pass = { from: bar, time: 1 };
    if (here.ending) {
      const time = afterJump ? lastTime(signs, bar, bars) : pass.time;
      if (!here.ending.includes(time) && isRepeated(signs, bar, bars)) {
        bar = afterEnding(signs, bar, bars);
        continue;
      }
    }
    order.push(bar);
    const times = here.repeatEnd && !afterJump ? Math.max(here.repeatEnd.times, timesOfEndings(signs, bar, bars)) : 1;
    if (pass.time < times && (taken.get(bar) ?? 0) < times - 1) {
      taken.set(bar, (taken.get(bar) ?? 0) + 1);
      pass = { from: pass.from, time: pass.time + 1 };
      bar = pass.from;
      continue;
    }
    if (here.fine && afterJump) break;
    if (here.toCoda && afterJump && coda >= 0 && !codaReached) {
      codaReached = true;
      bar = coda;
      continue;
    }
    if (here.jump && !jumped.has(bar)) {
      jumped.add(bar);
      afterJump = true;
      bar = here.jump === 'daCapo' ? 0 : Math.max(0, segno);
      pass = { from: bar, time: 1 };
      continue;
    }
    // A repeat that is through leaves its opening behind, unless another ending of it follows.
    if (here.repeatEnd && !signs[bar + 1]?.ending) pass = { from: bar + 1, time: 1 };
    else if (here.endingStop && !here.repeatEnd && !signs[bar + 1]?.ending) pass = { from: bar + 1, time: 1 };
    bar++;
  }
  return order;
}

function find(
  signs: Readonly<Record<number, BarSigns>>,
  bars: number,
  has: (signs: BarSigns) => true | undefined,
): number {
  for (let bar = 0; bar < bars; bar++) if (signs[bar] && has(signs[bar]!)) return bar;
  return -1;
}

/** An ending that begins here belongs to a repeat; one that nothing repeats is played as it comes. */
function isRepeated(signs: Readonly<Record<number, BarSigns>>, bar: number, bars: number): boolean {
  if (endingsAround(signs, bar, bars).includes(1)) return true;
  for (let at = bar; at < afterEnding(signs, bar, bars); at++) if (signs[at]?.repeatEnd) return true;
  return false;
}

/** Endings that belong to the same repeat stand one after the other. */
function endingsAround(signs: Readonly<Record<number, BarSigns>>, bar: number, bars: number): number[] {
  const numbers: number[] = [];
  let at = bar;
  while (at > 0 && !signs[at]?.ending && !signs[at - 1]?.endingStop) at--;
  while (at > 0 && signs[at]?.ending && signs[at - 1]?.endingStop) {
    at--;
    while (at > 0 && !signs[at]?.ending) at--;
  }
  while (at < bars && signs[at]?.ending) {
    numbers.push(...signs[at]!.ending!);
    at = afterEnding(signs, at, bars);
  }
  return numbers;
}

function lastTime(signs: Readonly<Record<number, BarSigns>>, bar: number, bars: number): number {
  return Math.max(1, ...endingsAround(signs, bar, bars));
}

/** How often a stretch is played by what its endings say; 2 without any. */
function timesOfEndings(signs: Readonly<Record<number, BarSigns>>, bar: number, bars: number): number {
  let at = bar;
  while (at > 0 && !signs[at]?.ending && !signs[at]?.repeatStart) at--;
  return signs[at]?.ending ? lastTime(signs, at, bars) : 2;
}

/** The bar after an ending that begins here. */
function afterEnding(signs: Readonly<Record<number, BarSigns>>, bar: number, bars: number): number {
  let at = bar;
  while (at < bars && !signs[at]?.endingStop && !(at > bar && signs[at + 1]?.ending)) at++;
  return Math.min(bars, at + 1);
}
