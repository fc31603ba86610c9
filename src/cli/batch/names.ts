/* Which files a batch works on: those of a folder, or those on a list; of them, one share. */
import { createHash } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { basename, dirname, isAbsolute, join, relative, resolve, sep } from 'node:path';
import { BadInput } from '../errors';
import { say } from '../../core/words';

/** Files that can be worked on. */
export const ENDINGS = /\.(?:mid|midi|smf|kar|rmi|musicxml|mxl|xml|dragoman\.zip)$/i;

/** Names of all files under a folder that can be worked on, with slashes, in order; hidden ones and the output are passed over. */
export function namesIn(folder: string, output: string): string[] {
  const out = resolve(output);
  const names: string[] = [];
  const walk = (at: string) => {
    for (const entry of entriesOf(at)) {
      const path = join(at, entry.name);
      if (entry.name.startsWith('.') || resolve(path) === out) continue;
      if (entry.isDirectory()) walk(path);
      else if (ENDINGS.test(entry.name)) names.push(relative(folder, path).split(sep).join('/'));
    }
  };
  walk(folder);
  return names.sort();
}

function entriesOf(folder: string) {
  try {
    return readdirSync(folder, { withFileTypes: true });
  } catch (error) {
    const missing = error instanceof Error && 'code' in error && error.code === 'ENOENT';
    throw new BadInput(`${folder}: ${missing ? 'there is no such folder' : 'it cannot be read as a folder'}.`);
  }
}

/**
 * What a file's output is called by: its name without its ending, or with it where another file of the folder has the same name.
 *
 * @param folder the name is looked for in
 */
export function stemOf(folder: string, name: string): string {
  const stem = plainStem(name);
  const at = dirname(name);
  const alike = readdirSync(join(folder, at)).filter(
    (other) => ENDINGS.test(other) && plainStem(other).toLowerCase() === basename(stem).toLowerCase(),
  );
  return alike.length > 1 ? `${stem} (${name.slice(stem.length + 1)})` : stem;
}

const plainStem = (name: string) => name.replace(/\.(?:dragoman\.zip|\w+)$/i, '');

/** Names on a list, one a line; each is looked for in the folder. @throws BadInput for one that leads out of it */
export function namesOnList(text: string): string[] {
  const names = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  const strange = names.find((name) => isAbsolute(name) || name.split(/[\\/]/).includes('..'));
  if (strange !== undefined) throw new BadInput(say('cli.outsideFolder', { name: strange }));
  return [...new Set(names)];
}

/**
 * Whether a name belongs to a share. The name alone decides: every process comes to the same answer, whatever it knows of the
 * others and in whatever order it meets the names.
 *
 * @param index from 1
 */
export function isInShard(name: string, { index, of }: { index: number; of: number }): boolean {
  return createHash('sha256').update(name).digest().readUInt32BE(0) % of === index - 1;
}
