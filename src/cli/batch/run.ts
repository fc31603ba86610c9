/* A batch: many files by one recipe, several at once, each in a thread of its own. */
import { mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Piscina } from 'piscina';
import { say, spokenLanguage } from '../../core/words';
import { compiled, ROOT } from '../root';
import { batchOptions, type BatchOptions } from './options';
import { isInShard, namesIn, namesOnList } from './names';
import { failed, writeWhole, type Outcome } from './record';
import { summaryOf, tableOf } from './summary';
import type { BatchTask } from './work';

/** What one file may take, in megabytes. */
const MEMORY = 3072;
/** Most of what a conversion makes is soon gone: with room for it a thread tidies less often. */
const YOUNG = 192;

/** @returns the exit code: 0 where every file went well, 1 where one did not */
export async function batchCommand(args: readonly string[]): Promise<number> {
  const options = batchOptions(args);
  const { folder, output, shard } = options;
  const all = options.list ? namesOnList(readFileSync(0, 'utf8')) : namesIn(folder, output);
  const names = all.filter((name) => isInShard(name, shard));
  mkdirSync(output, { recursive: true });
  const began = performance.now();
  const outcomes = await workedOff(names, options, new Meter(names.length));
  const summary = summaryOf(outcomes, (performance.now() - began) / 1000);
  const file = shard.of === 1 ? 'summary.json' : `summary ${shard.index} of ${shard.of}.json`;
  writeWhole(join(output, file), `${JSON.stringify(summary, null, 2)}\n`);
  console.log(tableOf(summary, join(output, file)));
  return summary.failed === 0 ? 0 : 1;
}

async function workedOff(names: readonly string[], options: BatchOptions, meter: Meter): Promise<Outcome[]> {
  const pool = new Piscina<BatchTask, Outcome>({
    filename: compiled('batch-work.mjs'),
    minThreads: 0,
    maxThreads: Math.min(options.jobs, Math.max(1, names.length)),
    resourceLimits: { maxOldGenerationSizeMb: MEMORY, maxYoungGenerationSizeMb: YOUNG },
  });
  const { folder, output, recipe, houseList, parcel, date } = options;
  const task = { folder, output, recipe, houseList, parcel, date, program: program(), language: spokenLanguage() };
  const outcomes = new Array<Outcome>(names.length);
  let next = 0;
  const worker = async () => {
    for (let i = next++; i < names.length; i = next++) {
      outcomes[i] = await workedOn(pool, { ...task, name: names[i]! }, options.seconds);
      meter.tells(outcomes[i]!);
    }
  };
  // As many as there are threads: a file's time begins when it is worked on.
  await Promise.all(Array.from({ length: Math.min(names.length, options.jobs) }, worker));
  await pool.destroy();
  return outcomes;
}

/** Whatever happens to a file happens to it alone. */
async function workedOn(pool: Piscina<BatchTask, Outcome>, task: BatchTask, seconds: number): Promise<Outcome> {
  const stop = AbortSignal.timeout(seconds * 1000);
  try {
    return await pool.run(task, { signal: stop });
  } catch (error) {
    if (stop.aborted) return failed(task.name, say('cli.tookLonger', { seconds }), seconds);
    const said = error instanceof Error ? error.message : String(error);
    const memory = error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY';
    const why = memory ? say('cli.moreMemory', { megabytes: MEMORY }) : said;
    return failed(task.name, why, 0);
  }
}

/** The program as its package names it. */
function program(): string {
  const text = readFileSync(join(ROOT, 'package.json'), 'utf8');
  return /"version":\s*"([^"]+)"/.exec(text)?.[1] ?? '';
}

/** Says on the error stream how far it is: on a terminal in one line, otherwise now and then. */
class Meter {
  private done = 0;
  private failures = 0;
  private said = 0;

  constructor(private readonly all: number) {}

  tells({ name, state, why }: Outcome): void {
    this.done++;
    if (state === 'failed') {
      this.failures++;
      console.error(`${process.stderr.isTTY ? '\r\x1b[K' : ''}${name}: ${why}`);
    }
    if (process.stderr.isTTY) process.stderr.write(`\r\x1b[K${this.words()}${this.done === this.all ? '\n' : ''}`);
    else if (this.done === this.all || this.done - this.said >= this.all / 10) {
      this.said = this.done;
      console.error(this.words());
    }
  }

  private words(): string {
    const { done, all, failures } = this;
    return failures > 0 ? say('cli.progressFailed', { done, all, failures }) : say('cli.progress', { done, all });
  }
}
