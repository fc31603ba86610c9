export * from './pitch';
export * from './score';
export * from './note-values';
export * from './query';
export * from './check';
export * from './slice';
export * from './sounding';
export * from './key-name';
export { clefsAt } from './clefs-at';
