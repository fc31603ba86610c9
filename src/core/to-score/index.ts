export * from './settings';
export * from './to-score';
export type { Lead } from './lead';
export { Memo } from './memo';
