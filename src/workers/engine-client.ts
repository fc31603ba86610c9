import * as Comlink from 'comlink';
import type { EngineApi } from './engine.worker';

export type { AnyProgress } from './engine.worker';

let engine: Comlink.Remote<EngineApi> | null = null;

/** The one engine worker of this page; started when first asked for. */
export function engineWorker(): Comlink.Remote<EngineApi> {
  engine ??= Comlink.wrap<EngineApi>(new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' }));
  return engine;
}

export const asCallback = Comlink.proxy;
