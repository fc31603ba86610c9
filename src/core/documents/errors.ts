/** Every sentence the job layer can say, in one place. */

export class JobError extends Error {
  override readonly name = 'JobError';
}

export const jobErrors = {
  notJobFile: (fileName: string, why: string) =>
    new JobError(`“${fileName}” is not a job file: ${why}. Save the job again and take that file.`),
  wrongVersion: (version: unknown) =>
    new JobError(`This job was saved in version ${String(version)}; version 1 can be read. Nothing was stored.`),
  invalid: (what: string) => new JobError(`The job file cannot be used: ${what}. Nothing was stored.`),
  unknownDecision: (kind: unknown, at: number) =>
    new JobError(
      `The job file cannot be used: its ledger’s line ${at + 1} is a decision nobody knows (“${String(kind)}”). Nothing was stored.`,
    ),
  unknownTrack: (track: string) =>
    new JobError(
      `The job file speaks of track ${track}, which its original does not have. It belongs to another file; nothing was stored.`,
    ),
  notArchive: (fileName: string) =>
    new JobError(
      `“${fileName}” is not a job archive, or it is damaged. Save it again with “Save archive” and take that file; nothing was stored.`,
    ),
  notHouseList: (fileName: string, why: string) =>
    new JobError(
      `“${fileName}” is not a house list: ${why}. Export the list again and take that file; yours was not changed.`,
    ),
  notDrumMap: (fileName: string, why: string) =>
    new JobError(
      `“${fileName}” is not a drum map: ${why}. Export the map again and take that file; nothing was changed.`,
    ),
  notChart: (fileName: string, why: string) =>
    new JobError(
      `“${fileName}” is not a technique chart: ${why}. Export the chart again and take that file; nothing was changed.`,
    ),
  notRecipe: (fileName: string, why: string) =>
    new JobError(
      `“${fileName}” is not a recipe: ${why}. Export the recipe again and take that file; nothing was changed.`,
    ),
  tooLarge: (fileName: string, most: number) =>
    new JobError(
      `“${fileName}” would unpack to more than ${Math.round(most / 2 ** 20)} MiB and was not opened; nothing was stored.`,
    ),
  noOriginal: (sha: string) =>
    new JobError(
      `The archive lacks an original its job needs (SHA-256 ${sha.slice(0, 12)}…). Save the archive again; nothing was stored.`,
    ),
  changedOriginal: (fileName: string) =>
    new JobError(
      `The archive’s “${fileName}” is not the file the job was made from: its SHA-256 differs. Nothing was stored.`,
    ),
};
