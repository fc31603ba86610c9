/*
 * Where things go in what leaves: some bars of the piece, silence before them, another resolution.
 *
 *     received   |    |xxxx|xxxx|    |      bars 2–3, one empty bar before    |    |xxxx|xxxx|
 */
import {
  barLength,
  exactTicks,
  playedUnits,
  type Bar,
  type BarNumber,
  type Meter,
  type Ticks,
  type WrittenUnits,
} from '../../time';
import type { DirectionB } from '../../settings';

/** Some bars on their way out. Places are written units of the file's time line. */
export interface TimeWindow {
  label: string;
  from: WrittenUnits;
  /** Infinity for all that is there. */
  to: number;
  /** Silence before them: empty bars, and what fills a pickup up to a full bar. */
  silence: WrittenUnits;
  /** Of that, what fills the pickup up. */
  padding: WrittenUnits;
  /** Full meter of the first bar. */
  meter: Meter;
  /** What the bars that go out are called, by their places in the file. */
  numbering: BarNumber[];
}

/** A marker and where it stands. */
interface Section {
  at: WrittenUnits;
  text: string;
}

/** @returns a window for each file; none when no bar is chosen */
export function windowsOf(
  { onlyBars, files, padPickup, arranging }: DirectionB,
  bars: readonly Bar[],
  markers: readonly Section[],
): TimeWindow[] {
  const [first, last] = [onlyBars?.from ?? 0, Math.min(onlyBars?.to ?? bars.length, bars.length)];
  if (first >= last) return [];
  const spans = files === 'sections' ? sections(bars, markers, first, last) : [{ label: '', from: first, to: last }];
  return spans.map(({ label, from, to }, i): TimeWindow => {
    const bar = bars[from]!;
    const pickup = padPickup && bar.implicit ? Math.max(0, barLength(bar.meter) - bar.length) : 0;
    const before = i === 0 || files !== 'sections' ? arranging.emptyBars : 0;
    const empty = before * barLength(bar.meter);
    const silence = pickup + empty;
    const numbering = [
      { at: 0, number: bar.number - before },
      { at: empty, number: bar.number },
      ...bars.slice(from + 1, to).map((one) => ({ at: one.start - bar.start + silence, number: one.number })),
    ];
    return {
      label,
      from: bar.start,
      // What sounds on after the last bar is not cut where all of it is wanted.
      to: to < bars.length ? bars[to]!.start : Infinity,
      silence,
      padding: pickup,
      meter: bar.meter,
      numbering,
    };
  });
}

function sections(bars: readonly Bar[], markers: readonly Section[], first: number, last: number) {
  const starts = new Map<number, string>([[first, `bar ${bars[first]!.number}`]]);
  for (const { at, text } of markers) {
    const b = bars.findLastIndex((bar) => bar.start <= at);
    if (b >= first && b < last) starts.set(b, text);
  }
  const sorted = [...starts].sort((a, b) => a[0] - b[0]);
  return sorted.map(([from, label], i) => ({ label, from, to: sorted[i + 1]?.[0] ?? last }));
}

/** Ticks of what leaves, and what rounding them cost. */
export class Placing {
  betweenTicks = 0;
  largestShift: WrittenUnits = 0;

  constructor(
    private readonly window: TimeWindow,
    private readonly ticksPerQuarter: number,
  ) {}

  /** @param exact a place that was not moved on purpose: rounding it is counted */
  tick(at: number, exact = false): Ticks {
    const ticks = exactTicks(at - this.window.from + this.window.silence, this.ticksPerQuarter);
    const rounded = Math.round(ticks);
    const away = Math.abs(ticks - rounded);
    if (exact && away > 1e-6) {
      this.betweenTicks++;
      this.largestShift = Math.max(this.largestShift, playedUnits(away, this.ticksPerQuarter));
    }
    return Math.max(0, rounded);
  }

  /**
   * The meter of the silence before the music, and where the music's own begins behind it; null where they are the same.
   *
   * @param own meter that holds where the music begins
   */
  opening(own: Meter): { meter: Meter; ownAt: Ticks | null } | null {
    const { silence, padding, meter, from } = this.window;
    if (silence === 0 || barLength(own) === barLength(meter)) return null;
    return { meter, ownAt: padding > 0 ? null : this.tick(from) };
  }

  holds(at: number): boolean {
    return at >= this.window.from && at < this.window.to;
  }

  get from(): WrittenUnits {
    return this.window.from;
  }

  get to(): number {
    return this.window.to;
  }

  /** All of the piece goes out where it was. */
  get isWhole(): boolean {
    return this.window.from === 0 && this.window.to === Infinity && this.window.silence === 0;
  }
}
