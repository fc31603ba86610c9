export * from './decisions';
export * from './errors';
export { describe, LANGUAGE_NAMES, valueName } from './describe';
export * from './house-list';
export * from './ledger';
export * from './remedies';
export { parseJob } from './parse';
export { packArchive, unpackArchive, type ArchivedJob } from './archive';
export { preparePerformance, replay } from './replay';
