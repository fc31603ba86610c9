/* What one bar of a received score says beyond the model, put into the bar that is written of it. */
import { gradualWords } from '../../marks';
import { child, numberOf, textOf, type XmlNode } from '../read/xml-tree';
import { graft, withoutLayout, type GraftOptions } from './graft';
import { Insertions } from './insertions';
import { putInOrder } from './order';
import { samePlace, type Placed, type PlacedMeasure, type PlacedNote } from './placed';
import { isHeldDirection } from './understood';

/** A measure and where all in it stands. */
export interface Bar {
  measure: XmlNode;
  found: PlacedMeasure;
}

/** “12a” stays what it is where the bars before it have their numbers. */
function carryNumber(to: XmlNode, { attributes: { number } }: XmlNode): void {
  if (number !== undefined && number !== '' && !/^\d+$/.test(number)) to.attributes.number = number;
}

/**
 * What hangs on the notes of a bar, and what stands beside them.
 *
 * @param dashes numbers of dashed lines that are open, and are carried
 * @param asNumbered the bar before has its number
 */
export function carryBar(to: Bar, from: Bar, dashes: Set<string>, asNumbered: boolean): void {
  const pairs = pairsOf(to.found.notes, from.found.notes);
  const sounding = (bar: Bar) => bar.found.notes.filter(({ rest }) => !rest).length;
  const whole = pairs.filter(([note]) => !note.rest).length === sounding(to) && sounding(to) === sounding(from);
  for (const [note, given] of pairs) carryNote(note.node, given.node, whole);
  graft(to.measure, { ...from.measure, children: [] });
  if (asNumbered) carryNumber(to.measure, from.measure);
  const insert = new Insertions(to);
  for (const one of from.found.others) carryBeside(to, one, insert, dashes);
  insert.done();
}

/** Notes that are the same in both, each once. */
function pairsOf(to: readonly PlacedNote[], from: readonly PlacedNote[]): [PlacedNote, PlacedNote][] {
  const given = new Map<string, PlacedNote[]>();
  for (const note of from) {
    const list = given.get(note.key);
    if (list) list.push(note);
    else given.set(note.key, [note]);
  }
  return to.flatMap((note) => {
    const found = given.get(note.key)?.shift();
    return found ? [[note, found] as [PlacedNote, PlacedNote]] : [];
  });
}

/** @param whole all of the bar is as it came: so are its beams and stems */
function carryNote(note: XmlNode, given: XmlNode, whole: boolean): void {
  const options: GraftOptions = { unpitched: child(note, 'unpitched') !== undefined };
  const numbered = (node: XmlNode, name: string) => node.children.filter((one) => one.name === name);
  if (whole)
    for (const name of ['stem', 'beam']) {
      if (name === 'stem' && numbered(given, name).length === 0) continue;
      note.children = note.children.filter((one) => one.name !== name);
      for (const one of numbered(given, name)) putInOrder(note, withoutLayout(one));
    }
  graft(note, { ...given, children: given.children.filter(({ name }) => name !== 'stem' && name !== 'beam') }, options);
}

function carryBeside(to: Bar, { node, at }: Placed, insert: Insertions, dashes: Set<string>): void {
  const here = (name: string) => to.found.others.filter((one) => one.node.name === name && samePlace(one.at, at));
  switch (node.name) {
    case 'attributes': {
      const ours = here('attributes')[0]?.node;
      const kept = node.children.filter(({ name }) => name !== 'divisions');
      if (ours) graft(ours, { ...node, children: kept });
      else {
        const made: XmlNode = { ...node, children: [] };
        graft(made, { ...node, children: kept });
        if (made.children.length > 0) insert.put(made, at);
      }
      return;
    }
    case 'print': {
      const ours = to.measure.children.find(({ name }) => name === 'print');
      const plain = withoutLayout({ ...node, attributes: withoutBreaks(node) });
      if (ours) graft(ours, node);
      else if (plain.children.length > 0 || Object.keys(plain.attributes).length > 0)
        to.measure.children.unshift(plain);
      return;
    }
    case 'barline':
      carryBarline(to, node, insert);
      return;
    case 'direction':
      carryDirection(to, node, at, insert, dashes);
      return;
    case 'harmony': {
      const ours = here('harmony').find((one) => sameRoot(one.node, node));
      if (ours) graft(ours.node, node);
      return;
    }
    case 'sound':
    case 'figured-bass':
      return;
    default:
      insert.put(withoutLayout(node), at);
  }
}

const withoutBreaks = ({ attributes: { 'new-system': _s, 'new-page': _p, ...others } }: XmlNode) => others;

const sameRoot = (a: XmlNode, b: XmlNode): boolean =>
  textOf(child(a, 'root'), 'root-step') === textOf(child(b, 'root'), 'root-step');

function carryBarline(to: Bar, node: XmlNode, insert: Insertions): void {
  const location = node.attributes.location ?? 'right';
  const ours = to.measure.children.find(
    (one) => one.name === 'barline' && (one.attributes.location ?? 'right') === location,
  );
  const made: XmlNode = { ...node, children: [] };
  const style = textOf(node, 'bar-style');
  graft(ours ?? made, ours && textOf(ours, 'bar-style') !== style ? withoutStyle(node) : node);
  if (ours || made.children.length === 0) return;
  if (location === 'left') insert.first(made);
  else if (location === 'right') insert.last(made);
}

const withoutStyle = (node: XmlNode): XmlNode => ({
  ...node,
  children: node.children.filter(({ name }) => name !== 'bar-style'),
});

/** What a direction shows: one element or several, each in a frame of its own. */
const typesOf = (direction: XmlNode): XmlNode[] =>
  direction.children.flatMap((one) => (one.name === 'direction-type' ? one.children : []));

function carryDirection(to: Bar, node: XmlNode, at: number, insert: Insertions, dashes: Set<string>): void {
  const staff = numberOf(node, 'staff') ?? 1;
  const here = to.found.others.filter(
    (one) => one.node.name === 'direction' && samePlace(one.at, at) && (numberOf(one.node, 'staff') ?? 1) === staff,
  );
  const alone = (type: XmlNode): XmlNode => ({
    ...withoutLayout(node),
    children: [
      { ...type, name: 'direction-type', attributes: {}, children: [withoutLayout(type)], text: '' },
      // What is heard of it is said elsewhere.
      ...node.children.filter(({ name }) => !['direction-type', 'sound', 'offset'].includes(name)).map(withoutLayout),
    ],
  });
  for (const type of typesOf(node)) {
    const ours = here.find((one) => typesOf(one.node).some((other) => sameType(other, type)));
    if (ours) {
      graft({ ...ours.node, children: [] }, { ...node, children: [] });
      graft(
        typesOf(ours.node).find((other) => sameType(other, type))!,
        type,
      );
    } else if (type.name === 'dashes') {
      if (goesAlong(node, type, dashes)) insert.put(alone(type), at);
    } else if (!isHeldDirection(type)) insert.put(alone(type), at);
  }
}

/** Dashes behind words that grow or fade are a hairpin of the model; others are carried, from end to end. */
function goesAlong(node: XmlNode, { attributes: { type, number = '1' } }: XmlNode, dashes: Set<string>): boolean {
  if (type === 'start') {
    const grows = typesOf(node).some(({ name, text }) => name === 'words' && gradualWords(text));
    if (!grows) dashes.add(number);
    return !grows;
  }
  const open = dashes.has(number);
  if (type === 'stop') dashes.delete(number);
  return open;
}

function sameType(a: XmlNode, b: XmlNode): boolean {
  if (a.name !== b.name) return false;
  const [own, other] = [a.children[0], b.children[0]];
  if (a.name === 'dynamics') return own?.name === other?.name && own?.text === other?.text;
  return a.text === b.text && a.attributes.type === b.attributes.type;
}
