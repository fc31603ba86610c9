/*
 * A sheet of queries as a PDF: for each its number and place, the bars engraved, the question, and lines to answer on.
 */
import { drawMusic, linesOf, setLine, sizeInPoints, written } from './pdf';

export interface SheetEntry {
  /** "3  Flute, bar 12, beat 2" */
  where: string;
  question: string;
  /** The bars as the engraver draws them, with their size in pixels; null where there is no place in the music. */
  drawing: { svg: string; width: number; height: number } | null;
}

const PAGE = sizeInPoints('A4');
const MARGIN = 50;
const WIDTH = PAGE.width - 2 * MARGIN;
/** Points a pixel of the drawing takes, as long as it fits the width. */
const SCALE = 0.72;
const MOST_MUSIC = 260;
const ANSWER_LINES = 2;
const LINE = 22;
/** Size of the questions and the distance of their lines. */
const WORDS = 10.5;
const WORDS_LINE = 13.5;
const GAP = 18;

/** @throws DrawingError when a drawing is none of the engraver's */
export async function querySheetOf(title: string, entries: readonly SheetEntry[]): Promise<Uint8Array> {
  const drawn = entries.map(({ where, question, drawing }) => {
    if (!drawing) return { where, question, music: null };
    const scale = Math.min(SCALE, WIDTH / drawing.width, MOST_MUSIC / drawing.height);
    const size = { width: drawing.width * scale, height: drawing.height * scale };
    return { where, question, music: { svg: drawing.svg, ...size } };
  });
  return written(title, PAGE, (document) => {
    let y = PAGE.height;
    let page = 0;
    for (const { where, question, music } of drawn) {
      const lines = linesOf(question, 'Text', WORDS, WIDTH);
      const needed = 16 + (music ? music.height + 6 : 0) + lines.length * WORDS_LINE + ANSWER_LINES * LINE + GAP;
      if (y + needed > PAGE.height - MARGIN) y = newPage(++page);
      setLine(document, where, 'Text-Bold', 11, { x: MARGIN, y, anchor: 'start', most: WIDTH });
      y += 16;
      if (music) {
        drawMusic(document, music.svg, { x: MARGIN, y, width: music.width, height: music.height });
        y += music.height + 6;
      }
      for (const words of lines) {
        setLine(document, words, 'Text', WORDS, { x: MARGIN, y, anchor: 'start' });
        y += WORDS_LINE;
      }
      for (let line = 0; line < ANSWER_LINES; line++) {
        y += LINE;
        document
          .moveTo(MARGIN, y)
          .lineTo(MARGIN + WIDTH, y)
          .lineWidth(0.4)
          .stroke('#888888');
      }
      y += GAP;
      document.fillColor('black');
    }

    function newPage(number: number): number {
      document.addPage();
      setLine(document, title, 'Text', 9, { x: MARGIN, y: 28, anchor: 'start', most: WIDTH - 40 });
      setLine(document, String(number), 'Text', 9, { x: MARGIN + WIDTH, y: 28, anchor: 'end' });
      return MARGIN + 4;
    }
  });
}
