/*
 * Whether a worker is still there. The browser may end one without a word, when memory is short; no event says so. But a
 * lock that it holds is given to the next in line then (Web Locks API, W3C).
 *
 *     worker   holds its lock ───────────── ended
 *     page     waits for the same lock ───────── has it: the worker is gone
 *
 * No call is begun before the lock is held: what ends in the middle of its first call is noticed too. Nor before the
 * worker speaks the language of its page.
 */
import * as Comlink from 'comlink';
import { isLanguage, onLanguage, speak, spokenLanguage } from '@/core/words';

const ALIVE = 'alive';

/** In a worker: answers the page's calls, and lets the page notice when it ends. */
export function serve(api: object): void {
  // No page beside it: called directly.
  if (!('postMessage' in globalThis)) {
    Comlink.expose(api);
    return;
  }
  const locks = locksHere();
  const held = locks && holdAlive(locks);
  const speaks = speakAsTold();
  Comlink.expose(
    new Proxy(api, {
      get: (calls, name) => {
        const call: unknown = Reflect.get(calls, name);
        if (typeof call !== 'function') return call;
        return async (...args: unknown[]): Promise<unknown> => {
          await held;
          await speaks();
          return Reflect.apply(call, calls, args);
        };
      },
    }),
  );
}

/** The language of the page, now and whenever it changes. @returns what a call waits for */
function speakAsTold(): () => Promise<void> {
  let spoken = Promise.resolve();
  self.addEventListener('message', ({ data }: MessageEvent<unknown>) => {
    if (typeof data !== 'object' || data === null || !('speak' in data)) return;
    const told = data.speak;
    if (isLanguage(told)) spoken = spoken.then(() => speak(told));
  });
  return () => spoken;
}

/** Takes the lock of this worker's name, and says so. */
function holdAlive(locks: LockManager): Promise<void> {
  return new Promise((held) => {
    void locks.request(lockOf(self.name), () => {
      self.postMessage(ALIVE);
      held();
      return new Promise(() => {});
    });
  });
}

/** On the page: the worker speaks as the page does, from now on. @returns ends that, with the worker */
export function speakAlike(worker: Worker): () => void {
  const tell = () => worker.postMessage({ speak: spokenLanguage() });
  tell();
  return onLanguage(tell);
}

/**
 * On the page.
 *
 * @param gone called once when the worker is there no more, by itself or ended by us
 * @param within milliseconds in which it has to be there at all; none where it has much to load first
 */
export function watchAlive(worker: Worker, name: string, gone: () => void, within?: number): void {
  const locks = locksHere();
  if (!locks) return;
  const late = within === undefined ? undefined : setTimeout(gone, within);
  worker.addEventListener('message', ({ data }) => {
    if (data !== ALIVE) return;
    clearTimeout(late);
    void locks.request(lockOf(name), gone);
  });
}

/** A name no other worker of any page has. */
export const workerName = (kind: string): string => `${kind}-${Date.now()}-${Math.random()}`;

const lockOf = (name: string): string => `dragoman-worker-${name}`;

/** Only pages of this machine or over https have them. */
const locksHere = (): LockManager | undefined => (globalThis.navigator as Navigator | undefined)?.locks;
