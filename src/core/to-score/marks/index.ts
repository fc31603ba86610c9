export { findMarks, type FoundMarks, type MarkContext, type MarkReport } from './find-marks';
export { markPart } from './mark-part';
export { playedPart, type PlayedPart } from './marked-part';
export { findBreaths, type Breath } from './breaths';
export { loudnessOf } from './loudness';
