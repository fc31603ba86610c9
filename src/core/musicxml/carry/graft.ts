/*
 * Grafting: what one element says and its counterpart in another file does not is put into that one.
 *
 *     received   <slur type="start" line-type="dashed"/>
 *     written    <slur type="start" number="1"/>           →   <slur type="start" number="1" line-type="dashed"/>
 */
import type { XmlNode } from '../read/xml-tree';
import { putInOrder } from './order';
import { isHeld, isHeldDirection } from './understood';

/** What says only where something lies on a page that is laid out anew. */
const LAYOUT = new Set(
  'default-x default-y relative-x relative-y width bezier-offset bezier-offset2 bezier-x bezier-y bezier-x2 bezier-y2'.split(
    ' ',
  ),
);
export const isLayout = (attribute: string): boolean => LAYOUT.has(attribute);

const OWN_ALWAYS: readonly string[] = ['number', 'id'];
/** Attributes of which the writer has its own: numbers that pair beginnings with ends, and what the model holds. */
const OWN: Readonly<Record<string, readonly string[]>> = {
  note: ['dynamics'],
  measure: ['number', 'implicit'],
  grace: ['slash', 'steal-time-previous', 'steal-time-following'],
  rest: ['measure'],
  repeat: ['direction', 'times'],
  print: ['new-system', 'new-page'],
};
/** An element that the reader takes for another one, and stays what it was. */
const TAKEN_FOR: Readonly<Record<string, string>> = { shake: 'trill-mark', 'delayed-turn': 'turn' };
/** Texts that belong to the look of a sign, not to what it says. */
const LOOKS = new Set('fermata breath-mark caesura accidental notehead ending stem glissando slide elision'.split(' '));
/** Types that are no more than a look, and are said otherwise where nobody knows. */
const TYPED_LOOKS = new Set(['fermata', 'strong-accent']);
/** Elements of one name that are others by their type. */
const BY_TYPE = new Set(
  `slur tied tie tuplet glissando slide hammer-on pull-off wavy-line wedge dashes bracket octave-shift pedal principal-voice
  creator credit ending part-group bookmark`.split(/\s+/),
);
/** And by their text. */
const BY_TEXT = new Set(
  'words rehearsal text other-articulation other-technical other-ornament other-dynamics'.split(' '),
);
/** Modes that the model has; of others it only knows the signature. */
const MODES = new Set(['major', 'minor']);

/** What stands in these says one thing, which is the model's: only where it is the same, its look is taken. */
const WHOLE = new Set('pitch unpitched time-modification root bass degree metronome'.split(' '));
/** Signs whose side the writer chooses by rule; where the bar is as it came, the score's own is taken. */
const SIDES = new Set(['placement', 'orientation', 'line-type', 'line']);

/** What tells children of one name from each other. */
function identity({ name, attributes, children, text }: XmlNode): string {
  const { type = '', placement = '', number = '1' } = attributes;
  if (name === 'measure-style') return `${name} ${children[0]?.name}`;
  if (name === 'accidental-mark') return `${name} ${placement}`;
  // Verses are numbered, if with words around the number.
  if (name === 'lyric') return `${name} ${Number(/\d+/.exec(number)?.[0] ?? 1)}`;
  if (BY_TYPE.has(name)) return `${name} ${type}`;
  return BY_TEXT.has(name) ? `${name} ${text}` : name;
}

export interface GraftOptions {
  /** The note is not pitched. */
  unpitched?: boolean;
  /** All of the bar is as it came: so are the sides on which its signs stand. */
  asItCame?: boolean;
}

/** @param into written by us; changed in place */
export function graft(into: XmlNode, from: XmlNode, options: GraftOptions = {}): void {
  // Another signature or clef than it was has nothing of the old one's look.
  if (SIGNATURES.has(from.name) && !saysTheSame(into, from)) return;
  takeAttributes(into, from, options.asItCame ?? false);
  takeLooks(into, from);
  // A signature that no place on the circle of fifths says stands instead of none.
  if (from.name === 'key' && from.children.some(({ name }) => name === 'key-step')) {
    if (into.children.some(({ name, text }) => name === 'fifths' && text === '0'))
      into.children = from.children.map(withoutLayout);
    return;
  }
  if (WHOLE.has(from.name)) {
    if (textsIn(into) === textsIn(from)) takeLooksWithin(into, from);
    return;
  }
  const free = [...into.children];
  for (const one of from.children) {
    const like = free.findIndex((other) => identity(other) === identity(one));
    const taken = free.find(({ name }) => name === TAKEN_FOR[one.name]);
    if (like >= 0) graft(free.splice(like, 1)[0]!, one, options);
    else if (taken) {
      taken.name = one.name;
      graft(taken, one, options);
    } else if (isCarried(from, one, options)) carry(into, one);
  }
}

const SIGNATURES = new Set(['time', 'clef', 'key', 'transpose']);

/** Whether what the model holds of both is equal; a key that is not of fifths is read as none. */
function saysTheSame(into: XmlNode, from: XmlNode): boolean {
  if (from.children.some(({ name }) => name === 'key-step' || name === 'senza-misura')) return true;
  // A clef without a line has its usual one.
  const known = new Set(from.children.map(({ name }) => name));
  const said = ({ children }: XmlNode) =>
    children.flatMap(({ name, text }) => (COMPARED.has(name) && known.has(name) ? [`${name} ${text}`] : [])).join();
  return said(into) === said(from);
}
const COMPARED = new Set(['beats', 'beat-type', 'sign', 'line', 'clef-octave-change', 'fifths', 'chromatic']);

/** What an element says, without elements that only separate. */
const textsIn = ({ children }: XmlNode): string =>
  children.flatMap(({ name, text }) => (SEPARATORS.has(name) ? [] : [`${name} ${text}`])).join();
const SEPARATORS = new Set(['bass-separator', 'normal-type', 'normal-dot']);

function takeLooksWithin(into: XmlNode, from: XmlNode): void {
  const ours = into.children.filter(({ name }) => !SEPARATORS.has(name));
  into.children = from.children.map((one) => {
    const own = SEPARATORS.has(one.name) ? undefined : ours.shift();
    return { ...withoutLayout(one), attributes: { ...withoutLayout(one).attributes, ...own?.attributes } };
  });
}

function takeAttributes(into: XmlNode, { name, attributes }: XmlNode, asItCame: boolean): void {
  for (const [key, value] of Object.entries(attributes)) {
    // A type that pairs beginnings with ends is ours; where we have none it is a look.
    const own = OWN_ALWAYS.includes(key) || (key === 'type' && BY_TYPE.has(name)) || OWN[name]?.includes(key);
    const free = into.attributes[key] === undefined || (asItCame && SIDES.has(key));
    if (free && !own && !isLayout(key)) into.attributes[key] = value;
    // Names of verses ("chorus") are more than their number.
    if (name === 'lyric' && key === 'number' && !/^\d+$/.test(value)) into.attributes[key] = value;
  }
}

function takeLooks(into: XmlNode, { name, attributes, children, text }: XmlNode): void {
  if (TYPED_LOOKS.has(name) && attributes.type) into.attributes.type = attributes.type;
  const looks = LOOKS.has(name) || (name === 'mode' && !MODES.has(text));
  if (looks && text !== '' && children.length === 0) into.text = text;
}

function isCarried(container: XmlNode, one: XmlNode, { unpitched = false }: GraftOptions): boolean {
  // A verse without a syllable: hummed, laughed.
  if (one.name === 'lyric') return !one.children.some(({ name }) => name === 'text');
  if (one.name === 'dynamics') return !isHeldDirection(one);
  return !isHeld(container.name, one.name) && !(unpitched && HELD_FOR_DRUMS.has(one.name));
}

/** Of percussion the model holds these. */
const HELD_FOR_DRUMS = new Set(['stopped', 'open', 'open-string', 'notehead']);

/** Containers of which only what is not held goes along. */
const SORTED = new Set(['notations', 'ornaments', 'technical', 'articulations']);

function carry(into: XmlNode, node: XmlNode): void {
  const kept = withoutHeld(node);
  if (kept) putInOrder(into, withoutLayout(kept));
}

/** Null for a container in which nothing is left. */
function withoutHeld(node: XmlNode): XmlNode | null {
  if (!SORTED.has(node.name)) return node;
  const held = (one: XmlNode) => (one.name === 'dynamics' ? isHeldDirection(one) : isHeld(node.name, one.name));
  const children = node.children.flatMap((one) => (held(one) ? [] : (withoutHeld(one) ?? [])));
  return children.length > 0 ? { ...node, children } : null;
}

export function withoutLayout(node: XmlNode): XmlNode {
  const kept = Object.entries(node.attributes).filter(([key]) => !isLayout(key));
  return { ...node, attributes: Object.fromEntries(kept), children: node.children.map(withoutLayout) };
}
