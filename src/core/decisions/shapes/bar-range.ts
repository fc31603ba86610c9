import { say } from '../../words';
import { IsInt, Min } from 'class-validator';

/** Bars by index. */
export class BarRange {
  @IsInt() @Min(0) from!: number;
  /** Not included. */
  @IsInt() @Min(1) to!: number;
}

/** How many bars a decision is about; 0 for the whole. */
export function inBars(bars: BarRange | undefined): number {
  return bars ? bars.to - bars.from : 0;
}

/** What is done in some bars only; of the whole, what is done. */
export function inSomeBars(what: string, bars: BarRange | undefined): string {
  return say('decisions.someBarsOf', { what, bars: inBars(bars) });
}
