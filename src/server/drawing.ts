/*
 * A drawing of the engraver made safe and plain: only what a page of music is drawn with, nothing that reaches outside,
 * and the engraver's style rules, which the PDF writer does not read, as attributes.
 */
import { SaxesParser } from 'saxes';

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

export class DrawingError extends Error {
  override readonly name = 'DrawingError';
}

export interface Drawing {
  svg: string;
  /** Style rules it came with: the music font stands in them. */
  styles: string;
}

/** @throws DrawingError with one sentence: no drawing, too large, or one that refers to something outside itself */
export function plainDrawing(svg: string): Drawing {
  const parser = new SaxesParser<{ xmlns: false }>({ xmlns: false });
  const out: string[] = [];
  const styles: string[] = [];
  const open: string[] = [];
  let elements = 0;
  let skipped = 0;
  let inSymbol = 0;
  parser.on('error', () => {
    throw new DrawingError('A page is no drawing: its text is broken.');
  });
  // Entities are how a small text becomes a large one.
  parser.on('doctype', () => {
    throw new DrawingError('A page is no drawing of the engraver: it declares a document type.');
  });
  parser.on('opentag', ({ name, attributes }) => {
    if (++elements > MOST_ELEMENTS || open.length >= MOST_DEPTH)
      throw new DrawingError('A page has more in it than a page of music can.');
    open.push(name);
    if (skipped > 0 || !DRAWN.has(name)) {
      skipped++;
      return;
    }
    if (name === 'symbol') inSymbol++;
    // Signs that draw signs that draw signs: the engraver has none of those.
    if (name === 'use' && inSymbol > 0)
      throw new DrawingError('A page is no drawing of the engraver: a sign uses another.');
    out.push(`<${name}${attributesOf(name, attributes)}>`);
  });
  parser.on('text', (text) => {
    if (skipped === 0) out.push(escaped(text));
    else if (open.at(-1) === 'style') styles.push(text);
  });
  parser.on('cdata', (text) => {
    if (open.at(-1) === 'style') styles.push(text);
  });
  parser.on('closetag', ({ name }) => {
    open.pop();
    if (skipped > 0) skipped--;
    else {
      if (name === 'symbol') inSymbol--;
      out.push(`</${name}>`);
    }
  });
  parser.write(svg).close();
  if (!out[0]?.startsWith('<svg')) throw new DrawingError('A page is no drawing.');
  return { svg: out.join(''), styles: styles.join('\n') };
}

function attributesOf(name: string, attributes: Record<string, string>): string {
  const own = (attributes.class ?? '').split(' ');
  const more: Record<string, string> = {
    ...(name === 'g' && own.some((one) => ITALIC.includes(one)) && { 'font-style': 'italic' }),
    ...(name === 'g' && own.some((one) => BOLD.includes(one)) && { 'font-weight': 'bold' }),
    ...(OUTLINED.has(name) && attributes.stroke === undefined && { stroke: 'currentColor' }),
  };
  return Object.entries({ ...more, ...attributes })
    .map(([key, value]) => {
      const refers = /(?:^|:)href$/.test(key) || /url\s*\(/i.test(value);
      if (refers && !/^(?:#|url\(#)[\w.-]+\)?$/.test(value.trim()))
        throw new DrawingError('A page refers to something outside itself; that is not followed.');
      return ` ${key}="${escaped(value)}"`;
    })
    .join('');
}

function escaped(text: string): string {
  return text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/"/g, '&quot;');
}
