import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { many } from '../../testing/tiers';
import { everyMark } from '../../testing/every-mark';
import { schemaErrors } from '../../testing/musicxml-schema';
import { checkScore } from '../score';
import { readMusicXml, writeMusicXml, type MusicXmlVersion } from '.';

/* Whatever the model holds comes back, in either version of the standard, and the files are valid. */

const SEED = 190;
const RUNS = many(60, 300);
const read = (text: string) => readMusicXml(new TextEncoder().encode(text));

describe('a score with every mark of the model', () => {
  it('is the same after it was written and read, 4.0', () => {
    fc.assert(
      fc.property(everyMark, (score) => {
        const { score: back, warnings } = read(writeMusicXml(score, { version: '4.0' }));
        expect(warnings).toEqual([]);
        expect(checkScore(back)).toEqual([]);
        expect(back).toEqual(score);
      }),
      { numRuns: RUNS, seed: SEED },
    );
  });
  it('and gives the same text again, 3.0', () => {
    fc.assert(
      fc.property(everyMark, (score) => {
        const text = writeMusicXml(score);
        expect(writeMusicXml(read(text).score)).toBe(text);
      }),
      { numRuns: RUNS, seed: SEED },
    );
  });
  it.each(['3.0', '4.0'] satisfies MusicXmlVersion[])('is valid by the W3C schema, %s', async (version) => {
    for (const score of fc.sample(everyMark, { numRuns: many(4, 12), seed: SEED }))
      expect(await schemaErrors(writeMusicXml(score, { version }))).toEqual([]);
  });
});
