import { afterEach, describe, expect, it, vi } from 'vitest';
import { readFileSync } from 'node:fs';
import { strFromU8, unzipSync } from 'fflate';
import { demoOriginal } from '../../demo/make';
import { trackId } from '@/core/base';
import { EMPTY_LEDGER, HOUSE_RECIPES, USUAL_PAGES, USUAL_SCORE, USUAL_SOUND, type Recipe } from '@/core/documents';
import { smfBytes } from '../testing/music';
import type { DispatchApi } from './dispatch.worker';

/* The worker without a worker: what it exposes, called directly. */

const made = vi.hoisted(() => ({ api: null as DispatchApi | null }));
vi.mock('comlink', () => ({
  expose: (api: DispatchApi) => {
    made.api = api;
  },
  transfer: (value: unknown) => value,
}));
await import('./dispatch.worker');
const api = made.api!;
afterEach(() => vi.unstubAllGlobals());

const nothing: Recipe = { ...HOUSE_RECIPES[0]!, score: null };
const how = { version: 1, date: '2026-03-31' };
const job = (bytes: Uint8Array) => ({
  name: 'Goose',
  direction: 'to-score' as const,
  originals: [{ fileName: 'goose.mid', bytes }],
  ledger: EMPTY_LEDGER,
});
const short = smfBytes([{ name: 'Flute', notes: [{ key: 72, at: 0, length: 4 }] }]);
const silent = () => undefined;

describe('the worker that hands jobs over', () => {
  it('wants a job first, and says what it knows of one', () => {
    expect(() => api.preview(nothing)).toThrow('No job is laid out.');
    api.load(job(demoOriginal()));
    expect(api.tracks()).toContainEqual({ id: trackId('t1'), name: 'Flt 1 leg' });
    expect(api.facts()).toMatchObject({ bars: 28, openQueries: 4, agreement: { same: 1 } });
    expect(api.facts().parts).toHaveLength(12);
  });
  it('makes files and has them checked; what waits for a parcel is packed once', async () => {
    api.load(job(demoOriginal()));
    const recipe = { ...nothing, score: USUAL_SCORE, originals: true };
    const told: number[] = [];
    const { files, checked } = await api.send(recipe, how, null, (_, share) => told.push(share));
    expect(files.map(({ path }) => path)).toEqual(['Score/Goose Score v1.musicxml', 'Originals/goose.mid']);
    expect(checked.flatMap(({ findings }) => findings).every(({ ok }) => ok)).toBe(true);
    expect(told.at(-1)).toBe(1);
    api.emptyParcel();
    const waiting = await api.send(recipe, how, 'Cue 1', silent);
    expect(waiting.files).toEqual([]);
    expect(waiting.made).toHaveLength(2);
    const about = { title: 'Show', recipe: 'Mine', date: how.date, words: [], open: [] };
    const parcel = unzipSync(await api.pack(about));
    expect(Object.keys(parcel)).toContain('Cue 1/Score/Goose Score v1.musicxml');
    expect(strFromU8(parcel['Contents.txt']!)).toContain('Cue 1/Originals/goose.mid');
    expect(Object.keys(unzipSync(await api.pack(about)))).toEqual(['Contents.txt', 'claims.json', 'SHA256SUMS.txt']);
  });
  it('asks the application’s server for a PDF with what stands on its pages, and says when it does not answer', async () => {
    api.load(job(short));
    const recipe = { ...nothing, pages: { ...USUAL_PAGES, parts: false, cover: 'Friday' } };
    const posted: { paper: string; pages: unknown[]; cover: { text: string } }[] = [];
    vi.stubGlobal('fetch', (_: string, { body }: { body: string }) => {
      posted.push(JSON.parse(body) as (typeof posted)[number]);
      return Promise.resolve(new Response(new Uint8Array([37, 80])));
    });
    const { files } = await api.send(recipe, how, null, silent);
    expect([...files[0]!.bytes]).toEqual([37, 80]);
    expect(posted[0]).toMatchObject({ paper: 'A4', cover: { text: 'Friday' }, pages: [{ left: '', right: '' }] });
    const refusing = (answer: () => Promise<Response>) => {
      vi.stubGlobal('fetch', answer);
      return expect(api.send(recipe, how, null, silent)).rejects;
    };
    const refused = { error: 'This is 80 MiB; at most 64 MiB are taken here.' };
    await refusing(() => Promise.resolve(Response.json(refused, { status: 413 }))).toThrow(refused.error);
    await refusing(() => Promise.resolve(new Response(null, { status: 500 }))).toThrow(/PDF could not be made/);
    await refusing(() => Promise.reject(new TypeError('Failed to fetch'))).toThrow(/server did not answer/);
  });
  it('renders sound with the bank it was given', async () => {
    api.load(job(short));
    const recipe = { ...nothing, sound: { ...USUAL_SOUND, sampleRate: 44100 as const } };
    await expect(api.send(recipe, how, null, silent)).rejects.toThrow('There is no sound bank.');
    const bank = readFileSync(new URL('../../public/sounds/general-midi.sf2', import.meta.url));
    api.takeBank(bank.buffer.slice(bank.byteOffset, bank.byteOffset + bank.length));
    const { files } = await api.send(recipe, how, null, silent);
    expect(new TextDecoder().decode(files[0]!.bytes.subarray(0, 4))).toBe('RIFF');
    // Two seconds of music and two of dying away, 44,100 samples of four bytes each second.
    expect(files[0]!.bytes.length / (44_100 * 4)).toBeGreaterThan(3.5);
  });
});
