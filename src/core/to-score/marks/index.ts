export { type MarkReport } from './find-marks';
export { markPart } from './mark-part';
export { loudnessOf } from './loudness';
