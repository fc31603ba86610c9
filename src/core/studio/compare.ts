/* Two time lines beside each other: how far their clocks are apart, and which bar of one is which of the other. */
import { performanceFromSmf } from '../performance';
import type { SmfFile } from '../smf';
import { QUARTER, secondsAtTick, type Milliseconds, type Seconds } from '../time';
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

/** A map read back, bar by bar, against what it was made of. @param countIn seconds before its first bar */
export function driftOf(line: StudioTimeLine, file: SmfFile, countIn: { ticks: number; seconds: Seconds }): DriftCheck {
  const { tempo, ticksPerQuarter } = performanceFromSmf({ file, warnings: [] });
  const end = { number: line.bars.at(-1)!.number + 1, start: line.bars.at(-1)!.start + line.bars.at(-1)!.length };
  const bars = [...line.bars, end].map(({ number, start }): BarDrift => {
    const exact = secondsAtTick(line.tempo, (start * line.ticksPerQuarter) / QUARTER);
    const there =
      secondsAtTick(tempo, Math.round((start * ticksPerQuarter) / QUARTER) + countIn.ticks) - countIn.seconds;
    return { bar: number, drift: (there - exact) * 1000 };
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
  /** In a sentence, for the telephone. */
  words: string;
}

/** Two barlines are one when they are no further apart. */
const TOGETHER: Seconds = 0.06;

/** @param shift seconds by which theirs begins later than ours */
export function compareNumbering(ours: StudioTimeLine, theirs: StudioTimeLine, shift: Seconds = 0): Numbering {
  const runs: NumberingRun[] = [];
  const without: number[] = [];
  let t = 0;
  for (const { number, at } of ours.bars) {
    while (theirs.bars[t + 1] && theirs.bars[t]!.at - shift < at - TOGETHER) t++;
    const other = theirs.bars[t];
    if (!other || Math.abs(other.at - shift - at) > TOGETHER) {
      without.push(number);
      continue;
    }
    const last = runs.at(-1);
    if (last && number === last.to + 1 && other.number === last.theirs.to + 1) {
      last.to = number;
      last.theirs.to = other.number;
    } else runs.push({ from: number, to: number, theirs: { from: other.number, to: other.number } });
  }
  return { runs, without, words: inWords(runs, without) };
}

function inWords(runs: readonly NumberingRun[], without: readonly number[]): string {
  const missing = without.length > 0 ? ` ${without.length} of our bars begin where none of theirs does.` : '';
  const main = [...runs].sort((a, b) => b.to - b.from - (a.to - a.from))[0];
  if (!main) return `No barline of theirs falls on one of ours.${missing}`;
  const off = main.theirs.from - main.from;
  const all = runs.length === 1;
  if (off === 0) return `${all ? 'Every' : 'Nearly every'} bar has the same number in both.${missing}`;
  return `Our bar ${main.to} is their bar ${main.theirs.to}${all ? '' : `, from our bar ${main.from} on`}.${missing}`;
}
