export * from './decisions';
export * from './errors';
export * from './ledger';
export * from './remedies';
export { parseJob } from './parse';
