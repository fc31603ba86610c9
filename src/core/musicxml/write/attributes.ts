import type { Clef } from '../../instruments';
import {
  changesInside,
  changesSignature,
  CLEFS,
  naturalName,
  clefsAt,
  stavesOf,
  transpositionAt,
  type BarStyle,
  type Part,
  type PartTransposition,
  type Score,
} from '../../score';
import { sameMeter, type Meter } from '../../time';
import type { XmlSink } from './xml-writer';

/** A clef or a signature inside a bar. */
export interface AttributesInside {
  /** From the start of the bar. */
  at: number;
  staff: number;
  write: (xml: XmlSink) => void;
}

const alone =
  (write: (xml: XmlSink) => void): AttributesInside['write'] =>
  (xml) => {
    xml.open('attributes');
    write(xml);
    xml.close('attributes');
  };

/** What changes inside a bar, in order of place. */
export function attributesInside(score: Score, part: Part, index: number): AttributesInside[] {
  const staves = stavesOf(part);
  return changesInside(score, part, index).map((change) =>
    'clef' in change
      ? {
          at: change.at,
          staff: change.staff,
          write: alone((xml) => writeClef(xml, change.clef, staves > 1 ? change.staff : undefined)),
        }
      : { at: change.at, staff: 1, write: alone((xml) => writeKey(xml, change.fifths, change.mode)) },
  );
}

/**
 * What a bar changes: signature, meter, clefs, and at the start how the part is laid out.
 */
export function writeAttributes(
  xml: XmlSink,
  score: Score,
  part: Part,
  index: number,
  divisions: number,
  styles: readonly BarStyle[],
): void {
  const bar = score.bars[index]!;
  const before = score.bars[index - 1];
  const k = score.keys.findIndex((candidate) => candidate.bar === index && !candidate.at);
  const newKey = k >= 0 && !(part.unpitched && index > 0) && (index === 0 || changesSignature(score, part, k));
  const meter = part.localMeters?.[index] ?? bar.meter;
  const meterBefore = before && (part.localMeters?.[index - 1] ?? before.meter);
  const newMeter = !meterBefore || !sameMeter(meterBefore, meter) || before.free !== bar.free;
  const clefs = part.clefChanges.filter((change) => change.bar === index && index > 0 && !change.at);
  const transposition = part.transpositionChanges?.find((change) => change.bar === index && index > 0);
  const changes = newKey || newMeter || clefs.length > 0 || transposition !== undefined;
  if (index > 0 && !changes && styles.length === 0) return;
  const staves = stavesOf(part);
  xml.open('attributes');
  if (index === 0) xml.leaf('divisions', divisions);
  if (newKey) writeKey(xml, part.writtenKeys[k]!, part.unpitched ? null : score.keys[k]!.mode);
  if (newMeter) writeMeter(xml, meter, bar.free);
  if (index === 0) {
    if (staves > 1) xml.leaf('staves', staves);
    if (part.tablature?.show !== 'tablature')
      clefsAt(part, 0).forEach((clef, s) => writeClef(xml, clef, staves > 1 ? s + 1 : undefined));
    if (part.tablature && part.tablature.show !== 'notation')
      xml
        .open('clef', { number: staves > 1 ? staves : undefined })
        .leaf('sign', 'TAB')
        .leaf('line', 5)
        .close('clef');
    staffDetails(xml, part, staves);
    writeTransposition(xml, part, false);
  } else if (part.tablature?.show !== 'tablature')
    for (const { staff, clef } of clefs) writeClef(xml, clef, staves > 1 ? staff : undefined);
  if (transposition) writeTransposition(xml, transpositionAt(part, index), true);
  for (const style of styles) writeStyle(xml, style);
  xml.close('attributes');
}

/** What ends with the part. */
export function writeClosingStyles(xml: XmlSink, styles: readonly BarStyle[]): void {
  if (styles.length === 0) return;
  xml.open('attributes');
  for (const style of styles) writeStyle(xml, style);
  xml.close('attributes');
}

function writeStyle(xml: XmlSink, style: BarStyle): void {
  xml.open('measure-style');
  if (style.kind === 'multiple-rest') xml.leaf('multiple-rest', style.bars);
  else
    xml.leaf('measure-repeat', style.type === 'start' ? style.bars : null, {
      type: style.type,
      slashes: style.type === 'start' ? style.bars : undefined,
    });
  xml.close('measure-style');
}

function writeKey(xml: XmlSink, fifths: number, mode: string | null): void {
  xml.open('key').leaf('fifths', fifths);
  if (mode) xml.leaf('mode', mode);
  xml.close('key');
}

function writeMeter(xml: XmlSink, { beats, beatType, groups, symbol }: Meter, free: true | undefined): void {
  xml.open('time', { symbol: free ? undefined : symbol });
  if (free) xml.leaf('senza-misura');
  else xml.leaf('beats', groups?.join('+') ?? beats).leaf('beat-type', beatType);
  xml.close('time');
}

function writeClef(xml: XmlSink, clef: Clef, number: number | undefined): void {
  const { sign, line, octave } = CLEFS[clef];
  xml.open('clef', { number }).leaf('sign', sign);
  if (line) xml.leaf('line', line);
  if (octave) xml.leaf('clef-octave-change', octave);
  xml.close('clef');
}

/** Single lines, and the strings of a tablature with their sounding pitches, the lowest first. */
function staffDetails(xml: XmlSink, { staffLines, tablature }: Part, staves: number): void {
  if (staffLines !== 5) xml.open('staff-details').leaf('staff-lines', staffLines).close('staff-details');
  if (!tablature || tablature.show === 'notation') return;
  xml.open('staff-details', { number: staves > 1 ? staves : undefined }).leaf('staff-lines', tablature.tuning.length);
  tablature.tuning.forEach((key, i) => {
    const { step, alter, octave } = naturalName(key);
    xml.open('staff-tuning', { line: i + 1 }).leaf('tuning-step', step);
    if (alter) xml.leaf('tuning-alter', alter);
    xml.leaf('tuning-octave', octave).close('staff-tuning');
  });
  if (tablature.capo > 0) xml.leaf('capo', tablature.capo);
  xml.close('staff-details');
}

/** The standard gives what must be added to the written pitch to get the sounding one, whole octaves apart. */
function writeTransposition(
  xml: XmlSink,
  { transposition, transpositionSteps }: PartTransposition,
  always: boolean,
): void {
  if (!always && transposition === 0 && transpositionSteps === 0) return;
  const octaves = Math.trunc(-transposition / 12);
  xml.open('transpose');
  xml
    .leaf('diatonic', positiveZero(-transpositionSteps - octaves * 7))
    .leaf('chromatic', positiveZero(-transposition - octaves * 12));
  if (octaves !== 0) xml.leaf('octave-change', octaves);
  xml.close('transpose');
}

function positiveZero(value: number): number {
  return value === 0 ? 0 : value;
}
