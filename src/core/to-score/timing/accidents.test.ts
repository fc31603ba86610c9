import { describe, expect, it } from 'vitest';
import { performanceOf, tempo, type HandNote } from '../../../testing/music';
import { NO_SETTINGS } from '../../settings';
import { soundsOf } from '../../score';
import { QUARTER } from '../../time';
import { toScore } from '../index';

/* Cases from files by many hands, made anew: places that a sequencer has to the tick and nobody meant. */

const eighths = (count: number): HandNote[] =>
  Array.from({ length: count }, (_, i) => ({ key: 60 + (i % 5), at: i / 2, length: 0.5 }));
const written = (notes: HandNote[], name = 'Piano') => {
  const { score } = toScore(performanceOf([{ name, notes }], [tempo(0, 120)]), NO_SETTINGS);
  return soundsOf(score.parts[0]!, score.bars).map(({ start, key }) => `${key}@${start / QUARTER}`);
};
const typesOf = (notes: HandNote[], name = 'Piano') => {
  const { score } = toScore(performanceOf([{ name, notes }], [tempo(0, 120)]), NO_SETTINGS);
  return new Set(
    score.parts[0]!.bars.flatMap(({ voices }) =>
      voices.flatMap(({ symbols }) => symbols.map(({ type, tuplet }) => `${type}${tuplet ? ` ${tuplet.actual}` : ''}`)),
    ),
  );
};

describe('a place finer than a thirty-second in an exact file', () => {
  it('is rounded where a lone note has it', () => {
    // A twenty-fourth of a quarter before the beat, and nothing near.
    const notes = eighths(32).map((note, i) => (i % 8 === 5 ? { ...note, at: note.at - 1 / 24 } : note));
    expect(written(notes)).toEqual(written(eighths(32)));
    expect([...typesOf(notes)].filter((type) => /32nd|64th|128th/.test(type))).toEqual([]);
  });
  it('is a spread chord where its notes sound on together', () => {
    const spread = [0, 4, 8, 12].flatMap((at) =>
      [0, 4, 7].map((above, i) => ({ key: 60 + above, at: at + i / 24, length: 3.5 - i / 24 })),
    );
    const types = typesOf(spread);
    expect([...types].filter((type) => / |32nd|64th|128th/.test(type))).toEqual([]);
  });
  it('stays in a run of sixty-fourths, and in a quintuplet', () => {
    const run = [
      ...eighths(16),
      ...Array.from({ length: 16 }, (_, i) => ({ key: 72 - i, at: 8 + i / 16, length: 1 / 16 })),
    ];
    expect(typesOf(run).has('64th')).toBe(true);
    const five = [
      ...eighths(16),
      ...Array.from({ length: 5 }, (_, i) => ({ key: 72 - i, at: 8 + i / 5, length: 1 / 5 })),
    ];
    expect([...typesOf(five)].some((type) => type.endsWith(' 5'))).toBe(true);
  });
  it('does not end a note either', () => {
    // Cut at a fifth of a sixteenth: not a sixty-fourth and its rest.
    const cut = eighths(32).map((note, i) => (i % 3 === 1 ? { ...note, length: 0.3125 } : note));
    expect([...typesOf(cut)].filter((type) => /64th|128th/.test(type))).toEqual([]);
  });
});
