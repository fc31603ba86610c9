'use client';

import type { Delivered } from '@/core/dispatch';
import { SCORE_FORMATS } from '@/core/engine';
import { download } from '../shared/download';
import type { OpenFolder } from '../shared/folders';

/* How files leave the page: into a folder of the user's where the browser has such, as downloads otherwise. */

const TYPES: Record<string, string> = {
  musicxml: SCORE_FORMATS.musicxml.mediaType,
  mxl: SCORE_FORMATS.mxl.mediaType,
  mid: 'audio/midi',
  csv: 'text/csv',
  txt: 'text/plain',
  pdf: 'application/pdf',
  wav: 'audio/wav',
  zip: 'application/zip',
};

/** A single file, by the name at the end of its path. @returns that name */
export function downloadFile({ path, bytes }: Pick<Delivered, 'path' | 'bytes'>): string {
  const name = path.slice(path.lastIndexOf('/') + 1);
  download(bytes, name, TYPES[name.slice(name.lastIndexOf('.') + 1)] ?? 'application/octet-stream');
  return name;
}

/**
 * Writes files under a folder, each into the folder its path names. Nothing is overwritten: where a name is taken, a number is put behind it.
 *
 * @returns how many had to be numbered @throws whatever the folder refuses with
 */
export async function writeInto(
  folder: OpenFolder,
  files: readonly Pick<Delivered, 'path' | 'bytes'>[],
): Promise<number> {
  let numbered = 0;
  for (const { path, bytes } of files) {
    const names = path.split('/');
    const name = names.pop()!;
    let at = folder;
    for (const one of names) at = await at.getDirectoryHandle(one, { create: true });
    const free = await freeFileName(at, name);
    if (free !== name) numbered++;
    const file = await at.getFileHandle(free, { create: true });
    const writable = await file.createWritable();
    await writable.write(new Uint8Array(bytes));
    await writable.close();
  }
  return numbered;
}

async function freeFileName(folder: OpenFolder, name: string): Promise<string> {
  const dot = name.lastIndexOf('.');
  for (let n = 1; ; n++) {
    const tried = n === 1 ? name : `${name.slice(0, dot)} (${n})${name.slice(dot)}`;
    const there = await folder.getFileHandle(tried).then(
      () => true,
      (error: unknown) => {
        if (error instanceof DOMException && error.name === 'NotFoundError') return false;
        throw error;
      },
    );
    if (!there) return tried;
  }
}
