import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** @returns when a file, or the newest file of a folder, was last changed, in milliseconds since 1970 */
export function newest(path) {
  const facts = statSync(path);
  if (!facts.isDirectory()) return facts.mtimeMs;
  return readdirSync(path).reduce((latest, name) => Math.max(latest, newest(join(path, name))), facts.mtimeMs);
}
