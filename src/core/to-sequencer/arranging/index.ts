export { arrange, type ArrangedFile, type Arrangement } from './arrange';
export { countByHand } from './by-hand';

/** What became of a file. */
export interface ArrangingReport {
  /** SMF type. */
  type: number;
  tracks: number;
  notes: number;
  /** Events that fell between two ticks of another resolution, and how far the furthest was moved. */
  betweenTicks: number;
  largestShiftMs: number;
}
