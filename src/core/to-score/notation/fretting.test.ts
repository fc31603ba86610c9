import { partId } from '../../base';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PASSAGES, fingeringsRight } from '../../../../bench/fingerings';
import { performanceOf } from '../../../testing/music';
import { schemaErrors } from '../../../testing/musicxml-schema';
import { tuningsOf } from '../../instruments';
import { writeMusicXml } from '../../musicxml';
import { QUARTER } from '../../time';
import { fret, type FrettedNote } from './fretting';
import { toScore } from '../index';
import { NO_SETTINGS } from '../../settings';

const GUITAR = [...tuningsOf('guitar')[0]!.strings];
const chord = (...keys: number[]): FrettedNote[] => keys.map((key, id) => ({ id, key, start: 0, end: QUARTER }));
const shape = (keys: number[], capo = 0) => {
  const { fingerings } = fret(chord(...keys), { tuning: GUITAR, capo });
  return [6, 5, 4, 3, 2, 1]
    .map((string) => [...fingerings.values()].find((one) => one.string === string)?.fret ?? 'x')
    .join(' ');
};

describe('fretting', () => {
  // Open strings: tunings of guitar handbooks, from memory.
  it('knows the usual tunings', () => {
    expect(GUITAR).toEqual([40, 45, 50, 55, 59, 64]);
    expect(tuningsOf('bass-guitar')[0]!.strings).toEqual([28, 33, 38, 43]);
    for (const id of ['acoustic-guitar', 'electric-guitar'] as const) expect(tuningsOf(id)[0]!.strings).toEqual(GUITAR);
    expect(tuningsOf('flute')).toEqual([]);
  });
  // Chord shapes of guitar methods, from memory.
  it('finds the shapes that guitarists know', () => {
    expect(shape([40, 47, 52, 56, 59, 64])).toBe('0 2 2 1 0 0');
    expect(shape([48, 52, 55, 60, 64])).toBe('x 3 2 0 1 0');
    expect(shape([41, 48, 53, 57, 60, 65])).toBe('1 3 3 2 1 1');
    expect(shape([50, 57, 62, 66])).toBe('x x 0 2 3 2');
  });
  it('counts frets from the capo', () => {
    expect(shape([42, 49, 54, 58, 61, 66], 2)).toBe('0 2 2 1 0 0');
    expect(shape([41], 2)).toBe('x x x x x x');
  });
  it('plays most of what methods teach as they teach it', () => {
    const { rows } = fingeringsRight();
    expect(rows).toHaveLength(PASSAGES.length);
    for (const name of [
      'C major scale, first position',
      'open chords',
      'barre chords on the sixth string',
      'walking bass in F',
    ]) {
      const row = rows.find((one) => one.name === name)!;
      expect([name, row.right]).toEqual([name, row.notes]);
    }
  });
  it('says which chords no hand can hold, and shows the highest notes of them', () => {
    const { impossible, fingerings } = fret(chord(40, 41, 42), { tuning: GUITAR, capo: 0 });
    expect(impossible).toEqual([{ at: 0, notes: [0, 1, 2] }]);
    expect([...fingerings.keys()]).toEqual([2]);
    expect(fret(chord(40, 45, 50, 55, 59, 64, 67), { tuning: GUITAR, capo: 0 }).impossible).toHaveLength(1);
  });
  it('gives every note its own string, and a fret that sounds it', () => {
    const notes = fc.array(fc.tuple(fc.integer({ min: 40, max: 80 }), fc.integer({ min: 0, max: 7 })), {
      minLength: 1,
      maxLength: 16,
    });
    fc.assert(
      fc.property(notes, fc.constantFrom(0, 2, 5), (list, capo) => {
        const given = list.map(([key, place], id): FrettedNote => ({
          id,
          key,
          start: place * QUARTER,
          end: (place + 1) * QUARTER,
        }));
        const { fingerings, impossible } = fret(given, { tuning: GUITAR, capo });
        const doubtful = new Set(impossible.flatMap((one) => one.notes));
        for (const note of given) {
          const one = fingerings.get(note.id);
          if (!one) expect(doubtful.has(note.id)).toBe(true);
          else expect(GUITAR[6 - one.string]! + capo + one.fret).toBe(note.key);
        }
        for (const place of new Set(given.map((note) => note.start))) {
          const strings = given
            .filter((note) => note.start === place)
            .flatMap((note) => fingerings.get(note.id)?.string ?? []);
          expect(new Set(strings).size).toBe(strings.length);
        }
      }),
      { numRuns: 200 },
    );
  });
  it('is written as the standard wants it: tuning, string and fret, an octave above what sounds', async () => {
    const performance = performanceOf([
      {
        name: 'Acoustic Guitar',
        program: 25,
        notes: [
          { key: 48, at: 0, length: 4 },
          { key: 52, at: 0, length: 4 },
          { key: 55, at: 0, length: 4 },
        ],
      },
    ]);
    const written = (show: 'tablature' | 'both') =>
      writeMusicXml(
        toScore(performance, { ...NO_SETTINGS, tablatures: { [partId('t1')]: { show, tuning: GUITAR, capo: 1 } } })
          .printed,
      );
    const both = written('both');
    expect(await schemaErrors(both)).toEqual([]);
    expect(both).toContain('<staff-tuning line="1">');
    expect(both.match(/<tuning-step>(.)<\/tuning-step>/g)?.join('')).toMatch(/E.*A.*D.*G.*B.*E/);
    expect(both).toContain('<capo>1</capo>');
    expect(both.match(/<string>\d<\/string>\s*<fret>\d<\/fret>/g)).toHaveLength(3);
    expect(both).toContain('<octave-change>-1</octave-change>');
    const only = written('tablature');
    expect(await schemaErrors(only)).toEqual([]);
    expect(only.match(/<sign>(\w+)<\/sign>/g)).toEqual(['<sign>TAB</sign>']);
  });
});
