/* The production build, made only when something it is made from has changed. */
import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { compileIfNeeded } from './compile.mjs';
import { newest } from './newest.mjs';
import { root, runBeside } from './prepare.mjs';

const SOURCES = ['src', 'public', 'package-lock.json', 'next.config.ts', 'tsconfig.json'];

/** Builds the application and compiles what runs beside it. @returns whether both are there */
export async function buildIfNeeded() {
  try {
    await compileIfNeeded();
  } catch {
    // The compiler has said why.
    return false;
  }
  const stamp = join(root, '.next', 'BUILD_ID');
  const changed = Math.max(...SOURCES.map((name) => newest(join(root, name))));
  if (existsSync(stamp) && statSync(stamp).mtimeMs > changed) return true;
  console.log('Building …');
  const { code, printed } = await runBeside(['node_modules/next/dist/bin/next', 'build']);
  if (code !== 0) console.error(printed);
  return code === 0;
}
