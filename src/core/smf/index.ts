export * from './smf-file';
export * from './errors';
export * from './read';
export * from './write';
export * from './text';
export { readVlq, writeVlq, MAX_VLQ } from './vlq';
