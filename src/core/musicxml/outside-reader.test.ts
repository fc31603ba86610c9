import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { performanceFromSmf } from '../performance';
import { soundsOf } from '../score';
import { NO_SETTINGS } from '../settings';
import { readSmf } from '../smf';
import { QUARTER } from '../time';
import { toScore } from '../to-score';
import { writeMusicXml } from './index';

/** Made by fixtures/outside-reader.py with music21 10.5.1, of the file this test writes. */
const READ = JSON.parse(readFileSync(join(import.meta.dirname, 'fixtures/outside-reader.json'), 'utf8')) as Record<
  string,
  string[]
>;

const greatest = (a: number, b: number): number => (b === 0 ? a : greatest(b, a % b));
/** "3/2" */
const quarters = (units: number) => {
  const by = greatest(units, QUARTER);
  return by === QUARTER ? String(units / QUARTER) : `${units / by}/${QUARTER / by}`;
};

describe('MusicXML 4.0 as another reader has it', () => {
  const { score } = toScore(performanceFromSmf(readSmf(demoOriginal())), NO_SETTINGS);
  const xml = writeMusicXml(score, { version: '4.0' });
  if (process.env.OUT) writeFileSync(process.env.OUT, xml);

  it('says the same parts, sounding pitches, places and lengths', () => {
    const pitched = score.parts.filter(({ unpitched }) => !unpitched);
    expect(Object.keys(READ)).toEqual(pitched.map(({ name }) => name));
    for (const part of pitched) {
      const sounds = soundsOf(part, score.bars).map(
        ({ start, end, key }) => `${quarters(start)}:${quarters(end - start)}:${key}`,
      );
      expect(sounds.sort(), part.name).toEqual([...READ[part.name]!].sort());
    }
  });
});
