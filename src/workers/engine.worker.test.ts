import { describe, expect, it, vi } from 'vitest';
import { demoOriginal } from '../../demo/make';
import { partId, trackId } from '@/core/base';
import { NO_JOB_SETTINGS } from '@/core/settings';
import { readSmf } from '@/core/smf';
import { engine, exposed } from '../testing/engine';

vi.mock('comlink', () => ({ expose: exposed }));
const demo = demoOriginal();
const BEGINNING = { from: { bar: 0, pass: 0 }, bars: 1, parts: [], click: false };
const api = await engine();

describe('the engine behind messages', () => {
  it('wants a job before anything else', () => {
    expect(() => api.passage([], 0, 1)).toThrow('No job is open.');
    expect(() => api.hear('written', BEGINNING)).toThrow('No job is open.');
  });
  it('tells the two kinds of files apart, and refuses what is neither', () => {
    expect(api.check(demo)).toBe('midi');
    expect(() => api.check(new TextEncoder().encode('<nothing/>'))).toThrow(/score/i);
    expect(() => api.check(new Uint8Array(10))).toThrow(/Standard MIDI File/);
    // Its name says what it means to be.
    expect(() => api.check(new Uint8Array(10), 'Score.mxl')).toThrow(/MusicXML/);
  });
  it('opens, converts with progress, and shows, explains and exports what it made', async () => {
    expect(api.open('to-score', [demo], NO_JOB_SETTINGS)!.survey.tracks).toHaveLength(14);
    expect(() => api.passage([], 0, 1)).toThrow(/not been converted/);
    const stages: string[] = [];
    const summary = await api.make(NO_JOB_SETTINGS, ({ stage }) => stages.push(stage));
    expect(summary!.parts).toHaveLength(12);
    expect(stages.length).toBeGreaterThan(0);
    const flute = partId('t1');
    const passage = api.passage([flute], 0, 2);
    expect(passage.mei).toContain('<mei ');
    expect(api.reasons(flute, 0).length).toBeGreaterThan(0);
    expect(api.track(trackId('t1')).notes).toHaveLength(123);
    expect(() => api.track(trackId('t99'))).toThrow('There is no track t99.');
    expect(api.previewDeal(trackId('t8'), null).players.length).toBeGreaterThan(0);
    expect(new TextDecoder().decode(api.export('musicxml', { date: '2026-01-01' }))).toContain('2026-01-01');
    expect([...api.export('mxl', {}).slice(0, 2)]).toEqual([0x50, 0x4b]);
  });
  it('stops for a newer conversion, and for a cancel, and keeps what it had', async () => {
    api.open('to-score', [demo], NO_JOB_SETTINGS);
    const [first, second] = await Promise.all([
      api.make(NO_JOB_SETTINGS),
      api.make({ ...NO_JOB_SETTINGS, title: 'Newer' }),
    ]);
    expect(first).toBeNull();
    expect(second).toMatchObject({ kind: 'to-score', title: 'Newer' });
    api.open('to-score', [demo], NO_JOB_SETTINGS);
    const running = api.make(NO_JOB_SETTINGS);
    api.cancel();
    expect(await running).toBeNull();
  });
  it('sequences a score it wrote, and cleans the MIDI file it came from', async () => {
    api.open('to-score', [demo], NO_JOB_SETTINGS);
    await api.make(NO_JOB_SETTINGS);
    api.open('to-sequencer', [api.export('musicxml', {})], NO_JOB_SETTINGS);
    const sequence = await api.make(NO_JOB_SETTINGS);
    expect(sequence).toMatchObject({ kind: 'score', title: 'The Clockmaker’s Goose, cue 3' });
    expect(api.hear('delivered', BEGINNING).notes.length).toBeGreaterThan(0);
    expect(api.passage([partId('P1')], 0, 1).mei).toContain('<mei ');
    expect(readSmf(api.sequenceFiles(NO_JOB_SETTINGS)[0]!.bytes).file.format).toBe(1);
    expect(api.open('to-sequencer', [demo], NO_JOB_SETTINGS)).toBeNull();
    expect(await api.make(NO_JOB_SETTINGS)).toMatchObject({ kind: 'midi', format: 1 });
    expect(api.hear('delivered', BEGINNING).notes.length).toBeGreaterThan(0);
    expect(api.barClock().bars).toHaveLength(28);
    expect(api.controllersOf(1).length).toBeGreaterThan(0);
    expect(() => api.passage([], 0, 1)).toThrow(/no score/);
    expect(() => api.sheet(null, true)).toThrow('No job is open on its way to a score.');
    // Looking into files leaves what lies on the desk.
    expect(api.survey([demo]).survey.tracks).toHaveLength(14);
    expect(api.barClock().bars).toHaveLength(28);
  });
});
