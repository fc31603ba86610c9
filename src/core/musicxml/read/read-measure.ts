import type { Clef } from '../../instruments';
import { pitchKey, STEPS, type Step } from '../../score';
import { QUARTER, type WrittenUnits } from '../../time';
import type { MusicXmlWarning } from './errors';
import { readDirection, type PlacedSign } from './read-direction';
import { figuredBass, readHarmony } from './read-harmony';
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
    free: false,
    keys: [],
    clefs: [],
    transposition: null,
    staves: null,
    staffLines: null,
    tablatureStaff: null,
    tuning: null,
    capo: null,
    signs: {},
    nextSigns: {},
    breaks: null,
    notes: [],
    directions: [],
    repeats: [],
    line: node.line,
  };
  // Places are kept as the file counts them and rounded at the end, so that roundings do not add up.
  let at = 0;
  let last = 0;
  const placed: PlacedSign[] = [];
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
        // Dynamics may hang on a note instead of standing beside it.
        for (const sign of all(item, 'notations').flatMap((one) => all(one, 'dynamics')))
          measure.directions.push({
            at: units(start),
            staff: Math.max(1, numberOf(item, 'staff') ?? 1),
            kind: 'line',
            element: sign,
          });
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
        readDirection(item, Math.max(0, units(at + offset / state.divisions)), measure, placed);
        break;
      }
      case 'harmony':
        readHarmony(item, Math.max(0, units(at + (numberOf(item, 'offset') ?? 0) / state.divisions)), measure);
        break;
      case 'figured-bass': {
        const figures = figuredBass(item);
        if (figures) measure.directions.push({ at: units(at), staff: 1, kind: 'words', words: figures });
        break;
      }
      case 'barline':
        readBarline(item, measure);
        break;
    }
    measure.reach = Math.max(measure.reach, units(at));
  }
  for (const sign of placed) placeSign(sign, measure, warn);
  return measure;
}

/** A form has its signs at barlines: one inside a bar goes to the nearer one. */
function placeSign(
  { at, sign, name }: PlacedSign,
  measure: RawMeasure,
  warn: (warning: Omit<MusicXmlWarning, 'part' | 'bar'>) => void,
): void {
  const inside = at > 0 && at < measure.reach;
  if (inside)
    warn({ message: `the ${sign} sign stands inside the bar and is taken to the nearer barline`, line: measure.line });
  const signs = measure.reach > 0 && at * 2 > measure.reach ? measure.nextSigns : measure.signs;
  signs[sign] = name;
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
    measure.keys.push({
      fifths: Math.max(-7, Math.min(7, Math.round(fifths))),
      mode: textOf(key, 'mode') === 'minor' ? 'minor' : 'major',
      at,
    });
  const time = child(node, 'time');
  if (time && child(time, 'senza-misura')) measure.free = true;
  else if (time) {
    measure.meter = meterFrom(time) ?? measure.meter;
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
    const staff = style.attributes.number === undefined ? null : Number(style.attributes.number) || null;
    if (repeat?.attributes.type === 'start')
      measure.repeats.push({ bars: Math.max(1, Number(repeat.text) || 1), staff });
    if (repeat?.attributes.type === 'stop') measure.repeats.push({ bars: 0, staff });
  }
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
  const atEnd = node.attributes.location !== 'left';
  for (const sign of ['segno', 'coda'] as const)
    if (child(node, sign)) (atEnd ? measure.nextSigns : measure.signs)[sign] ??= true;
  if (child(node, 'fermata') && atEnd) measure.signs.fermata = true;
  const style = textOf(node, 'bar-style');
  if (style && atEnd && !PLAIN_BARLINES.has(style)) measure.signs.barline = style;
}

/** Repeats and the end of the piece have theirs anyway. */
const PLAIN_BARLINES = new Set(['regular', 'light-heavy', 'heavy-light', 'heavy-heavy']);
