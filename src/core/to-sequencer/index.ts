export {
  sequenceScore,
  toSequencer,
  type Strengths,
  type SequencedFile,
  type SequenceProgress,
  type SequenceReport,
} from './pipeline';
export { loudnessAt, loudnessCurve, type CurvePoint } from './dynamics/loudness-curve';
export { clockOf } from './timeline/tempo';
export { playedScore, type PlayedScore } from './played-score';
export { mendedScore } from './timeline/mended-score';
export { askSequence } from './doubts/ask-sequence';
export * from './arranging';
export * from './cleaning';
