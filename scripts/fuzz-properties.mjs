/*
 * npm run fuzz:properties [-- MINUTES]: the property tests from fresh seeds until the time is over (10 minutes when nothing is
 * said). A seed that finds a fault is printed; `FUZZ_SEED=n npm run unit` runs it again. Such a case becomes a named
 * test.
 */
import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { environment, root } from './prepare.mjs';

const minutes = Number(process.argv[2] ?? 10);
if (!(minutes > 0)) {
  console.error('usage: npm run fuzz:properties [-- MINUTES]');
  process.exit(2);
}

const files = readdirSync(join(root, 'src'), { recursive: true, encoding: 'utf8' })
  .filter((name) => name.endsWith('.test.ts') && readFileSync(join(root, 'src', name), 'utf8').includes('fc.assert'))
  .map((name) => join('src', name));

const end = Date.now() + minutes * 60_000;
let rounds = 0;
const failed = [];
while (Date.now() < end) {
  const seed = (Date.now() % 2_000_000_000) + rounds;
  const { status, stdout } = spawnSync('node', ['node_modules/vitest/vitest.mjs', 'run', '--reporter=dot', ...files], {
    cwd: root,
    env: { ...environment, FUZZ_SEED: String(seed) },
    encoding: 'utf8',
    timeout: Math.max(1000, end + 60_000 - Date.now()),
  });
  rounds++;
  if (status === 0) continue;
  failed.push(seed);
  console.log(`seed ${seed} finds a fault:\n${stdout}`);
}
console.log(`${rounds} seeds, ${failed.length} with a fault${failed.length > 0 ? `: ${failed.join(', ')}` : ''}`);
process.exit(failed.length > 0 ? 1 : 0);
