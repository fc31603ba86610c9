import { partId } from '../../base';
import { describe, expect, it } from 'vitest';
import { line, performanceOf } from '../../../testing/music';
import { schemaErrors } from '../../../testing/musicxml-schema';
import { instrumentById } from '../../instruments';
import { writeMusicXml } from '../../musicxml';
import { clefsAt, sliceScore } from '../../score';
import { clefChoices, toScore } from '../index';
import { NO_SETTINGS } from '../../settings';

const bar = (key: number): [number, number][] => [
  [key, 1],
  [key + 2, 1],
  [key + 4, 1],
  [key + 2, 1],
];
const convert = (name: string, keys: number[], settings = NO_SETTINGS) =>
  toScore(performanceOf([{ name, notes: line(...keys.flatMap(bar)) }]), settings).score;
const changes = (name: string, keys: number[]) =>
  convert(name, keys).parts[0]!.clefChanges.map(({ bar: at, clef }) => [at, clef]);

describe('clefs', () => {
  // Usual orchestration handbooks, from memory.
  it('are those that an instrument reads', () => {
    expect(clefChoices(instrumentById('cello'), 1)).toEqual(['bass', 'tenor', 'treble']);
    expect(clefChoices(instrumentById('viola'), 1)).toEqual(['alto', 'treble']);
    expect(clefChoices(instrumentById('flute'), 1)).toEqual(['treble']);
    expect(clefChoices(instrumentById('piano'), 2)).toEqual(['bass', 'treble']);
    expect(clefChoices(instrumentById('drum-kit'), 1)).toEqual(['percussion']);
  });
  it('change where a part stays high, and back', () => {
    expect(changes('Cello', [48, 48, 77, 77, 77, 77, 36, 36])).toEqual([
      [2, 'treble'],
      [6, 'bass'],
    ]);
    expect(changes('Viola', [60, 79, 81, 79, 50, 50, 50])).toEqual([
      [1, 'treble'],
      [4, 'alto'],
    ]);
  });
  it('prefer the tenor clef for what lies between', () => {
    expect(changes('Cello', [48, 48, 69, 69, 69, 69])).toEqual([[2, 'tenor']]);
  });
  it('stay for a short excursion, and for what a staff can bear', () => {
    expect(changes('Cello', [48, 48, 57, 48, 48])).toEqual([]);
    expect(changes('Viola', [60, 67, 67, 60])).toEqual([]);
  });
  it('may be the second one from the start, and are kept when that is wished', () => {
    const high = convert('Cello', [72, 72, 72, 72]);
    expect(clefsAt(high.parts[0]!, 0)).toEqual(['treble']);
    expect(
      convert('Cello', [48, 48, 69, 69, 69, 69], { ...NO_SETTINGS, fixedClefs: { [partId('t1')]: true } }).parts[0]!
        .clefChanges,
    ).toEqual([]);
  });
  it('reach the MusicXML at their bars, and a passage starts with the one in force', async () => {
    const score = convert('Cello', [48, 48, 77, 77, 77, 77, 36, 36]);
    const xml = writeMusicXml(score);
    expect(await schemaErrors(xml)).toEqual([]);
    expect(
      xml
        .split('<measure ')
        .slice(1)
        .map((measure) => /<sign>(.)<\/sign>/.exec(measure)?.[1] ?? ''),
    ).toEqual(['F', '', 'G', '', '', '', 'F', '']);
    expect(sliceScore(score, [partId('t1')], 3, 8).parts[0]).toMatchObject({
      clefs: ['treble'],
      clefChanges: [{ bar: 3, clef: 'bass' }],
    });
  });
});
