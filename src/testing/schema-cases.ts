/*
 * Every element, attribute and enumerated value that the MusicXML 4.0 schema allows in a partwise score, one small valid
 * score each: the way from the root to it, and nothing else that need not be.
 */
import { treeOf, type Node } from '../core/receivers/strict-reader';
import { HEAD, noteText, partText, scoreText } from './musicxml-text';
import { elementsOf, ROOT, typeRule, type Particle } from './schema-walk';

export interface SchemaCase {
  /** Names from the score down to the element. */
  path: readonly string[];
  attribute?: string;
  /** Of the attribute, else of the element's text; empty for one without. */
  value: string;
  musicXml: string;
}

type Element = Extract<Particle, { kind: 'element' }>;

const notes = ['C5', 'C5', 'C5', 'E5'].map((name) => noteText(name, 4)).join('');
const BASE = scoreText([partText([notes, noteText('G5', 16)], HEAD)]);
const triplet = noteText('C5', 4, {
  after: '<time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes></time-modification>',
});
/** Three quarters in the time of two, and a half. */
const TRIPLETS = scoreText([
  partText([triplet.repeat(3) + noteText('E5', 12, { type: 'half' })], HEAD.replace('>4<', '>6<')),
]);
/** Of these the first that is there takes the element in. */
const TAKES_IN = new Set('score-partwise part-list score-part part measure attributes note'.split(' '));

/** Texts that make sense beside the others. */
const SAMPLES: Readonly<Record<string, string>> = {
  beats: '4',
  'beat-type': '4',
  'per-minute': '96',
  'beat-unit': 'quarter',
  'metronome-type': 'quarter',
  'normal-type': 'quarter',
  step: 'C',
  'root-step': 'C',
  'figure-number': '6',
  'instrument-sound': 'wind.flutes.flute',
  voice: '1',
};

/** An element with all it must have, and no more. @param holding a child that it has as well */
function minimal({ name, type }: Element, holding?: Node): Node {
  const rule = typeRule(type);
  const required = rule.attributes.filter((one) => one.required).map((one) => [one.name, one.values[0]!]);
  return {
    name,
    attributes: Object.fromEntries(required),
    text: rule.text ? (SAMPLES[name] ?? rule.text[0]!) : '',
    children: rule.content ? filled(rule.content, holding) : [],
  };
}

const mayHold = (content: Particle, name: string): boolean =>
  content.kind === 'element' ? content.name === name : content.of.some((one) => mayHold(one, name));

function filled(content: Particle, holding?: Node): Node[] {
  const wanted = holding && mayHold(content, holding.name) ? holding : undefined;
  if (content.optional && !wanted) return [];
  if (content.kind === 'element') return [wanted ?? minimal(content)];
  if (content.kind === 'choice') {
    const branch = wanted ? content.of.find((one) => mayHold(one, wanted.name))! : content.of[0]!;
    return filled(branch, wanted);
  }
  let left = wanted;
  return content.of.flatMap((one) => {
    const here = left && mayHold(one, left.name) ? left : undefined;
    if (here) left = undefined;
    return filled(one, here);
  });
}

/** The base score with one element more, and with what begins or ends what it ends or begins. */
function scoreWith(path: readonly Element[], node: Node): string {
  const tuplet = path.some(({ name }) => name === 'tuplet');
  const root = treeOf(tuplet ? TRIPLETS : BASE, (measure, part) => part.children.push(measure)).children[0]!;
  // A tuplet ends on its third note.
  const inTuplet = tuplet && path.length > 6 ? [node] : spanOf(node);
  inTuplet.forEach((one, nth) => putAt(root, path, one, tuplet ? nth * 2 : nth));
  const text = textOf(root);
  const links = text.includes(' xlink:') ? ' xmlns:xlink="http://www.w3.org/1999/xlink"' : '';
  return `<?xml version="1.0"?>${text.replace('<score-partwise', `<score-partwise${links}`)}`;
}

const BEGINS = new Set('start up down crescendo diminuendo begin sostenuto'.split(' '));
const SPANS = new Set(
  `tie tied slur tuplet glissando slide wavy-line hammer-on pull-off wedge dashes bracket octave-shift pedal extend
  principal-voice metronome-tied`.split(/\s+/),
);

/** An element that spans notes with its beginning and end, one a note. */
function spanOf(node: Node): Node[] {
  const { type } = node.attributes;
  const as = (other: string): Node => ({ ...node, attributes: { ...node.attributes, type: other } });
  if (!SPANS.has(node.name) || type === undefined) return [node];
  if (BEGINS.has(type)) return [node, as('stop')];
  const begin = as(BEGUN_BY[node.name] ?? 'start');
  return type === 'stop' ? [begin, node] : [begin, node, as('stop')];
}
const BEGUN_BY: Readonly<Record<string, string>> = { wedge: 'crescendo', 'octave-shift': 'down' };

/** @param nth of the notes of the base, where the way leads through notes or by them */
function putAt(root: Node, path: readonly Element[], node: Node, nth: number): void {
  let at = root;
  let depth = 1;
  for (; depth < path.length - 1; depth++) {
    const { name } = path[depth]!;
    const next = TAKES_IN.has(name) && at.children.filter((one) => one.name === name)[name === 'note' ? nth : 0];
    if (!next) break;
    at = next;
  }
  // What is not in the base is made around the element, from the inside out.
  let made = node;
  for (let d = path.length - 2; d >= depth; d--) made = minimal(path[d]!, made);
  putIn(at, made, path[depth - 1]!, nth);
}

/** An attribute on an element that the base has. */
const baseWith = (name: string, attribute: string, value: string): string =>
  BASE.replace(new RegExp(`<${name}(?=[ >])`), `<${name} ${attribute}="${value}"`);

/** Alternatives to what a note of the base has. */
const OTHER_NOTES = new Set('grace cue unpitched rest chord'.split(' '));

function putIn(into: Node, node: Node, { type }: Element, nth: number): void {
  if (into.name === 'measure' && node.name === 'barline') {
    into.children.push(node);
    return;
  }
  if (into.name === 'measure' && node.name !== 'attributes') {
    const notes = into.children.flatMap(({ name }, i) => (name === 'note' ? [i] : []));
    into.children.splice(notes[nth]! + 1, 0, node);
    return;
  }
  if (into.name === 'note' && OTHER_NOTES.has(node.name)) {
    if (node.name !== 'chord' && node.name !== 'grace' && node.name !== 'cue')
      into.children = into.children.filter(({ name }) => name !== 'pitch');
    if (node.name === 'grace') into.children = into.children.filter(({ name }) => name !== 'duration');
  }
  const order = elementsOf(typeRule(type).content).map(({ name }) => name);
  const same = into.children.findIndex(({ name }) => name === node.name);
  if (same >= 0 && !REPEATED.has(node.name)) into.children.splice(same, 1, node);
  else into.children.push(node);
  into.children = into.children
    .map((one, i) => ({ one, i }))
    .sort((a, b) => order.indexOf(a.one.name) - order.indexOf(b.one.name) || a.i - b.i)
    .map(({ one }) => one);
}
/** Of these there may be one more. */
const REPEATED = new Set('score-part part measure part-group'.split(' '));

const escaped = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('"', '&quot;');
function textOf({ name, attributes, children, text }: Node): string {
  const said = Object.entries(attributes).map(([key, value]) => ` ${key}="${escaped(value)}"`);
  return `<${name}${said.join('')}>${children.length > 0 ? children.map(textOf).join('') : escaped(text)}</${name}>`;
}

/** Where something lies on the page, in what type it is set, where links lead: nothing of the music. */
const LAYOUT =
  /^(?:default|relative|bezier|font|xlink|xml|justify|halign|valign|letter|line-height|rotation|dir$|underline|overline|line-through|enclosure|color|id$|width|height)/;
const NOT_WALKED = new Set('score-partwise part-list part measure defaults credit'.split(' '));

/** @returns the cases in the order of the schema */
export function schemaCases(): SchemaCase[] {
  const seen = new Set<string>();
  const cases: SchemaCase[] = [];
  const walk = (path: readonly Element[]) => {
    const element = path.at(-1)!;
    const rule = typeRule(element.type);
    const names = path.map(({ name }) => name);
    if (!NOT_WALKED.has(element.name)) {
      const there = TAKES_IN.has(element.name);
      const plain = minimal(element);
      for (const value of there ? [] : (rule.text ?? ['']))
        cases.push({ path: names, value, musicXml: scoreWith(path, { ...plain, text: value }) });
      for (const { name: attribute, values, shared } of rule.attributes) {
        if (LAYOUT.test(attribute)) continue;
        for (const value of shared ? values.slice(-1) : values) {
          const node = { ...plain, attributes: { ...plain.attributes, [attribute]: value } };
          const musicXml = there ? baseWith(element.name, attribute, value) : scoreWith(path, node);
          cases.push({ path: names, value, attribute, musicXml });
        }
      }
    }
    for (const inner of elementsOf(rule.content)) {
      const key = `${element.type} ${inner.name}`;
      if (seen.has(key)) continue;
      seen.add(key);
      walk([...path, inner]);
    }
  };
  walk([ROOT as Element]);
  return cases;
}
