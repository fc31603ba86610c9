import { say } from '@/core/words';
import * as Comlink from 'comlink';
import type { DispatchApi } from './dispatch.worker';
import { speakAlike, watchAlive, workerName } from './alive';
import { whyFailed } from './not-loaded';

export type { About, CueFacts, OnShare, Sending } from './dispatch.worker';

const broken = () => say('workers.thisCouldNotBeMadeTheBrowserRanOut');

/** A worker that hands jobs over. It computes without a breath: it is stopped by ending it. */
export interface Dispatcher {
  remote: Comlink.Remote<DispatchApi>;
  /** Rejects when it breaks down or is ended. */
  ended: Promise<never>;
  end: () => void;
}

export function startDispatcher(): Dispatcher {
  const name = workerName('dispatch');
  const worker = new Worker(new URL('./dispatch.worker.ts', import.meta.url), { type: 'module', name });
  const silent = speakAlike(worker);
  let fail: (why: Error) => void = () => {};
  const ended = new Promise<never>((_, reject) => (fail = reject));
  ended.catch(() => undefined);
  worker.addEventListener('error', (event) => fail(new Error(whyFailed(event, broken()))));
  watchAlive(worker, name, () => fail(new Error(broken())));
  const end = () => {
    worker.terminate();
    silent();
    fail(new DOMException('Stopped.', 'AbortError'));
  };
  return { remote: Comlink.wrap<DispatchApi>(worker), ended, end };
}

export const asProxy = Comlink.proxy;
