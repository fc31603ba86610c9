import {
  DYNAMIC_VELOCITY,
  type BarSigns,
  type DynamicMark,
  type Marker,
  type Part,
  type Score,
  type SwingMark,
  type TempoMark,
} from '../../score';
import type { Bar, WrittenUnits } from '../../time';
import type { Attributes, XmlWriter } from './xml-writer';

/** What is written between the notes: at a place in the bar, on a staff. */
export interface Direction {
  /** From the start of the bar. */
  at: WrittenUnits;
  staff: number;
  /** What ends comes before what begins. */
  rank: number;
  write: (xml: XmlWriter, place: { offset: number; staff: number | undefined }) => void;
}

/** The standard counts loudness in percent of a forte of this velocity. */
const FORTE = 90;

/** @param top the part that carries what concerns the whole score @returns in order of place */
export function directionsOf(
  score: Score,
  part: Part,
  bar: Bar,
  top: boolean,
  suggestionColour: string | undefined,
): Direction[] {
  const end = bar.start + bar.length;
  const last = bar.index === score.bars.length - 1;
  const within = (at: WrittenUnits) => at >= bar.start && at < end;
  /** The end of a line belongs to the bar before the barline. */
  const endsWithin = (at: WrittenUnits) => at > bar.start && (at <= end || last);
  const list: Direction[] = [];
  const add = (
    at: WrittenUnits,
    staff: number,
    rank: number,
    type: (xml: XmlWriter) => void,
    more: { placement?: 'above' | 'below'; sound?: Attributes } = {},
  ) =>
    list.push({
      at: Math.min(at, end) - bar.start,
      staff,
      rank,
      write: (xml, place) => writeDirection(xml, place, type, more),
    });
  const coloured = (mark: { suggested?: true }): Attributes =>
    mark.suggested && suggestionColour ? { color: suggestionColour } : {};

  if (top) {
    for (const marker of score.markers)
      if (within(marker.at)) add(marker.at, 1, 1, (xml) => writeMarker(xml, marker), { placement: 'above' });
    for (const mark of score.swing)
      if (mark.bar === bar.index)
        add(bar.start, 1, 2, (xml) => xml.leaf('words', swingWords(mark)), { placement: 'above' });
    for (const tempo of score.tempos)
      if (within(tempo.at))
        list.push({
          at: tempo.at - bar.start,
          staff: 1,
          rank: 3,
          write: (xml, place) => writeTempo(xml, place, tempo, bar),
        });
    for (const direction of signDirections(score.signs[bar.index]))
      add(direction.atEnd ? end : bar.start, 1, direction.atEnd ? 9 : 0, direction.write, {
        placement: 'above',
        sound: direction.sound,
      });
  }
  const { lines } = part;
  lines.dynamics.forEach(
    (mark) =>
      within(mark.at) &&
      add(mark.at, mark.staff, 5, (xml) => writeDynamic(xml, mark, mark.suggested ? suggestionColour : undefined), {
        placement: 'below',
        sound: mark.suggested
          ? undefined
          : { dynamics: Math.round((DYNAMIC_VELOCITY[mark.level] / FORTE) * 10000) / 100 },
      }),
  );
  numbered(lines.hairpins).forEach(({ line, number }) => {
    if (within(line.start))
      add(line.start, line.staff, 6, (xml) => xml.leaf('wedge', null, { type: line.kind, number, ...coloured(line) }), {
        placement: 'below',
      });
    if (endsWithin(line.end))
      add(line.end, line.staff, 4, (xml) => xml.leaf('wedge', null, { type: 'stop', number }), { placement: 'below' });
  });
  for (const line of lines.pedals) {
    if (within(line.start))
      add(line.start, part.clefs.length, 6, (xml) => xml.leaf('pedal', null, { type: 'start', line: 'yes' }), {
        placement: 'below',
      });
    if (endsWithin(line.end))
      add(line.end, part.clefs.length, 4, (xml) => xml.leaf('pedal', null, { type: 'stop', line: 'yes' }), {
        placement: 'below',
      });
  }
  numbered(lines.octaveLines).forEach(({ line, number }) => {
    const size = Math.abs(line.octaves) * 7 + 1;
    const placement = line.octaves > 0 ? 'above' : 'below';
    // The standard's "down": the notes are shown lower than they sound.
    if (within(line.start))
      add(
        line.start,
        line.staff,
        7,
        (xml) => xml.leaf('octave-shift', null, { type: line.octaves > 0 ? 'down' : 'up', number, size }),
        { placement },
      );
    if (endsWithin(line.end))
      add(line.end, line.staff, 4, (xml) => xml.leaf('octave-shift', null, { type: 'stop', number, size }), {
        placement,
      });
  });
  return list.sort((a, b) => a.at - b.at || a.rank - b.rank);
}

function writeDirection(
  xml: XmlWriter,
  { offset, staff }: { offset: number; staff: number | undefined },
  type: (xml: XmlWriter) => void,
  { placement, sound }: { placement?: 'above' | 'below'; sound?: Attributes },
): void {
  xml.open('direction', { placement }).open('direction-type');
  type(xml);
  xml.close('direction-type');
  if (offset !== 0) xml.leaf('offset', offset, { sound: 'yes' });
  if (staff) xml.leaf('staff', staff);
  if (sound) xml.leaf('sound', null, sound);
  xml.close('direction');
}

/** Lines that overlap need different numbers. */
/** Read back by the same words. */
function swingWords({ ratio, unit }: SwingMark): string {
  return ratio === 1 ? 'Straight' : unit === '16th' ? 'Swing (sixteenths)' : 'Swing';
}

function numbered<T extends { start: WrittenUnits; end: WrittenUnits }>(
  lines: readonly T[],
): { line: T; number: number }[] {
  const busyUntil: WrittenUnits[] = [];
  return [...lines]
    .sort((a, b) => a.start - b.start)
    .map((line) => {
      const free = busyUntil.findIndex((until) => until <= line.start);
      const slot = free >= 0 ? free : busyUntil.length;
      busyUntil[slot] = line.end;
      return { line, number: (slot % 6) + 1 };
    });
}

function writeMarker(xml: XmlWriter, { text, rehearsal }: Marker): void {
  if (rehearsal) xml.leaf('rehearsal', text);
  else xml.leaf('words', text, { 'font-weight': 'bold' });
}

/** The engraver colours words but not dynamic signs: one that is only suggested is shown as words. */
function writeDynamic(xml: XmlWriter, { level }: DynamicMark, colour: string | undefined): void {
  if (colour) xml.leaf('words', level, { color: colour, 'font-style': 'italic', 'font-weight': 'bold' });
  else xml.open('dynamics').leaf(level).close('dynamics');
}

/** Compound meters count dotted quarters; steps of a gradual change are only played. */
function writeTempo(
  xml: XmlWriter,
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
  const dotted = bar.meter.beatType === 8 && bar.meter.beats % 3 === 0;
  xml.open('direction', { placement: 'above' });
  if (tempo.words)
    xml.open('direction-type').leaf('words', tempo.words, { 'font-weight': 'bold' }).close('direction-type');
  if (tempo.shown) {
    xml.open('direction-type').open('metronome').leaf('beat-unit', 'quarter');
    if (dotted) xml.leaf('beat-unit-dot');
    xml
      .leaf('per-minute', Math.round((dotted ? tempo.bpm / 1.5 : tempo.bpm) * 10) / 10)
      .close('metronome')
      .close('direction-type');
  }
  if (offset !== 0) xml.leaf('offset', offset, { sound: 'yes' });
  if (staff) xml.leaf('staff', staff);
  xml.leaf('sound', null, { tempo: tempo.bpm }).close('direction');
}

interface SignDirection {
  atEnd: boolean;
  write: (xml: XmlWriter) => void;
  sound: Attributes;
}

/** Segno and coda stand where the bar begins; the jumps where it ends. */
function signDirections(signs: BarSigns | undefined): SignDirection[] {
  if (!signs) return [];
  const list: SignDirection[] = [];
  const words = (text: string) => (xml: XmlWriter) => void xml.leaf('words', text);
  if (signs.segno) list.push({ atEnd: false, write: (xml) => xml.leaf('segno'), sound: { segno: 'segno' } });
  if (signs.coda) list.push({ atEnd: false, write: (xml) => xml.leaf('coda'), sound: { coda: 'coda' } });
  if (signs.toCoda) list.push({ atEnd: true, write: words('To Coda'), sound: { tocoda: 'coda' } });
  if (signs.fine) list.push({ atEnd: true, write: words('Fine'), sound: { fine: 'yes' } });
  if (signs.jump === 'daCapo') list.push({ atEnd: true, write: words('D.C.'), sound: { dacapo: 'yes' } });
  if (signs.jump === 'dalSegno') list.push({ atEnd: true, write: words('D.S.'), sound: { dalsegno: 'segno' } });
  return list;
}
