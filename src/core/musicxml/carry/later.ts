/*
 * What came to the standard after MusicXML 3.0: elements, attributes and values of the 4.0 schema that the 3.0 one has not
 * (all that a comparison of the two schemas finds).
 */
import type { XmlNode } from '../read/xml-tree';

const words = (text: string): ReadonlySet<string> => new Set(text.split(/\s+/));

const ELEMENTS = words(
  `arrowhead assess bass-separator beat-unit-tied brass-bend concert-score credit-symbol except-voice first flip for-part
  glyph golpe group-link half-muted harmon-closed harmon-mute haydn instrument-change instrument-link
  inverted-vertical-turn line-detail listen listening metronome-arrows metronome-tied n numeral numeral-alter
  numeral-fifths numeral-key numeral-mode numeral-root open other-listen other-listening part-clef part-link
  part-transpose pf player player-name second sfzp smear soft-accent staff-divide straight swing swing-style swing-type
  symbol sync wait`,
);
/** By element, or for all. */
const ATTRIBUTES: Readonly<Record<string, ReadonlySet<string>>> = {
  '*': words('id smufl'),
  'accidental-mark': words('bracket parentheses size'),
  arpeggiate: words('unbroken'),
  bass: words('arrangement'),
  bend: words('shape'),
  'credit-image': words('height width'),
  direction: words('system'),
  doit: words('line-length'),
  double: words('above'),
  ending: words('system'),
  falloff: words('line-length'),
  'figured-bass': words('halign placement valign'),
  harmony: words('arrangement system'),
  image: words('height width'),
  inversion: words('text'),
  level: words('type'),
  lyric: words('time-only'),
  measure: words('text'),
  'measure-numbering': words('multiple-rest-always multiple-rest-range staff system'),
  metronome: words('print-object'),
  note: words('print-leger'),
  pedal: words('abbreviated number'),
  plop: words('line-length'),
  release: words('offset'),
  repeat: words('after-jump'),
  scoop: words('line-length'),
  'staff-size': words('scaling'),
  stick: words('dashed-circle parentheses'),
  tap: words('hand'),
};
/** Names of parts, instruments and the like refer to each other in every version. */
const HAVE_IDS = words('score-part part score-instrument midi-instrument midi-device instrument play bookmark');

const list = (text: string): ReadonlySet<string> => new Set(text.split(', '));
const ACCIDENTALS = list(
  'arrow-down, arrow-up, double-sharp-down, double-sharp-up, flat-flat-down, flat-flat-up, other',
);
/** Texts of elements. */
const TEXTS: Readonly<Record<string, ReadonlySet<string>>> = {
  accidental: ACCIDENTALS,
  'accidental-mark': ACCIDENTALS,
  'accidental-text': ACCIDENTALS,
  'key-accidental': ACCIDENTALS,
  beater: list('drum stick, slide brush on gong, superball'),
  'breath-mark': list('salzedo, upbow'),
  effect: list('lotus flute, megaphone'),
  fermata: list('curlew, double-angled, double-dot, double-square, half-curve'),
  glass: list('glass harmonica, glass harp'),
  handbell: list('belltree'),
  membrane: list('Chinese tomtom, Indo-American tomtom, Japanese tomtom, cuica, tabla'),
  metal: list(
    'agogo, bell tree, cencerro, chain rattle, jaw harp, jingle bells, musical saw, shell bells, tam tam with beater',
  ),
  notehead: list('circled, other'),
  pitched: list('celesta, lithophone, steel drums, tubaphone'),
  'stick-type': list('glockenspiel, gum, hammer, superball, wound'),
  wood: list('bamboo scraper, castanets with handle, football rattle, quijada, rainstick, reco-reco, whip'),
};
const FRAMES = list('decagon, heptagon, hexagon, inverted-bracket, nonagon, octagon, pentagon');
/** Values of attributes: without them the element is less, but still what it is. */
const LOOKS: Readonly<Record<string, ReadonlySet<string>>> = {
  enclosure: FRAMES,
  size: list('grace-cue'),
};
/** Values without which the element is none. */
const KINDS: Readonly<Record<string, Readonly<Record<string, ReadonlySet<string>>>>> = {
  'note-size': { type: list('grace-cue') },
  pedal: { type: list('discontinue, resume, sostenuto') },
  tied: { type: list('let-ring') },
  tremolo: { type: list('unmeasured') },
};
/** Without one of these the element was none. */
const NEEDED: Readonly<Record<string, ReadonlySet<string>>> = {
  harmony: words('root function'),
  stick: words('stick-type'),
  arrow: words('arrow-direction circular-arrow'),
};
/** What could not stand there yet. */
const NOT_IN: Readonly<Record<string, ReadonlySet<string>>> = { figure: words('footnote level') };

/** Elements that were empty then. */
const WITHOUT_TEXT = words('caesura');

/** The element as MusicXML 3.0 has it: later attributes are left away; null for what it has not. */
export function asOfOld(node: XmlNode): XmlNode | null {
  const { name, attributes } = node;
  if (ELEMENTS.has(name) || TEXTS[name]?.has(node.text)) return null;
  if (Object.entries(KINDS[name] ?? {}).some(([key, later]) => later.has(attributes[key] ?? ''))) return null;
  const kept = Object.entries(attributes).filter(([key, value]) => !isLater(name, key, value));
  const children = node.children.map((one) => (NOT_IN[name]?.has(one.name) ? null : asOfOld(one)));
  const left = children.filter((one) => one !== null);
  // What stands around something newer has no sense without it.
  if (node.children.length > 0 && left.length === 0) return null;
  if (NEEDED[name] && !left.some((one) => NEEDED[name]!.has(one.name))) return null;
  const text = WITHOUT_TEXT.has(name) ? '' : node.text;
  return { ...node, text, attributes: Object.fromEntries(kept), children: left };
}

function isLater(element: string, attribute: string, value: string): boolean {
  if (ATTRIBUTES[element]?.has(attribute) || LOOKS[attribute]?.has(value)) return true;
  return ATTRIBUTES['*']!.has(attribute) && !(attribute === 'id' && HAVE_IDS.has(element));
}
