export * from './settings';
export { toSequencer, type SequencedFile, type SequenceReport } from './to-sequencer';
export { loudnessAt, loudnessCurve, type CurvePoint } from './loudness-curve';
export { CONDUCTOR_NAME } from './write-sequence';
export * from './clean';
