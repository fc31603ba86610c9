import { describe, expect, it } from 'vitest';
import { TaskError } from './pool';
import { answered, guarded, sentence } from './routes';

const route = guarded('application/json', 2 ** 20, () => Promise.resolve(sentence('done', 200)));
const ask = async (headers: Record<string, string>) =>
  (await route(new Request('http://127.0.0.1:3210/api/x', { method: 'POST', headers }))).status;
const own = { 'content-type': 'application/json', 'content-length': '2', host: '127.0.0.1:3210' };

describe('a route', () => {
  it('answers pages of this application, and programs, which say nothing of a site', async () => {
    expect(await ask({ ...own, origin: 'http://127.0.0.1:3210', 'sec-fetch-site': 'same-origin' })).toBe(200);
    expect(await ask(own)).toBe(200);
  });
  it.each([
    ['another site', { 'sec-fetch-site': 'cross-site' }],
    ['another application on this machine', { origin: 'http://127.0.0.1:8080' }],
    ['no origin at all', { origin: 'null' }],
  ])('refuses %s', async (_, headers) => {
    expect(await ask({ ...own, ...headers })).toBe(403);
  });
  it('takes only its own type, and only so much, before it reads', async () => {
    expect(await ask({ ...own, 'content-type': 'text/plain' })).toBe(415);
    expect(await ask({ ...own, 'content-length': String(300 * 2 ** 20) })).toBe(413);
    const { 'content-length': _length, ...unsaid } = own;
    expect(await ask(unsaid)).toBe(411);
  });
  it('gives names of files as headers can have them', async () => {
    const bytes = () => Promise.resolve(new Uint8Array(1));
    const named = (fileName: string) => answered(bytes, { type: 'audio/midi', fileName }, 'no');
    const disposition = (await named('Gänse \ud83e')).headers.get('content-disposition');
    expect(disposition).toBe("attachment; filename*=UTF-8''G%C3%A4nse%20%EF%BF%BD");
  });
  it('passes refusals on, and hides what went wrong inside', async () => {
    const failing = (error: Error) =>
      answered(() => Promise.reject(error), { type: 'x', fileName: 'x' }, 'It could not be done.', 'a.mid: ');
    const refused = await failing(new TaskError('it is empty.', 422));
    expect([refused.status, await refused.json()]).toEqual([422, { error: 'a.mid: it is empty.' }]);
    const broken = await failing(new Error('secret path'));
    expect([broken.status, await broken.json()]).toEqual([500, { error: 'It could not be done.' }]);
  });
});
