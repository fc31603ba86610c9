import { beforeAll, describe, expect, it } from 'vitest';
import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';
import { partId } from '../core/base';
import { writeMei } from '../core/mei';
import { NO_SETTINGS } from '../core/settings';
import { layBars, QUARTER } from '../core/time';
import { toScore } from '../core/to-score';
import { keySignature, line, meter, performanceOf, tempo } from '../testing/music';
import { barOf, plainPart, plainScore } from '../testing/scores';
import { loadScore } from './load-score';

/* Each staff of an engraved score has the signature its player reads. */

const scale = line(
  ...Array.from({ length: 32 }, (_, i): [number, number] => [67 + [0, 2, 4, 5, 7, 5, 4, 2][i % 8]!, 1]),
);
const drums = scale.map(({ at, length }) => ({ key: 38, at, length, channel: 10 }));
const performance = performanceOf(
  [
    { name: 'Flute', notes: scale },
    { name: 'Clarinet in Bb', notes: scale },
    { name: 'Drum Kit', notes: drums },
    { name: 'Piano', notes: [...scale, ...scale.map((note) => ({ ...note, key: note.key - 24 }))] },
    { name: 'Alto Sax', notes: scale },
  ],
  [meter(0, 4, 4), tempo(0, 100), keySignature(0, 1), keySignature(16, -2)],
);

describe('signatures of an engraved score', () => {
  let toolkit: VerovioToolkit;
  beforeAll(async () => {
    toolkit = new VerovioToolkit(await createVerovioModule());
  });

  /** Signatures on the staves of the first system in order of measure: signs of each. */
  const signatures = (mei: string) => {
    toolkit.setOptions({ breaks: 'none', adjustPageWidth: true });
    expect(loadScore(toolkit, mei)).toBeTruthy();
    const said = toolkit
      .getMEI({})
      .matchAll(/<staffDef\b[^>]*\bn="(\d+)"[^>]*>(?:(?!<\/?staffDef)[^])*?<keySig\b[^>]*\bsig="(\w+)"/g);
    const drawn = (toolkit.renderToSVG(1).match(/class="keyAccid"/g) ?? []).length;
    return { said: [...said].map(([, n, sig]) => `${n}:${sig}`), drawn };
  };

  const { printed } = toScore(performance, { ...NO_SETTINGS, keyChanges: [{ bar: 4, fifths: -2, mode: 'major' }] });

  it('are those of each part, transposing or not, and none for drums', () => {
    const { said, drawn } = signatures(writeMei(printed));
    const order = printed.parts.map(({ name }) => name);
    expect(order).toEqual(['Flute', 'Clarinet in B♭', 'Alto Saxophone', 'Drum Kit', 'Piano']);
    const later = said.slice(-5);
    // Clarinet a tone, saxophone a major sixth above: two and three fifths more.
    expect(later).toEqual(['1:2f', '2:0', '3:1s', '5:2f', '6:2f']);
    // Before: 1, 3, 4, 1, 1 sharps; then 2 flats thrice, a sharp, and naturals for what no longer holds.
    expect(drawn).toBeGreaterThanOrEqual(10 + 7);
  });

  it('are the meters of each part too, where one has its own', () => {
    const three = layBars([{ at: 0, beats: 3, beatType: 4 }], 9 * QUARTER);
    const bars = [barOf([60, 3]), barOf([62, 3]), barOf([64, 3])];
    const own = { ...three[1]!.meter, beats: 6, beatType: 8 };
    const parts = [
      plainPart(bars, { id: partId('P1') }),
      plainPart(bars, { id: partId('P2'), localMeters: { 1: own } }),
    ];
    toolkit.setOptions({ breaks: 'none', adjustPageWidth: true });
    expect(loadScore(toolkit, writeMei(plainScore(parts, three)))).toBeTruthy();
    const said = [
      ...toolkit.getMEI({}).matchAll(/<staffDef\b[^>]*\bn="(\d)"[^>]*>(?:(?!<\/?staffDef)[^])*?<meterSig\b([^>]*)/g),
    ];
    const count = (attributes: string) =>
      `${/count="(\d+)"/.exec(attributes)![1]}/${/unit="(\d+)"/.exec(attributes)![1]}`;
    expect(said.map(([, n, attributes]) => `${n}: ${count(attributes!)}`)).toEqual([
      '1: 3/4',
      '2: 3/4',
      '2: 6/8',
      '2: 3/4',
    ]);
    expect(toolkit.renderToSVG(1).match(/class="meterSig"/g)).toHaveLength(4);
  });
});
