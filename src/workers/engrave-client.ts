import { say } from '@/core/words';
import * as Comlink from 'comlink';
import { speakAlike, watchAlive, workerName } from './alive';
import type { EngraveApi } from './engrave.worker';
import { whyFailed } from './not-loaded';
import { racing, type Racing, type RunningWorker } from './racing';

export type { Engraving, Lacking } from './engrave.worker';

const broken = () => say('workers.theEngraverBrokeDownAndIsStarted');

let running: RunningWorker<EngraveApi> | null = null;

function start(): RunningWorker<EngraveApi> {
  const name = workerName('engrave');
  const worker = new Worker(new URL('./engrave.worker.ts', import.meta.url), { type: 'module', name });
  const silent = speakAlike(worker);
  let fail: (why: string) => void = () => {};
  const ended = new Promise<never>((_, reject) => {
    fail = (why) => {
      worker.terminate();
      silent();
      if (running?.ended === ended) running = null;
      reject(new Error(why));
    };
  });
  // Nobody may be waiting.
  ended.catch(() => {});
  worker.addEventListener('error', (event) => fail(whyFailed(event, broken())));
  watchAlive(worker, name, () => fail(broken()));
  return { remote: Comlink.wrap<EngraveApi>(worker), ended };
}

const engraver = racing<EngraveApi>(() => (running ??= start()));

/** Starts the engraver: it carries a large library, and is the slowest of all to be ready. */
export function startEngraver(): void {
  running ??= start();
}

/** The one engraving worker of this page, started when first asked for, and again after it ended. */
export function engraveWorker(): Racing<EngraveApi> {
  return engraver;
}
