import { partId } from '../../base';
import { describe, expect, it } from 'vitest';
import { layBars, QUARTER } from '../../time';
import { agreeDoubles, sameWriting, type DoublingPart } from './doubled-lines';
import type { EndedNote } from './durations';

const bars = layBars([{ at: 0, beats: 4, beatType: 4 }], 8 * QUARTER);
let id = 0;

/** Written places in quarters; what was played lies `late` seconds behind them and sounds `sounding` seconds. */
function note(
  key: number,
  start: number,
  length: number,
  { late = 0, sounding = length / 2, ...more }: { late?: number; sounding?: number } & Partial<EndedNote> = {},
): EndedNote {
  const onset = start / 2 + late;
  return {
    id: id++,
    key,
    velocity: 80,
    start: start * QUARTER,
    end: (start + length) * QUARTER,
    onset: start * QUARTER,
    release: (start + length) * QUARTER,
    onsetSeconds: onset,
    releaseSeconds: onset + sounding,
    absorbed: [],
    ...more,
  };
}

const part = (notes: EndedNote[], jitter = 0, follows = true): DoublingPart => ({
  id: partId(`t${id++}`),
  staves: [{ staff: 1, notes, voices: notes.map(() => 0) }],
  jitter,
  follows: () => follows,
});
const agreed = (...args: Parameters<typeof agreeDoubles>) => agreeDoubles(...args).staves;
const shape = (staves: ReturnType<typeof agreed>[number]) =>
  staves[0]!.notes.map(({ start, end, short }) => [start / QUARTER, end / QUARTER, ...(short ? ['short'] : [])]);
const riff = (octave: number, lengths: readonly number[], more: Parameters<typeof note>[3] = {}) =>
  lengths.map((length, i) => note([60, 62, 64, 65][i]! + octave, i, length, more));

describe('lines that double each other', () => {
  it('are written as the clearest one has them, in unison and in octaves', () => {
    const clear = part(riff(0, [0.5, 0.5, 0.5, 1], { short: true, sounding: 0.2 }));
    const loose = part(riff(-12, [0.25, 0.75, 0.5, 1], { late: 0.02, sounding: 0.2 }), 0.02);
    const [first, second] = agreed([clear, loose], bars);
    expect(first).toBe(clear.staves);
    expect(shape(second!)).toEqual([
      [0, 0.5, 'short'],
      [1, 1.5, 'short'],
      [2, 2.5, 'short'],
      [3, 4, 'short'],
    ]);
  });
  it('keep their own lengths where one sounds twice as long, or a person wants them kept', () => {
    const clear = part(riff(0, [1, 1, 1, 1], { sounding: 0.5 }));
    const plucked = part(riff(-12, [0.5, 0.5, 0.5, 0.5], { sounding: 0.15 }), 0.02);
    expect(agreed([clear, plucked], bars)[1]).toBe(plucked.staves);
    const kept = part(riff(-12, [0.5, 0.5, 0.5, 0.5], { sounding: 0.4 }), 0.02, false);
    expect(agreed([clear, kept], bars)[1]).toBe(kept.staves);
  });
  it('are not lines of other notes, of too few notes, or struck at other moments', () => {
    const clear = part(riff(0, [1, 1, 1, 1]));
    const others = [
      riff(1, [0.5, 0.5, 0.5, 0.5], { sounding: 0.4 }),
      riff(0, [0.5, 0.5], { sounding: 0.4 }),
      riff(0, [0.5, 0.5, 0.5, 0.5], { late: 0.12, sounding: 0.4 }),
    ];
    for (const notes of others) {
      const one = part(notes, 0.02);
      expect(agreed([clear, one], bars)[1]).toBe(one.staves);
    }
  });
  it('what the file has exactly stays where it stands, whoever leads', () => {
    const clear = part(riff(0, [1, 1, 1, 1]));
    const late = [60, 62, 64, 65].map((key, i) =>
      note(key - 12, i + 0.125, 0.5, { sounding: 0.4, meant: (i + 0.125) * QUARTER }),
    );
    const exact = part(late, 0.001);
    expect(agreed([clear, exact], bars)[1]).toBe(exact.staves);
    const told = part(
      riff(-12, [0.5, 0.5, 0.5, 0.5], { sounding: 0.4 }).map((one) => ({
        ...one,
        meant: one.start,
        meantEnd: one.end,
      })),
      0.001,
    );
    expect(agreed([clear, told], bars)[1]).toBe(told.staves);
  });
  it('never runs into what the follower plays next', () => {
    const clear = part([...riff(0, [1, 1, 1, 2])]);
    const loose = part([...riff(-12, [1, 1, 1, 0.5], { sounding: 0.5 }), note(55, 4, 1)], 0.02);
    const [, second] = agreed([clear, loose], bars);
    expect(shape(second!).slice(3)).toEqual([
      [3, 4],
      [4, 5],
    ]);
  });
  it('are the same writing when starts, ends and dots are', () => {
    const notes = riff(0, [1, 1, 1, 1]);
    const staves = part(notes).staves;
    expect(sameWriting(staves, part(notes.map((one) => ({ ...one }))).staves)).toBe(true);
    expect(
      sameWriting(staves, part(notes.map((one, i) => (i === 2 ? { ...one, short: true as const } : one))).staves),
    ).toBe(false);
  });
});
