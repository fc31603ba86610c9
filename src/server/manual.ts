/* The manual and its pictures as they stand in docs: read when somebody asks for them. */
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Language } from '@/core/words';
import { MANUAL_PAGES } from '@/ui/manual/pages';

const docs = (...path: string[]) => join(process.cwd(), 'docs', ...path);

/** All pages in reading order. @throws Error when one is not there */
export function manualIn(language: Language): Promise<{ page: string; text: string }[]> {
  return Promise.all(
    MANUAL_PAGES.map(async (page) => ({ page, text: await readFile(docs('manual', language, `${page}.md`), 'utf8') })),
  );
}

/** @returns null where there is no picture of that name */
export function pictureNamed(name: string): Promise<Buffer<ArrayBuffer> | null> {
  if (!/^[a-z-]{1,40}\.png$/.test(name)) return Promise.resolve(null);
  return readFile(docs('screenshots', name)).catch(() => null);
}
