import { say } from '../words';
/** Every sentence the job layer can say, in one place. */

export class JobError extends Error {
  override readonly name = 'JobError';
}

export const jobErrors = {
  notJobFile: (fileName: string, why: string) =>
    new JobError(say('documents.fileNameIsNotAJobFileWhySaveTheJob', { fileName, why })),
  wrongVersion: (version: unknown) =>
    new JobError(say('documents.thisJobWasSavedInVersionVersion', { version: String(version) })),
  invalid: (what: string) => new JobError(say('documents.theJobFileCannotBeUsedWhatNothing', { what })),
  unknownDecision: (kind: unknown, at: number) =>
    new JobError(say('documents.theJobFileCannotBeUsedItsLedgers', { at: at + 1, kind: String(kind) })),
  unknownTrack: (track: string) => new JobError(say('documents.theJobFileSpeaksOfTrackTrackWhich', { track })),
  notArchive: (fileName: string) => new JobError(say('documents.fileNameIsNotAJobArchiveOrItIs', { fileName })),
  notHouseList: (fileName: string, why: string) =>
    new JobError(say('documents.fileNameIsNotAHouseListWhyExport', { fileName, why })),
  notDrumMap: (fileName: string, why: string) =>
    new JobError(say('documents.fileNameIsNotADrumMapWhyExportThe', { fileName, why })),
  notChart: (fileName: string, why: string) =>
    new JobError(say('documents.fileNameIsNotATechniqueChartWhy', { fileName, why })),
  notRecipe: (fileName: string, why: string) =>
    new JobError(say('documents.fileNameIsNotARecipeWhyExportThe', { fileName, why })),
  tooLarge: (fileName: string, most: number) =>
    new JobError(say('documents.fileNameWouldUnpackToMoreThanMost', { fileName, most: Math.round(most / 2 ** 20) })),
  noOriginal: (sha: string) =>
    new JobError(say('documents.theArchiveLacksAnOriginalItsJob', { sha: sha.slice(0, 12) })),
  changedOriginal: (fileName: string) =>
    new JobError(say('documents.theArchivesFileNameIsNotTheFileThe', { fileName })),
};
