import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { barOf, plainPart, plainScore } from '../../testing/scores';
import { everyMark } from '../../testing/every-mark';
import { readMusicXml, writeMusicXml } from '../musicxml';
import { NO_SETTINGS } from '../settings';
import { ScoreDesk } from './index';
import { notesRead, readingInWords } from './notes-read';

const bytesOf = (text: string) => new TextEncoder().encode(text);
const tune = plainScore([plainPart([barOf([60, 1], [62, 1], [64, 2]), barOf([65, 4])])]);

describe('every note of a score file', () => {
  it('is counted in the file and in what was read of it', () => {
    const xml = writeMusicXml(tune);
    expect(notesRead([bytesOf(xml)], readMusicXml(bytesOf(xml)).score)).toEqual({ inFiles: 4, read: 4 });
  });
  it('one that was lost in reading is said before all that is said of the others', () => {
    const whole = bytesOf(writeMusicXml(tune));
    const less = { ...tune, parts: tune.parts.map((part) => ({ ...part, bars: [part.bars[0]!, barOf([null, 4])] })) };
    const read = notesRead([whole], less)!;
    expect(readingInWords(read)).toBe('1 of 4 notes in the file could not be read.');
    expect(readingInWords({ inFiles: 4, read: 4 })).toBeNull();
  });
  it('also cues, grace notes and ties of every mark there is', () => {
    fc.assert(
      fc.property(everyMark, (score) => {
        const xml = bytesOf(writeMusicXml(score, { version: '4.0' }));
        const { inFiles, read } = notesRead([xml], readMusicXml(xml).score)!;
        expect(read).toBe(inFiles);
      }),
      { numRuns: 40 },
    );
  });
  it('is what the sentence of a score speaks of, and not of its markings', () => {
    const desk = ScoreDesk.open([bytesOf(writeMusicXml(tune))], NO_SETTINGS);
    desk.convert(NO_SETTINGS);
    expect(desk.summary().audit).toBe(
      'All 4 notes are written exactly where they were played. Markings are not compared.',
    );
  });
});
