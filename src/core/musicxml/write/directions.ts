import {
  LINE_NAMES,
  LINES,
  type Attributes,
  type Colour,
  type LineKind,
  type LineKinds,
  type PlacedSign,
} from '../../marks';
import {
  chordText,
  FORM_WORDS,
  metronomeMark,
  swingWords,
  type BarSigns,
  type Harmony,
  type Marker,
  type Part,
  type PartLines,
  type Score,
  type TempoMark,
} from '../../score';
import { barIndexAt, type Bar, type WrittenUnits } from '../../time';
import { writeHarmony } from './harmony';
import { instrumentId } from './part-list';
import { writeElement, type XmlSink } from './xml-writer';

/** What is written between the notes: at a place in the bar, on a staff. */
export interface Direction {
  /** From the start of the bar. */
  at: WrittenUnits;
  staff: number;
  /** What ends comes before what begins. */
  rank: number;
  write: (xml: XmlSink, place: { offset: number; staff: number | undefined }) => void;
}

/**
 * @param id of the part in the file
 * @param top the part carries what concerns the whole score
 * @returns for each bar, in order of place
 */
export function directionsByBar(
  score: Score,
  part: Part,
  { id, top, colour }: { id: string; top: boolean; colour: Colour },
): Direction[][] {
  const { bars } = score;
  const starts = bars.map((bar) => bar.start);
  const byBar = bars.map((): Direction[] => []);
  const begin = starts[0] ?? 0;
  const end = bars.length > 0 ? bars.at(-1)!.start + bars.at(-1)!.length : 0;
  /** Where a place is written; what ends at a barline belongs to the bar before it. */
  const add = (at: WrittenUnits, staff: number, rank: number, write: Direction['write'], ends = false) => {
    if (ends ? at <= begin : at < begin || at >= end) return;
    const bar = bars[barIndexAt(starts, ends ? at - 1 : at)]!;
    byBar[bar.index]!.push({ at: Math.min(at - bar.start, bar.length), staff, rank, write });
  };
  if (top) addForAll(score, add);
  for (const harmony of part.harmonies ?? [])
    add(harmony.at, 1, 8, (xml, place) =>
      harmony.suggested
        ? writeDirection(xml, place, [suggestedSymbol(harmony, colour)], { placement: 'above' })
        : writeHarmony(xml, harmony, place.offset),
    );
  for (const { at, program } of part.programChanges ?? [])
    add(at, 1, 2, (xml, place) => writeProgram(xml, instrumentId(id), program, place.offset));
  const lastStaff = part.clefs.length;
  for (const kind of LINE_NAMES)
    for (const sign of writtenAs(kind, part.lines, { colour, lastStaff }))
      add(sign.at, sign.staff, sign.rank, (xml, place) => writeSign(xml, place, sign), sign.ends);
  for (const list of byBar) list.sort((a, b) => a.at - b.at || a.rank - b.rank);
  return byBar;
}

function writtenAs<K extends keyof LineKinds>(
  kind: K,
  lines: PartLines,
  how: Parameters<LineKinds[K]['write']>[1],
): PlacedSign[] {
  const { write }: LineKind<PartLines[K][number]> = LINES[kind];
  return write(lines[kind], how);
}

type Add = (at: WrittenUnits, staff: number, rank: number, write: Direction['write'], ends?: boolean) => void;

/** Markers, swing, tempo, and what stands at barlines. */
function addForAll(score: Score, add: Add): void {
  const above =
    (type: (xml: XmlSink) => void, sound?: Attributes): Direction['write'] =>
    (xml, place) =>
      writeDirection(xml, place, [type], { placement: 'above', sound });
  const { bars } = score;
  const starts = bars.map((bar) => bar.start);
  for (const marker of score.markers)
    add(
      marker.at,
      1,
      1,
      above((xml) => writeMarker(xml, marker)),
    );
  for (const mark of score.swing)
    if (bars[mark.bar])
      add(
        bars[mark.bar]!.start,
        1,
        2,
        above((xml) => void xml.leaf('words', swingWords(mark))),
      );
  for (const tempo of score.tempos)
    add(tempo.at, 1, 3, (xml, place) => writeTempo(xml, place, tempo, bars[barIndexAt(starts, tempo.at)]!));
  bars.forEach((bar) => {
    for (const { atEnd, write, sound } of signDirections(score.signs[bar.index]))
      add(atEnd ? bar.start + bar.length : bar.start, 1, atEnd ? 9 : 0, above(write, sound), atEnd);
  });
}

function writeSign(
  xml: XmlSink,
  place: { offset: number; staff: number | undefined },
  { element, with: said = [], placement, sound }: PlacedSign,
): void {
  if (element) {
    const all = [...said, element];
    writeDirection(
      xml,
      place,
      all.map((one) => (into: XmlSink) => writeElement(into, one)),
      { placement, sound },
    );
    return;
  }
  // Only for playback.
  if (place.offset === 0) xml.leaf('sound', null, sound);
  else xml.open('sound', sound).leaf('offset', place.offset).close('sound');
}

/** The engraver does not colour chord symbols: one that is only suggested is shown as words. */
function suggestedSymbol(harmony: Harmony, colour: Colour): (xml: XmlSink) => void {
  return (xml) => void xml.leaf('words', chordText(harmony), colour(harmony));
}

/** Another sound from here on: a doubling, another patch. */
function writeProgram(xml: XmlSink, id: string, program: number, offset: number): void {
  xml.open('sound').open('midi-instrument', { id }).leaf('midi-program', program).close('midi-instrument');
  if (offset !== 0) xml.leaf('offset', offset);
  xml.close('sound');
}

function writeDirection(
  xml: XmlSink,
  { offset, staff }: { offset: number; staff: number | undefined },
  types: readonly ((xml: XmlSink) => void)[],
  { placement, sound }: { placement?: 'above' | 'below'; sound?: Attributes },
): void {
  xml.open('direction', { placement });
  for (const type of types) {
    xml.open('direction-type');
    type(xml);
    xml.close('direction-type');
  }
  if (offset !== 0) xml.leaf('offset', offset, { sound: 'yes' });
  if (staff) xml.leaf('staff', staff);
  if (sound) xml.leaf('sound', null, sound);
  xml.close('direction');
}

/** Read back by the same words. */
function writeMarker(xml: XmlSink, { text, rehearsal }: Marker): void {
  if (rehearsal) xml.leaf('rehearsal', text);
  else xml.leaf('words', text, { 'font-weight': 'bold' });
}

/** Compound meters count dotted quarters; steps of a gradual change are only played. */
function writeTempo(
  xml: XmlSink,
  { offset, staff }: { offset: number; staff: number | undefined },
  tempo: TempoMark,
  bar: Bar,
): void {
  if (!tempo.shown && !tempo.words) {
    xml.open('sound', { tempo: tempo.bpm });
    if (offset !== 0) xml.leaf('offset', offset);
    xml.close('sound');
    return;
  }
  const { dotted, perMinute } = metronomeMark(tempo, bar.meter);
  xml.open('direction', { placement: 'above' });
  if (tempo.words)
    xml.open('direction-type').leaf('words', tempo.words, { 'font-weight': 'bold' }).close('direction-type');
  if (tempo.equals) {
    xml.open('direction-type').open('metronome');
    for (const { type, dots } of [tempo.equals.before, tempo.equals.after]) {
      xml.leaf('beat-unit', type);
      for (let dot = 0; dot < dots; dot++) xml.leaf('beat-unit-dot');
    }
    xml.close('metronome').close('direction-type');
  } else if (tempo.shown) {
    xml.open('direction-type').open('metronome').leaf('beat-unit', 'quarter');
    if (dotted) xml.leaf('beat-unit-dot');
    xml.leaf('per-minute', perMinute).close('metronome').close('direction-type');
  }
  if (offset !== 0) xml.leaf('offset', offset, { sound: 'yes' });
  if (staff) xml.leaf('staff', staff);
  xml.leaf('sound', null, { tempo: tempo.bpm }).close('direction');
}

interface SignDirection {
  atEnd: boolean;
  write: (xml: XmlSink) => void;
  sound: Attributes;
}

/** Segno and coda stand where the bar begins; the jumps where it ends. */
function signDirections(signs: BarSigns | undefined): SignDirection[] {
  if (!signs) return [];
  const list: SignDirection[] = [];
  const words = (text: string) => (xml: XmlSink) => void xml.leaf('words', text);
  const named = (name: true | string, usual: string) => (name === true ? usual : name);
  const { segno, coda, toCoda } = signs;
  if (segno) list.push({ atEnd: false, write: (xml) => xml.leaf('segno'), sound: { segno: named(segno, 'segno') } });
  if (coda) list.push({ atEnd: false, write: (xml) => xml.leaf('coda'), sound: { coda: named(coda, 'coda') } });
  if (toCoda) list.push({ atEnd: true, write: words(FORM_WORDS.toCoda), sound: { tocoda: named(toCoda, 'coda') } });
  if (signs.fine) list.push({ atEnd: true, write: words(FORM_WORDS.fine), sound: { fine: 'yes' } });
  if (signs.jump === 'daCapo') list.push({ atEnd: true, write: words(FORM_WORDS.daCapo), sound: { dacapo: 'yes' } });
  if (signs.jump === 'dalSegno')
    list.push({ atEnd: true, write: words(FORM_WORDS.dalSegno), sound: { dalsegno: signs.jumpTo ?? 'segno' } });
  return list;
}
