import { SaxesParser } from 'saxes';
import { describe, expect, it } from 'vitest';
import { readMusicXml } from '../musicxml';
import { NO_LINES, noteValue, type Score, type SymbolInBar, type Tablature } from '../score';
import { NO_SETTINGS } from '../settings';
import { layBars, QUARTER } from '../time';
import { toScore } from '../to-score';
import { doubtfulPieces } from '../../testing/doubtful-pieces';
import { performanceOf } from '../../testing/music';
import { SIGN_CASES } from '../../testing/score-signs';
import { barOf, plainPart, plainScore } from '../../testing/scores';
import { writeMei } from './write';

/* Source: Music Encoding Initiative, guidelines version 5, chapters 2 (shared), 4 (CMN); names and nesting from memory. */

/** Elements with their attributes and the elements around them, outermost first. */
function elementsOf(mei: string) {
  const open: string[] = [];
  const found: { name: string; attributes: Record<string, string>; within: string }[] = [];
  const parser = new SaxesParser<{ xmlns: false }>({ xmlns: false });
  parser.on('opentag', ({ name, attributes }) => {
    found.push({ name, attributes, within: open.join(' ') });
    open.push(name);
  });
  parser.on('closetag', () => void open.pop());
  parser.write(mei).close();
  return found;
}

const named = (mei: string, name: string) => elementsOf(mei).filter((one) => one.name === name);

describe('MEI', () => {
  const asGuitar = (score: Score, show: Tablature['show']): Score => ({
    ...score,
    parts: score.parts.map((part) => ({ ...part, tablature: { show, tuning: [40, 45, 50, 55, 59, 64], capo: 0 } })),
  });
  const strings = plainPart(
    [60, 62, 64].map((key) => ({
      voices: barOf([key, 2], [key, 2]).voices.map((voice) => ({
        ...voice,
        symbols: voice.symbols.map((symbol, i) => ({
          ...symbol,
          notes: symbol.notes.map((note) => ({
            ...note,
            fingering: { string: 2, fret: 1 },
            tieToNext: i === 0,
            tieFromLast: i === 1,
          })),
        })),
      })),
    })),
  );
  const repeated = plainPart([strings.bars[0]!, { ...strings.bars[1]!, likeBefore: 1 }, strings.bars[2]!], {
    lines: {
      ...NO_LINES,
      slurs: [
        { start: 0, end: 6 * QUARTER, voice: 1 },
        { start: 0, end: 8 * QUARTER, voice: 1 },
      ],
    },
  });
  const whole: [string, Score][] = [
    ...SIGN_CASES.map(({ name, musicXml }): [string, Score] => [
      name,
      readMusicXml(new TextEncoder().encode(musicXml)).score,
    ]),
    ...Object.entries(doubtfulPieces).map(([name, { tracks, conductor }]): [string, Score] => [
      name,
      toScore(performanceOf(tracks, conductor), NO_SETTINGS).printed,
    ]),
    ['tablature', asGuitar(plainScore([strings]), 'tablature')],
    ['notation and tablature', asGuitar(plainScore([strings]), 'both')],
    ['a slur into a bar that is not drawn', plainScore([repeated])],
  ];

  it('points only at what is there, with ids that are there once', () => {
    for (const [name, score] of whole) {
      const elements = elementsOf(writeMei(score));
      const ids = elements.flatMap(({ attributes }) => attributes['xml:id'] ?? []);
      expect(new Set(ids).size, name).toBe(ids.length);
      const pointed = elements.flatMap(({ attributes: { startid, endid, plist = '' } }) =>
        [startid, endid, ...plist.split(' ')].filter((one) => one !== undefined && one !== ''),
      );
      for (const one of pointed) expect(ids, name).toContain(one!.slice(1));
    }
  });

  it('puts a beam inside of its tuplet, and grace notes outside of both', () => {
    const third = { ...noteValue(QUARTER / 2)!, duration: QUARTER / 3 };
    const tuplet = { actual: 3, normal: 2, normalType: 'eighth' as const };
    const [plain] = barOf([60, 4]).voices;
    const [model] = plain!.symbols;
    const symbols = [0, 1, 2].map((i): SymbolInBar => ({
      ...model!,
      ...third,
      at: (i * QUARTER) / 3,
      notes: model!.notes.map((note) => ({ ...note })),
      tuplet: { ...tuplet, first: i === 0, last: i === 2 },
      ...(i === 0 && {
        marks: { graces: [{ notes: model!.notes.map((note) => ({ ...note })), type: 'eighth' as const }] },
      }),
    }));
    const bars = layBars([{ at: 0, beats: 1, beatType: 4 }], QUARTER);
    const mei = writeMei(plainScore([plainPart([{ voices: [{ ...plain!, symbols }] }])], bars));
    const notes = named(mei, 'note');
    expect(notes.map(({ attributes: { grace }, within }) => [grace, within.split(' layer ')[1] ?? ''])).toEqual([
      ['acc', ''],
      [undefined, 'tuplet beam'],
      [undefined, 'tuplet beam'],
      [undefined, 'tuplet beam'],
    ]);
  });

  it('writes rests over several bars as one in a part alone, and one by one in a score', () => {
    const [voice] = barOf([null, 4]).voices;
    const symbols = voice!.symbols.map((symbol): SymbolInBar => ({ ...symbol, wholeBar: true }));
    const rest = { voices: [{ ...voice!, symbols }] };
    const bars = [barOf([60, 4]), rest, rest, rest, barOf([62, 4])];
    const alone = plainScore([plainPart(bars)]);
    expect(named(writeMei(alone, { multiRests: true }), 'multiRest').map(({ attributes }) => attributes.num)).toEqual([
      '3',
    ]);
    expect(named(writeMei(alone, { multiRests: true }), 'measure').map(({ attributes }) => attributes.n)).toEqual([
      '1',
      '2',
      '5',
    ]);
    expect(named(writeMei(alone), 'mRest')).toHaveLength(3);
  });

  it('has repeats and endings where the bars have them', () => {
    const bars = [60, 62, 64, 65].map((key) => barOf([key, 4]));
    const score = {
      ...plainScore([plainPart(bars)]),
      signs: {
        0: { repeatStart: true as const },
        1: { ending: [1], endingStop: 'stop' as const, repeatEnd: { times: 2 } },
        2: { ending: [2], endingStop: 'discontinue' as const },
      },
    };
    const mei = writeMei(score);
    expect(named(mei, 'ending').map(({ attributes }) => [attributes.n, attributes.lendsym])).toEqual([
      ['1', 'angledown'],
      ['2', 'none'],
    ]);
    const measures = named(mei, 'measure');
    expect(measures.map(({ within }) => within.includes('ending'))).toEqual([false, true, true, false]);
    expect(measures.map(({ attributes: { left, right } }) => [left, right])).toEqual([
      ['rptstart', undefined],
      [undefined, 'rptend'],
      [undefined, undefined],
      [undefined, 'end'],
    ]);
  });
});
