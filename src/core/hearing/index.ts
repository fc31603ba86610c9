export { placeAt, timeOf, type HeardPlace } from './bar-clock';
export { clickAlone, hear, later, LEAD_IN } from './hear';
export { hearingMusic, type HearingMusic, type MusicSource } from './music';
export { fitRecording, FRAMES, onsetStrength } from './fit-recording';
export * from './stretch';
