/*
 * A sheet of queries as a PDF: for each its number and place, the bars engraved, the question, and lines to answer on.
 */
import { plainDrawing } from './drawing';
import { drawMusic, musicFont, PAGE, written } from './pdf';

export interface SheetEntry {
  /** "3  Flute, bar 12, beat 2" */
  where: string;
  question: string;
  /** The bars as the engraver draws them, with their size in pixels; null where there is no place in the music. */
  drawing: { svg: string; width: number; height: number } | null;
}

const MARGIN = 50;
const WIDTH = PAGE.width - 2 * MARGIN;
/** Points a pixel of the drawing takes, as long as it fits the width. */
const SCALE = 0.72;
const MOST_MUSIC = 260;
const ANSWER_LINES = 2;
const LINE = 22;
const GAP = 18;

/** @throws DrawingError when a drawing is none of the engraver's */
export async function querySheetOf(title: string, entries: readonly SheetEntry[]): Promise<Uint8Array> {
  const drawn = entries.map(({ where, question, drawing }) => {
    if (!drawing) return { where, question, music: null };
    const { svg, styles } = plainDrawing(drawing.svg);
    const scale = Math.min(SCALE, WIDTH / drawing.width, MOST_MUSIC / drawing.height);
    const size = { width: drawing.width * scale, height: drawing.height * scale };
    return { where, question, music: { svg, font: musicFont(styles), ...size } };
  });
  return written(title, (document) => {
    let y = PAGE.height;
    let page = 0;
    for (const { where, question, music } of drawn) {
      document.font('Text').fontSize(10.5);
      const words = document.heightOfString(question, { width: WIDTH });
      const needed = 16 + (music ? music.height + 6 : 0) + words + ANSWER_LINES * LINE + GAP;
      if (y + needed > PAGE.height - MARGIN) y = newPage(++page);
      document.font('Text-Bold').fontSize(11).text(where, MARGIN, y, { width: WIDTH, lineBreak: false });
      y += 16;
      if (music) {
        drawMusic(document, music.svg, music.font, { x: MARGIN, y, width: music.width, height: music.height });
        y += music.height + 6;
      }
      document.font('Text').fontSize(10.5).text(question, MARGIN, y, { width: WIDTH });
      y += words;
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
      document.font('Text').fontSize(9);
      document.text(title, MARGIN, 28, { width: WIDTH - 40, lineBreak: false, ellipsis: true });
      document.text(String(number), MARGIN, 28, { width: WIDTH, align: 'right', lineBreak: false });
      return MARGIN + 4;
    }
  });
}
