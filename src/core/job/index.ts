export * from './decisions';
export * from './errors';
export * from './ledger';
export * from './remedies';
export { parseJob } from './parse';
export { packArchive, unpackArchive, type ArchivedJob } from './archive';
export { preparePerformance, replay } from './replay';
