/*
 * npm test: lint, types, format, imports, unused code, licences, unit tests, build, end-to-end tests; the last lines name
 * what failed and count them all. `npm run check` is the part without tests and build.
 */
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildIfNeeded } from './build.mjs';
import { environment, findChromium, installPackages, installWithApt, run, runBeside } from './prepare.mjs';

const onlyChecks = process.argv.includes('--checks');
let passed = 0;
let failed = 0;
const failures = [];
/** End-to-end tests that failed once and passed when they were run again: to be looked into. */
const secondAttempts = [];
let unit = null;
let endToEnd = null;

installPackages();
if (!onlyChecks) installWithApt('midicsv');
const chromium = onlyChecks ? null : findChromium();
const reports = mkdtempSync(join(tmpdir(), 'dragoman-test-'));

/** One check that passes or fails as a whole. */
function step(name, works) {
  console.log(`\n== ${name}`);
  const good = works();
  if (good) passed++;
  else fail(1, name);
  return good;
}

/** Counts what failed, and keeps the name for the end: what scrolled by is read by nobody. */
function fail(count, ...names) {
  failed += count;
  failures.push(...names);
}

/** The specs of an end-to-end report, whatever they are nested in. */
const specsOf = (suite) => [...(suite.suites ?? []).flatMap(specsOf), ...(suite.specs ?? [])];

/** The ten tests that took longest, of both kinds. */
function slowest() {
  const units =
    unit?.testResults.flatMap((file) =>
      file.assertionResults.map((test) => ({ name: test.fullName, seconds: (test.duration ?? 0) / 1000 })),
    ) ?? [];
  const ends = (endToEnd?.suites.flatMap(specsOf) ?? []).map((spec) => ({
    name: spec.title,
    seconds: spec.tests.flatMap((test) => test.results).reduce((sum, result) => sum + result.duration, 0) / 1000,
  }));
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

function unitTests() {
  console.log('\n== unit tests');
  const report = join(reports, 'unit.json');
  const vitest = ['node_modules/vitest/vitest.mjs', 'run', '--reporter=default', '--reporter=json'];
  const code = run('node', [...vitest, `--outputFile.json=${report}`]);
  unit = existsSync(report) ? JSON.parse(readFileSync(report, 'utf8')) : null;
  passed += unit?.numPassedTests ?? 0;
  const tests = unit?.testResults.flatMap((file) => file.assertionResults) ?? [];
  fail(unit?.numFailedTests ?? 0, ...tests.filter((test) => test.status === 'failed').map((test) => test.fullName));
  // A file that does not even load has no tests to count, yet it failed.
  if (code !== 0 && !(unit?.numFailedTests > 0)) fail(1, 'unit tests');
}

function endToEndTests() {
  if (!chromium) return fail(1, 'end-to-end tests: no Chromium');
  console.log('\n== end-to-end tests');
  const report = join(reports, 'e2e.json');
  const code = run('node', ['node_modules/@playwright/test/cli.js', 'test', '--reporter=list,json'], {
    env: { ...environment, CHROMIUM: chromium, PLAYWRIGHT_JSON_OUTPUT_FILE: report },
  });
  endToEnd = existsSync(report) ? JSON.parse(readFileSync(report, 'utf8')) : null;
  const stats = endToEnd?.stats;
  const ended = (status) =>
    (endToEnd?.suites.flatMap(specsOf) ?? [])
      .filter((spec) => spec.tests.some((test) => test.status === status))
      .map((spec) => spec.title);
  passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0);
  fail(stats?.unexpected ?? 0, ...ended('unexpected'));
  secondAttempts.push(...ended('flaky'));
  if (code !== 0 && !(stats?.unexpected > 0)) fail(1, 'end-to-end tests');
}

if (!onlyChecks) {
  unitTests();
  if (step('production build', buildIfNeeded)) endToEndTests();
  slowest();
}

function list(heading, names) {
  if (names.length > 0) console.log(`\n== ${heading}\n${names.map((name) => `  ${name}`).join('\n')}`);
}
list('passed at the second attempt only', secondAttempts);
list('failed', failures);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
