import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { create, type Font } from 'fontkit';
import PDFDocument from 'pdfkit';
import SVGtoPDF from 'svg-to-pdfkit';
import { plainDrawing } from './drawing';

/*
 * Engraved pages as a PDF. The drawings come as SVG from the engraver; text is set in DejaVu Serif, which ships with
 * the package dejavu-fonts-ttf and has the signs of music text (♭, ♯) as well as Latin, Greek and Cyrillic letters.
 */

/** A4 in points. */
export const PAGE = { width: 595.28, height: 841.89 };

const fontFile = (name: string) =>
  join(
    dirname(createRequire(join(process.cwd(), 'package.json')).resolve('dejavu-fonts-ttf/package.json')),
    'ttf',
    `${name}.ttf`,
  );
const FONTS = {
  Text: 'DejaVuSerif',
  'Text-Bold': 'DejaVuSerif-Bold',
  'Text-Italic': 'DejaVuSerif-Italic',
  'Text-BoldItalic': 'DejaVuSerif-BoldItalic',
};

/**
 * @param pages one SVG drawing each, in the proportions of A4
 * @throws DrawingError when a page is none that the engraver draws
 */
export async function pdfOf(pages: readonly string[], title: string): Promise<Uint8Array> {
  const drawings = pages.map(plainDrawing);
  const music = drawings.map(({ styles }) => musicFont(styles)).find((font) => font !== null) ?? null;
  return written(title, (document) => {
    for (const { svg } of drawings) {
      document.addPage();
      drawMusic(document, svg, music, { x: 0, y: 0, ...PAGE });
    }
  });
}

/** A document of A4 pages with our fonts. @param fill adds the pages */
export async function written(title: string, fill: (document: PDFKit.PDFDocument) => void): Promise<Uint8Array> {
  const document = new PDFDocument({
    size: [PAGE.width, PAGE.height],
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
  for (const [name, file] of Object.entries(FONTS)) document.registerFont(name, fontFile(file));
  fill(document);
  document.end();
  return done;
}

/** @param svg a plain drawing @param place in points: as large as fits in it, at its top */
export function drawMusic(
  document: PDFKit.PDFDocument,
  svg: string,
  music: Font | null,
  { x, y, width, height }: { x: number; y: number; width: number; height: number },
): void {
  SVGtoPDF(document, music ? signsDrawn(svg, music) : svg, x, y, {
    width,
    height,
    preserveAspectRatio: 'xMinYMin meet',
    fontCallback: (_family: string, bold: boolean, italic: boolean) =>
      `Text${bold || italic ? '-' : ''}${bold ? 'Bold' : ''}${italic ? 'Italic' : ''}`,
  });
}

/** The music font that the engraver puts into its drawings for signs inside text. @param styles of a drawing */
export function musicFont(styles: string): Font | null {
  const data = /src:\s*url\(["']?data:[^,;]*(?:;[^,;]*)?;base64,([^)"']+)/.exec(styles)?.[1];
  const font = data ? create(Buffer.from(data, 'base64')) : null;
  return font && 'layout' in font ? font : null;
}

/**
 * Signs of the music font at the start of a text (the note of a metronome mark) as outlines: its subset, cut out of a
 * compressed font, does not show in PDF readers.
 */
function signsDrawn(svg: string, font: Font): string {
  return svg.replace(
    /<text x="([\d.-]+)" y="([\d.-]+)"((?:(?!<\/text>)[\s\S])*?)<tspan font-family="Leipzig" font-size="([\d.]+)px">([^<]+)<\/tspan>/g,
    (_, x: string, y: string, between: string, size: string, signs: string) => {
      const scale = Number(size) / font.unitsPerEm;
      let at = Number(x);
      const paths = [...signs].map((sign) => {
        const glyph = font.glyphForCodePoint(sign.codePointAt(0)!);
        const path = `<path transform="translate(${at}, ${y}) scale(${scale}, ${-scale})" d="${glyph.path.toSVG()}"/>`;
        at += glyph.advanceWidth * scale;
        return path;
      });
      return `${paths.join('')}<text x="${at}" y="${y}"${between}`;
    },
  );
}
