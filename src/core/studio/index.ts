export {
  compareNumbering,
  driftOf,
  type BarDrift,
  type DriftCheck,
  type Numbering,
  type NumberingRun,
} from './compare';
export {
  studioMap,
  USUAL_CLICK,
  USUAL_STUDIO_MAP,
  type ClickSettings,
  type StudioMap,
  type StudioMapSettings,
} from './studio-map';
export { changeInWords, minutesInWords, tableAsCsv, tableOf, type TableRow, type TableSettings } from './table';
export { thinTempo, type ThinnedTempo } from './thin-tempo';
export { codeOfFrames, FRAME_RATES, framesOfCode, timeCode, type FrameRate } from './time-code';
export { changesOf, timeLineOf, type Change, type ChangeKind, type StudioBar, type StudioTimeLine } from './time-line';
