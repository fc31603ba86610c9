export { toSequencer, type SequencedFile, type SequenceReport } from './to-sequencer';
export { loudnessAt, loudnessCurve, type CurvePoint } from './loudness-curve';
export * from './clean';
