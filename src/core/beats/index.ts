export { onsetsOf, type Onset } from './onsets';
export { findBars, type FoundBars } from './find-bars';
export { findBeats, type BeatOptions, type FoundBeats } from './find-beats';
export { withTimeOf, type TwoVersions } from './two-versions';
export { followBeats, type Following } from './follow-beats';
