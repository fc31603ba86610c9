export * from './ids';
export { append, firstNotBefore, groupBy, highest, lowest, onceEach, runsOf } from './lists';
export { commonDivisor, median, upperMedian } from './statistics';
export { leastCostPath, type PathCosts } from './path';
export { beamSearch, type Beam } from './beam';
export { Memo, sameNumbers, stage, type Stage } from './stage';
export { toEnd } from './steps';
export { few } from './words';
export { sha256 } from './sha256';
