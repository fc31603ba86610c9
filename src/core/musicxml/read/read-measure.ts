import { say } from '../../words';
import { QUARTER, type WrittenUnits } from '../../time';
import type { MusicXmlWarning } from './errors';
import { readAttributes } from './read-attributes';
import { readDirection } from './read-direction';
import { figuredBass, readHarmony } from './read-harmony';
import { readNote } from './read-note';
import { ExactPlaces } from './exact-places';
import type { PlacedSign, RawMeasure, RawNote } from './raw';
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
    inside: [],
    breaks: null,
    notes: [],
    directions: [],
    repeats: [],
    line: node.line,
  };
  // Places are kept as the file counts them and rounded at the end, so that roundings do not add up.
  let at = 0;
  let last = 0;
  let lastNote: RawNote | null = null;
  const exact = new ExactPlaces();
  const placed: PlacedSign[] = [];
  const units = (quarters: number): WrittenUnits => Math.round(quarters * QUARTER);
  const durationOf = (item: XmlNode): number => {
    const raw = numberOf(item, 'duration');
    if (raw === undefined || raw < 0) return 0;
    const quarters = raw / state.divisions;
    if (quarters * QUARTER > LONGEST) {
      warn({
        message: say('musicxml.aDurationOfQuartersQuarterNotesAt', { quarters: Math.round(quarters), line: item.line }),
        line: item.line,
      });
      return 0;
    }
    return quarters;
  };
  for (const item of node.children) {
    switch (item.name) {
      case 'attributes':
        state.divisions = divisionsOf(item) ?? state.divisions;
        readAttributes(item, units(at), measure);
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
        const length = child(item, 'grace') ? 0 : durationOf(item);
        const inChord = child(item, 'chord') !== undefined;
        const start = inChord ? last : at;
        const place = exact.of(start);
        const read = readNote(item, place, units(start + length) - place);
        // Only the first note of a chord may say which voice it is in.
        const note: RawNote = inChord && lastNote && !textOf(item, 'voice') ? { ...read, voice: lastNote.voice } : read;
        note.duration = exact.lengthOf(note, start + length, QUARTER / state.divisions);
        measure.notes.push(note);
        readNoteDynamics(item, place, measure);
        if (!inChord) {
          last = at;
          at += length;
          lastNote = note;
        }
        measure.reach = Math.max(measure.reach, place + note.duration);
        break;
      }
      default: {
        const offset = numberOf(item, 'offset') ?? 0;
        readBeside(item, Math.max(0, units(at + offset / state.divisions)), measure, placed);
      }
    }
    measure.reach = Math.max(measure.reach, exact.of(at));
  }
  for (const sign of placed) placeSign(sign, measure);
  return measure;
}

function placeSign(placed: PlacedSign, measure: RawMeasure): void {
  const { at, sign, name } = placed;
  if (at > 0 && at < measure.reach) measure.inside.push(placed);
  else if (sign === 'fine') measure.signs.fine = true;
  else (measure.reach > 0 && at > 0 ? measure.nextSigns : measure.signs)[sign] = name;
}

function divisionsOf(node: XmlNode): number | null {
  const divisions = numberOf(node, 'divisions');
  return divisions !== undefined && divisions > 0 ? divisions : null;
}

/** Dynamics may hang on a note instead of standing beside it. */
function readNoteDynamics(note: XmlNode, at: WrittenUnits, measure: RawMeasure): void {
  const staff = Math.max(1, numberOf(note, 'staff') ?? 1);
  for (const element of all(note, 'notations').flatMap((one) => all(one, 'dynamics')))
    measure.directions.push({ at, staff, kind: 'line', element });
}

/** What stands beside the notes. */
function readBeside(item: XmlNode, at: WrittenUnits, measure: RawMeasure, placed: PlacedSign[]): void {
  if (item.name === 'direction' || item.name === 'sound') readDirection(item, at, measure, placed);
  else if (item.name === 'harmony') readHarmony(item, at, measure);
  else if (item.name === 'barline') readBarline(item, measure);
  else if (item.name === 'figured-bass') {
    const words = figuredBass(item);
    if (words) measure.directions.push({ at, staff: 1, kind: 'words', words });
  }
}

function breakOf({ attributes }: XmlNode): RawMeasure['breaks'] {
  if (attributes['new-page'] === 'yes') return 'page';
  return attributes['new-system'] === 'yes' ? 'line' : null;
}

function readBarline(node: XmlNode, measure: RawMeasure): void {
  const { signs } = measure;
  const atEnd = node.attributes.location !== 'left';
  const repeat = child(node, 'repeat')?.attributes;
  if (repeat?.direction === 'forward') signs.repeatStart = true;
  if (repeat?.direction === 'backward')
    signs.repeatEnd = { times: Math.max(2, Math.min(64, Number(repeat.times) || 2)) };
  for (const ending of all(node, 'ending')) readEnding(ending, measure);
  for (const sign of ['segno', 'coda'] as const)
    if (child(node, sign)) (atEnd ? measure.nextSigns : signs)[sign] ??= true;
  if (!atEnd) return;
  if (child(node, 'fermata')) signs.fermata = true;
  const style = textOf(node, 'bar-style');
  if (style && !PLAIN_BARLINES.has(style)) signs.barline = style;
}

function readEnding({ attributes: { number = '', type } }: XmlNode, { signs }: RawMeasure): void {
  const numbers = number
    .split(/[\s,]+/)
    .map(Number)
    .filter((one) => Number.isInteger(one) && one > 0);
  if (type === 'start' && numbers.length > 0) signs.ending = numbers;
  if (type === 'stop' || type === 'discontinue') signs.endingStop = type;
}

/** Repeats and the end of the piece have theirs anyway. */
const PLAIN_BARLINES = new Set(['regular', 'light-heavy', 'heavy-light', 'heavy-heavy']);
