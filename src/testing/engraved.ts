import { SaxesParser } from 'saxes';
import { VerovioToolkit } from 'verovio/esm';
import createVerovioModule from 'verovio/wasm';
import { loadScore } from '../paper/load-score';
import { sheetOptions } from '../paper/sheets';

/* What stands on the pages of a score, and what its MusicXML has, staff by staff and bar by bar. */

export interface StaffBar {
  notes: number;
  /** The bar is written as a repeat sign. */
  repeat: boolean;
}

/** By bar, then by staff. */
type Staves = StaffBar[][];

let opened: Promise<VerovioToolkit> | null = null;

/** Notes and repeat signs in the drawings of all pages. */
export async function onPages(mei: string): Promise<Staves> {
  opened ??= createVerovioModule().then((module) => new VerovioToolkit(module));
  const toolkit = await opened;
  toolkit.setOptions(sheetOptions({ layout: 'pages', staffMillimetres: 4.4 }));
  if (!loadScore(toolkit, mei)) throw new Error('The engraver cannot read the score.');
  const bars: Staves = [];
  for (let page = 1; page <= toolkit.getPageCount(); page++) readPage(toolkit.renderToSVG(page), bars);
  return bars;
}

function readPage(svg: string, bars: Staves): void {
  const parser = new SaxesParser<{ xmlns: false }>({ xmlns: false });
  const open: string[] = [];
  parser.on('opentag', ({ attributes }) => {
    const kind = (attributes.class ?? '').split(' ')[0] ?? '';
    open.push(kind);
    if (kind === 'measure') bars.push([]);
    else if (kind === 'staff' && open.includes('measure')) bars.at(-1)!.push({ notes: 0, repeat: false });
    else if (kind === 'note' && bars.length > 0) bars.at(-1)!.at(-1)!.notes++;
    else if (kind === 'mRpt' || kind === 'mRpt2') bars.at(-1)!.at(-1)!.repeat = true;
  });
  parser.on('closetag', () => void open.pop());
  parser.write(svg).close();
}

/** The same of MusicXML without rests over several bars, read straight off the parser. */
export function inMusicXml(musicXml: string): Staves {
  const bars: Staves = [];
  let [first, staves, bar, repeating] = [0, 1, -1, false];
  let note: { staff: number; sounds: boolean } | null = null;
  let text = '';
  const parser = new SaxesParser<{ xmlns: false }>({ xmlns: false });
  parser.on('opentag', ({ name, attributes }) => {
    text = '';
    if (name === 'part') [bar, repeating, staves] = [-1, false, 1];
    if (name === 'measure') bars[++bar] ??= [];
    if (name === 'note') note = { staff: 1, sounds: false };
    if (name === 'pitch' || name === 'unpitched') note!.sounds = true;
    if (name === 'measure-repeat') {
      // Behind the notes of the last bar it concerns no bar any more.
      if (attributes.type === 'start') repeating = true;
      else if (!touched(bars[bar]!, first, staves)) repeating = false;
    }
  });
  parser.on('text', (piece) => {
    text += piece;
  });
  parser.on('closetag', ({ name }) => {
    if (name === 'staves') staves = Number(text);
    if (name === 'staff' && note) note.staff = Number(text);
    if (name === 'note') {
      const staff = (bars[bar]![first + note!.staff - 1] ??= { notes: 0, repeat: repeating });
      if (note!.sounds && !repeating) staff.notes++;
      note = null;
    }
    if (name === 'part') first += staves;
  });
  parser.write(musicXml).close();
  return bars.map((all) => Array.from({ length: first }, (_, s) => all[s] ?? { notes: 0, repeat: false }));
}

const touched = (bar: StaffBar[], first: number, staves: number) =>
  bar.slice(first, first + staves).some((staff) => staff !== undefined);
