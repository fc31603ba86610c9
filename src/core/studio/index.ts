export { driftOf, numberingOf, type BarDrift, type DriftCheck, type Numbering, type NumberingRun } from './compare';
export {
  studioMap,
  USUAL_CLICK,
  USUAL_STUDIO_MAP,
  type ClickSettings,
  type StudioMap,
  type StudioMapSettings,
} from './studio-map';
export {
  barOneInWords,
  changeInWords,
  minutesInWords,
  tableAsCsv,
  tableOf,
  type TableRow,
  type TableSettings,
} from './table';
export { thinTempo, type ThinnedTempo } from './thin-tempo';
export {
  codeOfFrames,
  sameCode,
  FRAME_RATES,
  framesAtZero,
  framesOfCode,
  timeCode,
  type CodeSettings,
  type FrameRate,
} from './time-code';
export {
  barOneOf,
  changesOf,
  clickBeats,
  countedIn,
  timeLineOf,
  type Change,
  type ChangeKind,
  type PlacedBar,
  type StudioBar,
  type StudioTimeLine,
} from './time-line';
export { pairByChanges, pairByNotes, type BarsAndNotes, type NotePairs, type PairedBars } from './pair-bars';
