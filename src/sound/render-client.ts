import * as Comlink from 'comlink';
import type { RenderApi } from './render.worker';
import { say } from '@/core/words';

/** A worker that makes sound files; it is ended to stop it. */
export interface SoundMaker {
  remote: Comlink.Remote<RenderApi>;
  end: () => void;
  /** Rejects when it breaks down. */
  broken: Promise<never>;
}

export function soundMaker(): SoundMaker {
  const worker = new Worker(new URL('./render.worker.ts', import.meta.url), { type: 'module' });
  const broken = new Promise<never>((_, reject) =>
    worker.addEventListener('error', () => reject(new Error(say('workers.soundNotComputed')))),
  );
  broken.catch(() => undefined);
  return { remote: Comlink.wrap<RenderApi>(worker), end: () => worker.terminate(), broken };
}
