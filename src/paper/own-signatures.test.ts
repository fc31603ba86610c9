import { beforeAll, describe, expect, it } from 'vitest';
import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';
import { partId } from '../core/base';
import { writeMusicXml } from '../core/musicxml';
import { NO_SETTINGS } from '../core/settings';
import { toScore } from '../core/to-score';
import { keySignature, line, meter, performanceOf, tempo } from '../testing/music';
import { loadScore } from './own-signatures';

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
  const signatures = (musicXml: string) => {
    toolkit.setOptions({ breaks: 'none', adjustPageWidth: true });
    expect(loadScore(toolkit, musicXml)).toBeTruthy();
    const said = toolkit
      .getMEI({})
      .matchAll(/<staffDef\b[^>]*\bn="(\d+)"[^>]*>(?:(?!<\/?staffDef)[^])*?<keySig\b[^>]*\bsig="(\w+)"/g);
    const drawn = (toolkit.renderToSVG(1).match(/class="keyAccid"/g) ?? []).length;
    return { said: [...said].map(([, n, sig]) => `${n}:${sig}`), drawn };
  };

  const { printed } = toScore(performance, { ...NO_SETTINGS, keyChanges: [{ bar: 4, fifths: -2, mode: 'major' }] });

  it('are those of each part, transposing or not, and none for drums', () => {
    const { said, drawn } = signatures(writeMusicXml(printed));
    const order = printed.parts.map(({ name }) => name);
    expect(order).toEqual(['Flute', 'Clarinet in B♭', 'Alto Saxophone', 'Drum Kit', 'Piano']);
    const later = said.slice(-5);
    // Clarinet a tone, saxophone a major sixth above: two and three fifths more.
    expect(later).toEqual(['1:2f', '2:0', '3:1s', '5:2f', '6:2f']);
    // Before: 1, 3, 4, 1, 1 sharps; then 2 flats thrice, a sharp, and naturals for what no longer holds.
    expect(drawn).toBeGreaterThanOrEqual(10 + 7);
  });

  it('are left to the engraver where all read the same', () => {
    const strings = { ...printed, parts: printed.parts.filter(({ id }) => id === partId('t1')) };
    const xml = writeMusicXml(strings);
    expect(signatures(xml).said.at(-1)).not.toBe('1:2f');
    expect(signatures(xml).drawn).toBeGreaterThanOrEqual(1 + 2);
  });
});
