/* One file of a batch, in a thread of its own. Started by run.ts. */
import 'reflect-metadata';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { answersFor, EMPTY_LEDGER, enter, unpackArchive, type HouseEntry, type Recipe } from '../../core/documents';
import {
  checkDelivered,
  deliver,
  DispatchDesk,
  packParcel,
  previewOf,
  withContents,
  type Delivered,
  type JobToSend,
} from '../../core/dispatch';
import { sha256, toEnd } from '../../core/base';
import { isScoreFile, ScoreDesk, type Made } from '../../core/engine';
import { NO_SETTINGS } from '../../core/settings';
import { nodeMakers } from './makers';
import { stemOf } from './names';
import { failed, filesMade, keepOutcome, keptOutcome, writeWhole, type Outcome } from './record';
import { say, speak, type Language } from '../../core/words';

export interface BatchTask {
  name: string;
  folder: string;
  output: string;
  recipe: Recipe;
  houseList: readonly HouseEntry[];
  parcel: boolean;
  date: string;
  /** Of the program: another one may make something else. */
  program: string;
  language: Language;
}

const makers = nodeMakers();

const REFUSALS = ['SmfError', 'MusicXmlError', 'JobError', 'DrawingError'];

export default async function work(task: BatchTask): Promise<Outcome> {
  const began = performance.now();
  const { name, folder, output } = task;
  await speak(task.language);
  try {
    const bytes = new Uint8Array(readFileSync(join(folder, name)));
    const key = keyOf(bytes, task);
    const kept = keptOutcome(output, name, key);
    if (kept) return kept;
    const outcome = await made(task, bytes);
    const done = { ...outcome, seconds: Math.round(performance.now() - began) / 1000 };
    keepOutcome(output, key, done);
    return done;
  } catch (error) {
    return failed(name, sentenceOf(error), (performance.now() - began) / 1000);
  }
}

function sentenceOf(error: unknown): string {
  if (!(error instanceof Error)) return String(error);
  const { code } = error as NodeJS.ErrnoException;
  if (code === 'ENOENT') return say('cli.noFile');
  if (code === 'ENOSPC') return say('cli.diskFull');
  return REFUSALS.includes(error.name) || error.name === 'Error' ? error.message : `${error.name}: ${error.message}`;
}

/** What the result depends on. The date is none of it: it changes every day, the music does not. */
function keyOf(bytes: Uint8Array, { recipe, houseList, parcel, program, language }: BatchTask): string {
  const hash = createHash('sha256').update(bytes);
  return hash.update(JSON.stringify([recipe, houseList, parcel, program, language])).digest('hex');
}

async function made(task: BatchTask, bytes: Uint8Array): Promise<Outcome> {
  const { name, recipe, date, parcel } = task;
  const desk = new DispatchDesk(await jobOf(task, bytes));
  const files: Delivered[] = [];
  for await (const step of deliver(desk, recipe, { version: 1, date }, makers)) files.push(...step.files);
  const { summary } = toEnd(desk.made());
  const findings = files
    .flatMap((file) => checkDelivered(file) ?? [])
    .flatMap(({ path, findings: all }) => all.filter(({ ok }) => !ok).map(({ words }) => `${path}: ${words}`));
  const open = desk.open(summary.queries);
  if (parcel) {
    const { words } = toEnd(previewOf(desk, recipe));
    const all = await withContents({
      title: desk.job.name,
      recipe: recipe.name,
      date,
      words,
      open: open.map(({ message }) => message),
      files,
    });
    files.splice(0, files.length, ...all);
  }
  return {
    name,
    state: 'done',
    parts: summary.parts.length,
    bars: summary.bars.length,
    notes: notesOf(summary),
    open: open.length,
    agreement: 'audit' in summary ? summary.audit : '',
    findings,
    files: written(task, files),
    seconds: 0,
  };
}

function notesOf(summary: Made): number {
  if (summary.kind !== 'to-score') return summary.parts.reduce((sum: number, { notes }) => sum + notes, 0);
  const sources = summary.parts.flatMap((part) => part.sources);
  return sources.reduce((sum, { notes }) => sum + notes, 0);
}

/** The archive of a job brings its decisions along; MIDI becomes a score, a score MIDI. */
async function jobOf({ name, folder, houseList }: BatchTask, bytes: Uint8Array): Promise<JobToSend> {
  const fileName = basename(name);
  const own = basename(stemOf(folder, name));
  if (/\.dragoman\.zip$/i.test(fileName)) {
    const { originals, ledger, direction } = await unpackArchive(bytes, fileName, sha256);
    const score = isScoreFile(originals[0]!.bytes);
    return { name: own, direction: direction ?? (score ? 'to-sequencer' : 'to-score'), originals, ledger };
  }
  const originals = [{ fileName, bytes }];
  if (isScoreFile(bytes)) return { name: own, direction: 'to-sequencer', originals, ledger: EMPTY_LEDGER };
  const answers =
    houseList.length > 0
      ? answersFor(
          houseList,
          ScoreDesk.open([bytes], NO_SETTINGS).opened.survey.tracks.filter(({ notes }) => notes > 0),
        )
      : null;
  return { name: own, direction: 'to-score', originals, ledger: answers ? enter(EMPTY_LEDGER, answers) : EMPTY_LEDGER };
}

/**
 * One file stands where the original stood; several have a folder of their own.
 *
 * @throws Error when a file is in the way that this batch has not made
 */
function written({ name, folder, output, parcel, date }: BatchTask, files: readonly Delivered[]): Outcome['files'] {
  const base = stemOf(folder, name);
  const placed = pathsOf(files, base, parcel).map((path, i) => ({
    path,
    bytes: parcel ? packParcel(files, date) : files[i]!.bytes,
  }));
  const own = filesMade(output, name);
  const foreign = placed.find(({ path }) => !own.has(path) && existsSync(join(output, path)));
  if (foreign) throw new Error(say('cli.notOurs', { file: foreign.path }));
  for (const { path, bytes } of placed) writeWhole(join(output, path), bytes);
  return placed.map(({ path, bytes }) => ({ path, size: bytes.length }));
}

function pathsOf(files: readonly Delivered[], base: string, parcel: boolean): string[] {
  if (parcel) return [`${base}.zip`];
  if (files.length > 1) return files.map(({ path }) => `${base}/${path}`);
  const folder = dirname(base) === '.' ? '' : `${dirname(base)}/`;
  return files.map(({ path }) => `${folder}${basename(path)}`);
}
