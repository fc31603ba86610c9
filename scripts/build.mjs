/* The production build, made only when something it is made from has changed. */
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { root, run } from './prepare.mjs';

const SOURCES = ['src', 'public', 'package-lock.json', 'next.config.ts', 'tsconfig.json'];

function newest(path) {
  const facts = statSync(path);
  if (!facts.isDirectory()) return facts.mtimeMs;
  return readdirSync(path).reduce((latest, name) => Math.max(latest, newest(join(path, name))), facts.mtimeMs);
}

/** @returns whether a build is there */
export function buildIfNeeded() {
  const stamp = join(root, '.next', 'BUILD_ID');
  const changed = Math.max(...SOURCES.map((name) => newest(join(root, name))));
  if (existsSync(stamp) && statSync(stamp).mtimeMs > changed) return true;
  console.log('Building …');
  return run('node', ['node_modules/next/dist/bin/next', 'build']) === 0;
}
