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
  /** Room for dynamics, hairpins and pedal below each part, in CSS pixels. */
  marksHeight?: number;
  /** The room for played lines is below the staves instead of above them. */
  below?: boolean;
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

/** How a whole score or part is laid out. */
export interface SheetOptions {
  /** Pages of A4, or everything on one line. */
  layout: 'pages' | 'line';
  /** Height of a five-line staff, in millimetres. */
  staffMillimetres: number;
}

let module: ReturnType<typeof createVerovioModule> | null = null;
const toolkits = new Map<'passage' | 'sheet', Promise<VerovioToolkit>>();

/** Passages come and go while a sheet stays loaded: each has a toolkit of its own. */
function ready(use: 'passage' | 'sheet'): Promise<VerovioToolkit> {
  module ??= createVerovioModule();
  const there = toolkits.get(use) ?? module.then((loaded) => new VerovioToolkit(loaded));
  toolkits.set(use, there);
  return there;
}

/** The toolkit counts tenths of a millimetre; a staff is eight of its units. */
const A4 = { width: 2100, height: 2970, margin: 120 };
let loadedSheet = '';
/** Where the measures of the loaded sheet begin, in quarters; read when first asked for. */
let measures: { id: string; quarters: number }[] | null = null;

/** A measure of a sheet: its element, its page from 1, where it begins and ends in quarters. */
export interface SheetMeasure {
  id: string;
  page: number;
  quarters: number;
  /** null for the last one. */
  ends: number | null;
}

const api = {
  /** Loads the engraver, so that the first drawing need not wait for it. */
  async warmUp(): Promise<void> {
    await ready('passage');
  },

  /** Lays a whole score or part out. @returns how many pages there are; `page` draws them */
  async layOut(musicXml: string, { layout, staffMillimetres }: SheetOptions): Promise<number> {
    const tk = await ready('sheet');
    const unit = (staffMillimetres * 10) / 8;
    const lines = layout === 'line';
    tk.setOptions({
      scale: 100,
      unit,
      pageWidth: lines ? 60000 : A4.width,
      pageHeight: lines ? 60000 : A4.height,
      pageMarginLeft: A4.margin,
      pageMarginRight: A4.margin,
      pageMarginTop: A4.margin,
      pageMarginBottom: A4.margin,
      adjustPageHeight: lines,
      adjustPageWidth: lines,
      breaks: lines ? 'none' : 'auto',
      header: lines ? 'none' : 'auto',
      footer: 'none',
      mnumInterval: 0,
      svgViewBox: true,
      spacingNonLinear: 0.55,
      condense: 'none',
      justifyVertically: false,
    });
    if (!tk.loadData(musicXml)) throw new Error('The score could not be laid out.');
    loadedSheet = musicXml;
    measures = null;
    return tk.getPageCount();
  },

  /** @param n from 1 @throws Error when another sheet has been laid out meanwhile */
  async page(musicXml: string, n: number): Promise<string> {
    if (musicXml !== loadedSheet) throw new Error('Another sheet has been laid out meanwhile.');
    return (await ready('sheet')).renderToSVG(n);
  },

  /** The measure that sounds at a place (rests over several bars are one), and its page; null when another sheet is laid out. */
  async measureAt(musicXml: string, quarters: number): Promise<SheetMeasure | null> {
    if (musicXml !== loadedSheet) return null;
    const tk = await ready('sheet');
    measures ??= tk.renderToTimemap({ includeMeasures: true }).flatMap((entry) => {
      // The type definitions do not know it yet.
      const id: unknown = 'measureOn' in entry ? entry.measureOn : null;
      return typeof id === 'string' ? [{ id, quarters: entry.qstamp }] : [];
    });
    const i = measures.findLastIndex((measure) => measure.quarters <= quarters + 1e-6);
    const measure = measures[Math.max(0, i)];
    if (!measure) return null;
    const next = measures[i + 1];
    return {
      id: measure.id,
      page: tk.getPageWithElement(measure.id),
      quarters: measure.quarters,
      ends: next?.quarters ?? null,
    };
  },

  /** Engraves a passage as one system that fills the width as nearly as its notes allow. */
  async system(
    musicXml: string,
    { width, staffHeight, laneHeight, marksHeight = 0, below = false }: EngraveOptions,
  ): Promise<Engraving> {
    const tk = await ready('passage');
    const scale = (staffHeight / STAFF_AT_FULL_SCALE) * 100;
    const inUnits = (pixels: number) => Math.round((pixels * 100) / scale);
    const between = Math.min(48, Math.round((laneHeight + marksHeight + staffHeight * 0.6) / (staffHeight / 8)));
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
        pageMarginTop: below ? 40 : inUnits(laneHeight + 6),
        pageMarginBottom: below ? inUnits(laneHeight + marksHeight + 10) : 40,
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
      spacing = Math.min(
        MOST_SPACING,
        Math.max(LEAST_SPACING, (spacing * width * (tooNarrow ? 1.02 : 0.96)) / result.width),
      );
    }
    return result;
  },
};

export type EngraveApi = typeof api;

Comlink.expose(api);
