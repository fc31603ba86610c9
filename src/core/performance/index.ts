export * from './performance';
export * from './from-smf';
export * from './survey';
export type { Duplicate } from './duplicates';
export * from './file-facts';
export * from './track-detail';
