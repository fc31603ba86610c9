/*
 * npm test: lint, types, format, imports, unused code, licences, unit tests, build, end-to-end tests; the last line counts
 * them all.
 */
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildIfNeeded } from './build.mjs';
import { environment, findChromium, installPackages, installWithApt, run, runBeside } from './prepare.mjs';

let passed = 0;
let failed = 0;
let endToEnd = null;

installPackages();
installWithApt('midicsv');
const chromium = findChromium();
const reports = mkdtempSync(join(tmpdir(), 'dragoman-test-'));

/** One check that passes or fails as a whole. */
function step(name, works) {
  console.log(`\n== ${name}`);
  const good = works();
  if (good) passed++;
  else failed++;
  return good;
}

/** The ten tests that took longest, of both kinds. */
function slowest() {
  const units =
    unit?.testResults.flatMap((file) =>
      file.assertionResults.map((test) => ({ name: test.fullName, seconds: (test.duration ?? 0) / 1000 })),
    ) ?? [];
  const walk = (suite) => [
    ...(suite.suites ?? []).flatMap(walk),
    ...(suite.specs ?? []).map((spec) => ({
      name: spec.title,
      seconds: spec.tests.flatMap((test) => test.results).reduce((sum, result) => sum + result.duration, 0) / 1000,
    })),
  ];
  const ends = endToEnd?.suites.flatMap(walk) ?? [];
  console.log('\n== slowest tests');
  for (const { name, seconds } of [...units, ...ends].sort((a, b) => b.seconds - a.seconds).slice(0, 10))
    console.log(`${seconds.toFixed(1).padStart(7)} s  ${name}`);
}

/* Each of these passes or fails as a whole. The first takes longest; the others run beside it, one after the other. */
const LINT = ['lint', ['node_modules/eslint/bin/eslint.js', '.']];
const QUICK = [
  ['type check', ['node_modules/typescript/bin/tsc', '--noEmit']],
  ['format', ['node_modules/prettier/bin/prettier.cjs', '--check', '--log-level=warn', '.']],
  [
    'imports go one way',
    ['node_modules/dependency-cruiser/bin/dependency-cruise.mjs', 'src', '--config', '.dependency-cruiser.mjs'],
  ],
  ['nothing unused', ['node_modules/knip/bin/knip.js']],
  ['licences of what is shipped', ['scripts/notices.mjs', '--check']],
];

async function check([name, args]) {
  const { code, printed } = await runBeside(args);
  step(name, () => code === 0);
  if (printed.trim()) console.log(printed.trim());
}

run('node', ['node_modules/next/dist/bin/next', 'typegen'], { stdio: 'ignore' });
const quick = (async () => {
  for (const one of QUICK) await check(one);
})();
await Promise.all([check(LINT), quick]);

console.log('\n== unit tests');
const unitReport = join(reports, 'unit.json');
const unitCode = run('node', [
  'node_modules/vitest/vitest.mjs',
  'run',
  '--reporter=default',
  '--reporter=json',
  `--outputFile.json=${unitReport}`,
]);
const unit = existsSync(unitReport) ? JSON.parse(readFileSync(unitReport, 'utf8')) : null;
passed += unit?.numPassedTests ?? 0;
failed += unit?.numFailedTests ?? 0;
// A file that does not even load has no tests to count, yet it failed.
if (unitCode !== 0 && !(unit?.numFailedTests > 0)) failed++;

if (step('production build', buildIfNeeded)) {
  if (!chromium) failed++;
  else {
    console.log('\n== end-to-end tests');
    const e2eReport = join(reports, 'e2e.json');
    const code = run('node', ['node_modules/@playwright/test/cli.js', 'test', '--reporter=list,json'], {
      env: { ...environment, CHROMIUM: chromium, PLAYWRIGHT_JSON_OUTPUT_FILE: e2eReport },
    });
    endToEnd = existsSync(e2eReport) ? JSON.parse(readFileSync(e2eReport, 'utf8')) : null;
    const stats = endToEnd?.stats;
    passed += stats?.expected ?? 0;
    failed += (stats?.unexpected ?? 0) + (stats?.flaky ?? 0);
    if (code !== 0 && !(stats?.unexpected > 0)) failed++;
  }
}

slowest();
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
