import { IsInt, Min } from 'class-validator';

/** Bars by index. */
export class BarRange {
  @IsInt() @Min(0) from!: number;
  /** Not included. */
  @IsInt() @Min(1) to!: number;
}

/** " in 3 bars"; nothing for the whole. */
export function inBars(bars: BarRange | undefined): string {
  return bars ? ` in ${bars.to - bars.from === 1 ? 'one bar' : `${bars.to - bars.from} bars`}` : '';
}
