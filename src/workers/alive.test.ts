import { afterEach, expect, it, vi } from 'vitest';

const exposed = vi.hoisted(() => vi.fn());
vi.mock('comlink', () => ({ expose: exposed }));
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

it('a worker begins no call before the page can notice its end', async () => {
  const said: string[] = [];
  let grant: (() => void) | null = null;
  const told = new EventTarget();
  const postMessage = (message: string) => said.push(message);
  vi.stubGlobal('self', Object.assign(told, { name: 'engine-1', postMessage }));
  vi.stubGlobal('postMessage', () => {});
  vi.stubGlobal('navigator', { locks: { request: (_: string, granted: () => void) => void (grant = granted) } });
  const { serve } = await import('./alive');
  serve({ make: (n: number) => said.push(`made ${n}`) });
  const api = exposed.mock.calls[0]![0] as { make: (n: number) => Promise<number> };
  const made = api.make(5);
  await Promise.resolve();
  expect(said).toEqual([]);
  grant!();
  await made;
  expect(said).toEqual(['alive', 'made 5']);
});

it('a worker begins no call before it speaks as its page does', async () => {
  const told = new EventTarget();
  vi.stubGlobal('self', told);
  vi.stubGlobal('postMessage', () => {});
  vi.stubGlobal('navigator', {});
  const { serve } = await import('./alive');
  const { say, speak } = await import('@/core/words');
  serve({ count: (notes: number) => say('casting.note', { notes }) });
  const api = exposed.mock.calls.at(-1)![0] as { count: (notes: number) => Promise<string> };
  for (const speak of ['de', 'no language']) told.dispatchEvent(new MessageEvent('message', { data: { speak } }));
  expect(await api.count(3)).toBe('3 Noten');
  told.dispatchEvent(new MessageEvent('message', { data: { speak: 'en' } }));
  expect(await api.count(3)).toBe('3 notes');
  await speak('en');
});

it('a worker that never says it is there is gone when its time is over, one that does is not', async () => {
  vi.useFakeTimers();
  vi.stubGlobal('navigator', { locks: { request: () => new Promise(() => {}) } });
  const { watchAlive } = await import('./alive');
  const gone: string[] = [];
  const watched = (name: string) => {
    const worker = new EventTarget();
    watchAlive(worker as Worker, name, () => gone.push(name), 1000);
    return worker;
  };
  watched('silent');
  watched('there').dispatchEvent(new MessageEvent('message', { data: 'alive' }));
  vi.advanceTimersByTime(999);
  expect(gone).toEqual([]);
  vi.advanceTimersByTime(1);
  expect(gone).toEqual(['silent']);
});
