/* Two time lines beside each other: how far their clocks are apart, and which bar of one is which of the other. */
import { say } from '../words';
import { sequencerClock } from '../receivers/sequencer-clock';
import { QUARTER, secondsAtTick, type Milliseconds } from '../time';
import type { Basis, PairedBars } from './pair-bars';
import type { StudioTimeLine } from './time-line';

export interface BarDrift {
  /** Number of the bar. */
  bar: number;
  /** How much later it begins in the map. */
  drift: Milliseconds;
}

export interface DriftCheck {
  bars: BarDrift[];
  largest: Milliseconds;
  /** The middle of all. */
  typical: Milliseconds;
}

/**
 * A map as a plain sequencer counts it, bar by bar, against the line it was made of. Nothing of ours reads or counts it.
 *
 * @param line as it leaves, its count-in before it
 * @throws Error when it cannot be read
 */
export function driftOf(line: StudioTimeLine, midi: Uint8Array): DriftCheck {
  const { bars: read, seconds } = sequencerClock(midi);
  const begins = [...read.map((bar) => bar.seconds), seconds];
  // What sounds on after the last bar makes further ones.
  const last = line.bars.at(-1)!;
  const starts = [...line.bars, { number: last.number + 1, start: last.start + last.length }];
  const bars = starts.map(({ number, start }, i): BarDrift => {
    const exact = secondsAtTick(line.tempo, (start * line.ticksPerQuarter) / QUARTER);
    return { bar: number, drift: begins[i] === undefined ? Infinity : (begins[i] - exact) * 1000 };
  });
  const sizes = bars.map(({ drift }) => Math.abs(drift)).sort((a, b) => a - b);
  return { bars, largest: sizes.at(-1)!, typical: sizes[sizes.length >> 1]! };
}

/** Bars of ours in a row that another file calls otherwise by the same amount. */
export interface NumberingRun {
  from: number;
  to: number;
  theirs: { from: number; to: number };
}

export interface Numbering {
  runs: NumberingRun[];
  /** Bars of ours that begin where none of theirs does. */
  without: number[];
  /** Bars of ours about which nothing tells. */
  untold: number[];
  basis: Basis;
  /** In a sentence, for the telephone. */
  words: string;
  /** How it is known, and how surely. */
  evidence: string;
}

/** @param paired index of their bar for each of ours @param evidence how that is known, in a sentence */
export function numberingOf(
  ours: StudioTimeLine,
  theirs: StudioTimeLine,
  { basis, partners }: PairedBars,
  evidence: string,
): Numbering {
  const runs: NumberingRun[] = [];
  const without: number[] = [];
  const untold: number[] = [];
  ours.bars.forEach(({ number }, i) => {
    const partner = partners[i];
    if (partner === undefined) untold.push(number);
    else if (partner === null) without.push(number);
    else {
      const other = theirs.bars[partner]!.number;
      const last = runs.at(-1);
      if (last && number === last.to + 1 && other === last.theirs.to + 1) {
        last.to = number;
        last.theirs.to = other;
      } else runs.push({ from: number, to: number, theirs: { from: other, to: other } });
    }
  });
  return { runs, without, untold, basis, words: inWords(runs, without, untold), evidence };
}

const bars = (n: number) => (n === 1 ? say('studio.aBarOfOurs') : say('studio.nOfOurBars', { n }));

function inWords(runs: readonly NumberingRun[], without: readonly number[], untold: readonly number[]): string {
  const rest = [
    ...(without.length > 0
      ? [say('studio.barsBeginSWhereNoneOfTheirsDoes', { bars: bars(without.length), without: without.length })]
      : []),
    ...(untold.length > 0 ? [say('studio.ofOneBarNothingTells', { untold: untold.length })] : []),
  ];
  const and = (sentence: string) => [sentence, ...rest].join(' ');
  const main = [...runs].sort((a, b) => b.to - b.from - (a.to - a.from))[0];
  if (!main) return and(say('studio.noBarlineOfTheirsFallsOnOneOfOurs'));
  const same = runs.every(({ from, theirs }) => from === theirs.from);
  if (same && rest.length === 0) return say('studio.everyBarHasTheSameNumberInBoth');
  if (same) return and(say('studio.everyBarThatWasFoundHasTheSame'));
  if (main.from === main.theirs.from) return and(say('studio.mostBarsHaveTheSameNumberInBothSee'));
  const { from, to, theirs } = main;
  // Bar 1 is what one asks for first.
  const bar = from <= 1 && to >= 1 ? 1 : from;
  const facts = { bar, from: theirs.from + bar - from, runs: runs.length };
  return and(say('studio.ourBarBarIsTheirBarFromAllRest', facts));
}
