import * as Comlink from 'comlink';
import type { EngraveApi } from './engrave.worker';

export type { Engraving, Lacking } from './engrave.worker';

let engraver: Comlink.Remote<EngraveApi> | null = null;

/** The one engraving worker of this page; it carries a large library, so it starts only where notes are shown. */
export function engraveWorker(): Comlink.Remote<EngraveApi> {
  engraver ??= Comlink.wrap<EngraveApi>(
    new Worker(new URL('./engrave.worker.ts', import.meta.url), { type: 'module' }),
  );
  return engraver;
}
