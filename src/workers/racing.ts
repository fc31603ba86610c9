import type * as Comlink from 'comlink';

/** What a worker exposes, each call failing when the worker ends before it answers. */
export type Racing<Api> = {
  [K in keyof Api]: Api[K] extends (...args: infer A) => infer R ? (...args: A) => Promise<Awaited<R>> : never;
};

export interface RunningWorker<Api> {
  remote: Comlink.Remote<Api>;
  /** Rejects when the worker has ended; nothing it was asked is answered then. */
  ended: Promise<never>;
}

/** Calls of whichever worker is running when they are made. */
export function racing<Api>(running: () => RunningWorker<Api>): Racing<Api> {
  /* Comlink knows its worker's calls by name only; so does what stands before it. */
  /* oxlint-disable typescript/no-unsafe-type-assertion */
  return new Proxy({} as Racing<Api>, {
    get:
      (_, name) =>
      (...args: unknown[]) => {
        const { remote, ended } = running();
        const calls = remote as unknown as Record<string | symbol, (...args: unknown[]) => Promise<unknown>>;
        return Promise.race([calls[name]!(...args), ended]);
      },
  });
  /* oxlint-enable typescript/no-unsafe-type-assertion */
}
