import { strFromU8, unzipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { demoMechanical, demoOriginal } from '../../../demo/make';
import { heardByVerovio } from '../../testing/engraver';
import { keySignature, line, meter, performanceOf, tempo, type HandTrack } from '../../testing/music';
import { schemaErrors } from '../../testing/musicxml-schema';
import { CATALOGUE } from '../instruments';
import { performanceFromSmf } from '../performance';
import { readSmf } from '../smf';
import { soundsOf, type Score, type ScoreNote, type VoiceBar } from '../score';
import { QUARTER } from '../time';
import { toScore } from '../to-score';
import { barAccidentals, notesOnStaff, signatureAlter } from '../score';
import { compressMusicXml, writeMusicXml } from './index';
import { NO_SETTINGS } from '../settings';

const scoreOf = (tracks: HandTrack[], conductor = [tempo(0, 100)]) =>
  toScore(performanceOf(tracks, conductor), NO_SETTINGS).score;
const demo = (bytes: Uint8Array) => toScore(performanceFromSmf(readSmf(bytes)), NO_SETTINGS).score;

const third = 1 / 3;
const scores: [string, () => Score][] = [
  ['the demo as received', () => demo(demoOriginal())],
  ['the demo played by a machine', () => demo(demoMechanical())],
  [
    'tuplets',
    () =>
      scoreOf([
        {
          name: 'Flute',
          notes: line(
            [72, third],
            [74, third],
            [76, third],
            [77, 0.2],
            [77, 0.2],
            [77, 0.2],
            [77, 0.2],
            [77, 0.2],
            [79, 2 / 3],
            [77, 2 / 3],
            [76, 2 / 3],
          ),
        },
      ]),
  ],
  [
    'two voices and chords on a guitar',
    () =>
      scoreOf([
        {
          name: 'Guitar',
          notes: [
            { key: 40, at: 0, length: 4 },
            ...line([64, 1], [65, 0.5], [67, 0.5], [69, 2]),
            { key: 60, at: 0, length: 1 },
          ],
        },
      ]),
  ],
  [
    'a pickup, compound meter and a new key',
    () =>
      scoreOf(
        [{ name: 'Oboe', notes: line([67, 0.5], [72, 1], [74, 0.5], [76, 1.5], [72, 3]) }],
        [meter(0, 1, 8), meter(0.5, 6, 8), keySignature(0, 0), keySignature(3.5, -3, true)],
      ),
  ],
  ['awkward characters in names', () => scoreOf([{ name: 'A & B <"solo">\u0001', notes: line([60, 4]) }])],
  [
    'no notes',
    () =>
      scoreOf([
        { name: 'Flute', notes: [] },
        { name: 'Oboe', notes: line([60, 1]) },
      ]),
  ],
];

describe('written files', () => {
  it.each(scores)('are valid against the W3C schema: %s', async (_, make) => {
    expect(await schemaErrors(writeMusicXml(make()))).toEqual([]);
  });

  it.each(scores)('sound in verovio as they are written: %s', async (_, make) => {
    const score = make();
    const heard = await heardByVerovio(writeMusicXml(score));
    // verovio gives every staff a track of its own.
    const staves = score.parts.flatMap((part) => part.clefs.map((_clef, s) => ({ part, staff: s + 1 })));
    const ours = staves.map(({ part, staff }) =>
      soundsOf(part, score.bars)
        .filter((sound) => sound.staff === staff)
        .map((sound) => ({ key: sound.key, start: sound.start / QUARTER })),
    );
    const pitched = staves.map(({ part }) => !part.unpitched);
    ours.forEach((sounds, p) => {
      const theirs = heard[p]!.map(({ key, start }) => ({ key, start }));
      // Unpitched notes have no key of their own for a reader without our drum map: places only.
      if (!pitched[p])
        expect(theirs.map((note) => note.start.toFixed(2))).toEqual(sounds.map((note) => note.start.toFixed(2)));
      else {
        expect(theirs.map((note) => note.key)).toEqual(sounds.map((note) => note.key));
        theirs.forEach((note, i) => expect(note.start).toBeCloseTo(sounds[i]!.start, 1));
      }
    });
  });

  it('sounds at the original pitch for every instrument of the catalogue, in flat and sharp keys', async () => {
    for (const fifths of [-4, 3]) {
      const pitched = CATALOGUE.filter((instrument) => !instrument.unpitched);
      const base = toScore(
        performanceOf(
          pitched.map((instrument) => ({
            notes: line(
              [Math.min(instrument.range[1] - 4, Math.max(instrument.range[0], 60)), 2],
              [Math.min(instrument.range[1] - 4, Math.max(instrument.range[0], 60)) + 3, 2],
            ),
          })),
          [keySignature(0, fifths)],
        ),
        {
          ...NO_SETTINGS,
          instruments: Object.fromEntries(pitched.map((instrument, i) => [`t${i + 1}`, instrument.id])),
        },
      ).score;
      expect(base.parts).toHaveLength(pitched.length);
      const heard = await heardByVerovio(writeMusicXml(base));
      const staves = base.parts
        .flatMap((part) =>
          part.clefs.map((_clef, s) => ({
            part,
            sounds: soundsOf(part, base.bars).filter((sound) => sound.staff === s + 1),
          })),
        )
        .filter(({ sounds }) => sounds.length > 0);
      staves.forEach(({ part, sounds }, s) =>
        expect(
          heard[s]!.map((note) => note.key),
          part.name,
        ).toEqual(sounds.map((sound) => sound.key)),
      );
    }
  });

  it('gives the same bytes for the same score', () => {
    expect(writeMusicXml(demo(demoOriginal()))).toBe(writeMusicXml(demo(demoOriginal())));
    expect(compressMusicXml('<x/>')).toEqual(compressMusicXml('<x/>'));
  });

  it('names the score in the container of a compressed file (MusicXML 3.0)', () => {
    const files = unzipSync(compressMusicXml('<score-partwise/>'));
    expect(Object.keys(files)[0]).toBe('mimetype');
    expect(strFromU8(files['META-INF/container.xml']!)).toContain('full-path="score.musicxml"');
    expect(strFromU8(files['score.musicxml']!)).toBe('<score-partwise/>');
  });

  it('carries names, sounds, transposition, tempo and markers', () => {
    const xml = writeMusicXml(demo(demoOriginal()));
    for (const piece of [
      '<work-title>The Clockmaker’s Goose, cue 3</work-title>',
      '<part-name>Clarinet in B♭</part-name>',
      '<instrument-sound>wind.reed.clarinet.bflat</instrument-sound>',
      '<chromatic>-2</chromatic>',
      '<octave-change>-1</octave-change>',
      '<per-minute>138</per-minute>',
      'tempo="138"',
      'Goose waltz',
      '<midi-unpitched>37</midi-unpitched>',
      '<group-symbol>bracket</group-symbol>',
      '<bar-style>light-heavy</bar-style>',
    ])
      expect(xml).toContain(piece);
  });
});

describe('accidentals', () => {
  it('reads signatures by the circle of fifths (music theory textbooks)', () => {
    const altered = (fifths: number) =>
      (['C', 'D', 'E', 'F', 'G', 'A', 'B'] as const).filter((step) => signatureAlter({ step }, fifths) !== 0).join('');
    expect([-7, -4, -1, 0, 1, 3, 7].map(altered)).toEqual(['CDEFGAB', 'DEAB', 'B', '', 'F', 'CFG', 'CDEFGAB']);
    expect(signatureAlter({ step: 'B' }, -1)).toBe(-1);
    expect(signatureAlter({ step: 'F' }, 1)).toBe(1);
  });
  it('prints an accidental once a bar, takes it back, and prints none on a tied note', () => {
    const note = (alter: number, tieFromLast = false): ScoreNote => ({
      key: 77 + alter,
      pitch: { step: 'F', alter, octave: 5 },
      tieFromLast,
      tieToNext: false,
      played: [],
    });
    const notes = [note(0, true), note(0), note(0), note(1), note(0)];
    const voice: VoiceBar = {
      staff: 1,
      voice: 1,
      symbols: notes.map((one, i) => ({ at: i * QUARTER, duration: QUARTER, type: 'quarter', dots: 0, notes: [one] })),
    };
    const { printed } = barAccidentals(notesOnStaff({ voices: [voice] }, 1), () => 1);
    expect(notes.map((one) => printed.get(one)?.sign ?? '')).toEqual(['', 'natural', '', 'sharp', 'natural']);
  });
});
