/*
 * Which font has which sign. Text is set in DejaVu Serif: Latin, Greek, Cyrillic and the signs of music text (♭, ♯). What it lacks
 * comes out of fonts for other scripts, drawn as outlines: each of those is opened when the first sign needs it.
 */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { create, type Font } from 'fontkit';

const folderOf = (name: string) =>
  dirname(createRequire(join(process.cwd(), 'package.json')).resolve(`${name}/package.json`));
const dejaVu = (name: string) => () => join(folderOf('dejavu-fonts-ttf'), 'ttf', `${name}.ttf`);
const fontsource = (name: string, script: string) => () =>
  join(folderOf(`@fontsource/${name}`), 'files', `${name}-${script}-400-normal.woff`);

/** By the names that PDFs know them under. */
export const TEXT_FONTS = {
  Text: dejaVu('DejaVuSerif'),
  'Text-Bold': dejaVu('DejaVuSerif-Bold'),
  'Text-Italic': dejaVu('DejaVuSerif-Italic'),
  'Text-BoldItalic': dejaVu('DejaVuSerif-BoldItalic'),
};
export type TextFont = keyof typeof TEXT_FONTS;

/** In the order they are asked; kana and hangul say whose the characters beside them are. */
const FURTHER = {
  /** Hebrew, Arabic, Armenian, Georgian, Lao. */
  'DejaVu Sans': dejaVu('DejaVuSans'),
  Thai: fontsource('noto-serif-thai', 'thai'),
  Devanagari: fontsource('noto-serif-devanagari', 'devanagari'),
  Chinese: fontsource('zcool-xiaowei', 'chinese-simplified'),
  Japanese: fontsource('biz-udpmincho', 'japanese'),
  Korean: fontsource('gowun-batang', 'korean'),
};
type FurtherFont = keyof typeof FURTHER;
const FURTHER_FONTS: readonly FurtherFont[] = ['DejaVu Sans', 'Thai', 'Devanagari', 'Chinese', 'Japanese', 'Korean'];

const KANA = /[\p{Script=Hiragana}\p{Script=Katakana}]/u;
const HANGUL = /\p{Script=Hangul}/u;

const opened = new Map<string, Font>();

function open(name: string, file: () => string): Font {
  const known = opened.get(name);
  if (known) return known;
  const font = create(readFileSync(file()));
  if (!('layout' in font)) throw new Error(`The font ${name} cannot be used.`);
  opened.set(name, font);
  return font;
}

const TEXT_STYLES = {
  plain: { upright: 'Text', italic: 'Text-Italic' },
  bold: { upright: 'Text-Bold', italic: 'Text-BoldItalic' },
} as const;

export const textFontOf = ({ bold, italic }: { bold: boolean; italic: boolean }): TextFont =>
  TEXT_STYLES[bold ? 'bold' : 'plain'][italic ? 'italic' : 'upright'];

export const openText = (name: TextFont): Font => open(name, TEXT_FONTS[name]);

const has = (font: Font, sign: string) => font.hasGlyphForCodePoint(sign.codePointAt(0)!);

/** A stretch of text that one font can set: its own, or one that is drawn. */
export interface FontRun {
  text: string;
  font: Font;
  /** Its signs are drawn as outlines. */
  drawn: boolean;
}

/** Text parted by the fonts that have its signs; what no font has stays in the first one. */
export function fontRuns(text: string, first: TextFont): FontRun[] {
  const own = openText(first);
  const order = orderFor(text);
  const runs: FontRun[] = [];
  for (const sign of text) {
    const last = runs.at(-1);
    // Spaces and marks stay with what they stand beside.
    if (last && (/[\s\p{M}\p{P}]/u.test(sign) ? has(last.font, sign) : false)) {
      last.text += sign;
      continue;
    }
    const other = has(own, sign)
      ? undefined
      : order.map((name) => open(name, FURTHER[name])).find((one) => has(one, sign));
    const font = other ?? own;
    if (last?.font === font) last.text += sign;
    else runs.push({ text: sign, font, drawn: other !== undefined });
  }
  return runs;
}

/** Which further fonts are asked first. */
function orderFor(text: string): FurtherFont[] {
  const own = (['Japanese', 'Korean'] as const).filter((name) => (name === 'Japanese' ? KANA : HANGUL).test(text));
  return [...own, ...FURTHER_FONTS.filter((name) => !own.some((one) => one === name))];
}
