export * from './settings';
export * from './to-score';
export type { Lead } from './lead';
export { Memo } from './memo';
export { swung, type Swing } from './swing';
export type { BeatLine } from './beats';
export { clefChoices } from './clefs';
