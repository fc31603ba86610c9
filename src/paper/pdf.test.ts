import { VerovioToolkit } from 'verovio/esm';
import createVerovioModule from 'verovio/wasm';
import { describe, expect, it } from 'vitest';
import { demoMechanical } from '../../demo/make';
import { toEnd } from '../core/base';
import { writeMei } from '../core/mei';
import { performanceFromSmf } from '../core/performance';
import type { Score } from '../core/score';
import { NO_SETTINGS } from '../core/settings';
import { readSmf } from '../core/smf';
import { toScore } from '../core/to-score';
import { linesOf, pdfOf } from './pdf';
import { bookPages } from './sheets';

const { printed } = toScore(performanceFromSmf(readSmf(demoMechanical())), NO_SETTINGS);
const toolkit = new VerovioToolkit(await createVerovioModule());

function book(score: Score, paper: 'A4' | '9x12' = 'A4', name = 'Clarinet in B♭') {
  const sheets = [{ mei: writeMei(score, { multiRests: true }), name, staffMillimetres: 6.6 }];
  return { title: 'Goose', composer: '', cover: '', paper, barNumbers: 'systems' as const, sheets };
}
const clarinet = { ...printed, parts: printed.parts.filter((part) => part.name === 'Clarinet in B♭') };
const A4 = { title: 'Goose, Clarinet', paper: 'A4' as const, cover: null };

describe('pages as PDF', () => {
  it('keep every page, set their text in a font of their own, and draw the signs of the music font', async () => {
    const pages = toEnd(bookPages(toolkit, book(clarinet)));
    expect(pages[0]!.svg).toContain('font-family="Leipzig"');
    expect(pages[0]).toMatchObject({ left: 'Clarinet in B♭' });
    const text = Buffer.from(await pdfOf([...pages, ...pages], A4)).toString('latin1');
    expect(text.startsWith('%PDF-')).toBe(true);
    expect(text.match(/\/Type \/Page\b/g)).toHaveLength(2 * pages.length);
    expect(text).toContain('DejaVuSerif');
    expect(text).not.toContain('Leipzig');
  }, 30_000);
  it('say on every page but the first whose they are, with its number', () => {
    const pages = toEnd(bookPages(toolkit, book(printed, 'A4', '')));
    expect(pages.length).toBeGreaterThan(1);
    expect(pages.map(({ left, right }) => [left, right]).slice(0, 2)).toEqual([
      ['', '1'],
      ['Goose', '2'],
    ]);
  });
  it('have the paper that was asked for, and a cover in front of them', async () => {
    const pages = toEnd(bookPages(toolkit, book(clarinet, '9x12')));
    const cover = { title: '時計屋のがちょう', composer: 'Nobody', text: 'First reading\nbring pencils' };
    const text = Buffer.from(await pdfOf(pages, { title: 'x', paper: '9x12', cover })).toString('latin1');
    // 9 × 12 inches of 72 points.
    expect(text.match(/\/MediaBox \[0 0 648 864\]/g)).toHaveLength(pages.length + 1);
    const a4 = Buffer.from(await pdfOf(pages, A4)).toString('latin1');
    expect(a4).toMatch(/\/MediaBox \[0 0 595\.\d+ 841\.\d+\]/);
  });
  it('are none when one of the drawings is none', async () => {
    const page = (svg: string) => ({ svg, left: '', right: '' });
    const empty = page('<svg viewBox="0 0 10 10"></svg>');
    await expect(pdfOf([empty, page('no drawing')], A4)).rejects.toThrow(/no drawing/);
    expect((await pdfOf([empty], A4)).length).toBeGreaterThan(100);
  });
  it('break text where there are spaces, and where a script has none', () => {
    expect(linesOf('one two three', 'Text', 10, 45)).toEqual(['one two', 'three']);
    const lines = linesOf('時計屋のがちょう', 'Text', 10, 45);
    expect(lines.length).toBeGreaterThan(1);
    expect(lines.join('')).toBe('時計屋のがちょう');
    expect(linesOf('', 'Text', 10, 45)).toEqual([]);
  });
});
