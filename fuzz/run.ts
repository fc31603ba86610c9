/*
 * npm run fuzz [-- MINUTES] [--kind smf|musicxml|archive|http] [--seed N]: damaged files and requests until the time is
 * over (10 minutes when nothing is said), a watchdog and a limit of memory over each. Every case has a number of its
 * own: `--seed N --cases 1` runs it again, and `--keep FILE` writes it down, for fuzz/cases/.
 */
import { fork, type ChildProcess } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { seeded } from '../bench/random';
import { TARGETS, type Kind } from './targets';

/** A case that takes longer hangs. */
const LONGEST_MS = 30_000;
const MEGABYTES = 1536;
const KINDS = Object.keys(TARGETS) as Kind[];

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    kind: { type: 'string' },
    seed: { type: 'string' },
    cases: { type: 'string' },
    keep: { type: 'string' },
  },
});
const minutes = Number(positionals[0] ?? 10);
const kinds = values.kind ? KINDS.filter((kind) => kind === values.kind) : KINDS;
const first = Number(values.seed ?? Date.now() % 1_000_000_000);
const most = Number(values.cases ?? Infinity);
if (!(minutes > 0) || kinds.length === 0 || !(first >= 0) || !(most > 0)) {
  console.error(`usage: npm run fuzz [-- MINUTES] [--kind ${KINDS.join('|')}] [--seed N] [--cases N] [--keep FILE]`);
  process.exit(2);
}
if (values.keep) writeFileSync(values.keep, TARGETS[kinds[0]!].make(seeded(first)));

interface Tally {
  result: number;
  refused: number;
  faults: Map<string, number[]>;
}

function start(): ChildProcess {
  return fork(fileURLToPath(new URL('child.ts', import.meta.url)), {
    execArgv: ['--import', 'tsx', `--max-old-space-size=${MEGABYTES}`],
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
  });
}

/** What a case came to; the child is ended when it does not answer. */
function tried(child: ChildProcess, kind: Kind, seed: number): Promise<{ outcome: string; fault?: string }> {
  return new Promise((resolve) => {
    const end = (said: { outcome: string; fault?: string }) => {
      clearTimeout(watchdog);
      child.removeAllListeners();
      resolve(said);
    };
    const watchdog = setTimeout(() => {
      child.kill('SIGKILL');
      end({ outcome: 'fault', fault: `hangs: no answer after ${LONGEST_MS / 1000} s` });
    }, LONGEST_MS);
    child.once('message', end);
    child.once('exit', (code, signal) => end({ outcome: 'fault', fault: `ends the process (${code ?? signal})` }));
    child.send({ kind, seed });
  });
}

async function fuzz(kind: Kind, until: number): Promise<Tally> {
  const tally: Tally = { result: 0, refused: 0, faults: new Map() };
  let child = start();
  for (let n = 0; n < most && Date.now() < until; n++) {
    const said = await tried(child, kind, first + n);
    if (said.outcome === 'result' || said.outcome === 'refused') {
      tally[said.outcome]++;
      continue;
    }
    const what = said.fault ?? 'fault';
    const place = what.split('\n').slice(0, 3).join('\n');
    if (!tally.faults.has(place))
      console.log(`${kind}, seed ${first + n}: ${what.split('\n').slice(0, 8).join('\n')}\n`);
    tally.faults.set(place, [...(tally.faults.get(place) ?? []), first + n]);
    if (child.exitCode !== null || child.killed || child.signalCode !== null || !child.connected) child = start();
  }
  child.kill();
  return tally;
}

const begun = Date.now();
console.log(`first seed ${first}`);
let faults = 0;
for (const [i, kind] of kinds.entries()) {
  const tally = await fuzz(kind, begun + (minutes * 60_000 * (i + 1)) / kinds.length);
  const found = [...tally.faults.values()].reduce((sum, seeds) => sum + seeds.length, 0);
  faults += found;
  const distinct =
    tally.faults.size > 0
      ? ` of ${tally.faults.size} kinds (first seeds ${[...tally.faults.values()].map(([seed]) => seed).join(', ')})`
      : '';
  console.log(`${kind}: ${tally.result} results, ${tally.refused} refused, ${found} faults${distinct}`);
}
process.exit(faults > 0 ? 1 : 0);
