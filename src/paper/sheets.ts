/* Scores and parts laid out as pages by the engraver, in the browser's workers and on the command line alike. */
import { say } from '@/core/words';
import type { VerovioOptions } from 'verovio';
import type { VerovioToolkit } from 'verovio/esm';
import type { Book } from '../core/dispatch';
import { loadScore, stavesIn } from './load-score';
import { PAPERS, type PaperSize } from './papers';

/** How a whole score or part is laid out. */
export interface SheetOptions {
  /** Pages, or everything on one line. */
  layout: 'pages' | 'line';
  /** Height of a five-line staff, in millimetres. */
  staffMillimetres: number;
  /** A4 unless it is said. */
  paper?: PaperSize;
  barNumbers?: Book['barNumbers'];
  /** How many staves a system has; one unless it is said. */
  staves?: number;
}

/**
 * What of a page's height may be spread between its staves and systems. Of a large score one system is a page; systems of
 * a part fill a page nearly, and what is on the last one stays together.
 */
const MOST_STRETCH = { score: 0.5, part: 0.15 };
/** A score of more staves has pages of one system, or two. */
const STAVES_OF_A_PART = 4;
/** In tenths of a millimetre, which the engraver counts; a staff is eight of its units. */
const MARGIN = 120;
const ENDLESS = 60_000;

export function sheetOptions({
  layout,
  staffMillimetres,
  paper = 'A4',
  barNumbers = 'systems',
  staves = 1,
}: SheetOptions): VerovioOptions {
  const lines = layout === 'line';
  const { width, height } = PAPERS[paper];
  return {
    scale: 100,
    unit: (staffMillimetres * 10) / 8,
    pageWidth: lines ? ENDLESS : Math.round(width * 10),
    pageHeight: lines ? ENDLESS : Math.round(height * 10),
    pageMarginLeft: MARGIN,
    pageMarginRight: MARGIN,
    pageMarginTop: MARGIN,
    pageMarginBottom: MARGIN,
    adjustPageHeight: lines,
    adjustPageWidth: lines,
    breaks: lines ? 'none' : 'auto',
    header: lines ? 'none' : 'auto',
    footer: 'none',
    mnumInterval: barNumbers === 'every' ? 1 : 0,
    svgViewBox: true,
    spacingNonLinear: 0.55,
    condense: 'none',
    justifyVertically: !lines,
    justificationMaxVertical: staves > STAVES_OF_A_PART ? MOST_STRETCH.score : MOST_STRETCH.part,
    // The hands of one player stay together.
    justificationBraceGroup: 0,
  };
}

/** A page of a book, with what stands at its head. */
export interface BookPage {
  svg: string;
  left: string;
  right: string;
}

/** All pages of a book, one after the other. @throws Error when a sheet cannot be laid out */
export function* bookPages(toolkit: VerovioToolkit, book: Book): Generator<number, BookPage[]> {
  const { title, paper, barNumbers, sheets } = book;
  const pages: BookPage[] = [];
  for (const [i, { mei, name, staffMillimetres }] of sheets.entries()) {
    toolkit.setOptions(sheetOptions({ layout: 'pages', staffMillimetres, paper, barNumbers, staves: stavesIn(mei) }));
    if (!loadScore(toolkit, mei)) throw new Error(say('page.couldNotBeLaidOut', { name, named: name !== '' }));
    const count = toolkit.getPageCount();
    const drawn: string[] = [];
    for (let n = 1; n <= count; n++) {
      yield (i + (n - 1) / count) / sheets.length;
      const svg = toolkit.renderToSVG(n);
      drawn.push(barNumbers === 'none' ? withoutBarNumbers(svg) : svg);
    }
    pages.push(...withHeads(drawn, title, name));
  }
  return pages;
}

/** The engraver numbers the first bar of each system unless it is stopped here. */
const withoutBarNumbers = (svg: string) => svg.replace(/<g [^>]*class="mNum\b[^>]*>(?:(?!<\/?g\b)[^])*<\/g>/g, '');

/** Pages of one score or part with their heads: the first bears its title, the others say whose they are. @param name of the part */
export function withHeads(drawn: readonly string[], title: string, name: string): BookPage[] {
  const running = name === '' ? title : `${title}, ${name}`;
  return drawn.map((svg, i) => ({
    svg,
    left: i === 0 ? name : running,
    right: drawn.length === 1 ? '' : String(i + 1),
  }));
}

/** The first page that a book asks for; null for none. */
export function coverOf({ cover, title, composer }: Book): { title: string; composer: string; text: string } | null {
  return cover.trim() === '' ? null : { title, composer, text: cover };
}
