/** Bars by index, the last one not included. */
export interface BarSpan {
  from: number;
  to: number;
}
