export * from './performance';
export * from './from-smf';
export * from './survey';
export { findDuplicates, type Duplicate } from './duplicates';
export * from './file-facts';
export * from './track-detail';
export { mixedTracks, splitChannels } from './split-channels';
export { joinPerformances } from './join';
export { findKeyswitches } from './keyswitches';
