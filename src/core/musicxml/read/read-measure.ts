import type { Clef } from '../../instruments';
import { pitchKey, STEPS, type Step } from '../../score';
import { QUARTER, type WrittenUnits } from '../../time';
import type { MusicXmlWarning } from './errors';
import { readDirection, readHarmony } from './read-direction';
import { readNote } from './read-note';
import type { RawMeasure } from './raw';
import { all, child, numberOf, textOf, type XmlNode } from './xml-tree';

/** What lasts from measure to measure of a part while it is read. */
export interface ReadingState {
  divisions: number;
}

const LONGEST: WrittenUnits = 400 * QUARTER;

/** @param warn told of what made no sense */
export function readMeasure(
  node: XmlNode,
  state: ReadingState,
  warn: (warning: Omit<MusicXmlWarning, 'part' | 'bar'>) => void,
): RawMeasure {
  const measure: RawMeasure = {
    number: node.attributes.number ?? '',
    implicit: node.attributes.implicit === 'yes',
    reach: 0,
    meter: null,
    key: null,
    clefs: [],
    transposition: null,
    staves: null,
    staffLines: null,
    tablatureStaff: null,
    tuning: null,
    capo: null,
    signs: {},
    breaks: null,
    notes: [],
    directions: [],
    repeats: null,
    line: node.line,
  };
  // Places are kept as the file counts them and rounded at the end, so that roundings do not add up.
  let at = 0;
  let last = 0;
  const units = (quarters: number): WrittenUnits => Math.round(quarters * QUARTER);
  const durationOf = (item: XmlNode): number => {
    const raw = numberOf(item, 'duration');
    if (raw === undefined || raw < 0) return 0;
    const quarters = raw / state.divisions;
    if (quarters * QUARTER > LONGEST) {
      warn({
        message: `a duration of ${Math.round(quarters)} quarter notes at line ${item.line} is left out`,
        line: item.line,
      });
      return 0;
    }
    return quarters;
  };
  for (const item of node.children) {
    switch (item.name) {
      case 'attributes':
        readAttributes(item, units(at), measure, state);
        break;
      case 'print':
        measure.breaks = breakOf(item);
        break;
      case 'backup':
        at = Math.max(0, at - durationOf(item));
        break;
      case 'forward':
        at += durationOf(item);
        break;
      case 'note': {
        const grace = child(item, 'grace') !== undefined;
        const length = grace ? 0 : durationOf(item);
        const inChord = child(item, 'chord') !== undefined;
        const start = inChord ? last : at;
        const end = units(start + length);
        measure.notes.push(readNote(item, units(start), end - units(start)));
        if (!inChord && !grace) {
          last = at;
          at += length;
        } else if (!inChord) last = at;
        measure.reach = Math.max(measure.reach, end);
        break;
      }
      case 'direction':
      case 'sound': {
        const offset = numberOf(item, 'offset') ?? 0;
        readDirection(item, Math.max(0, units(at + offset / state.divisions)), measure);
        break;
      }
      case 'harmony':
        readHarmony(item, Math.max(0, units(at + (numberOf(item, 'offset') ?? 0) / state.divisions)), measure);
        break;
      case 'barline':
        readBarline(item, measure);
        break;
    }
    measure.reach = Math.max(measure.reach, units(at));
  }
  return measure;
}

function breakOf({ attributes }: XmlNode): RawMeasure['breaks'] {
  if (attributes['new-page'] === 'yes') return 'page';
  return attributes['new-system'] === 'yes' ? 'line' : null;
}

function readAttributes(node: XmlNode, at: WrittenUnits, measure: RawMeasure, state: ReadingState): void {
  const divisions = numberOf(node, 'divisions');
  if (divisions !== undefined && divisions > 0) state.divisions = divisions;
  const key = child(node, 'key');
  const fifths = numberOf(key, 'fifths');
  if (fifths !== undefined)
    measure.key = {
      fifths: Math.max(-7, Math.min(7, Math.round(fifths))),
      mode: textOf(key, 'mode') === 'minor' ? 'minor' : 'major',
    };
  const time = child(node, 'time');
  if (time) {
    // 3/8 + 2/8 is counted as 5/8, and 2+3 over 8 too.
    const beats = all(time, 'beats').map((one) =>
      one.text.split('+').reduce((sum, part) => sum + (Number(part) || 0), 0),
    );
    const types = all(time, 'beat-type').map((one) => Number(one.text) || 4);
    const beatType = Math.max(...types, 1);
    const total = beats.reduce((sum, count, i) => sum + (count * beatType) / (types[i] ?? beatType), 0);
    if (total >= 1 && total <= 64 && beatType <= 64 && Number.isInteger(total) && Number.isInteger(Math.log2(beatType)))
      measure.meter = { beats: total, beatType };
  }
  measure.staves = numberOf(node, 'staves') ?? measure.staves;
  for (const clef of all(node, 'clef')) {
    if (textOf(clef, 'sign') === 'TAB') measure.tablatureStaff = Number(clef.attributes.number) || 1;
    const name = clefOf(clef);
    if (name) measure.clefs.push({ staff: Number(clef.attributes.number) || 1, clef: name, at });
  }
  const transpose = child(node, 'transpose');
  if (transpose) {
    const octaves = numberOf(transpose, 'octave-change') ?? 0;
    measure.transposition = {
      semitones: -Math.round((numberOf(transpose, 'chromatic') ?? 0) + 12 * octaves) + 0,
      steps: -Math.round((numberOf(transpose, 'diatonic') ?? 0) + 7 * octaves) + 0,
    };
  }
  for (const details of all(node, 'staff-details')) {
    const tuning = all(details, 'staff-tuning').flatMap((one) => {
      const step = textOf(one, 'tuning-step') as Step | undefined;
      const octave = numberOf(one, 'tuning-octave');
      return step && STEPS.includes(step) && octave !== undefined
        ? [pitchKey({ step, alter: numberOf(one, 'tuning-alter') ?? 0, octave })]
        : [];
    });
    if (tuning.length > 0) measure.tuning = tuning;
    else measure.staffLines = numberOf(details, 'staff-lines') ?? measure.staffLines;
    measure.capo = numberOf(details, 'capo') ?? measure.capo;
  }
  for (const style of all(node, 'measure-style')) {
    const repeat = child(style, 'measure-repeat');
    if (repeat?.attributes.type === 'start') measure.repeats = Math.max(1, Number(repeat.text) || 1);
    if (repeat?.attributes.type === 'stop') measure.repeats = 0;
  }
}

function clefOf(node: XmlNode): Clef | null {
  const sign = textOf(node, 'sign');
  const line = numberOf(node, 'line');
  const octave = numberOf(node, 'clef-octave-change') ?? 0;
  if (sign === 'G') return octave < 0 ? 'treble-8vb' : 'treble';
  if (sign === 'F') return 'bass';
  if (sign === 'C') return line === 4 ? 'tenor' : 'alto';
  if (sign === 'percussion') return 'percussion';
  return null;
}

function readBarline(node: XmlNode, measure: RawMeasure): void {
  const repeat = child(node, 'repeat');
  if (repeat?.attributes.direction === 'forward') measure.signs.repeatStart = true;
  if (repeat?.attributes.direction === 'backward')
    measure.signs.repeatEnd = { times: Math.max(2, Math.min(64, Number(repeat.attributes.times) || 2)) };
  for (const ending of all(node, 'ending')) {
    const numbers = (ending.attributes.number ?? '')
      .split(/[\s,]+/)
      .map(Number)
      .filter((one) => Number.isInteger(one) && one > 0);
    if (ending.attributes.type === 'start' && numbers.length > 0) measure.signs.ending = numbers;
    if (ending.attributes.type === 'stop' || ending.attributes.type === 'discontinue')
      measure.signs.endingStop = ending.attributes.type;
  }
  if (child(node, 'segno')) measure.signs.segno = true;
  if (child(node, 'coda')) measure.signs.coda = true;
}
