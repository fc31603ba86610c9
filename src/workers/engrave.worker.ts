import { serve } from './alive';
import type { VerovioOptions } from 'verovio';
import { VerovioToolkit } from 'verovio/esm';
import createVerovioModule from 'verovio/wasm';
import { loadScore, spaced, stavesIn } from '@/paper/load-score';
import { sheetOptions, type SheetOptions } from '@/paper/sheets';
import { say } from '@/core/words';

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
  /** What a first drawing turned out to lack. */
  more?: Lacking;
}

/** What a drawing lacks for the played lines to cover nothing, and names to be whole. */
export interface Lacking {
  /** In CSS pixels. */
  left: number;
  top: number;
  bottom: number;
  /** Wanted distance from the staff above to each staff of the system, in staff spaces; null for as it is. */
  distances: (number | null)[];
}

export interface Engraving {
  svg: string;
  /** In CSS pixels before the view scales it. */
  width: number;
  height: number;
}

/** Staff height at scale 100, in pixels: eight units of the toolkit's default nine tenths of a millimetre. */
const STAFF_AT_FULL_SCALE = 72;
/** What the engraver leaves free above a system by itself: twelve half spaces, in its units. */
const ABOVE_SYSTEM = 12 * 9;

/** Narrow, so that all bars go into one system, which is then stretched to the width. */
const SPACING = 0.25;

/** Begun at once: it takes longer than a conversion. */
const module = createVerovioModule();
const toolkits = new Map<'passage' | 'sheet', Promise<VerovioToolkit>>();

/** Passages come and go while a sheet stays loaded: each has a toolkit of its own. */
function ready(use: 'passage' | 'sheet'): Promise<VerovioToolkit> {
  const there = toolkits.get(use) ?? module.then((loaded) => new VerovioToolkit(loaded));
  toolkits.set(use, there);
  return there;
}

let loadedSheet = '';
/** Where the measures of the loaded sheet begin, in quarters; read when first asked for. */
let sheetMeasures: { id: string; quarters: number }[] | null = null;

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
  async layOut(mei: string, options: SheetOptions): Promise<number> {
    const tk = await ready('sheet');
    tk.setOptions(sheetOptions({ ...options, staves: stavesIn(mei) }));
    if (!loadScore(tk, mei)) throw new Error(say('workers.scoreNotLaidOut'));
    loadedSheet = mei;
    sheetMeasures = null;
    return tk.getPageCount();
  },

  /** @param n from 1 @throws Error when another sheet has been laid out meanwhile */
  async page(mei: string, n: number): Promise<string> {
    if (mei !== loadedSheet) throw new Error('Another sheet has been laid out meanwhile.');
    return (await ready('sheet')).renderToSVG(n);
  },

  /** Where a measure of the sheet begins, in quarters; null when another sheet is laid out or there is no such measure. */
  async beginOf(mei: string, id: string): Promise<number | null> {
    const all = await measuresOf(mei);
    return all?.find((measure) => measure.id === id)?.quarters ?? null;
  },

  /** The measure that sounds at a place (rests over several bars are one), and its page; null when another sheet is laid out. */
  async measureAt(mei: string, quarters: number): Promise<SheetMeasure | null> {
    const tk = await ready('sheet');
    const measures = await measuresOf(mei);
    if (!measures) return null;
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

  /** Engraves a passage as one system that fills the width; one that needs more becomes wider than that. */
  async system(mei: string, options: EngraveOptions): Promise<Engraving> {
    const tk = await ready('passage');
    const layout = systemOptions(options);
    tk.setOptions(layout);
    const distances = options.more?.distances ?? [];
    const load = () => {
      if (!loadScore(tk, spaced(mei, distances))) throw new Error(say('workers.passageNotEngraved'));
      return tk.renderToSVG(1);
    };
    let svg = load();
    if (tk.getPageCount() > 1 || svg.split('class="system"').length > 2) {
      tk.setOptions({ ...layout, breaks: 'none', adjustPageWidth: true });
      svg = load();
    }
    const box = /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg);
    return { svg, width: Number(box?.[1] ?? options.width), height: Number(box?.[2] ?? 200) };
  },
};

async function measuresOf(mei: string): Promise<typeof sheetMeasures> {
  const tk = await ready('sheet');
  if (mei !== loadedSheet) return null;
  sheetMeasures ??= tk.renderToTimemap({ includeMeasures: true }).flatMap((entry) => {
    // The type definitions do not know it yet.
    const id: unknown = 'measureOn' in entry ? entry.measureOn : null;
    return typeof id === 'string' ? [{ id, quarters: entry.qstamp }] : [];
  });
  return sheetMeasures;
}

function systemOptions({
  width,
  staffHeight,
  laneHeight,
  marksHeight = 0,
  below = false,
  more,
}: EngraveOptions): VerovioOptions {
  const scale = (staffHeight / STAFF_AT_FULL_SCALE) * 100;
  const inUnits = (pixels: number) => Math.round((pixels * 100) / scale);
  const between = Math.min(48, Math.round((laneHeight + marksHeight + staffHeight * 0.6) / (staffHeight / 8)));
  return {
    scale,
    pageWidth: inUnits(width),
    pageHeight: 60000,
    adjustPageHeight: true,
    adjustPageWidth: false,
    svgViewBox: true,
    breaks: 'auto',
    minLastJustification: 0,
    header: 'none',
    footer: 'none',
    mnumInterval: 64,
    pageMarginLeft: 10 + inUnits(more?.left ?? 0),
    pageMarginRight: 10,
    pageMarginTop: (below ? 40 : Math.max(20, inUnits(laneHeight + 10) - ABOVE_SYSTEM)) + inUnits(more?.top ?? 0),
    pageMarginBottom: (below ? inUnits(laneHeight + marksHeight + 10) : 40) + inUnits(more?.bottom ?? 0),
    spacingStaff: between,
    spacingBracketGroup: between,
    spacingBraceGroup: 12,
    spacingLinear: SPACING,
    spacingNonLinear: 0.6,
  };
}

export type EngraveApi = typeof api;

serve(api);
