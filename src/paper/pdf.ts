import PDFDocument from 'pdfkit';
import SVGtoPDF from 'svg-to-pdfkit';
import { plainDrawing } from './drawing';
import { fontRuns, TEXT_FONTS, type TextFont } from './fonts';
import { PAPERS, type PaperSize } from './papers';

/*
 * Engraved pages as a PDF: drawings of the engraver with what is said at their head and foot, on the paper that is wanted, and a cover
 * in front where there is a text for one.
 */

const POINTS_PER_MILLIMETRE = 72 / 25.4;

/** A page of music. */
export interface Page {
  /** A drawing in the proportions of the paper. */
  svg: string;
  /** At the top left and right, in the margin; empty for nothing. */
  left: string;
  right: string;
}

export interface Cover {
  title: string;
  composer: string;
  text: string;
}

export interface PdfOptions {
  title: string;
  paper: PaperSize;
  cover: Cover | null;
}

const MARGIN = 34;
const HEAD_SIZE = 9;

/** Points of a paper. */
export function sizeInPoints(paper: PaperSize): { width: number; height: number } {
  const { width, height } = PAPERS[paper];
  return { width: width * POINTS_PER_MILLIMETRE, height: height * POINTS_PER_MILLIMETRE };
}

/** @throws DrawingError when a page is none that the engraver draws */
export async function pdfOf(pages: readonly Page[], { title, paper, cover }: PdfOptions): Promise<Uint8Array> {
  const size = sizeInPoints(paper);
  return written(title, size, (document) => {
    if (cover) {
      document.addPage();
      coverPage(document, cover, size);
    }
    for (const { svg, left, right } of pages) {
      document.addPage();
      drawMusic(document, svg, { x: 0, y: 0, ...size });
      setLine(document, left, 'Text-Bold', HEAD_SIZE, { x: MARGIN, y: 20, anchor: 'start' });
      setLine(document, right, 'Text', HEAD_SIZE, { x: size.width - MARGIN, y: 20, anchor: 'end' });
    }
  });
}

function coverPage(
  document: PDFKit.PDFDocument,
  { title, composer, text }: Cover,
  { width, height }: { width: number; height: number },
): void {
  const middle = width / 2;
  setLine(document, title, 'Text-Bold', 26, { x: middle, y: height * 0.3, anchor: 'middle', most: width - 4 * MARGIN });
  setLine(document, composer, 'Text', 14, { x: middle, y: height * 0.3 + 44, anchor: 'middle' });
  text
    .split('\n')
    .forEach((line, i) =>
      setLine(document, line, 'Text', 12, { x: middle, y: height * 0.5 + i * 18, anchor: 'middle' }),
    );
}

/** How much of a line stands before its anchor. */
const SHARE_BEFORE = { start: 0, middle: 0.5, end: 1 };

interface Place {
  x: number;
  /** Of the top of the line. */
  y: number;
  anchor: keyof typeof SHARE_BEFORE;
  /** It is made smaller so that it takes no more, in points. */
  most?: number;
}

/** Text in any script, broken into lines of a width in points. */
export function linesOf(text: string, font: TextFont, size: number, width: number): string[] {
  const lines: string[] = [];
  let line = '';
  // Scripts without spaces may break anywhere.
  for (const word of text.match(
    /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]|\s+|[^\s\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]+/gu,
  ) ?? []) {
    if (line !== '' && widthOf(line + word.trimEnd(), font, size) > width) {
      lines.push(line.trimEnd());
      line = word.trimStart();
    } else line += word;
  }
  return line.trim() === '' ? lines : [...lines, line.trimEnd()];
}

function widthOf(text: string, font: TextFont, size: number): number {
  return fontRuns(text, font).reduce(
    (sum, run) => sum + (run.font.layout(run.text).advanceWidth * size) / run.font.unitsPerEm,
    0,
  );
}

/** A line of text in any script. */
export function setLine(
  document: PDFKit.PDFDocument,
  text: string,
  font: TextFont,
  size: number,
  { x, y, anchor, most = Infinity }: Place,
): void {
  const shaped = fontRuns(text, font).map((run) => ({ ...run, glyphs: run.font.layout(run.text) }));
  const widthAt = (points: number) =>
    shaped.reduce((sum, { glyphs, font: own }) => sum + (glyphs.advanceWidth * points) / own.unitsPerEm, 0);
  const points = Math.min(size, (size * most) / Math.max(widthAt(size), 1));
  let at = x - SHARE_BEFORE[anchor] * widthAt(points);
  const baseline = y + points;
  for (const { text: own, glyphs, font: of, drawn } of shaped) {
    const scale = points / of.unitsPerEm;
    if (!drawn) {
      document.font(font).fontSize(points).text(own, at, baseline, { lineBreak: false, baseline: 'alphabetic' });
    } else {
      let along = 0;
      glyphs.glyphs.forEach((glyph, i) => {
        const { xAdvance, xOffset, yOffset } = glyphs.positions[i]!;
        document
          .save()
          .translate(at + (along + xOffset) * scale, baseline - yOffset * scale)
          .scale(scale, -scale)
          .path(glyph.path.toSVG())
          .fill('black')
          .restore();
        along += xAdvance;
      });
    }
    at += glyphs.advanceWidth * scale;
  }
}

/** A document with our fonts. @param size of its pages, in points @param fill adds the pages */
export async function written(
  title: string,
  size: { width: number; height: number },
  fill: (document: PDFKit.PDFDocument) => void,
): Promise<Uint8Array> {
  const document = new PDFDocument({
    size: [size.width, size.height],
    margin: 0,
    autoFirstPage: false,
    info: { Title: title, Creator: 'Dragoman' },
  });
  const chunks: Buffer[] = [];
  const done = new Promise<Uint8Array>((resolve, reject) => {
    document.on('data', (chunk: Buffer) => chunks.push(chunk));
    document.on('end', () => resolve(new Uint8Array(Buffer.concat(chunks))));
    document.on('error', reject);
  });
  for (const [name, file] of Object.entries(TEXT_FONTS)) document.registerFont(name, file());
  fill(document);
  document.end();
  return done;
}

/** @param svg of the engraver @param place in points: as large as fits in it, at its top @throws DrawingError */
export function drawMusic(
  document: PDFKit.PDFDocument,
  svg: string,
  { x, y, width, height }: { x: number; y: number; width: number; height: number },
): void {
  SVGtoPDF(document, plainDrawing(svg).svg, x, y, {
    width,
    height,
    preserveAspectRatio: 'xMinYMin meet',
    fontCallback: (_family: string, bold: boolean, italic: boolean) =>
      `Text${bold || italic ? '-' : ''}${bold ? 'Bold' : ''}${italic ? 'Italic' : ''}`,
  });
}
