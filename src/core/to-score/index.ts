export * from './settings';
export * from './to-score';
export { trackLabel, type Casting, type CastPart, type CastTrack } from './casting';
export type { Lead } from './lead';
