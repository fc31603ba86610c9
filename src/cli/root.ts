import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The program's own folder: what runs lies somewhere below it, as TypeScript or compiled. */
export const ROOT = rootAbove(dirname(fileURLToPath(import.meta.url)));

function rootAbove(folder: string): string {
  return existsSync(join(folder, 'package.json')) ? folder : rootAbove(dirname(folder));
}

/** @param name of a file that `scripts/compile.mjs` makes */
export function compiled(name: string): string {
  return join(ROOT, 'dist', name);
}
