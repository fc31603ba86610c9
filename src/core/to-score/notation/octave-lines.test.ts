import { partId } from '../../base';
import { describe, expect, it } from 'vitest';
import { line, performanceOf } from '../../../testing/music';
import { schemaErrors } from '../../../testing/musicxml-schema';
import { heardByVerovio } from '../../../testing/engraver';
import { instrumentById } from '../../instruments';
import { writeMusicXml } from '../../musicxml';
import { QUARTER } from '../../time';
import { toScore } from '../index';
import { NO_SETTINGS } from '../../settings';

const keys = (key: number): [number, number][] => [
  [key, 1],
  [key + 2, 1],
  [key + 4, 1],
  [key + 2, 1],
];
const convert = (name: string, list: number[], settings = NO_SETTINGS) =>
  toScore(performanceOf([{ name, notes: line(...list.flatMap(keys)) }]), settings).score;
const lines = (name: string, list: number[]) =>
  convert(name, list).parts[0]!.lines.octaveLines.map(({ start, end, octaves }) => [
    start / QUARTER / 4,
    end / QUARTER / 4,
    octaves,
  ]);

describe('octave lines', () => {
  // Who reads them: orchestration handbooks, from memory.
  it('are for keyboards, harp, mallets and violins, not for winds', () => {
    expect(['piano', 'harp', 'violin', 'glockenspiel'].map((id) => instrumentById(id).octaveLines)).toEqual([
      true,
      true,
      true,
      true,
    ]);
    expect(['flute', 'trumpet-bflat', 'cello', 'drum-kit'].map((id) => instrumentById(id).octaveLines)).toEqual([
      false,
      false,
      false,
      false,
    ]);
  });
  it('stand where ledger lines pile up, and end where they do not', () => {
    expect(lines('Violin', [74, 96, 96, 98, 76])).toEqual([[1, 4, 1]]);
    expect(lines('Flute', [74, 93, 93, 93, 76])).toEqual([]);
    expect(lines('Violin', [74, 84, 84, 76])).toEqual([]);
  });
  it('are written so that readers sound the same pitches', async () => {
    const score = convert('Violin', [74, 96, 96, 98, 76]);
    const xml = writeMusicXml(score);
    expect(await schemaErrors(xml)).toEqual([]);
    expect(xml).toContain('<octave-shift type="down" number="1" size="8"/>');
    const [heard] = await heardByVerovio(xml);
    expect(heard!.map((note) => note.key)).toEqual(
      [74, 96, 96, 98, 76].flatMap((key) => [key, key + 2, key + 4, key + 2]),
    );
  });
  it('can be done without', () => {
    expect(
      convert('Violin', [74, 96, 96, 98, 76], { ...NO_SETTINGS, plainOctaves: { [partId('t1')]: true } }).parts[0]!
        .lines.octaveLines,
    ).toEqual([]);
  });
});
