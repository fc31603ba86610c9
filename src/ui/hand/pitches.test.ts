import { describe, expect, it } from 'vitest';
import { pitchName, type Pitch } from '@/core/score';
import { middleOf, pitchOn, semitonesFor, signatureOf, soundingKey } from './pitches';

const pitch = (step: Pitch['step'], octave: number, alter = 0): Pitch => ({ step, octave, alter });

describe('places on a staff', () => {
  it('bear the signs of the signature', () => {
    const scale = (fifths: number) => [28, 29, 30, 31, 32, 33, 34].map((place) => pitchName(pitchOn(place, fifths)));
    expect(scale(0)).toEqual(['C4', 'D4', 'E4', 'F4', 'G4', 'A4', 'B4']);
    expect(scale(2)).toEqual(['C♯4', 'D4', 'E4', 'F♯4', 'G4', 'A4', 'B4']);
    expect(scale(-3)).toEqual(['C4', 'D4', 'E♭4', 'F4', 'G4', 'A♭4', 'B♭4']);
  });
  it('are as many semitones apart as the signature has it', () => {
    expect(semitonesFor(pitch('C', 5), 2, 0)).toBe(4);
    expect(semitonesFor(pitch('C', 5), 2, -3)).toBe(3);
    expect(semitonesFor(pitch('C', 5), -1, 0)).toBe(-1);
    expect(semitonesFor(pitch('F', 4, 1), 0, 0)).toBe(0);
  });
  it('stand around the middle line of the clef', () => {
    expect(['treble', 'bass', 'alto', 'tenor'].map((clef) => pitchName(pitchOn(middleOf(clef), 0)))).toEqual([
      'B4',
      'D3',
      'C4',
      'A3',
    ]);
  });
  it('sound as the instrument transposes', () => {
    expect(soundingKey(pitch('C', 5), 'clarinet-bflat')).toBe(70);
    expect(soundingKey(pitch('C', 5), 'flute')).toBe(72);
  });
  it('have the signature in force', () => {
    const keys = [{ bar: 0 }, { bar: 8 }];
    expect([0, 7, 8, 20].map((bar) => signatureOf({ writtenKeys: [1, -2] }, keys, bar))).toEqual([1, 1, -2, -2]);
  });
});
