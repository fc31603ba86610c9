/*
 * What both commands need on a fresh machine: packages, and for tests a Chromium and midicsv where apt can bring them.
 */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
export const environment = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };

/** Runs a command in the project's folder and shows what it prints. @returns its exit code */
export function run(command, args, options = {}) {
  return spawnSync(command, args, { cwd: root, stdio: 'inherit', env: environment, ...options }).status ?? 1;
}

/** Runs a node script beside others. @returns its exit code and what it printed */
export function runBeside(args) {
  return new Promise((resolve) => {
    const child = spawn('node', args, { cwd: root, env: environment });
    let printed = '';
    child.stdout.on('data', (data) => (printed += data));
    child.stderr.on('data', (data) => (printed += data));
    child.on('close', (code) => resolve({ code: code ?? 1, printed }));
  });
}

/** Installs the packages when there are none, or when the lock file has changed since. */
export function installPackages() {
  const stamp = join(root, 'node_modules', '.dragoman-lock');
  const lock = readFileSync(join(root, 'package-lock.json'), 'utf8');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  if (existsSync(join(root, 'node_modules', 'next')) && !existsSync(stamp)) {
    // Installed by hand: believed as it is.
    writeFileSync(stamp, lock);
    return;
  }
  console.log('Installing packages …');
  if (run('npm', ['ci', '--no-audit', '--no-fund']) !== 0) {
    console.error('The packages could not be installed: is the package registry within reach?');
    process.exit(1);
  }
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, lock);
}

const CHROMIUMS = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];

/** @returns path of a Chromium, or null after saying so */
export function findChromium() {
  const own = process.env.CHROMIUM;
  const found = () => [own, ...CHROMIUMS].find((path) => path && existsSync(path)) ?? null;
  if (!found()) installWithApt('chromium');
  const path = found();
  if (!path)
    console.error(
      'No Chromium was found and apt could not bring one: install it, or set CHROMIUM to its path. End-to-end tests cannot run.',
    );
  return path;
}

/** @returns whether the command is there afterwards */
export function installWithApt(name) {
  const there = () => spawnSync('which', [name]).status === 0;
  if (there()) return true;
  if (spawnSync('which', ['apt-get']).status !== 0 || process.getuid?.() !== 0) return false;
  console.log(`Installing ${name} …`);
  const quiet = { stdio: 'ignore', env: { ...environment, DEBIAN_FRONTEND: 'noninteractive' } };
  run('apt-get', ['update'], quiet);
  run('apt-get', ['install', '-y', '--no-install-recommends', name], quiet);
  return there();
}
