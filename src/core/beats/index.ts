export { onsetsOf, type Onset } from './onsets';
export { findBars, type FoundBars } from './find-bars';
export { barsOfEighths } from './bars-of-eighths';
export { findBeats } from './find-beats';
export { withTimeOf, type TwoVersions } from './two-versions';
export { followBeats, type Following } from './follow-beats';
export type { BeatOptions, FoundBeats, Uneven } from './track-beats';
