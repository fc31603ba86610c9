import { zipSync, strToU8 } from 'fflate';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { many } from '../../../testing/tiers';
import { demoMechanical } from '../../../../demo/make';
import { partText, scoreText } from '../../../testing/musicxml-text';
import { performanceFromSmf } from '../../performance';
import { checkScore } from '../../score';
import { NO_SETTINGS } from '../../settings';
import { readSmf } from '../../smf';
import { toScore } from '../../to-score';
import { MusicXmlError, readMusicXml, writeMusicXml } from '..';

/* Files that are no score, or a damaged one. */

const bytes = (text: string) => new TextEncoder().encode(text);
const read = (text: string) => readMusicXml(bytes(text));
const demoText = writeMusicXml(toScore(performanceFromSmf(readSmf(demoMechanical())), NO_SETTINGS).printed);

describe('refusing', () => {
  const bomb =
    '<?xml version="1.0"?><!DOCTYPE x [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]><score-partwise>&b;</score-partwise>';
  const cases: [string, Uint8Array, RegExp][] = [
    ['nothing', new Uint8Array(), /empty/],
    ['entities of its own', bytes(bomb), /entities of its own \(line 1\)/],
    [
      'external entities',
      bytes('<!DOCTYPE x [<!ENTITY x SYSTEM "file:///etc/passwd">]><score-partwise>&x;</score-partwise>'),
      /entities/,
    ],
    ['endless nesting', bytes(`<score-partwise>${'<a>'.repeat(5000)}`), /nested deeper/],
    ['half a file', bytes(demoText.slice(0, 4000)), /line \d+, column \d+ \(in score-partwise/],
    ['other XML', bytes('<html><body/></html>'), /begins with <html>/],
    ['no parts', bytes('<score-partwise version="3.0"><part-list/></score-partwise>'), /no part/],
    ['a damaged zip', Uint8Array.from([0x50, 0x4b, 3, 4, 1, 2, 3]), /damaged/],
    ['a zip without a score', zipSync({ 'readme.txt': strToU8('hello') }), /no score/],
    [
      'a zip that names a file outside of it',
      zipSync({
        'META-INF/container.xml': strToU8(
          '<container><rootfiles><rootfile full-path="../../secret.xml"/></rootfiles></container>',
        ),
        'a.txt': strToU8('x'),
      }),
      /no score/,
    ],
  ];
  it.each(cases)('%s, with one sentence', (_, file, words) => {
    expect(() => readMusicXml(file)).toThrow(MusicXmlError);
    expect(() => readMusicXml(file)).toThrow(words);
  });
  it('a zip whose score would be endless, before unpacking it', () => {
    const zip = zipSync({ 'score.xml': new Uint8Array(1000) }, { level: 9 });
    // The size that the directory states is what counts.
    const view = new DataView(zip.buffer);
    for (let i = 0; i + 4 < zip.length; i++)
      if (view.getUint32(i, true) === 0x02014b50) view.setUint32(i + 24, 0x7fffffff, true);
    expect(() => readMusicXml(zip)).toThrow(/at most 128 MiB/);
  });
});

describe('damaged files', () => {
  it('are read or refused, and never break anything', () => {
    const source =
      demoText
        .slice(0, demoText.indexOf('</part>') + 7)
        .replace(/[\s\S]*?<part-list>/, '<score-partwise version="3.0"><part-list>') + '</score-partwise>';
    const short = source.replace(/(<measure number="6"[\s\S]*?)(?=<\/part>)/, '');
    const words = [
      '<',
      '>',
      '/',
      '"',
      'note',
      '<backup><duration>9999</duration></backup>',
      '-1',
      '0',
      '999999999',
      '<chord/>',
      '</measure>',
      '&amp;',
      '<grace/>',
      'NaN',
      '1e308',
    ];
    const place = fc.double({ min: 0, max: 1, noNaN: true });
    const bytesChanged = fc.tuple(
      place,
      fc.integer({ min: 0, max: 40 }),
      fc.oneof(fc.constantFrom(...words), fc.string({ maxLength: 6 })),
    );
    // Lines that hold a whole element can go, come twice, or say something else: the file stays XML.
    const lineChanged = fc.tuple(place, fc.constantFrom('drop', 'twice', 'number', 'move'), place);
    const lines = short.split('\n');
    const leaves = lines.flatMap((line, i) => (/^\s*<([\w-]+)[^>]*(?:\/>|>[^<]*<\/\1>)$/.test(line) ? [i] : []));
    const withLines = (changes: [number, string, number][]) => {
      const copy: string[] = [...lines];
      for (const [where, what, to] of changes) {
        const i = leaves[Math.min(leaves.length - 1, Math.floor(where * leaves.length))]!;
        const j = leaves[Math.min(leaves.length - 1, Math.floor(to * leaves.length))]!;
        if (what === 'drop') copy[i] = '';
        else if (what === 'twice') copy[i] = `${copy[i]}\n${lines[i]}`;
        else if (what === 'move') copy[j] = `${copy[j]}\n${lines[i]}`;
        else copy[i] = copy[i]!.replace(/>[^<]*</, `>${[-1, 0, 7, 99999, 1e12, 0.3][Math.floor(to * 6) % 6]}<`);
      }
      return copy.join('\n');
    };
    let good = 0;
    fc.assert(
      fc.property(
        fc.boolean(),
        fc.array(bytesChanged, { minLength: 1, maxLength: 3 }),
        fc.array(lineChanged, { minLength: 1, maxLength: 8 }),
        (whole, changes, moved) => {
          let text = whole ? withLines(moved) : short;
          for (const [place, cut, insert] of whole ? [] : changes) {
            const at = Math.floor(place * text.length);
            text = text.slice(0, at) + insert + text.slice(at + cut);
          }
          try {
            const { score: one } = read(text);
            good++;
            expect(one.parts.length).toBeGreaterThan(0);
            expect(one.bars.length).toBeLessThan(100);
          } catch (error) {
            expect((error as Error).name).toBe('MusicXmlError');
            expect((error as Error).message.split('\n')).toHaveLength(1);
          }
        },
      ),
      { numRuns: many(800, 5000) },
    );
    expect(good).toBeGreaterThan(many(200, 1000));
  }, 120_000);

  it('and numbers that make no sense are survived', () => {
    const wild = fc.constantFrom('0', '-4', '1e9', '16', '3', 'x', '', '0.5');
    fc.assert(
      fc.property(fc.array(fc.tuple(wild, wild, wild), { minLength: 1, maxLength: 6 }), wild, (list, divisions) => {
        const measures = list.map(
          ([duration, octave, actual]) =>
            `<attributes><divisions>${divisions}</divisions></attributes><note><pitch><step>C</step><octave>${octave}</octave></pitch><duration>${duration}</duration><time-modification><actual-notes>${actual}</actual-notes><normal-notes>2</normal-notes></time-modification></note><backup><duration>${actual}</duration></backup>`,
        );
        const { score: one } = read(scoreText([partText(measures)]));
        expect(checkScore(one).filter((fault) => !/lasts/.test(fault))).toEqual([]);
      }),
      { numRuns: many(150, 500) },
    );
  });
});
