import { describe, expect, it } from 'vitest';
import { performanceOf, tempo } from '../../../../testing/music';
import { trackId } from '../../../base';
import { barsOfPerformance } from '../../../performance';
import { layBeats } from '../beats';
import { estimateLeads } from './lead';
import { timeNotes } from '../timed-note';

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
  it('believes a person', () =>
    expect(leads({ t2: 40 }).get(trackId('t2'))).toMatchObject({ milliseconds: 40, pinned: true }));
});
