import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { barOf, named, plainPart, plainScore } from '../../testing/scores';
import { controls, notesOf, one, play } from '../../testing/sequenced';
import { partId } from '../base';
import type { Part, SymbolMarks } from '../score';
import { NO_LOOSENING, USUAL_SEQUENCING, type SequencerSettings } from '../settings';
import { QUARTER } from '../time';

/* What is written as it is heard: dynamics, marks, and what is loosened on top. */

const shown = (level: 'p' | 'f' | 'mf', bar: number) => ({ at: bar * 4 * QUARTER, staff: 1, level });

describe('dynamics', () => {
  const bars = [60, 62, 64, 65].map((key) => barOf([key, 1], [key, 1], [key, 1], [key, 1]));
  const lines = {
    dynamics: [shown('p', 0), shown('f', 3)],
    forces: [],
    hairpins: [{ start: 8 * QUARTER, end: 12 * QUARTER, staff: 1, kind: 'crescendo' as const }],
    slurs: [],
    pedals: [],
    octaveLines: [],
  };
  const velocities = (settings: Partial<SequencerSettings>) =>
    play(one(bars, { lines }), settings).performance.tracks[1]!.notes.map((note) => note.velocity);
  it('go to velocity: levels by sign, ramps along hairpins', () => {
    expect(velocities({})).toEqual([49, 49, 49, 49, 49, 49, 49, 49, 49, 61, 73, 84, 96, 96, 96, 96]);
  });
  it.each([
    ['expression', 11],
    ['modulation', 1],
    ['volume', 7],
  ] as const)('go to %s, with velocities all alike', (carrier, controller) => {
    const made = play(one(bars, { lines }), { dynamicsTo: [carrier], rampStep: QUARTER });
    expect(controls(made, controller)).toEqual([
      [0, 49],
      [9, 61],
      [10, 73],
      [11, 84],
      [12, 96],
    ]);
    expect(new Set(made.performance.tracks[1]!.notes.map((note) => note.velocity))).toEqual(new Set([80]));
  });
  it('go to two of them, to nothing, or elsewhere in one part', () => {
    const both = play(one(bars, { lines }), { dynamicsTo: ['velocity', 'expression'] });
    expect(controls(both, 11)[0]).toEqual([0, 49]);
    expect(both.performance.tracks[1]!.notes[0]!.velocity).toBe(49);
    expect(velocities({ dynamicsTo: [] })).toEqual(Array(16).fill(80));
    expect(play(one(bars, { lines }), { dynamicsTo: [] }).report.remarks.join()).toMatch(
      /3 dynamic signs and hairpins are not played/,
    );
    expect(
      controls(play(one(bars, { lines }), { parts: { [partId('t1')]: { dynamicsTo: ['modulation'] } } }), 1),
    ).not.toEqual([]);
  });
  it('follow an edited table, and finer ramps send more values', () => {
    expect(velocities({ levels: { ...USUAL_SEQUENCING.levels, p: 20 } })[0]).toBe(20);
    const count = (rampStep: number) =>
      controls(play(one(bars, { lines }), { dynamicsTo: ['expression'], rampStep }), 11).length;
    expect(count(QUARTER / 4)).toBeGreaterThan(count(QUARTER));
  });
});

describe('marks', () => {
  it('shape notes: staccato short, accents strong, the fermata held by the tempo', () => {
    const made = play(
      one([
        barOf(
          [60, 1, { articulations: ['staccato'] }],
          [62, 1, { articulations: ['accent'] }],
          [64, 1, { articulations: ['marcato'] }],
          [65, 1, { fermata: 'normal' }],
        ),
      ]),
    );
    expect(notesOf(made)).toEqual([
      [60, 0, 0.5],
      [62, 1, 2],
      [64, 2, 2.85],
      [65, 3, 4],
    ]);
    expect(made.performance.tracks[1]!.notes.map((note) => note.velocity)).toEqual([80, 96, 104, 80]);
    expect(made.tempos.map(({ at, bpm }) => [at / QUARTER, Math.round(bpm)])).toEqual([
      [0, 120],
      [3, 67],
    ]);
  });
  it('a fermata over a whole bar holds what stands when the others have struck their last', () => {
    const moving = barOf([48, 1], [50, 1], [52, 1], [53, 1]);
    const held = plainPart([barOf([72, 4, { fermata: 'normal' }]), barOf([71, 4])]);
    const bass = plainPart([moving, barOf([48, 4])], { id: partId('t2') });
    const tempos = (parts: Part[]) =>
      play(plainScore(parts)).tempos.map(({ at, bpm }) => [at / QUARTER, Math.round(bpm)]);
    expect(tempos([held, bass])).toEqual([
      [0, 120],
      [3, 67],
      [4, 120],
    ]);
    // Nobody moves under it: the whole note is held.
    expect(tempos([held])).toEqual([
      [0, 67],
      [4, 120],
    ]);
  });
  it('overlap under slurs when that is wished', () => {
    const lines = {
      dynamics: [],
      forces: [],
      hairpins: [],
      slurs: [{ start: 0, end: QUARTER, voice: 1 }],
      pedals: [],
      octaveLines: [],
    };
    expect(notesOf(play(one([barOf([60, 1], [62, 1], [64, 2])], { lines }), { slurOverlap: 50 }))).toEqual([
      [60, 0, 1.1],
      [62, 1, 2],
      [64, 2, 4],
    ]);
  });
  it('become notes: trill, mordent, turn, tremolo, grace note, spread chord', () => {
    const ornament = (marks: SymbolMarks, quarters = 1) =>
      notesOf(play(one([barOf([60, 1], [72, quarters, marks], [null, 3 - quarters])]))).slice(1);
    expect(ornament({ trill: true }).map(([key]) => key)).toEqual([72, 74, 72, 74, 72]);
    // Twelve notes a second at most, and the last one is its own: at 120 sextuplets, at 60 thirty-seconds.
    const trilled = (bpm: number) =>
      notesOf(
        play(one([barOf([60, 1], [72, 1, { trill: true }], [null, 2])], {}, { tempos: [{ at: 0, bpm, shown: true }] })),
      ).slice(1);
    expect(trilled(120).map(([key, from, to]) => [key, Math.round(6 * from!), Math.round(6 * to!)])).toEqual([
      [72, 6, 7],
      [74, 7, 8],
      [72, 8, 9],
      [74, 9, 10],
      [72, 10, 12],
    ]);
    expect(trilled(60)).toHaveLength(7);
    expect(trilled(240)).toHaveLength(3);
    expect(ornament({ turn: 'mordent' }).map(([key]) => key)).toEqual([72, 71, 72]);
    expect(ornament({ turn: 'turn' }).map(([key]) => key)).toEqual([74, 72, 71, 72]);
    expect(ornament({ tremolo: 3 })).toHaveLength(8);
    const grace = { key: 71, pitch: named(71), tieFromLast: false, tieToNext: false, played: [] };
    expect(
      notesOf(
        play(one([barOf([60, 1], [72, 1, { graces: [{ notes: [grace], type: 'eighth', slash: true }] }], [null, 2])])),
      ),
    ).toEqual([
      [60, 0, 1],
      [71, 0.875, 1],
      [72, 1, 2],
    ]);
    expect(ornament({ trill: true }).length).toBeGreaterThan(
      notesOf(play(one([barOf([60, 1], [72, 1, { trill: true }], [null, 2])]), { ornaments: false })).slice(1).length,
    );
  });
  it('slow down by words where nothing else says how', () => {
    const made = play(
      one(
        [60, 62].map((key) => barOf([key, 4])),
        {},
        {
          tempos: [
            { at: 0, bpm: 100, shown: true },
            { at: 4 * QUARTER, bpm: 100, words: 'rit.', shown: false },
          ],
        },
      ),
    );
    const bpms = made.tempos.map((tempo) => tempo.bpm);
    expect(bpms[0]).toBe(100);
    expect(bpms.at(-1)).toBeCloseTo(72, 0);
    expect(bpms).toEqual([...bpms].sort((a, b) => b - a));
  });
  it('are even on a swinging score when somebody says so, and swing where the score does not', () => {
    const swinging = one(
      [barOf([60, 0.5], [62, 0.5], [64, 1], [67, 2])],
      {},
      { swing: [{ bar: 0, ratio: 2, unit: 'eighth' }] },
    );
    const starts = (swing: number | 'even', score = swinging) =>
      notesOf(play(score, { ticksPerQuarter: 480, loosening: { ...NO_LOOSENING, swing } })).map(([, start]) => start);
    expect(starts(1)).toEqual([0, 320 / 480, 1, 2]);
    expect(starts('even')).toEqual([0, 0.5, 1, 2]);
    expect(starts(2, { ...swinging, swing: [] })).toEqual([0, 320 / 480, 1, 2]);
  });
  it('swing when the score says so', () => {
    const made = play(
      one(
        [barOf([60, 0.5], [62, 0.5], [64, 0.5], [65, 0.5], [67, 2])],
        {},
        { swing: [{ bar: 0, ratio: 2, unit: 'eighth' }] },
      ),
      { ticksPerQuarter: 480 },
    );
    expect(notesOf(made).map(([, start]) => start)).toEqual([0, 320 / 480, 1, 800 / 480, 2]);
    const sixteenths = play(
      one(
        [barOf([60, 0.25], [62, 0.25], [64, 0.5], [65, 3]), barOf([60, 0.25], [62, 0.75], [64, 3])],
        {},
        {
          swing: [
            { bar: 0, ratio: 2, unit: '16th' },
            { bar: 1, ratio: 1, unit: '16th' },
          ],
        },
      ),
      { ticksPerQuarter: 480 },
    );
    expect(notesOf(sixteenths).map(([, start]) => start)).toEqual([0, 160 / 480, 0.5, 1, 4, 4.25, 5]);
  });
});

describe('loosening', () => {
  const bars = Array.from({ length: 4 }, () => barOf([60, 1], [62, 0.5], [64, 0.5], [65, 2]));
  const loose = { seed: 7, velocity: 10, accent: 6, onset: 12, swing: 1, legato: 0 };
  const notes = (loosening: SequencerSettings['loosening']) =>
    play(one(bars), { loosening }).performance.tracks[1]!.notes.map(({ key, velocity, start, end }) => [
      key,
      velocity,
      start,
      end,
    ]);
  it('is the same each time from the same seed, another from another, and nothing at rest', () => {
    expect(notes(loose)).toEqual(notes(loose));
    expect(notes(loose)).not.toEqual(notes({ ...loose, seed: 8 }));
    expect(notes({ ...loose, velocity: 0, accent: 0, onset: 0 })).toEqual(notes(USUAL_SEQUENCING.loosening));
  });
  it('stays within its bounds and keeps every note', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9999 }),
        fc.integer({ min: 0, max: 20 }),
        fc.integer({ min: 0, max: 25 }),
        (seed, velocity, onset) => {
          const made = notes({ seed, velocity, accent: 0, onset, swing: 1, legato: 0 });
          expect(made.map(([key]) => key).sort()).toEqual(
            notes(USUAL_SEQUENCING.loosening)
              .map(([key]) => key)
              .sort(),
          );
          for (const [, loud, start, end] of made) {
            expect(Math.abs(loud! - 80)).toBeLessThanOrEqual(velocity);
            expect(end!).toBeGreaterThan(start!);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
