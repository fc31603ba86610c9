import { partId } from '../base';
import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { line, performanceOf } from '../../testing/music';
import { performanceFromSmf } from '../performance';
import { soundsOf } from '../score';
import { readSmf } from '../smf';
import { QUARTER } from '../time';
import { toScore } from '../to-score';
import { passageOf } from './index';
import { NO_SETTINGS } from '../settings';

const performance = performanceFromSmf(readSmf(demoOriginal()));
const conversion = toScore(performance, NO_SETTINGS);

describe('a passage', () => {
  const passage = passageOf(conversion, performance, [partId('t8'), partId('t1')], 8, 12);

  it('holds the bars and parts asked for, in that order', () => {
    expect(passage.bars.map((bar) => bar.number)).toEqual([9, 10, 11, 12]);
    expect(passage.parts.map((part) => [part.name, part.staves])).toEqual([
      ['Violin 1', 1],
      ['Flute', 1],
    ]);
    expect(passage.beats).toHaveLength(4 * 3);
    expect(passage.start).toBe(32 * QUARTER);
  });

  it('gives every engraved note an identifier that leads to what was played there', () => {
    const ids = [...passage.mei.matchAll(/<note xml:id="(n\d+)"/g)].map((match) => match[1]!);
    expect(new Set(ids).size).toBe(ids.length);
    expect(Object.keys(passage.links).sort()).toEqual([...ids].sort());
    const start = passage.start;
    const end = start + 4 * 3 * QUARTER;
    const flute = conversion.score.parts.find((part) => part.name === 'Flute')!;
    const inside = soundsOf(flute, conversion.score.bars).filter((sound) => sound.start >= start && sound.start < end);
    for (const sound of inside)
      expect(
        Object.values(passage.links).some((link) => link.at === sound.start && link.played[0] === sound.played[0]),
      ).toBe(true);
  });

  it('shows notes as they were received, lead and all, with the place they are written on', () => {
    const violin = passage.parts[0]!;
    const first = violin.played.find((mark) => mark.written?.start === passage.start)!;
    // 121 ms early at 96 a minute is about a fifth of a beat.
    expect((first.written!.start - first.start) / QUARTER).toBeGreaterThan(0.1);
    expect((first.written!.start - first.start) / QUARTER).toBeLessThan(0.3);
    expect(violin.lowest).toBeLessThanOrEqual(violin.highest);
  });

  it('draws the fitted grid only where beats are divided', () => {
    const [violin, flute] = passage.parts;
    expect(violin!.grid).toEqual([]);
    expect(flute!.grid.length).toBeGreaterThan(0);
    expect(flute!.grid.every((place) => !passage.beats.some((beat) => beat === place))).toBe(true);
  });

  it('has a final barline only at the end of the piece', () => {
    expect(passage.mei).not.toContain('right="end"');
    expect(passageOf(conversion, performance, [partId('t1')], 26, 28).mei).toContain('right="end"');
  });

  it('links two played notes to the one note they are written as', () => {
    const twice = performanceOf([
      { name: 'Piano', notes: [...line([60, 1], [62, 1]), { key: 60, at: 0.01, length: 1 }] },
    ]);
    const both = passageOf(toScore(twice, NO_SETTINGS), twice, [partId('t1')], 0, 1);
    expect(both.parts[0]!.played).toHaveLength(3);
    expect(both.parts[0]!.played.every((mark) => mark.written !== null)).toBe(true);
    expect(
      Object.values(both.links)
        .map((link) => link.played.length)
        .sort(),
    ).toEqual([1, 2]);
  });
});
