export * from './settings';
export * from './to-score';
export type { Lead } from './lead';
export type { Audit, PartAudit } from './audit';
export { Memo } from './memo';
export { SWING_UNITS, swung, type Swing, type SwingUnit } from './swing';
export type { BeatLine } from './beats';
export { clefChoices } from './clefs';
