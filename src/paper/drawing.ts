/*
 * A drawing of the engraver made safe and plain: only what a page of music is drawn with, nothing that reaches outside,
 * and text laid out run by run, since the PDF writer reads no style rules.
 */
import { create, type Font } from 'fontkit';
import { SaxesParser } from 'saxes';
import { escaped, textDrawn, type TextNode } from './text-runs';

/** Elements a page of music is drawn with; of others not even the contents are kept. */
const DRAWN = new Set([
  'svg',
  'g',
  'defs',
  'symbol',
  'use',
  'path',
  'rect',
  'polygon',
  'polyline',
  'ellipse',
  'circle',
  'line',
  'text',
  'tspan',
]);
const OUTLINED = new Set(['path', 'rect', 'polygon', 'polyline', 'ellipse']);
const ITALIC = ['dir', 'dynam', 'mNum'];
const BOLD = ['ending', 'fing', 'reh', 'tempo'];

/** A full orchestral page has some ten thousand elements, nested a dozen deep. */
const MOST_ELEMENTS = 60_000;
const MOST_DEPTH = 64;
/** With all signs drawn wherever they are used. */
const MOST_DRAWN = 200_000;

export class DrawingError extends Error {
  override readonly name = 'DrawingError';
}

export interface Drawing {
  svg: string;
}

/** @throws DrawingError with one sentence: no drawing, too large, or one that refers to something outside itself */
export function plainDrawing(svg: string): Drawing {
  const parser = new SaxesParser<{ xmlns: false }>({ xmlns: false });
  const plain = new PlainWriter();
  parser.on('error', () => {
    throw new DrawingError('A page is no drawing: its text is broken.');
  });
  // Entities are how a small text becomes a large one.
  parser.on('doctype', () => {
    throw new DrawingError('A page is no drawing of the engraver: it declares a document type.');
  });
  parser.on('opentag', ({ name, attributes }) => plain.opens(name, attributes));
  parser.on('text', (text) => plain.says(text));
  parser.on('cdata', (text) => plain.says(text));
  parser.on('closetag', ({ name }) => plain.closes(name));
  parser.write(svg).close();
  return { svg: plain.done() };
}

/** Writes what is kept of a drawing, element by element as it is read. */
class PlainWriter {
  private readonly out: (string | TextToSet)[] = [];
  private readonly styles: string[] = [];
  private readonly open: { name: string; bold: boolean; italic: boolean }[] = [];
  private elements = 0;
  /** Depth inside an element that is not kept. */
  private skipped = 0;
  /** The sign of the font that is being read, a symbol or what stands in <defs>, and how much is in each that was. */
  private symbol: string | null = null;
  private symbolDepth = 0;
  private readonly sizes = new Map<string, number>();
  private readonly used: string[] = [];
  /** Texts that are being read, the outermost first. */
  private readonly texts: TextNode[] = [];

  opens(name: string, attributes: Record<string, string>): void {
    if (++this.elements > MOST_ELEMENTS || this.open.length >= MOST_DEPTH)
      throw new DrawingError('A page has more in it than a page of music can.');
    const outer = this.open.at(-1) ?? { name: '', bold: false, italic: false };
    const own = name === 'g' ? (attributes.class ?? '').split(' ') : [];
    const bold = outer.bold || own.some((one) => BOLD.includes(one));
    const italic = outer.italic || own.some((one) => ITALIC.includes(one));
    this.open.push({ name, bold, italic });
    if (this.skipped > 0 || !DRAWN.has(name)) {
      this.skipped++;
      return;
    }
    const safe = safeAttributes(name, attributes);
    if (name === 'text' || this.texts.length > 0) {
      const node: TextNode = { attributes: safe, children: [] };
      this.texts.at(-1)?.children.push(node);
      if (this.texts.length === 0) this.out.push({ node, bold, italic });
      this.texts.push(node);
      return;
    }
    this.measures(name, outer.name, safe);
    const written = Object.entries(safe).map(([key, value]) => ` ${key}="${escaped(value)}"`);
    this.out.push(`<${name}${written.join('')}>`);
  }

  /** What of a sign is drawn, and which signs are. */
  private measures(name: string, outer: string, attributes: Record<string, string>): void {
    if (this.symbol === null && (name === 'symbol' || outer === 'defs')) {
      this.symbol = attributes.id ?? '';
      this.symbolDepth = this.open.length;
    }
    if (this.symbol !== null) this.sizes.set(this.symbol, (this.sizes.get(this.symbol) ?? 0) + 1);
    if (name === 'use') this.uses(attributes);
  }

  private uses(attributes: Record<string, string>): void {
    // Signs that draw signs that draw signs: the engraver has none of those.
    if (this.symbol !== null) throw new DrawingError('A page is no drawing of the engraver: a sign uses another.');
    this.used.push((attributes['xlink:href'] ?? attributes.href ?? '').trim().slice(1));
  }

  /** What it costs to draw is known before anything is drawn. */
  private checkCost(): void {
    let drawn = this.elements;
    for (const id of this.used) {
      const size = this.sizes.get(id);
      // A group that is drawn again may hold others that are: only signs of the font are drawn so.
      if (size === undefined) throw new DrawingError('A page is no drawing of the engraver: it draws a group again.');
      drawn += size;
    }
    if (drawn > MOST_DRAWN) throw new DrawingError('A page has more in it than a page of music can.');
  }

  says(text: string): void {
    if (this.open.at(-1)?.name === 'style') this.styles.push(text);
    else if (this.skipped === 0) this.texts.at(-1)?.children.push(text);
  }

  closes(name: string): void {
    this.open.pop();
    if (this.skipped > 0) this.skipped--;
    else if (this.texts.length > 0) this.texts.pop();
    else {
      if (this.open.length < this.symbolDepth) this.symbol = null;
      this.out.push(`</${name}>`);
    }
  }

  /** The style rules have the music font, wherever in the drawing they stand. */
  done(): string {
    const [first] = this.out;
    if (typeof first !== 'string' || !first.startsWith('<svg')) throw new DrawingError('A page is no drawing.');
    this.checkCost();
    const music = musicFont(this.styles.join('\n'));
    return this.out.map((one) => (typeof one === 'string' ? one : textDrawn(one.node, one, music))).join('');
  }
}

/** A text in its place among what is drawn. */
interface TextToSet {
  node: TextNode;
  bold: boolean;
  italic: boolean;
}

/** @throws DrawingError for one that refers to something outside the drawing */
function safeAttributes(name: string, attributes: Record<string, string>): Record<string, string> {
  for (const [key, value] of Object.entries(attributes)) {
    const refers = /(?:^|:)href$/.test(key) || /url\s*\(/i.test(value);
    if (refers && !/^(?:#|url\(#)[\w.-]+\)?$/.test(value.trim()))
      throw new DrawingError('A page refers to something outside itself; that is not followed.');
  }
  return OUTLINED.has(name) && attributes.stroke === undefined ? { stroke: 'currentColor', ...attributes } : attributes;
}

const fonts = new Map<string, Font | null>();

/** The music font that the engraver puts into its drawings for signs inside text. @param styles of a drawing */
function musicFont(styles: string): Font | null {
  const data = /src:\s*url\(["']?data:[^,;]*(?:;[^,;]*)?;base64,([^)"']+)/.exec(styles)?.[1];
  if (!data) return null;
  const known = fonts.get(data);
  if (known !== undefined) return known;
  const font = create(Buffer.from(data, 'base64'));
  const usable = 'layout' in font ? font : null;
  // Every page of a book brings the same one.
  fonts.clear();
  fonts.set(data, usable);
  return usable;
}
