import { beforeEach, describe, expect, it, vi } from 'vitest';
import { speak } from '@/core/words';

/* A worker that answers, or does not, as the test wants. */
const workers: FakeWorker[] = [];
let answers = true;

class FakeWorker extends EventTarget {
  terminated = false;
  constructor() {
    super();
    workers.push(this);
  }
  terminate = () => (this.terminated = true);
  told: unknown[] = [];
  postMessage = (message: unknown) => this.told.push(message);
}
const api = (name: string) => () => (answers ? Promise.resolve(name) : new Promise(() => {}));
vi.mock('comlink', () => ({
  wrap: () => new Proxy({}, { get: (_, name: string) => api(name) }),
  proxy: <T>(callback: T) => callback,
}));
vi.stubGlobal('Worker', FakeWorker);

const { engineGeneration, engineWorker, EngineStopped, stopEngine } = await import('./engine-client');

beforeEach(() => {
  answers = true;
});

describe('the engine of a page', () => {
  it('is one worker, started when first asked', async () => {
    expect(workers).toHaveLength(0);
    await stopEngine();
    expect(workers).toHaveLength(0);
    expect(await engineWorker().check(new Uint8Array())).toBe('check');
    await engineWorker().track('t1' as never);
    expect(workers).toHaveLength(1);
  });
  it('speaks as the page does while it lives', async () => {
    await speak('de');
    await speak('en');
    expect(workers[0]!.told).toEqual([{ speak: 'en' }, { speak: 'de' }, { speak: 'en' }]);
  });
  it('stays when it hears a stop', async () => {
    const before = engineGeneration();
    await stopEngine();
    expect([workers.length, engineGeneration()]).toEqual([1, before]);
  });
  it('is ended when it does not hear one within a second, and usable at once', async () => {
    vi.useFakeTimers();
    answers = false;
    const runaway = engineWorker().check(new Uint8Array());
    const failed = expect(runaway).rejects.toThrow(EngineStopped);
    const stopping = stopEngine();
    await vi.advanceTimersByTimeAsync(1001);
    await stopping;
    await failed;
    vi.useRealTimers();
    expect(workers.at(-1)!.terminated).toBe(true);
    answers = true;
    expect(await engineWorker().check(new Uint8Array())).toBe('check');
    expect(workers).toHaveLength(2);
  });
  it('says when it broke down, and is started again', async () => {
    answers = false;
    const before = engineGeneration();
    const asked = engineWorker().check(new Uint8Array());
    workers.at(-1)!.dispatchEvent(Object.assign(new Event('error'), { message: 'x' }));
    await expect(asked).rejects.toThrow(/decisions are safe/);
    expect(engineGeneration()).toBe(before + 1);
    answers = true;
    expect(await engineWorker().check(new Uint8Array())).toBe('check');
  });
  it('says when it could not be loaded, which is no breakdown', async () => {
    answers = false;
    const asked = engineWorker().check(new Uint8Array());
    workers.at(-1)!.dispatchEvent(new Event('error'));
    await expect(asked).rejects.toThrow(/server did not answer.*Start the server/);
    answers = true;
  });
});
