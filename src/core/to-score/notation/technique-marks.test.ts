import { describe, expect, it } from 'vitest';
import { line, performanceOf, type HandNote } from '../../../testing/music';
import { writeMusicXml } from '../../musicxml';
import { schemaErrors } from '../../../testing/musicxml-schema';
import type { TechniqueId } from '../../instruments';
import { toScore } from '../index';
import { techniqueMarks } from './technique-marks';
import { NO_SETTINGS } from '../../settings';

const wordsOf = (...techniques: (TechniqueId | null)[]) => wordsIn('strings', ...techniques);
const wordsIn = (family: 'strings' | 'brass', ...techniques: (TechniqueId | null)[]) => {
  const notes = techniques.map((_, id) => ({ id, start: id * 100 }));
  const marks = techniqueMarks(
    notes,
    new Map(techniques.flatMap((technique, id) => (technique ? [[id, technique] as const] : []))),
    { family, unpitched: false },
  );
  return notes.map(({ id }) => (marks.get(id)?.words ?? []).join(' '));
};

describe('technique marks', () => {
  // Common practice of string parts, no source.
  it('stand where the way of playing changes, and only there', () => {
    expect(wordsOf('legato', 'pizzicato', 'pizzicato', null, 'long')).toEqual(['', 'pizz.', '', 'arco', '']);
    expect(wordsOf('pizzicato')).toEqual(['pizz.']);
    expect(wordsOf('muted', 'muted', 'open')).toEqual(['con sord.', '', 'senza sord.']);
    expect(wordsOf('sul-ponticello', 'sul-tasto', 'legato')).toEqual(['sul pont.', 'sul tasto', 'ord.']);
    expect(wordsOf('muted', 'pizzicato', 'col-legno', 'legato')).toEqual([
      'con sord.',
      'pizz. senza sord.',
      'col legno',
      'arco',
    ]);
  });
  // Common practice of band parts, no source.
  it('name the mute of a brass player, and open after it', () => {
    expect(wordsIn('brass', 'straight-mute', 'cup-mute', 'open', 'stopped', null, 'muted', null)).toEqual([
      'straight mute',
      'cup mute',
      'open',
      'stopped',
      'open',
      'con sord.',
      'senza sord.',
    ]);
  });
  it('are signs where signs exist', () => {
    const marks = techniqueMarks(
      [
        { id: 0, start: 0 },
        { id: 1, start: 1 },
        { id: 2, start: 2 },
      ],
      new Map<number, TechniqueId>([
        [0, 'tremolo'],
        [1, 'staccato'],
        [2, 'harmonics'],
      ]),
      { family: 'strings', unpitched: false },
    );
    expect([...marks.values()]).toEqual([{ tremolo: 3 }, { articulations: ['staccato'] }, { harmonic: true }]);
  });
  it('reach the MusicXML of a gathered part, each at its place', async () => {
    const later = (notes: HandNote[], by: number) => notes.map((note) => ({ ...note, at: note.at + by }));
    const { score } = toScore(
      performanceOf([
        { name: 'Vln 1 leg', notes: line([72, 1], [74, 1], [76, 2]) },
        { name: 'Vln 1 pizz', notes: later(line([72, 1], [74, 1], [76, 1], [77, 1]), 4) },
        { name: 'Vln 1 trem', notes: later(line([79, 6]), 8) },
        { name: 'Vln 1 stacc', notes: later(line([72, 1], [74, 1]), 14) },
      ]),
      NO_SETTINGS,
    );
    expect(score.parts).toHaveLength(1);
    const xml = writeMusicXml(score);
    expect(await schemaErrors(xml)).toEqual([]);
    const measures = xml.split('<measure ').slice(1);
    expect(
      measures.map((measure) => [...measure.matchAll(/<words>([^<]+)<\/words>/g)].map((match) => match[1]).join()),
    ).toEqual(['', 'pizz.', 'arco', '']);
    expect(measures[1]).toContain('pizzicato="yes"');
    // The tremolo goes on over the barline; staccato stands once on each note.
    expect(measures.map((measure) => measure.split('<tremolo').length - 1)).toEqual([0, 0, 1, 1]);
    expect(measures[3]!.split('<staccato').length - 1).toBe(2);
  });
});
