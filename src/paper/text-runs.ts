/*
 * Text of an engraved page, laid out run by run: signs of the music font inside it, and scripts the text font lacks, become
 * outlines; the rest stays text. The engraver's own text nests spans that say nothing about where the next one begins.
 */
import type { Font } from 'fontkit';
import { fontRuns, textFontOf } from './fonts';

/** An element of text with what is in it, in order. */
export interface TextNode {
  attributes: Record<string, string>;
  children: (TextNode | string)[];
}

interface Style {
  size: number;
  bold: boolean;
  italic: boolean;
  /** Set in the engraver's music font. */
  music: boolean;
  fill: string | null;
}

interface Piece extends Style {
  text: string;
}

/** What stands on one line from a place of its own. */
interface Line {
  x: number;
  y: number;
  anchor: string;
  pieces: Piece[];
}

/** As the engraver names the font of its signs. */
const MUSIC_FONT = 'Leipzig';

/** @param outer what the groups around it say @param music the engraver's font; null where the page has none */
export function textDrawn(text: TextNode, outer: Pick<Style, 'bold' | 'italic'>, music: Font | null): string {
  const lines: Line[] = [];
  gather(text, { size: 0, music: false, fill: null, ...outer }, lines);
  return lines.map((line) => lineDrawn(line, music)).join('');
}

function gather(node: TextNode, outer: Style, lines: Line[]): void {
  const { attributes } = node;
  const style = styleOf(attributes, outer);
  const last = lines.at(-1);
  if (attributes.x !== undefined || attributes.y !== undefined || !last)
    lines.push({
      x: Number(attributes.x ?? last?.x ?? 0),
      y: Number(attributes.y ?? last?.y ?? 0),
      anchor: attributes['text-anchor'] ?? last?.anchor ?? 'start',
      pieces: [],
    });
  for (const child of node.children) {
    if (typeof child !== 'string') gather(child, style, lines);
    // What has no size is the indentation of the file.
    else if (style.size > 0 && child !== '') lines.at(-1)!.pieces.push({ ...style, text: child.replace(/\s+/g, ' ') });
  }
}

function styleOf(attributes: Record<string, string>, outer: Style): Style {
  const size = attributes['font-size'];
  const weight = attributes['font-weight'];
  const slant = attributes['font-style'];
  const family = attributes['font-family'];
  return {
    size: size === undefined ? outer.size : Number.parseFloat(size) || 0,
    bold: weight === undefined ? outer.bold : weight === 'bold',
    italic: slant === undefined ? outer.italic : slant === 'italic' || slant === 'oblique',
    music: family === undefined ? outer.music : family === MUSIC_FONT,
    fill: attributes.fill ?? outer.fill,
  };
}

/** How much of a line stands before its anchor. */
const SHARE_BEFORE: Record<string, number> = { start: 0, middle: 0.5, end: 1 };

interface Run {
  width: number;
  draw: (x: number) => string;
}

function lineDrawn({ x, y, anchor, pieces }: Line, music: Font | null): string {
  const runs = pieces.flatMap((piece) => runsOf(piece, y, music));
  const width = runs.reduce((sum, run) => sum + run.width, 0);
  let at = x - (SHARE_BEFORE[anchor] ?? 0) * width;
  return runs
    .map((run) => {
      const drawn = run.draw(at);
      at += run.width;
      return drawn;
    })
    .join('');
}

function runsOf(piece: Piece, y: number, music: Font | null): Run[] {
  const { text, size, bold, italic, fill } = piece;
  if (piece.music && music) return [outlines(text, music, piece, y)];
  return fontRuns(text, textFontOf(piece)).map(({ text: own, font, drawn }) => {
    if (drawn) return outlines(own, font, piece, y);
    const look = `${bold ? ' font-weight="bold"' : ''}${italic ? ' font-style="italic"' : ''}${fill === null ? '' : ` fill="${escaped(fill)}"`}`;
    return {
      width: widthOf(own, font, size),
      draw: (x) => `<text x="${x}" y="${y}" font-size="${size}"${look} xml:space="preserve">${escaped(own)}</text>`,
    };
  });
}

/** Shaped by the font: letters of Arabic join, vowels of Devanagari find their place. */
function outlines(text: string, font: Font, { size, fill }: Piece, y: number): Run {
  const scale = size / font.unitsPerEm;
  const { glyphs, positions } = font.layout(text);
  const width = positions.reduce((sum, { xAdvance }) => sum + xAdvance, 0) * scale;
  return {
    width,
    draw: (x) => {
      let at = x;
      const paths = glyphs.map((glyph, i) => {
        const { xAdvance, xOffset, yOffset } = positions[i]!;
        const place = `translate(${at + xOffset * scale}, ${y - yOffset * scale}) scale(${scale}, ${-scale})`;
        at += xAdvance * scale;
        return `<path transform="${place}" d="${glyph.path.toSVG()}"${fill === null ? '' : ` fill="${escaped(fill)}"`}/>`;
      });
      return paths.join('');
    },
  };
}

function widthOf(text: string, font: Font, size: number): number {
  const { positions } = font.layout(text);
  return (positions.reduce((sum, { xAdvance }) => sum + xAdvance, 0) * size) / font.unitsPerEm;
}

export function escaped(text: string): string {
  return text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/"/g, '&quot;');
}
