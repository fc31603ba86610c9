export * from './errors';
export { readChart, writeChart } from './charts';
export { readDrumMap, writeDrumMap, type NamedDrumMap } from './drum-maps';
export * from './house-list';
export * from './ledger';
export { checkTracks } from './check-tracks';
export { LONGEST_JOB_NAME, parseJob, type Direction } from './job-file';
export { packArchive, unpackArchive, type ArchivedJob } from './archive';
export { fileNameOf } from './file-name';
