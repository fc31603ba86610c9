import { partId } from '../../base';
import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../../demo/make';
import { heardByVerovio } from '../../../testing/engraver';
import { performanceOf } from '../../../testing/music';
import { schemaErrors } from '../../../testing/musicxml-schema';
import { tuningsOf } from '../../instruments';
import { performanceFromSmf } from '../../performance';
import { concertScore, MARK_CLASSES, soundsOf, type Part, type Score } from '../../score';
import { readSmf } from '../../smf';
import { barOf, plainPart, plainScore } from '../../../testing/scores';
import { layBars, QUARTER } from '../../time';
import { toScore } from '../../to-score';
import { writeMusicXml } from '../index';
import { NO_SETTINGS, type MarkRule } from '../../settings';

const performance = performanceFromSmf(readSmf(demoOriginal()));
const every: Record<string, MarkRule[]> = Object.fromEntries(
  performance.tracks.map((track) => [
    track.id,
    MARK_CLASSES.map((mark): MarkRule => ({ mark, use: 'on', strength: 'usual' })),
  ]),
);
const full = toScore(performance, {
  ...NO_SETTINGS,
  marks: every,
  composer: 'The pit band',
  barRepeats: { [partId('t6')]: true },
  tablatures: { [partId('t12')]: { show: 'both', tuning: [...tuningsOf('guitar')[0]!.strings], capo: 0 } },
});
const count = (text: string, element: string) => text.split(`<${element}`).length - 1;

async function soundsAsWritten(score: Score, xml: string): Promise<void> {
  const heard = await heardByVerovio(xml);
  const pitched = score.parts.filter((part) => !part.unpitched && part.tablature === null);
  for (const part of pitched) {
    for (const staff of part.clefs.keys())
      expect([
        part.name,
        leastMissing(soundsOf(part, score.bars).filter((sound) => sound.staff === staff + 1)),
      ]).toEqual([part.name, 0]);
  }

  /** verovio gives every staff a track of its own, and counts in ticks: triplets are a hundredth off. */
  function leastMissing(own: ReturnType<typeof soundsOf>): number {
    const missing = heard.map(
      (notes) =>
        own.filter(
          (sound) =>
            !notes.some((note) => note.key === sound.key && Math.abs(note.start - sound.start / QUARTER) < 0.02),
        ).length,
    );
    return Math.min(...missing);
  }
}

describe('MusicXML with everything a page has', () => {
  const xml = writeMusicXml(full.printed, { courtesy: true });
  it('is valid against the W3C schema', async () => {
    expect(await schemaErrors(xml)).toEqual([]);
  });
  it('carries dynamics, hairpins, slurs, pedal, repeat signs for bars, and the composer', () => {
    expect(count(xml, 'dynamics>')).toBeGreaterThan(20);
    expect(count(xml, 'wedge type="crescendo"')).toBeGreaterThan(0);
    expect(count(xml, 'wedge type="stop"')).toBe(
      count(xml, 'wedge type="crescendo"') + count(xml, 'wedge type="diminuendo"'),
    );
    expect(count(xml, 'slur type="start"')).toBe(count(xml, 'slur type="stop"'));
    expect(count(xml, 'slur type="start"')).toBeGreaterThan(20);
    expect(count(xml, 'pedal type="start"')).toBe(12);
    expect(count(xml, 'measure-repeat type="start"')).toBeGreaterThan(0);
    expect(xml).toContain('<creator type="composer">The pit band</creator>');
  });
  it('sounds at the same pitches and places in verovio', () => soundsAsWritten(full.printed, xml), 30_000);
  it('says loudness in percent of a forte of 90, as the standard counts', () => {
    expect(/<p\/>\s*<\/dynamics>[\s\S]*?<sound dynamics="([\d.]+)"/.exec(xml)?.[1]).toBe(
      String(Math.round((49 / 90) * 10000) / 100),
    );
  });
});

describe('suggestions', () => {
  const suggested = toScore(performance, NO_SETTINGS).printed;
  it('never go out', () => {
    const xml = writeMusicXml(suggested);
    for (const element of ['dynamics>', 'wedge', 'slur', 'pedal', 'accent'])
      expect([element, count(xml, element)]).toEqual([element, 0]);
  });
  it('are coloured where they are shown', async () => {
    const xml = writeMusicXml(suggested, { suggestionColour: '#b97708' });
    expect(await schemaErrors(xml)).toEqual([]);
    expect(count(xml, 'slur type="start" number="1" color="#B97708"')).toBeGreaterThan(10);
  });
});

describe('a concert score', () => {
  it('sounds the same and transposes nothing but octaves', async () => {
    const concert = concertScore(full.printed);
    const xml = writeMusicXml(concert);
    expect(await schemaErrors(xml)).toEqual([]);
    expect(count(xml, 'chromatic>')).toBe(count(xml, 'chromatic>0<'));
    await soundsAsWritten(concert, xml);
  }, 30_000);
});

describe('a single part', () => {
  it('joins empty bars to one rest', async () => {
    const part = full.printed.parts.find((one) => one.name === 'Glockenspiel')!;
    const xml = writeMusicXml({ ...full.printed, parts: [part] }, { multiRests: true });
    expect(await schemaErrors(xml)).toEqual([]);
    expect(count(xml, 'multiple-rest>')).toBeGreaterThan(0);
    expect(count(writeMusicXml({ ...full.printed, parts: [part] }), 'multiple-rest>')).toBe(0);
  });
});

describe('a rest over several bars', () => {
  const rests = (more: Partial<Score>, part: Partial<Part> = {}) => {
    const bars = Array.from({ length: 8 }, () => barOf([null, 4]));
    for (const bar of bars) bar.voices[0]!.symbols[0]!.wholeBar = true;
    const xml = writeMusicXml({ ...plainScore([plainPart(bars, part)]), ...more }, { multiRests: true });
    return [...xml.matchAll(/<multiple-rest>(\d+)</g)].map(([, length]) => Number(length));
  };
  const whole = 4 * QUARTER;

  // What ends such a rest: handbooks of engraving, from memory.
  it.each<[string, Partial<Score>, Partial<Part>, number[]]>([
    ['nothing', {}, {}, [8]],
    ['a rehearsal mark', { markers: [{ at: 3 * whole, text: 'B', rehearsal: true }] }, {}, [3, 5]],
    ['a tempo inside a bar', { tempos: [{ at: 3.5 * whole, bpm: 90, shown: true }] }, {}, [3, 4]],
    ['steps that are only played', { tempos: [{ at: 3.5 * whole, bpm: 90, shown: false }] }, {}, [8]],
    [
      'a key',
      { keys: [0, 5].map((bar) => ({ bar, fifths: bar, mode: 'major' as const })) },
      { writtenKeys: [0, 5] },
      [5, 3],
    ],
    ['a repeat sign', { signs: { 3: { repeatEnd: { times: 2 } } } }, {}, [3, 4]],
    ['a chord symbol', {}, { harmonies: [{ at: 4 * whole, root: { step: 'C', alter: 0 }, kind: 'major' }] }, [4, 4]],
    [
      'a meter',
      {
        bars: layBars(
          [
            { at: 0, beats: 4, beatType: 4 },
            { at: 6 * whole, beats: 3, beatType: 4 },
          ],
          6 * whole + 6 * QUARTER,
        ),
      },
      {},
      [6, 2],
    ],
  ])('ends where there is something to read: %s', (_name, score, part, lengths) => {
    expect(rests(score, part)).toEqual(lengths);
  });
});

describe('repeats with endings', () => {
  it('are written as barlines with repeat and ending', async () => {
    const signs: Score['signs'] = {
      0: { repeatStart: true },
      1: { ending: [1], endingStop: 'stop', repeatEnd: { times: 2 } },
      2: { ending: [2], endingStop: 'discontinue' },
      3: { fine: true, jump: 'daCapo' },
    };
    const { score } = toScore({ ...performance, tracks: performance.tracks.slice(0, 2) }, NO_SETTINGS);
    const xml = writeMusicXml({ ...score, signs });
    expect(await schemaErrors(xml)).toEqual([]);
    expect(xml).toContain('<repeat direction="forward"/>');
    expect(xml).toContain('<ending number="1" type="start">1.</ending>');
    expect(xml).toContain('<repeat direction="backward"/>');
    expect(xml).toContain('<ending number="2" type="discontinue"/>');
    expect(xml).toContain('<sound dacapo="yes"/>');
    expect(xml).toContain('<sound fine="yes"/>');
  });
});

describe('brackets and braces', () => {
  const groupsOf = (...names: string[]) => {
    const notes = [{ key: 72, at: 0, length: 1 }];
    const xml = writeMusicXml(toScore(performanceOf(names.map((name) => ({ name, notes }))), NO_SETTINGS).score);
    return [...xml.matchAll(/<group-symbol>(\w+)<\/group-symbol>(?:\s*<group-barline>(\w+)<)?/g)].map(
      ([, symbol, barline]) => [symbol, barline].filter(Boolean).join(' '),
    );
  };
  // Printed scores, from memory.
  it('stand as in printed scores: a bracket for a family, a brace for a desk within it', () => {
    expect(groupsOf('Flute 1', 'Flute 2', 'Oboe')).toEqual(['bracket yes', 'brace']);
    expect(groupsOf(...Array.from({ length: 10 }, (_, i) => `Flute ${i + 1}`))).toEqual(['bracket yes']);
    expect(groupsOf(...Array.from({ length: 6 }, (_, i) => `Flute ${i + 1}`), 'Oboe')).toEqual(['bracket yes']);
    expect(groupsOf('Flute 1', 'Flute 2')).toEqual(['bracket yes']);
  });
  it('let no barline through singers, and none join pianos', () => {
    expect(groupsOf('Soprano', 'Alto', 'Tenor', 'Bass')).toEqual(['bracket no']);
    expect(groupsOf('Piano', 'Celesta')).toEqual([]);
  });
});
