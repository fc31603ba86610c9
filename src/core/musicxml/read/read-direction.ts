import { gradualWords, LINES, type ReadElement } from '../../marks';
import { isTempoWords, valueLength, type BarSigns, type BeatValue } from '../../score';
import { QUARTER, type WrittenUnits } from '../../time';
import { NOTE_TYPE_NAMES } from './note-types';
import type { PlacedSign, RawDirection, RawMeasure } from './raw';
import { all, child, numberOf, textOf, type XmlNode } from './xml-tree';

/** Words are looked at before: only some of them are lines. */
const LINE_ELEMENTS = new Set(
  Object.values(LINES)
    .flatMap((kind) => kind.elements)
    .filter((name) => name !== 'words'),
);

/** Tempi beyond these are slips of a file, not music. */
const SLOWEST = 5;
const FASTEST = 1000;

/**
 * Reads a <direction>, or a <sound> that stands by itself, into the measure.
 *
 * @param placed gets signs that belong to one of the measure's ends
 */
export function readDirection(node: XmlNode, at: WrittenUnits, measure: RawMeasure, placed: PlacedSign[]): void {
  const staff = Math.max(1, numberOf(node, 'staff') ?? 1);
  const add = (direction: { kind: RawDirection['kind'] } & Record<string, unknown>) =>
    measure.directions.push({ at, staff, ...direction } as RawDirection);
  const sound = node.name === 'sound' ? node : child(node, 'sound');
  const types = node.name === 'sound' ? [] : all(node, 'direction-type').flatMap((one) => one.children);
  const words = types
    .filter((one) => one.name === 'words')
    .map((one) => one.text)
    .join(' ')
    .replace(/\s+/g, ' ')
    .trim();
  for (const type of types) {
    if (type.name === 'rehearsal' && type.text) add({ kind: 'marker', text: type.text, rehearsal: true });
    else if (type.name === 'segno' || type.name === 'coda')
      placed.push({ at, sign: type.name, name: nameOfSign(sound?.attributes[type.name]) });
    else if (type.name === 'string-mute')
      add({ kind: 'words', words: type.attributes.type === 'off' ? 'senza sord.' : 'con sord.' });
    else if (type.name === 'other-direction' && type.text) add({ kind: 'words', words: type.text });
    else if (LINE_ELEMENTS.has(type.name)) add({ kind: 'line', element: type });
  }
  readJumps(sound, words, measure.signs);
  if (sound?.attributes.fine !== undefined && measure.signs.fine && at > 0) {
    // The place of the sound element says where the music ends.
    delete measure.signs.fine;
    placed.push({ at, sign: 'fine', name: true });
  }
  for (const sign of ['segno', 'coda'] as const)
    if (sound?.attributes[sign] !== undefined && !types.some((one) => one.name === sign))
      placed.push({ at, sign, name: nameOfSign(sound.attributes[sign]) });
  if (sound?.attributes.dynamics !== undefined && !types.some((one) => one.name === 'dynamics'))
    add({ kind: 'line', element: heardDynamics(sound.attributes.dynamics) });
  readSwing(sound, words, add);
  const program = numberOf(child(sound, 'midi-instrument'), 'midi-program');
  if (program !== undefined && program >= 1 && program <= 128) add({ kind: 'program', program });
  readTempo(types, sound, words, add);
  if (!words || isTempoWords(words) || isJump(words)) return;
  if (gradualWords(words)) {
    add({ kind: 'line', element: { name: 'words', text: words, attributes: {}, children: [] } satisfies ReadElement });
    return;
  }
  const bold = types.some((one) => one.name === 'words' && one.attributes['font-weight'] === 'bold');
  // What is printed bold above the staff speaks to everybody, unless it says how to play.
  if (bold && node.attributes.placement !== 'below' && !PLAYING.test(words))
    add({ kind: 'marker', text: words, rehearsal: false });
  else add({ kind: 'words', words });
}

type Add = (direction: { kind: RawDirection['kind'] } & Record<string, unknown>) => void;

/** Loudness for playback alone, as `core/marks` reads it. */
const heardDynamics = (percent: string): ReadElement => ({
  name: 'dynamics',
  text: '',
  attributes: { sound: percent },
  children: [],
});

/** What most files call their only sign is no name. */
function nameOfSign(said: string | undefined): true | string {
  return said === undefined || /^(?:segno|coda|yes|1)?$/i.test(said.trim()) ? true : said.trim();
}

function readSwing(sound: XmlNode | undefined, words: string, add: Add): void {
  const swing = child(sound, 'swing');
  if (swing)
    add({
      kind: 'swing',
      ratio: child(swing, 'straight') ? 1 : (numberOf(swing, 'first') ?? 2) / (numberOf(swing, 'second') || 1),
      unit: textOf(swing, 'swing-type') === '16th' ? '16th' : 'eighth',
    });
  else if (STRAIGHT.test(words)) add({ kind: 'swing', ratio: 1, unit: 'eighth' });
  else if (/^(?:medium |fast |slow |light |half-time )*swing\b/i.test(words))
    add({ kind: 'swing', ratio: 2, unit: /16ths?|sixteenth/i.test(words) ? '16th' : 'eighth' });
}

/** Common practice of band parts, no source. */
const STRAIGHT = /^\(?(?:straight(?!\s+mute)|even|no swing|swing off|end swing|not swung)\b/i;

function readTempo(types: readonly XmlNode[], sound: XmlNode | undefined, words: string, add: Add): void {
  const bySound = inRange(Number(sound?.attributes.tempo));
  const metronomes = types.filter((one) => one.name === 'metronome');
  const modulation = metronomes.map(modulationOf).find((one) => one !== null);
  if (modulation) {
    add({ kind: 'modulation', ...modulation, bpm: bySound });
    return;
  }
  const bpm = bySound ?? metronomes.map(quarterTempo).find((one) => one !== null) ?? null;
  const said = words && isTempoWords(words);
  if (bpm !== null) add({ kind: 'tempo', bpm, shown: metronomes.length > 0, ...(said && { words }) });
  else if (said) add({ kind: 'tempo-words', words });
}

/** Two values with an equals sign between them: the old one lasts as long as the new one. */
export function modulationOf(node: XmlNode): { before: BeatValue; after: BeatValue } | null {
  const values = beatValues(node);
  const notes = all(node, 'metronome-note').flatMap((note): BeatValue[] => {
    const type = NOTE_TYPE_NAMES[textOf(note, 'metronome-type') ?? ''];
    return type ? [{ type, dots: all(note, 'metronome-dot').length }] : [];
  });
  const [before, after] = values.length >= 2 ? values : notes;
  return before && after && child(node, 'per-minute') === undefined ? { before, after } : null;
}

/** The values of a metronome mark, each with the dots that follow it. */
function beatValues(node: XmlNode): BeatValue[] {
  const values: BeatValue[] = [];
  for (const { name, text } of node.children) {
    const type = name === 'beat-unit' ? NOTE_TYPE_NAMES[text] : undefined;
    if (type) values.push({ type, dots: 0 });
    else if (name === 'beat-unit-dot' && values.length > 0) values.at(-1)!.dots++;
  }
  return values;
}

const PLAYING =
  /\b(?:pizz|arco|sord|mute|open|legno|pont|tasto|trem|cup|harmon|bucket|plunger|stopped|gestopft|div|unis|solo|tutti|a2|harm|stacc|leg|marc|ord|nat)\b/i;

function inRange(bpm: number): number | null {
  return Number.isFinite(bpm) && bpm >= SLOWEST && bpm <= FASTEST ? bpm : null;
}

/** What a metronome mark says in quarter notes a minute; "c. 120" and "112-120" give the first number. */
export function quarterTempo(node: XmlNode): number | null {
  const [value] = beatValues(node);
  const number = /\d+(?:[.,]\d+)?/.exec(textOf(node, 'per-minute') ?? '')?.[0].replace(',', '.');
  if (!value || number === undefined) return null;
  return inRange((Number(number) * valueLength(value.type, value.dots)) / QUARTER);
}

const DA_CAPO = /^d\.?\s*c\.?\b|^da\s+capo\b/i;
const DAL_SEGNO = /^d\.?\s*s\.?\b|^dal\s+segno\b/i;
const TO_CODA = /^to\s+coda\b|^al\s+coda\b/i;
const FINE = /^fine\b/i;

function isJump(words: string): boolean {
  return DA_CAPO.test(words) || DAL_SEGNO.test(words) || TO_CODA.test(words) || FINE.test(words);
}

/** Jumps stand in the sound element, or in words alone. */
function readJumps(sound: XmlNode | undefined, words: string, signs: BarSigns): void {
  const { dacapo, dalsegno, tocoda, fine } = sound?.attributes ?? {};
  if (dacapo === 'yes' || DA_CAPO.test(words)) signs.jump = 'daCapo';
  if (dalsegno !== undefined || DAL_SEGNO.test(words)) signs.jump = 'dalSegno';
  const to = nameOfSign(dalsegno);
  if (to !== true) signs.jumpTo = to;
  if (tocoda !== undefined || TO_CODA.test(words)) signs.toCoda = nameOfSign(tocoda);
  if ((fine !== undefined && fine !== 'no') || FINE.test(words)) signs.fine = true;
}
