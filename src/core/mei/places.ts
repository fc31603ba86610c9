import { barIndexAt, type Bar, type WrittenUnits } from '../time';
import type { MeiNode } from './tree';
import { tstamp, tstamp2 } from './values';

export interface InBar {
  bar: number;
  node: MeiNode;
}

/** Places of the score as the format has them: a bar, and a beat in it. */
export class Places {
  private readonly starts: WrittenUnits[];
  private readonly end: WrittenUnits;

  constructor(private readonly bars: readonly Bar[]) {
    this.starts = bars.map(({ start }) => start);
    const last = bars.at(-1);
    this.end = last ? last.start + last.length : 0;
  }

  /** Nothing for a place outside of the bars. */
  point(at: WrittenUnits, node: (where: { tstamp: number }) => MeiNode): InBar[] {
    if (at < this.starts[0]! || at >= this.end) return [];
    const bar = this.bars[barIndexAt(this.starts, at)]!;
    return [{ bar: bar.index, node: node({ tstamp: tstamp(bar, at - bar.start) }) }];
  }

  /** What ends at a barline belongs to the bar before it. */
  ending(at: WrittenUnits): { bar: Bar; beat: number } | null {
    if (at <= this.starts[0]!) return null;
    const bar = this.bars[barIndexAt(this.starts, Math.min(at, this.end) - 1)]!;
    return { bar, beat: tstamp(bar, Math.min(at, this.end) - bar.start) };
  }

  atEnd(at: WrittenUnits, node: (where: { tstamp: number }) => MeiNode): InBar[] {
    const found = this.ending(at);
    return found ? [{ bar: found.bar.index, node: node({ tstamp: found.beat }) }] : [];
  }

  /** From one place up to another; what began earlier begins with the first bar. */
  stretch(
    start: WrittenUnits,
    end: WrittenUnits,
    node: (where: { tstamp: number; tstamp2: string }) => MeiNode,
  ): InBar[] {
    const ends = this.ending(end);
    const begun = Math.max(start, this.starts[0]!);
    if (!ends || begun >= this.end || end <= begun) return [];
    return this.point(begun, (where) => {
      const first = barIndexAt(this.starts, begun);
      return node({ ...where, tstamp2: tstamp2(ends.bar.index - first, ends.beat) });
    });
  }
}
