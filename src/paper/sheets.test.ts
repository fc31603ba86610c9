import { beforeAll, describe, expect, it } from 'vitest';
import { VerovioToolkit } from 'verovio/esm';
import createVerovioModule from 'verovio/wasm';
import { toEnd } from '../core/base';
import { BAR_NUMBERS, PAPER_SIZES } from '../core/documents';
import { writeMei } from '../core/mei';
import { barOf, plainPart, plainScore } from '../testing/scores';
import { bookPages } from './sheets';

/* Each choice of how pages look does what it says, on the pages. */

const mei = writeMei(
  plainScore([plainPart(Array.from({ length: 40 }, (_, i) => barOf([60 + (i % 12), 1], [62, 1], [64, 2])))]),
);

describe('pages', () => {
  let toolkit: VerovioToolkit;
  beforeAll(async () => {
    toolkit = new VerovioToolkit(await createVerovioModule());
  });
  const pages = (change: Partial<Parameters<typeof bookPages>[1]>, staffMillimetres = 6) =>
    toEnd(
      bookPages(toolkit, {
        title: '',
        composer: '',
        cover: '',
        paper: 'A4',
        barNumbers: 'systems',
        sheets: [{ mei, name: 'Flute', staffMillimetres }],
        ...change,
      }),
    ).map(({ svg }) => svg);
  const count = (svgs: string[], what: string) =>
    (svgs.join('').match(new RegExp(`class="${what}\\b`, 'g')) ?? []).length;

  it('number bars at each system, every bar, or none; the music stays', () => {
    const systems = count(pages({}), 'system');
    const numbers = BAR_NUMBERS.map((barNumbers) => count(pages({ barNumbers }), 'mNum'));
    // The first system needs no number.
    expect(Object.fromEntries(BAR_NUMBERS.map((one, i) => [one, numbers[i]]))).toEqual({
      systems: systems - 1,
      every: 40,
      none: 0,
    });
    for (const barNumbers of BAR_NUMBERS) expect(count(pages({ barNumbers }), 'note')).toBe(120);
  });
  it('have the paper and the staff that are asked for', () => {
    const sizes = PAPER_SIZES.map((paper) => /viewBox="([^"]*)"/.exec(pages({ paper })[0]!)![1]);
    expect(new Set(sizes).size).toBe(PAPER_SIZES.length);
    expect(count(pages({}, 8), 'system')).toBeGreaterThan(count(pages({}, 4), 'system'));
  });
});
