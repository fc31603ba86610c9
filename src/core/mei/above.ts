/* What concerns everybody and stands above the top staff: tempo, markers, swing, signs of the form. */
import { FORM_WORDS, metronomeMark, swingWords, type BarSigns, type Score, type TempoMark } from '../score';
import { barIndexAt, type Bar } from '../time';
import { Places, type InBar } from './places';
import { mei, type Child, type MeiNode } from './tree';
import { DURATIONS } from './values';

export function nodesAbove(score: Score): InBar[] {
  const { bars, markers, swing, tempos, signs } = score;
  const place = new Places(bars);
  const starts = bars.map(({ start }) => start);
  const above = { staff: 1, place: 'above' } as const;
  return [
    ...markers.flatMap(({ at, text, rehearsal }) =>
      place.point(at, (where) =>
        rehearsal
          ? mei('reh', { ...above, ...where }, mei('rend', { rend: 'box' }, text))
          : mei('dir', { ...above, ...where }, mei('rend', { fontweight: 'bold', fontstyle: 'normal' }, text)),
      ),
    ),
    ...swing.flatMap((mark) =>
      bars[mark.bar]
        ? place.point(bars[mark.bar]!.start, (where) => mei('dir', { ...above, ...where }, swingWords(mark)))
        : [],
    ),
    ...tempos
      .filter(({ shown, words }) => shown || words)
      .flatMap((tempo) =>
        place.point(tempo.at, (where) => tempoNode(tempo, bars[barIndexAt(starts, tempo.at)]!, { ...above, ...where })),
      ),
    ...bars.flatMap((bar) => formNodes(signs[bar.index], bar, place)),
  ];
}

/** Note values as the music font has them for texts (SMuFL, metronome marks). */
const FIGURES: Readonly<Record<string, string>> = {
  breve: '\uECA0',
  whole: '\uECA2',
  half: '\uECA3',
  quarter: '\uECA5',
  eighth: '\uECA7',
  '16th': '\uECA9',
};
const DOT = '\uECB7';

function tempoNode(tempo: TempoMark, { meter }: Bar, at: Record<string, string | number>): MeiNode {
  const { words, equals, shown, bpm } = tempo;
  const figure = (type: string, dots: number) =>
    mei('rend', { 'glyph.auth': 'smufl' }, `${FIGURES[type] ?? FIGURES.quarter}${DOT.repeat(dots)}`);
  const said: Child[] = words ? [mei('rend', { fontweight: 'bold' }, words)] : [];
  if (words && (equals || shown)) said.push(' ');
  if (equals) {
    const { before, after } = equals;
    said.push(figure(before.type, before.dots), ' = ', figure(after.type, after.dots));
  } else if (shown) {
    const { dotted, perMinute } = metronomeMark(tempo, meter);
    said.push(figure('quarter', dotted ? 1 : 0), ` = ${perMinute}`);
  }
  return mei('tempo', { ...at, 'midi.bpm': bpm, 'mm.unit': shown ? DURATIONS.quarter : undefined }, said);
}

/** Segno and coda stand where the bar begins; the jumps where it ends. */
function formNodes(signs: BarSigns | undefined, bar: Bar, place: Places): InBar[] {
  if (!signs) return [];
  const end = bar.start + bar.length;
  const symbol = (func: 'segno' | 'coda') =>
    place.point(bar.start, (at) => mei('repeatMark', { staff: 1, place: 'above', ...at, func }));
  const words = (text: string) =>
    place.atEnd(end, (at) => mei('dir', { staff: 1, place: 'above', ...at }, mei('rend', { halign: 'right' }, text)));
  return [
    ...(signs.segno ? symbol('segno') : []),
    ...(signs.coda ? symbol('coda') : []),
    ...(signs.toCoda ? words(FORM_WORDS.toCoda) : []),
    ...(signs.fine ? words(FORM_WORDS.fine) : []),
    ...(signs.jump ? words(FORM_WORDS[signs.jump]) : []),
    ...(signs.fermata ? place.atEnd(end, (at) => mei('fermata', { staff: 1, place: 'above', ...at })) : []),
  ];
}
