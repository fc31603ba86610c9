import { say } from '@/core/words';
import * as Comlink from 'comlink';
import type { EngineApi } from './engine.worker';
import { speakAlike, watchAlive, workerName } from './alive';
import { whyFailed } from './not-loaded';
import { racing, type Racing, type RunningWorker } from './racing';

/** The worker ended before it answered; decisions are not touched by that. */
export class EngineStopped extends Error {
  override readonly name = 'EngineStopped';
  constructor(
    message: string,
    /** Somebody asked for that; else it broke down, or the browser took it away. */
    readonly asked: boolean,
  ) {
    super(message);
  }
}

const crashed = () => say('workers.theEngineBrokeDownOnThisAndWas');
const stopped = () => say('workers.theEngineWasStopped');

/** A worker that is not there by then was ended while it started. */
const STARTS_WITHIN_MS = 30_000;

/** So long a worker may take to answer a stop; one that computes without a breath is ended. */
const PATIENCE_MS = 1000;

interface Running extends RunningWorker<EngineApi> {
  worker: Worker;
  end: (why: string, asked?: boolean) => void;
}

let running: Running | null = null;
let generation = 0;

function start(): Running {
  const name = workerName('engine');
  const worker = new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module', name });
  const silent = speakAlike(worker);
  let end: Running['end'] = () => {};
  const ended = new Promise<never>((_, reject) => {
    end = (why, asked = false) => {
      worker.terminate();
      silent();
      if (running?.worker === worker) running = null;
      generation++;
      reject(new EngineStopped(why, asked));
    };
  });
  // Nobody may be waiting.
  ended.catch(() => {});
  worker.addEventListener('error', (event) => end(whyFailed(event, crashed())));
  worker.addEventListener('messageerror', () => end(crashed()));
  const gone = () => {
    if (running?.worker === worker) end(crashed());
  };
  watchAlive(worker, name, gone, STARTS_WITHIN_MS);
  return { worker, remote: Comlink.wrap<EngineApi>(worker), ended, end };
}

const engine = racing<EngineApi>(() => (running ??= start()));

/** The one engine worker of this page; started when first asked for, and again after it ended. */
export function engineWorker(): Racing<EngineApi> {
  return engine;
}

/** Grows each time the worker ends: what lay on its desk is gone then. */
export function engineGeneration(): number {
  return generation;
}

/** Stops what the engine computes; the worker itself is ended when it does not hear that within a second. */
export async function stopEngine(): Promise<void> {
  if (!running) return;
  const { end } = running;
  const impatient = setTimeout(() => end(stopped(), true), PATIENCE_MS);
  await engine.cancel().catch(() => {});
  clearTimeout(impatient);
}

export const asCallback = Comlink.proxy;
