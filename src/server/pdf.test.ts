import { VerovioToolkit } from 'verovio/esm';
import createVerovioModule from 'verovio/wasm';
import { describe, expect, it } from 'vitest';
import { demoMechanical } from '../../demo/make';
import { writeMusicXml } from '../core/musicxml';
import { performanceFromSmf } from '../core/performance';
import { readSmf } from '../core/smf';
import { toScore } from '../core/to-score';
import { pdfOf } from './pdf';
import { NO_SETTINGS } from '@/core/settings';

describe('pages as PDF', () => {
  it('keep every page, set their text in a font of their own, and draw the signs of the music font', async () => {
    const { printed } = toScore(performanceFromSmf(readSmf(demoMechanical())), NO_SETTINGS);
    const tk = new VerovioToolkit(await createVerovioModule());
    tk.setOptions({
      scale: 100,
      unit: 8,
      pageWidth: 2100,
      pageHeight: 2970,
      svgViewBox: true,
      header: 'auto',
      footer: 'none',
    });
    tk.loadData(writeMusicXml({ ...printed, parts: printed.parts.filter((part) => part.name === 'Clarinet in B♭') }));
    const pages = Array.from({ length: tk.getPageCount() }, (_, n) => tk.renderToSVG(n + 1));
    expect(pages[0]).toContain('font-family="Leipzig"');
    const text = Buffer.from(await pdfOf([...pages, ...pages], 'Goose, Clarinet')).toString('latin1');
    expect(text.startsWith('%PDF-')).toBe(true);
    expect(text.match(/\/Type \/Page\b/g)).toHaveLength(2 * pages.length);
    expect(text).toContain('DejaVuSerif');
    expect(text).not.toContain('Leipzig');
  }, 30_000);
  it('are none when one of the drawings is none', async () => {
    const empty = '<svg viewBox="0 0 10 10"></svg>';
    await expect(pdfOf([empty, 'no drawing'], 'x')).rejects.toThrow(/no drawing/);
    expect((await pdfOf([empty], 'x')).length).toBeGreaterThan(100);
  });
});
