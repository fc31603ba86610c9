import { LINES } from '../../marks';
import { isTempoWords, type BarSigns } from '../../score';
import type { WrittenUnits } from '../../time';
import type { RawDirection, RawMeasure } from './raw';
import { all, child, numberOf, textOf, type XmlNode } from './xml-tree';

const LINE_ELEMENTS = new Set(Object.values(LINES).map((kind) => kind.element));

const BEAT_UNITS: Record<string, number> = {
  long: 16,
  breve: 8,
  whole: 4,
  half: 2,
  quarter: 1,
  eighth: 0.5,
  '16th': 0.25,
  '32nd': 0.125,
};
/** Tempi beyond these are slips of a file, not music. */
const SLOWEST = 5;
const FASTEST = 1000;

/** Reads a <direction>, or a <sound> that stands by itself, into the measure. */
export function readDirection(node: XmlNode, at: WrittenUnits, measure: RawMeasure): void {
  const staff = Math.max(1, numberOf(node, 'staff') ?? 1);
  const add = (direction: { kind: RawDirection['kind'] } & Record<string, unknown>) =>
    measure.directions.push({ at, staff, ...direction } as RawDirection);
  const sound = node.name === 'sound' ? node : child(node, 'sound');
  const soundTempo = Number(sound?.attributes.tempo);
  const types = node.name === 'sound' ? [] : all(node, 'direction-type').flatMap((one) => one.children);
  const words = types
    .filter((one) => one.name === 'words')
    .map((one) => one.text)
    .join(' ')
    .replace(/\s+/g, ' ')
    .trim();
  let shownTempo = false;
  let bpm = inRange(soundTempo);
  for (const type of types) {
    switch (type.name) {
      case 'metronome': {
        shownTempo = true;
        bpm ??= metronome(type);
        break;
      }
      case 'rehearsal':
        if (type.text) add({ kind: 'marker', text: type.text, rehearsal: true });
        break;
      case 'segno':
        measure.signs.segno = true;
        break;
      case 'coda':
        measure.signs.coda = true;
        break;
      default:
        if (LINE_ELEMENTS.has(type.name)) add({ kind: 'line', element: type });
    }
  }
  readJumps(sound, words, measure.signs);
  const swing = child(sound, 'swing');
  if (swing)
    add({
      kind: 'swing',
      ratio: child(swing, 'straight') ? 1 : (numberOf(swing, 'first') ?? 2) / (numberOf(swing, 'second') || 1),
      unit: textOf(swing, 'swing-type') === '16th' ? '16th' : 'eighth',
    });
  else if (/^swing\b/i.test(words))
    add({ kind: 'swing', ratio: 2, unit: /16ths?|sixteenth/i.test(words) ? '16th' : 'eighth' });
  else if (/^straight\b/i.test(words)) add({ kind: 'swing', ratio: 1, unit: 'eighth' });
  const program = numberOf(child(sound, 'midi-instrument'), 'midi-program');
  if (program !== undefined && program >= 1 && program <= 128) add({ kind: 'program', program });
  if (bpm !== null) add({ kind: 'tempo', bpm, shown: shownTempo, ...(words && isTempoWords(words) && { words }) });
  else if (words && isTempoWords(words)) add({ kind: 'tempo-words', words });
  if (!words || isTempoWords(words) || isJump(words)) return;
  const bold = types.some((one) => one.name === 'words' && one.attributes['font-weight'] === 'bold');
  // What is printed bold above the staff speaks to everybody, unless it says how to play.
  if (bold && node.attributes.placement !== 'below' && !PLAYING.test(words))
    add({ kind: 'marker', text: words, rehearsal: false });
  else add({ kind: 'words', words });
}

const PLAYING =
  /\b(?:pizz|arco|sord|mute|open|legno|pont|tasto|trem|div|unis|solo|tutti|a2|harm|stacc|leg|marc|ord|nat)\b/i;

function inRange(bpm: number | undefined): number | null {
  return bpm !== undefined && Number.isFinite(bpm) && bpm >= SLOWEST && bpm <= FASTEST ? bpm : null;
}

/** Quarter notes a minute; "c. 120" and "112-120" give the first number. */
function metronome(node: XmlNode): number | null {
  const unit = BEAT_UNITS[textOf(node, 'beat-unit') ?? ''];
  const number = /\d+(?:[.,]\d+)?/.exec(textOf(node, 'per-minute') ?? '')?.[0].replace(',', '.');
  if (unit === undefined || number === undefined) return null;
  const dots = node.children.filter((one) => one.name === 'beat-unit-dot').length;
  return inRange(Number(number) * unit * (2 - 1 / 2 ** dots));
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
  const { dacapo, dalsegno, tocoda, fine, segno, coda } = sound?.attributes ?? {};
  if (dacapo === 'yes' || DA_CAPO.test(words)) signs.jump = 'daCapo';
  if (dalsegno !== undefined || DAL_SEGNO.test(words)) signs.jump = 'dalSegno';
  if (tocoda !== undefined || TO_CODA.test(words)) signs.toCoda = true;
  if ((fine !== undefined && fine !== 'no') || FINE.test(words)) signs.fine = true;
  if (segno !== undefined) signs.segno = true;
  if (coda !== undefined) signs.coda = true;
}

const KIND_TEXT: Record<string, string> = {
  major: '',
  minor: 'm',
  augmented: '+',
  diminished: '°',
  dominant: '7',
  'major-seventh': 'maj7',
  'minor-seventh': 'm7',
  'diminished-seventh': '°7',
  'half-diminished': 'ø7',
  'major-sixth': '6',
  'minor-sixth': 'm6',
  'dominant-ninth': '9',
  'suspended-fourth': 'sus4',
  'suspended-second': 'sus2',
  power: '5',
};

/** Sharps or flats of a root at most; beyond are slips of a file. */
const MOST_ALTERED = 3;

/** A chord symbol as it is read: "B♭m7/F". */
export function readHarmony(node: XmlNode, at: WrittenUnits, measure: RawMeasure): void {
  const name = (of: XmlNode | undefined, prefix: string) => {
    const step = textOf(of, `${prefix}-step`);
    const alter = Math.max(-MOST_ALTERED, Math.min(MOST_ALTERED, Math.round(numberOf(of, `${prefix}-alter`) ?? 0)));
    return step ? `${step}${alter > 0 ? '♯'.repeat(alter) : '♭'.repeat(-alter)}` : '';
  };
  const root = name(child(node, 'root'), 'root');
  const kind = child(node, 'kind');
  if (!root && !kind) return;
  const bass = name(child(node, 'bass'), 'bass');
  measure.directions.push({
    at,
    staff: 1,
    kind: 'harmony',
    text:
      kind?.text === 'none'
        ? 'N.C.'
        : `${root}${kind?.attributes.text ?? KIND_TEXT[kind?.text ?? ''] ?? kind?.text ?? ''}${bass ? `/${bass}` : ''}`,
  });
}
