import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { many } from '../../testing/tiers';
import { corpus } from '../../../bench/corpus';
import { EXACT_TAKES, playTake } from '../../../bench/takes';
import { barOf, chordBar, named, plainPart, plainScore } from '../../testing/scores';
import { everyMark } from '../../testing/every-mark';
import { partId } from '../base';
import { readMusicXml, writeMusicXml } from '../musicxml';
import { performanceFromSmf } from '../performance';
import { checkScore, soundsOf, type Part, type Score } from '../score';
import { NO_SETTINGS } from '../settings';
import { readSmf } from '../smf';
import { QUARTER } from '../time';
import { toScore } from '../to-score';
import { EXTRACTS, extractOf } from './extracts';
import { fitToHands, type HandSound } from './keyboard-hands';
import { melodyOf } from './lead-sheet';

const [LEAD, PIANO] = EXTRACTS as [(typeof EXTRACTS)[number], (typeof EXTRACTS)[number]];
const made = (score: Score, extract = PIANO, settings = NO_SETTINGS.extracts): { score: Score; part: Part } => {
  const out = extractOf(score, extract, settings);
  return { score: out, part: out.parts[0]! };
};
const keysOf = ({ score, part }: { score: Score; part: Part }) =>
  soundsOf(part, score.bars).map(({ start, key }) => [start / QUARTER, key]);
const sound = (key: number, start = 0, end = start + 4): HandSound => ({
  start: start * QUARTER,
  end: end * QUARTER,
  key,
  pitch: named(key),
});
const fitted = (...sounds: HandSound[]) => fitToHands(sounds).map(({ key }) => key);

describe('what two hands can hold', () => {
  it('is a chord within their reach, each key once', () => {
    expect(fitted(sound(48), sound(55), sound(64), sound(64), sound(72))).toEqual([48, 55, 64, 72]);
  });
  it('thins a score as the picture in the code shows it', () => {
    const [c3, c4, e4, g4, c5, e6, g5] = [48, 60, 64, 67, 72, 88, 79];
    expect(fitted(...[e6, c5, g4, e4, c4, c3].map((key) => sound(key)))).toEqual([c3, c4, g5, e6]);
  });
  it('keeps the highest and the lowest note, and takes what lies out of reach an octave nearer', () => {
    // C2 … F4 … C7: nobody reaches the F.
    expect(fitted(sound(36), sound(65), sound(96))).toEqual([36, 89, 96]);
    // A doubled octave between is left away.
    expect(fitted(sound(36), sound(60), sound(96))).toEqual([36, 96]);
  });
  it('lets a held note go where it is in the way, and a key that is struck again', () => {
    const held = fitToHands([sound(36), sound(96), sound(60, 1, 3), sound(36, 2, 3)]);
    expect(held.filter(({ key }) => key === 36).map(({ start, end }) => [start / QUARTER, end / QUARTER])).toEqual([
      [0, 2],
      [2, 3],
    ]);
  });
  it('is playable and has every outer note, whatever is played', () => {
    const arb = fc.array(fc.record({ key: fc.integer({ min: 24, max: 100 }), start: fc.integer({ min: 0, max: 8 }) }), {
      minLength: 1,
      maxLength: 40,
    });
    fc.assert(
      fc.property(arb, (list) => {
        const sounds = list.map(({ key, start }) => sound(key, start, start + 1));
        const kept = fitToHands(sounds);
        for (const start of new Set(sounds.map((one) => one.start))) {
          const all = sounds.filter((one) => one.start === start).map(({ key }) => key);
          const now = kept.filter((one) => one.start === start).map(({ key }) => key);
          expect(now).toContain(Math.max(...all));
          expect(now).toContain(Math.min(...all));
          expect(new Set(now).size).toBe(now.length);
          // Pitches come from the music; only octaves may differ.
          for (const key of now) expect(all.map((one) => one % 12)).toContain(key % 12);
          expect(now.length).toBeLessThanOrEqual(9);
        }
      }),
      { seed: 19, numRuns: many(50, 200) },
    );
  });
});

describe('a piano reduction', () => {
  it('has what the parts have, on two staves, at sounding pitch, under one name', () => {
    const clarinet = plainPart([barOf([70, 2], [72, 2])], {
      id: partId('t2'),
      name: 'Clarinet',
      instrument: 'clarinet-bflat',
      transposition: 2,
      transpositionSteps: 1,
      writtenKeys: [2],
    });
    const written = clarinet.bars[0]!.voices[0]!.symbols.flatMap(({ notes }) => notes);
    for (const note of written) note.pitch = named(note.key + 2);
    const bass = plainPart([chordBar(43)], { id: partId('t3'), name: 'Bass', clefs: ['bass'] });
    const { part, score } = made(plainScore([clarinet, bass]));
    expect(part).toMatchObject({ id: 'piano-reduction', name: 'Piano reduction', clefs: ['treble', 'bass'] });
    expect(keysOf({ part, score })).toEqual([
      [0, 43],
      [0, 70],
      [2, 72],
    ]);
    expect(checkScore(score)).toEqual([]);
    expect(soundsOf(part, score.bars).map(({ pitch }) => pitch.step)).toEqual(['G', 'B', 'C']);
  });

  it('is of the chosen parts; those that are gone, or have no pitches, are no choice', () => {
    const high = plainPart([chordBar(76)], { id: partId('t1') });
    const low = plainPart([chordBar(48)], { id: partId('t2') });
    const keys = (reduced: string[]) =>
      keysOf(made(plainScore([high, low]), PIANO, { melody: null, reduced: reduced.map(partId) })).map(
        ([, key]) => key,
      );
    expect(keys(['t2'])).toEqual([48]);
    expect(keys(['t9'])).toEqual([48, 76]);
  });

  it('has the dynamics that most parts have, and repeats, tempos and words of the piece', () => {
    const marked = (id: string, level: 'f' | 'p', key: number) =>
      plainPart([chordBar(key), chordBar(key)], {
        id: partId(id),
        lines: { ...plainPart([]).lines, dynamics: [{ at: 0, staff: 1, level }] },
      });
    const score = plainScore([marked('t1', 'f', 72), marked('t2', 'f', 64), marked('t3', 'p', 48)], undefined, {
      signs: { 1: { repeatEnd: { times: 2 } } },
      tempos: [{ at: 0, bpm: 90, shown: true, words: 'Slow' }],
      title: 'A title',
    });
    const out = made(score);
    expect(out.part.lines.dynamics).toEqual([{ at: 0, staff: 1, level: 'f' }]);
    expect(out.score).toMatchObject({ signs: score.signs, tempos: score.tempos, title: 'A title' });
  });

  it('is sound, and reads back as it was, over the corpus and over scores with every mark', () => {
    const scores = corpus(3)
      .filter((_, i) => i % 4 === 0)
      .map((piece) => toScore(performanceFromSmf(readSmf(playTake(piece, EXACT_TAKES[0]!, 3))), NO_SETTINGS).printed);
    for (const score of scores.filter(({ parts }) => parts.some(({ unpitched }) => !unpitched)))
      for (const extract of EXTRACTS) {
        const out = made(score, extract);
        expect(checkScore(out.score)).toEqual([]);
        const back = readMusicXml(new TextEncoder().encode(writeMusicXml(out.score, {}))).score;
        expect(keysOf({ score: back, part: back.parts[0]! })).toEqual(keysOf(out));
      }
    fc.assert(
      fc.property(everyMark, (score) => {
        for (const extract of EXTRACTS) expect(checkScore(made(score, extract).score)).toEqual([]);
      }),
      { seed: 4, numRuns: many(15, 40) },
    );
  });

  it('cannot be made of drums alone, and says so', () => {
    const drums = plainPart([barOf([38, 4])], { unpitched: true });
    for (const extract of EXTRACTS) expect(() => made(plainScore([drums]), extract)).toThrow(/No part has pitches/);
  });
});

describe('a lead sheet', () => {
  const tune = plainPart([barOf([72, 1], [74, 1], [76, 2]), chordBar(60, 65, 72)], { id: partId('t1'), name: 'Tune' });
  const chords = plainPart([chordBar(48, 52, 55), chordBar(53, 57, 60)], { id: partId('t2'), name: 'Chords' });

  it('is the highest line of the part with the chords of all of them', () => {
    const out = made(plainScore([tune, chords]), LEAD, { melody: partId('t1'), reduced: null });
    expect(keysOf(out).map(([, key]) => key)).toEqual([72, 74, 76, 72]);
    expect(out.part.harmonies?.map(({ at, root, kind }) => [at / QUARTER, root?.step, kind])).toEqual([
      [0, 'C', 'major'],
      [4, 'F', 'major'],
    ]);
    expect(out.part.name).toBe('Lead sheet');
  });

  it('believes symbols that are written', () => {
    const own = { ...tune, harmonies: [{ at: 0, root: { step: 'A' as const, alter: 0 }, kind: 'minor' as const }] };
    expect(made(plainScore([own, chords]), LEAD).part.harmonies).toEqual(own.harmonies);
  });

  it('keeps words and fermatas, and none of how an instrument plays it', () => {
    const sung = plainPart([
      barOf([
        72,
        4,
        { lyrics: [{ verse: 1, text: 'la', syllabic: 'single' }], articulations: ['accent'], bowing: 'up' },
      ]),
    ]);
    const [symbol] = made(plainScore([sung]), LEAD).part.bars[0]!.voices[0]!.symbols;
    expect(symbol!.marks).toEqual({ lyrics: [{ verse: 1, text: 'la', syllabic: 'single' }] });
  });

  it('takes the part that is sung, otherwise the one above', () => {
    const low = { ...tune, id: partId('t3'), bars: [barOf([50, 1], [52, 1], [53, 2]), chordBar(50)] };
    expect(melodyOf(plainScore([chords, tune, low]))).toBe('t1');
    const words = { lyrics: [{ verse: 1, text: 'la', syllabic: 'single' as const }] };
    const sung = { ...low, bars: [barOf([50, 4, words]), chordBar(50)] };
    expect(melodyOf(plainScore([tune, sung]))).toBe('t3');
    expect(melodyOf(plainScore([{ ...tune, unpitched: true }]))).toBeNull();
  });

  it('ties no note to one that was left away', () => {
    const tied = plainPart([chordBar(60, 72), barOf([60, 4])]);
    const [chord, low] = [tied.bars[0]!.voices[0]!.symbols[0]!, tied.bars[1]!.voices[0]!.symbols[0]!];
    chord.notes[0]!.tieToNext = true;
    low.notes[0]!.tieFromLast = true;
    const out = made(plainScore([tied]), LEAD);
    expect(checkScore(out.score)).toEqual([]);
    expect(keysOf(out)).toEqual([
      [0, 72],
      [4, 60],
    ]);
  });
});
