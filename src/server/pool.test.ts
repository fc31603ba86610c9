import { afterAll, describe, expect, it } from 'vitest';
import { line, smfBytes } from '../testing/music';
import { closePool, compute } from './pool';

afterAll(closePool);

const flute = smfBytes([{ name: 'Flute', notes: line([60, 4]) }]);
const page = '<svg viewBox="0 0 10 10"><g class="tempo"><rect x="0" y="0" width="5" height="5"/></g></svg>';

describe('work in threads of its own', () => {
  it('converts both ways and makes pages', async () => {
    const score = await compute({ kind: 'to-score', bytes: flute, format: 'musicxml' });
    expect(new TextDecoder().decode(score)).toContain('<score-partwise');
    const midi = await compute({ kind: 'to-midi', bytes: score, preset: 'bare' });
    expect(new TextDecoder('latin1').decode(midi.slice(0, 4))).toBe('MThd');
    const pdf = await compute({
      kind: 'pdf',
      pages: [{ svg: page, left: '', right: '' }],
      how: { title: 'x', paper: 'A4', cover: null },
    });
    expect(new TextDecoder('latin1').decode(pdf.slice(0, 5))).toBe('%PDF-');
  });
  it('says what is wrong with what was handed in', async () => {
    const nothing = new Uint8Array(20);
    await expect(compute({ kind: 'to-score', bytes: nothing, format: 'mxl' })).rejects.toMatchObject({
      name: 'TaskError',
      status: 422,
    });
  });
  it('stops what takes too long, and works on afterwards', async () => {
    const endless = compute({ kind: 'to-score', bytes: flute, format: 'mxl' }, 0.001);
    await expect(endless).rejects.toMatchObject({ status: 422, message: expect.stringMatching(/longer than/) });
    expect((await compute({ kind: 'to-score', bytes: flute, format: 'mxl' })).length).toBeGreaterThan(100);
  });
  it('refuses what would wait too long in a sentence', async () => {
    const many = Array.from({ length: 40 }, () => compute({ kind: 'to-score', bytes: flute, format: 'mxl' }));
    const statuses = (await Promise.allSettled(many)).map((one) =>
      one.status === 'fulfilled' ? 200 : (one.reason as { status: number }).status,
    );
    expect(new Set(statuses)).toEqual(new Set([200, 503]));
  });
});
