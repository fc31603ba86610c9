export { compareVersions, type ChangedBar, type Correspondence, type VersionChanges } from './compare';
export { carryOver, idNow, type CarriedLedger, type Whereabouts } from './carry-over';
export { placeNow } from './stretches';
