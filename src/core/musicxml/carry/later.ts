/* What came to the standard after MusicXML 3.0: elements, attributes and values of the 4.0 schema that the 3.0 one has not. */
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
  '*': words('id smufl print-leger unbroken after-jump arrangement multiple-rest-always multiple-rest-range system'),
  image: words('height width'),
  measure: words('text'),
  level: words('type'),
  inversion: words('text'),
  metronome: words('print-object'),
  pedal: words('abbreviated number'),
  stick: words('dashed-circle parentheses'),
  'accidental-mark': words('bracket parentheses size'),
  bend: words('shape'),
  'empty-line': words('line-length'),
  'figured-bass': words('halign placement valign'),
  lyric: words('time-only'),
  'measure-numbering': words('staff'),
};
/** Names of parts, instruments and the like refer to each other in every version. */
const HAVE_IDS = words('score-part part score-instrument midi-instrument midi-device instrument play');
const VALUES: Readonly<Record<string, ReadonlySet<string>>> = {
  accidental: words('arrow-down arrow-up double-sharp-down double-sharp-up flat-flat-down flat-flat-up other'),
  'accidental-mark': words('arrow-down arrow-up double-sharp-down double-sharp-up flat-flat-down flat-flat-up other'),
  fermata: words('curlew double-angled double-dot double-square half-curve'),
  'breath-mark': words('salzedo upbow'),
  handbell: words('belltree'),
  notehead: words('circled other'),
  beater: new Set(['drum stick', 'slide brush on gong', 'superball']),
  'stick-type': words('glockenspiel gum hammer superball wound'),
};

/** Elements that were empty then. */
const WITHOUT_TEXT = words('caesura');

/** The element as MusicXML 3.0 has it: later attributes are left away; null for what it has not. */
export function asOfOld(node: XmlNode): XmlNode | null {
  if (ELEMENTS.has(node.name) || VALUES[node.name]?.has(node.text)) return null;
  const own = ATTRIBUTES[node.name];
  const kept = Object.entries(node.attributes).filter(
    ([key]) => !own?.has(key) && (!ATTRIBUTES['*']!.has(key) || (key === 'id' && HAVE_IDS.has(node.name))),
  );
  const children = node.children.map(asOfOld);
  // What stands around something newer has no sense without it.
  if (node.children.length > 0 && children.every((one) => one === null)) return null;
  const text = WITHOUT_TEXT.has(node.name) ? '' : node.text;
  return { ...node, text, attributes: Object.fromEntries(kept), children: children.filter((one) => one !== null) };
}
