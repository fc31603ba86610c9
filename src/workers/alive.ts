/*
 * Whether a worker is still there. The browser may end one without a word, when memory is short; no event says so. But a
 * lock that it holds is given to the next in line then (Web Locks API, W3C).
 *
 *     worker   holds its lock ───────────── ended
 *     page     waits for the same lock ───────── has it: the worker is gone
 */

const ALIVE = 'alive';

/** In a worker: takes the lock of its name, and says so. */
export function holdAlive(): void {
  void locksHere()?.request(lockOf(self.name), () => {
    self.postMessage(ALIVE);
    return new Promise(() => {});
  });
}

/** On the page. @param gone called once when the worker is there no more, by itself or ended by us */
export function watchAlive(worker: Worker, name: string, gone: () => void): void {
  worker.addEventListener('message', ({ data }) => {
    if (data === ALIVE) void locksHere()?.request(lockOf(name), gone);
  });
}

/** A name no other worker of any page has. */
export const workerName = (kind: string): string => `${kind}-${Date.now()}-${Math.random()}`;

const lockOf = (name: string): string => `dragoman-worker-${name}`;

/** Only pages of this machine or over https have them. */
const locksHere = (): LockManager | undefined => (globalThis.navigator as Navigator | undefined)?.locks;
