/* What a measure says of signatures, meters, clefs, transposition and staves. */
import type { Clef } from '../../instruments';
import { pitchKey, STEPS } from '../../score';
import type { WrittenUnits } from '../../time';
import type { RawMeasure } from './raw';
import { all, child, numberOf, textOf, type XmlNode } from './xml-tree';

/** @param at where it stands in its measure */
export function readAttributes(node: XmlNode, at: WrittenUnits, measure: RawMeasure): void {
  readSignatures(node, at, measure);
  readClefs(node, at, measure);
  readTransposition(child(node, 'transpose'), measure);
  measure.staves = numberOf(node, 'staves') ?? measure.staves;
  for (const details of all(node, 'staff-details')) readStaff(details, measure);
  for (const style of all(node, 'measure-style')) readStyle(style, measure, at);
}

function readSignatures(node: XmlNode, at: WrittenUnits, measure: RawMeasure): void {
  const key = child(node, 'key');
  const fifths = numberOf(key, 'fifths');
  if (fifths !== undefined)
    measure.keys.push({
      fifths: Math.max(-7, Math.min(7, Math.round(fifths))),
      mode: textOf(key, 'mode') === 'minor' ? 'minor' : 'major',
      at,
    });
  const time = child(node, 'time');
  if (!time) return;
  if (child(time, 'senza-misura')) measure.free = true;
  else measure.meter = meterFrom(time) ?? measure.meter;
}

/** 3/8 + 2/8 is counted as 5/8 in groups of three and two, and 3+2 over 8 too. */
function meterFrom(time: XmlNode): RawMeasure['meter'] {
  const types = all(time, 'beat-type').map((one) => Number(one.text) || 4);
  const beatType = Math.max(...types, 1);
  const groups = all(time, 'beats').flatMap((one, i) =>
    one.text.split('+').map((part) => ((Number(part) || 0) * beatType) / (types[i] ?? beatType)),
  );
  const beats = groups.reduce((sum, count) => sum + count, 0);
  const whole = groups.every(Number.isInteger) && Number.isInteger(Math.log2(beatType));
  if (!whole || beats < 1 || beats > 64 || beatType > 64) return null;
  const { symbol } = time.attributes;
  return {
    beats,
    beatType,
    ...(groups.length > 1 && { groups }),
    ...((symbol === 'common' || symbol === 'cut') && { symbol }),
  };
}

function readClefs(node: XmlNode, at: WrittenUnits, measure: RawMeasure): void {
  for (const clef of all(node, 'clef')) {
    const staff = Number(clef.attributes.number) || 1;
    if (textOf(clef, 'sign') === 'TAB') measure.tablatureStaff = staff;
    const name = clefOf(clef);
    if (name) measure.clefs.push({ staff, clef: name, at });
  }
}

const C_CLEFS: Readonly<Record<number, Clef>> = {
  1: 'soprano',
  2: 'mezzo-soprano',
  3: 'alto',
  4: 'tenor',
  5: 'baritone-c',
};

function octaveClef(clef: 'treble' | 'bass', octave: number): Clef {
  if (clef === 'treble' && octave > 0) return 'treble-8va';
  if (octave >= 0) return clef;
  return `${clef}-8vb`;
}

function clefOf(node: XmlNode): Clef | null {
  const sign = textOf(node, 'sign');
  const line = numberOf(node, 'line');
  const octave = numberOf(node, 'clef-octave-change') ?? 0;
  if (sign === 'G') return line === 1 ? 'french-violin' : octaveClef('treble', octave);
  if (sign === 'F') return line === 3 ? 'baritone' : octaveClef('bass', octave);
  if (sign === 'C') return C_CLEFS[line ?? 3] ?? 'alto';
  if (sign === 'percussion') return 'percussion';
  return null;
}

/** The standard has what must be added to the written pitch to get the sounding one. */
function readTransposition(transpose: XmlNode | undefined, measure: RawMeasure): void {
  if (!transpose) return;
  const octaves = numberOf(transpose, 'octave-change') ?? 0;
  measure.transposition = {
    semitones: -Math.round((numberOf(transpose, 'chromatic') ?? 0) + 12 * octaves) + 0,
    steps: -Math.round((numberOf(transpose, 'diatonic') ?? 0) + 7 * octaves) + 0,
  };
}

function readStaff(details: XmlNode, measure: RawMeasure): void {
  const tuning = all(details, 'staff-tuning').flatMap((one) => {
    const letter = textOf(one, 'tuning-step');
    const step = STEPS.find((name) => name === letter);
    const octave = numberOf(one, 'tuning-octave');
    return step && octave !== undefined ? [pitchKey({ step, alter: numberOf(one, 'tuning-alter') ?? 0, octave })] : [];
  });
  if (tuning.length > 0) measure.tuning = tuning;
  else measure.staffLines = numberOf(details, 'staff-lines') ?? measure.staffLines;
  measure.capo = numberOf(details, 'capo') ?? measure.capo;
}

function readStyle(style: XmlNode, measure: RawMeasure, at: WrittenUnits): void {
  const repeat = child(style, 'measure-repeat');
  const staff = style.attributes.number === undefined ? null : Number(style.attributes.number) || null;
  if (repeat?.attributes.type === 'start') measure.repeats.push({ bars: Math.max(1, Number(repeat.text) || 1), staff });
  // Behind its notes it closes what reaches to the end of the bar.
  if (repeat?.attributes.type === 'stop') measure.repeats.push({ bars: 0, staff, ...(at > 0 && { after: true }) });
}
