import type { BarSigns } from './marks';

type Signs = Readonly<Record<number, BarSigns>>;

/** A stretch that is being repeated. */
interface Pass {
  /** Its first bar. */
  from: number;
  /** Which playing of it this is, from 1. */
  time: number;
  /** It was opened by a sign. */
  opened: boolean;
}

/**
 * The bars in the order they are played, by index: repeats, endings, D.C., D.S., Coda and Fine carried out.
 *
 *     |: A  B |1. C :|2. D |  E  Fine   →   A B C A B D E …
 *
 * Repeats may stand inside one another. After D.C. or D.S. repeats are not taken again and the last ending is played
 * (common practice of dance and march forms), Fine ends the piece and To Coda leads to the Coda, whose own repeats are
 * taken. D.S. goes back to the segno it names, else to the last one before it. A repeat without an opening sign goes
 * back to the last double bar that closed a repeat, or to the beginning.
 */
export function playOrder(signs: Signs, bars: number): number[] {
  const order = new Player(signs, bars).play();
  // Signs by which nothing at all would be played are no form.
  return order.length > 0 ? order : Array.from({ length: bars }, (_, bar) => bar);
}

/** An opera with all its repeats has some thousand bars. */
const MOST_BARS = 10_000;

/** So many bars of a score are played at most: what only a broken form reaches. */
export const mostBarsPlayed = (bars: number): number => Math.max(MOST_BARS, 2 * bars);

/** Repeats stand inside one another so deep at most. */
const DEEPEST = 2;

class Player {
  private readonly order: number[] = [];
  /** Open repeats, the innermost last; never empty. */
  private passes: Pass[] = [{ from: 0, time: 1, opened: false }];
  /** Every jump is taken once, whatever a broken form says: the piece comes to an end. */
  private readonly jumped = new Set<number>();
  /** On the way back after D.C. or D.S. */
  private returning = false;

  constructor(
    private readonly signs: Signs,
    private readonly bars: number,
  ) {}

  play(): number[] {
    let bar: number | null = 0;
    const most = mostBarsPlayed(this.bars);
    while (bar !== null && bar < this.bars && this.order.length < most) bar = this.next(bar);
    return this.order;
  }

  private get pass(): Pass {
    return this.passes.at(-1)!;
  }

  /** Plays a bar or passes it over; gives the bar that follows, null at the end. */
  private next(bar: number): number | null {
    const { signs, bars } = this;
    const here = signs[bar] ?? {};
    if (here.repeatStart) this.open(bar);
    if (here.ending) {
      const time = this.returning ? lastTime(signs, bar, bars) : this.pass.time;
      if (!here.ending.includes(time) && endingsAround(signs, bar, bars).includes(1))
        return afterEnding(signs, bar, bars);
    }
    this.order.push(bar);
    if (here.repeatEnd && !this.returning) {
      const times = Math.max(here.repeatEnd.times, timesOfEndings(signs, bar, bars));
      if (this.pass.time < times) {
        this.pass.time++;
        return this.pass.from;
      }
    }
    if (here.fine && this.returning) return null;
    if (here.toCoda && this.returning) {
      const coda = this.codaOf(here.toCoda, bar);
      if (coda >= 0) {
        this.returning = false;
        this.startAnew(coda);
        return coda;
      }
    }
    if (here.jump && !this.jumped.has(bar)) {
      this.jumped.add(bar);
      this.returning = true;
      const to = here.jump === 'daCapo' ? 0 : this.segnoOf(here.jumpTo, bar);
      this.startAnew(to);
      return to;
    }
    // A repeat that is through leaves its opening behind, unless another ending of it follows.
    if ((here.repeatEnd || here.endingStop) && !signs[bar + 1]?.ending) this.close(bar + 1);
    return bar + 1;
  }

  private open(bar: number): void {
    if (this.pass.from === bar && (this.pass.opened || this.pass.time > 1)) return;
    const opened = { from: bar, time: 1, opened: true };
    // Only what a sign has opened can hold another repeat.
    const outer = this.passes.filter((pass) => pass.opened).slice(0, DEEPEST - 1);
    this.passes = [...outer, opened];
  }

  private close(next: number): void {
    this.passes.pop();
    if (this.passes.length === 0) this.startAnew(next);
  }

  private startAnew(from: number): void {
    this.passes = [{ from, time: 1, opened: false }];
  }

  private segnoOf(name: string | undefined, bar: number): number {
    const all = placesOf(this.signs, this.bars, (one) => one.segno);
    const named = name === undefined ? undefined : all.find((at) => this.signs[at]!.segno === name);
    return named ?? all.findLast((at) => at <= bar) ?? all[0] ?? 0;
  }

  /** The coda that is named, else the next one; one at the beginning or before would only go round. */
  private codaOf(name: true | string, bar: number): number {
    const all = placesOf(this.signs, this.bars, (one) => one.coda);
    return all.find((at) => at > bar && this.signs[at]!.coda === name) ?? all.find((at) => at > bar) ?? -1;
  }
}

function placesOf(signs: Signs, bars: number, has: (signs: BarSigns) => unknown): number[] {
  return Object.entries(signs)
    .filter(([bar, one]) => Number(bar) < bars && has(one))
    .map(([bar]) => Number(bar))
    .sort((a, b) => a - b);
}

/** Endings that belong to the same repeat stand one after the other. */
function endingsAround(signs: Signs, bar: number, bars: number): number[] {
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

function lastTime(signs: Signs, bar: number, bars: number): number {
  return Math.max(1, ...endingsAround(signs, bar, bars));
}

/** How often a stretch is played by what its endings say; 2 without any. */
function timesOfEndings(signs: Signs, bar: number, bars: number): number {
  let at = bar;
  while (at > 0 && !signs[at]?.ending && !signs[at]?.repeatStart) at--;
  return signs[at]?.ending ? lastTime(signs, at, bars) : 2;
}

/** The bar after an ending that begins here. */
function afterEnding(signs: Signs, bar: number, bars: number): number {
  let at = bar;
  while (at < bars && !signs[at]?.endingStop && !(at > bar && signs[at + 1]?.ending)) at++;
  return Math.min(bars, at + 1);
}
