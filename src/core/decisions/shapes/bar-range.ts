import { say } from '../../words';
import { IsInt, Min } from 'class-validator';

/** Bars by index. */
export class BarRange {
  @IsInt() @Min(0) from!: number;
  /** Not included. */
  @IsInt() @Min(1) to!: number;
}

/** " in 3 bars"; nothing for the whole. */
export function inBars(bars: BarRange | undefined): string {
  return bars ? say('decisions.inOneBar', { to: bars.to - bars.from }) : '';
}
