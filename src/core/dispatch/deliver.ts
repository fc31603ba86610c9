/* Hands a job over by a recipe: file after file, with what is being done. */
import { say } from '../words';
import { toEnd } from '../base';
import type { CameFrom } from '../engine';
import { fileNameOf, type Recipe } from '../documents';
import type { DispatchDesk } from './dispatch-desk';
import type { Makers } from './makers';
import { nameBy, Paths } from './names';
import { tasksOf } from './deliveries';
import type { Made } from './task';

/** A file as it leaves the house. */
export interface Delivered {
  /** Folder, name and extension. */
  path: string;
  bytes: Uint8Array;
  /** Bars a receiver should count; null where the file is no whole. */
  bars: number | null;
  /** The score it was before, where it was one and is meant to have all of it. */
  from?: CameFrom;
  /** What it is. */
  words: string;
}

export interface Dispatched {
  /** Which dispatch of the job this is, from 1. */
  version: number;
  /** ISO date. */
  date: string;
}

export interface Step {
  words: string;
  /** 0–1 over the whole work. */
  share: number;
  files: Delivered[];
}

/** How much of the work converting is, where there is something to make of it. */
const CONVERTING = 0.2;

/**
 * Makes everything a recipe asks for.
 *
 * @throws SmfError or MusicXmlError when an original cannot be used so, Error with one sentence otherwise
 */
export async function* deliver(
  desk: DispatchDesk,
  recipe: Recipe,
  { version, date }: Dispatched,
  makers: Makers,
  onShare: (words: string, share: number) => void = () => {},
): AsyncGenerator<Step> {
  const planning = tasksOf(desk, recipe, date);
  let step = planning.next();
  for (; !step.done; step = planning.next())
    yield { words: say('dispatchCore.converting'), share: CONVERTING * step.value.done, files: [] };
  const tasks = step.value;
  const paths = new Paths();
  const title = titleOf(desk);
  const placed = ({ folder, label, number, extension, bytes, bars, from, words }: Made): Delivered => {
    const name = nameBy(recipe.pattern, {
      cue: desk.job.name,
      title: title || desk.job.name,
      part: label,
      number: number > 0 ? String(number).padStart(2, '0') : '',
      version: String(version),
      date,
    });
    return { path: paths.take(`${folder}/${name}`, `.${extension}`), bytes, bars, ...(from && { from }), words };
  };
  for (const [i, { words, make }] of tasks.entries()) {
    const shareAt = (within: number) => CONVERTING + ((1 - CONVERTING) * (i + within)) / tasks.length;
    yield { words, share: shareAt(0), files: [] };
    const made = await make(makers, (within) => onShare(words, shareAt(within)));
    yield { words, share: shareAt(1), files: made.map(placed) };
  }
  if (recipe.originals) yield { words: say('dispatchCore.originals'), share: 1, files: originalsOf(desk, paths) };
}

function titleOf(desk: DispatchDesk): string {
  const { summary } = toEnd(desk.made());
  return 'title' in summary ? summary.title : '';
}

/** Byte for byte, under their own names. */
function originalsOf({ job }: DispatchDesk, paths: Paths): Delivered[] {
  return job.originals.map(({ fileName, bytes }) => {
    const dot = fileName.lastIndexOf('.');
    const [name, extension] = dot > 0 ? [fileName.slice(0, dot), fileName.slice(dot + 1)] : [fileName, 'mid'];
    return {
      path: paths.take(`Originals/${fileNameOf(name)}`, `.${fileNameOf(extension)}`),
      bytes,
      bars: null,
      words: say('dispatchCore.theOriginalUnchanged'),
    };
  });
}
