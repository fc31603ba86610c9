import { describe, expect, it } from 'vitest';
import { performanceOf, tempo, type HandTrack } from '../../../../testing/music';
import { trackId } from '../../../base';
import { barsOfPerformance } from '../../../performance';
import { layBeats } from '../beats';
import { estimateLeads, type Lead } from './lead';
import { timeNotes } from '../timed-note';

/** What is found in some tracks at a tempo. @param struck tracks that sound at once */
function leadsOf(tracks: HandTrack[], bpm: number, struck: string[] = []): Lead[] {
  const played = performanceOf(tracks, [tempo(0, bpm)]);
  const facts = new Map(struck.map((id) => [trackId(id), { struck: true }]));
  return [
    ...estimateLeads(
      new Map(played.tracks.slice(1).map((track) => [track.id, timeNotes(track.notes, played.tempo, 0)])),
      layBeats(barsOfPerformance(played), played.tempo),
      {},
      facts,
    ).values(),
  ];
}

describe('lead', () => {
  const performance = performanceOf(
    [
      { name: 'Piano', notes: Array.from({ length: 32 }, (_, i) => ({ key: 60, at: i / 2, length: 0.4 })) },
      {
        name: 'Vln',
        notes: Array.from({ length: 16 }, (_, i) => ({ key: 70 + (i % 3), at: Math.max(0, i - 0.2), length: 1.1 })),
      },
    ],
    [tempo(0, 100)],
  );
  const leads = (pins = {}) =>
    estimateLeads(
      new Map(performance.tracks.slice(1).map((track) => [track.id, timeNotes(track.notes, performance.tempo, 0)])),
      layBeats(barsOfPerformance(performance), performance.tempo),
      pins,
    );
  it('finds 0.2 beats at 100 a minute as 120 ms early, and leaves the piano alone', () => {
    expect(leads().get(trackId('t2'))).toMatchObject({ milliseconds: 120 });
    expect(leads().get(trackId('t2'))!.confidence).toBeGreaterThan(0.9);
    expect(leads().get(trackId('t1'))).toMatchObject({ milliseconds: 0 });
  });
  it('never takes what is all on the beat for after-beats played early', () => {
    const quarters = (off: number, key: number) =>
      Array.from({ length: 120 }, (_, i) => ({
        key: key + (i % 3),
        at: i + 1 + off + 0.02 * Math.sin(i * 2.3 + key),
        length: 0.6,
      }));
    const played = performanceOf(
      [0, 1, 2, 3].map((n) => ({ name: `Voice ${n}`, notes: quarters(0, 50 + 6 * n) })),
      [tempo(0, 100)],
    );
    const found = estimateLeads(
      new Map(played.tracks.slice(1).map((track) => [track.id, timeNotes(track.notes, played.tempo, 0)])),
      layBeats(barsOfPerformance(played), played.tempo),
      {},
    );
    for (const lead of found.values()) expect(Math.abs(lead.milliseconds)).toBeLessThan(15);
  });
  it('leaves off-beat chords over a bass where they are, at any swing', () => {
    for (const off of [0.5, 0.55, 0.6, 0.667])
      for (const bpm of [84, 120, 176]) {
        const jitter = (i: number, by: number) => 0.01 * Math.sin(i * 2.7 + by);
        const bass = Array.from({ length: 64 }, (_, i) => ({
          key: 40,
          at: i + Math.max(0, jitter(i, 1)),
          length: 0.9,
        }));
        const chords = Array.from({ length: 64 }, (_, i) => ({ key: 64, at: i + off + jitter(i, 2), length: 0.4 }));
        const found = leadsOf(
          [
            { name: 'Bass', notes: bass },
            { name: 'Piano', notes: chords },
          ],
          bpm,
          ['t1', 't2'],
        );
        for (const { milliseconds } of found) expect(Math.abs(milliseconds), `${off} at ${bpm}`).toBeLessThan(20);
      }
  });
  it('finds by how much a whole file is late, in all tracks together', () => {
    const late = (seed: number, step: number) =>
      Array.from({ length: 48 }, (_, i) => ({
        key: 50 + (i % 5),
        at: i * step + 0.1 + 0.008 * Math.sin(i * 1.9 + seed),
        length: step * 0.8,
      }));
    const found = leadsOf(
      [
        { name: 'Flute', notes: late(1, 0.5) },
        { name: 'Cello', notes: late(2, 1) },
        { name: 'Viola', notes: late(3, 0.5) },
      ],
      100,
    );
    for (const { milliseconds, evidence } of found) {
      expect(Math.abs(milliseconds + 60)).toBeLessThan(12);
      expect(evidence).toMatch(/^the whole file stands \d+ ms behind its barlines$/);
    }
  });
  it('believes a person', () =>
    expect(leads({ t2: 40 }).get(trackId('t2'))).toMatchObject({ milliseconds: 40, pinned: true }));
});
