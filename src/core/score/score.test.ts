import fc from 'fast-check';
import { isTempoWords } from './tempo-words';
import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { performanceFromSmf } from '../performance';
import { readSmf } from '../smf';
import { toScore } from '../to-score';
import {
  checkScore,
  lineOfFifths,
  nameAtFifths,
  noteValue,
  pitchAtFifths,
  pitchKey,
  pitchName,
  sliceScore,
  soundsOf,
  type Score,
} from './index';
import { NO_SETTINGS } from '../settings';

describe('pitches', () => {
  it('puts names in order on the line of fifths (music theory textbooks)', () => {
    const line = Array.from({ length: 15 }, (_, i) => pitchName({ ...nameAtFifths(i - 7), octave: 4 }).slice(0, -1));
    expect(line).toEqual(['C♭', 'G♭', 'D♭', 'A♭', 'E♭', 'B♭', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F♯', 'C♯']);
  });
  it('spells any key with any name of its pitch class', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 127 }), fc.integer({ min: -15, max: 19 }), (key, place) => {
        if ((((place * 7) % 12) + 12) % 12 !== key % 12) return;
        const pitch = pitchAtFifths(key, place);
        expect(pitchKey(pitch)).toBe(key);
        expect(lineOfFifths(pitch)).toBe(place);
      }),
    );
    // B sharp 3 sounds like middle C; C flat 5 like the B below.
    expect(pitchName(pitchAtFifths(60, 12))).toBe('B♯3');
    expect(pitchName(pitchAtFifths(71, -7))).toBe('C♭5');
  });
});

describe('note values', () => {
  it('knows the lengths one symbol can have', () => {
    expect(noteValue(10080)).toMatchObject({ type: 'quarter', dots: 0 });
    expect(noteValue(15120)).toMatchObject({ type: 'quarter', dots: 1 });
    expect(noteValue(17640)).toMatchObject({ type: 'quarter', dots: 2 });
    expect(noteValue(12600)).toBeNull();
    expect(noteValue(315)).toMatchObject({ type: '128th', dots: 0 });
  });
});

describe('the checker', () => {
  const score = toScore(performanceFromSmf(readSmf(demoOriginal())), NO_SETTINGS).score;
  const spoil = (change: (score: Score) => void) => {
    const copy = structuredClone(score);
    change(copy);
    return checkScore(copy);
  };
  it('finds nothing in the demo', () => expect(checkScore(score)).toEqual([]));
  it('finds a bar that is not full, a wrong pitch, a broken tuplet and a tie to nowhere', () => {
    expect(spoil((copy) => copy.parts[0]!.bars[0]!.voices[0]!.symbols.pop()).join()).toContain('filled with');
    expect(spoil((copy) => copy.parts[0]!.bars[0]!.voices[0]!.symbols[0]!.notes[0]!.key++).join()).toContain(
      'is written as key',
    );
    expect(spoil((copy) => delete copy.parts[0]!.bars[2]!.voices[0]!.symbols[1]!.tuplet).join()).toContain(
      'plain note stands inside a tuplet',
    );
    expect(
      spoil((copy) => (copy.parts[0]!.bars[0]!.voices[0]!.symbols[0]!.notes[0]!.tieToNext = true)).join(),
    ).toContain('tie');
  });
  it('slices bars that are sound in themselves, with the signature in force', () => {
    const slice = sliceScore(score, [score.parts[3]!.id, score.parts[0]!.id], 10, 22);
    expect(checkScore(slice)).toEqual([]);
    expect(slice.parts.map((part) => part.name)).toEqual(['Horn in F', 'Flute']);
    expect(slice.keys[0]).toMatchObject({ bar: 0, fifths: -4 });
    expect(soundsOf(slice.parts[1]!, slice.bars)[0]!.key).toBe(
      soundsOf(score.parts[0]!, score.bars).find((sound) => sound.start >= score.bars[10]!.start)!.key,
    );
  });
});

describe('words of tempo', () => {
  it('begin with “straight”, but a straight mute is none', () => {
    expect(['Straight 8ths', 'Swing', 'straight mute', 'Cup mute'].map(isTempoWords)).toEqual([
      true,
      true,
      false,
      false,
    ]);
  });
});
