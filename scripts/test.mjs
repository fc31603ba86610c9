/*
 * npm test: lint, types, format, imports, unused code, licences, build, end-to-end tests, unit tests; the last lines name
 * what failed and count them all. `npm run check` is the part without tests and build. `npm run test:long` tries in full
 * what `npm test` tries a sample of: src/testing/tiers.ts.
 */
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildIfNeeded } from './build.mjs';
import { environment, findChromium, installPackages, installWithApt, run, runBeside } from './prepare.mjs';

const onlyChecks = process.argv.includes('--checks');
if (process.argv.includes('--long')) environment.DRAGOMAN_TESTS = 'long';
let passed = 0;
let failed = 0;
const failures = [];
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

/* Each of these passes or fails as a whole. */
const CHECKS = [
  ['lint', ['node_modules/oxlint/bin/oxlint', '--type-aware', '.']],
  ['type check', ['node_modules/typescript-native/bin/tsc', '--noEmit', '--incremental', 'false']],
  ['format', ['node_modules/oxfmt/bin/oxfmt', '--check', '.']],
  [
    'imports go one way',
    ['node_modules/dependency-cruiser/bin/dependency-cruise.mjs', 'src', '--config', '.dependency-cruiser.mjs'],
  ],
  ['nothing unused', ['node_modules/knip/bin/knip.js']],
  ['licences of what is shipped', ['scripts/notices.mjs', '--check']],
];

async function checks() {
  for (const [name, args] of CHECKS) {
    const { code, printed } = await runBeside(args);
    step(name, () => code === 0);
    if (code !== 0 && printed.trim()) console.log(printed.trim());
  }
}

run('node', ['node_modules/next/dist/bin/next', 'typegen'], { stdio: 'ignore' });
// The build leaves a core free now and then: the checks run beside it.
const [built] = await Promise.all([onlyChecks ? false : buildIfNeeded(), checks()]);

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
  passed += stats?.expected ?? 0;
  fail(stats?.unexpected ?? 0, ...ended('unexpected'));
  if (code !== 0 && !(stats?.unexpected > 0)) fail(1, 'end-to-end tests');
}

if (!onlyChecks) {
  if (step('production build', () => built)) endToEndTests();
  unitTests();
  slowest();
}

function list(heading, names) {
  if (names.length > 0) console.log(`\n== ${heading}\n${names.map((name) => `  ${name}`).join('\n')}`);
}
list('failed', failures);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
