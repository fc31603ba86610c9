import * as Comlink from 'comlink';
import type { EngineApi } from './engine.worker';
import { whyFailed } from './not-loaded';

/** The worker ended before it answered; decisions are not touched by that. */
export class EngineStopped extends Error {
  override readonly name = 'EngineStopped';
}

const CRASHED =
  'The engine broke down on this and was started again. Your decisions are safe; undo the last one, or try again.';
const STOPPED = 'The engine was stopped.';

/** So long a worker may take to answer a stop; one that computes without a breath is ended. */
const PATIENCE_MS = 1000;

interface Running {
  worker: Worker;
  remote: Comlink.Remote<EngineApi>;
  /** Rejects when the worker has ended; nothing it was asked is answered then. */
  ended: Promise<never>;
  end: (why: string) => void;
}

let running: Running | null = null;
let generation = 0;

function start(): Running {
  const worker = new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' });
  let end: Running['end'] = () => {};
  const ended = new Promise<never>((_, reject) => {
    end = (why) => {
      worker.terminate();
      if (running?.worker === worker) running = null;
      generation++;
      reject(new EngineStopped(why));
    };
  });
  // Nobody may be waiting.
  ended.catch(() => {});
  worker.addEventListener('error', (event) => end(whyFailed(event, CRASHED)));
  worker.addEventListener('messageerror', () => end(CRASHED));
  return { worker, remote: Comlink.wrap<EngineApi>(worker), ended, end };
}

/** What the worker exposes, each call failing with EngineStopped when the worker ends before it answers. */
type Engine = {
  [K in keyof EngineApi]: (...args: Parameters<EngineApi[K]>) => Promise<Awaited<ReturnType<EngineApi[K]>>>;
};

/* Comlink knows its worker's calls by name only; so does what stands before it. */
/* oxlint-disable typescript/no-unsafe-type-assertion */
const engine = new Proxy({} as Engine, {
  get:
    (_, name: keyof EngineApi) =>
    (...args: unknown[]) => {
      running ??= start();
      const { remote, ended } = running;
      const call = remote[name] as unknown as (...args: unknown[]) => Promise<unknown>;
      return Promise.race([call(...args), ended]);
    },
});
/* eslint-enable typescript/no-unsafe-type-assertion */

/** The one engine worker of this page; started when first asked for, and again after it ended. */
export function engineWorker(): Engine {
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
  const impatient = setTimeout(() => end(STOPPED), PATIENCE_MS);
  await engine.cancel().catch(() => {});
  clearTimeout(impatient);
}

export const asCallback = Comlink.proxy;
