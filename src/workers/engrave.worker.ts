import * as Comlink from 'comlink';
import { VerovioToolkit } from 'verovio/esm';
import createVerovioModule from 'verovio/wasm';

export interface EngraveOptions {
  /** Width to fill, in CSS pixels. */
  width: number;
  /** Height of a five-line staff, in CSS pixels. */
  staffHeight: number;
  /** Room above the first staff and between parts, in CSS pixels. */
  laneHeight: number;
}

export interface Engraving {
  svg: string;
  /** In CSS pixels before the view scales it. */
  width: number;
  height: number;
}

/** Staff height at scale 100, in pixels: eight units of the toolkit's default nine tenths of a millimetre. */
const STAFF_AT_FULL_SCALE = 72;
const PASSES = 3;

const LEAST_SPACING = 0.25;
const MOST_SPACING = 1;
let lastSpacing = LEAST_SPACING;

let toolkit: Promise<VerovioToolkit> | null = null;

function ready(): Promise<VerovioToolkit> {
  toolkit ??= createVerovioModule().then((module) => new VerovioToolkit(module));
  return toolkit;
}

const api = {
  /** Loads the engraver, so that the first drawing need not wait for it. */
  async warmUp(): Promise<void> {
    await ready();
  },

  /** Engraves a passage as one system that fills the width as nearly as its notes allow. */
  async system(musicXml: string, { width, staffHeight, laneHeight }: EngraveOptions): Promise<Engraving> {
    const tk = await ready();
    const scale = (staffHeight / STAFF_AT_FULL_SCALE) * 100;
    const inUnits = (pixels: number) => Math.round((pixels * 100) / scale);
    const between = Math.min(48, Math.round((laneHeight + staffHeight * 0.6) / (staffHeight / 8)));
    // Passages of one piece are much alike: what fitted the last one is the best start.
    let spacing = lastSpacing;
    let result: Engraving = { svg: '', width: 0, height: 0 };
    for (let pass = 0; pass < PASSES; pass++) {
      tk.setOptions({
        scale,
        pageWidth: inUnits(width),
        pageHeight: 60000,
        adjustPageHeight: true,
        adjustPageWidth: true,
        svgViewBox: true,
        breaks: 'none',
        header: 'none',
        footer: 'none',
        mnumInterval: 64,
        pageMarginLeft: 10,
        pageMarginRight: 10,
        pageMarginTop: inUnits(laneHeight + 6),
        pageMarginBottom: 40,
        spacingStaff: between,
        spacingBracketGroup: between,
        spacingBraceGroup: 12,
        spacingLinear: spacing,
        spacingNonLinear: 0.6,
      });
      if (pass === 0) {
        if (!tk.loadData(musicXml)) throw new Error('The passage could not be engraved.');
      } else tk.redoLayout({});
      const svg = tk.renderToSVG(1);
      const box = /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg);
      result = { svg, width: Number(box?.[1] ?? width), height: Number(box?.[2] ?? 200) };
      lastSpacing = spacing;
      const tooNarrow = result.width < width * 0.94 && spacing < MOST_SPACING;
      const tooWide = result.width > width * 1.04 && spacing > LEAST_SPACING;
      if (!tooNarrow && !tooWide) break;
      spacing = Math.min(MOST_SPACING, Math.max(LEAST_SPACING, (spacing * width * (tooNarrow ? 1.02 : 0.96)) / result.width));
    }
    return result;
  },
};

export type EngraveApi = typeof api;

Comlink.expose(api);
