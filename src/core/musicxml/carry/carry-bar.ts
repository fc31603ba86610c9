/* What one bar of a received score says beyond the model, put into the bar that is written of it. */
import { child, textOf, type XmlNode } from '../read/xml-tree';
import { carryDirection, carryFigures, carrySound } from './carry-direction';
import { standingAt, type Bar, type Carrying } from './carrying';
import { graft, withoutLayout, type GraftOptions } from './graft';
import { Insertions } from './insertions';
import { putInOrder } from './order';
import type { Placed, PlacedNote } from './placed';

/** “12a” stays what it is where the bars before it have their numbers. */
function carryNumber(to: XmlNode, { attributes: { number } }: XmlNode): void {
  if (number !== undefined && number !== '' && !/^\d+$/.test(number)) to.attributes.number = number;
}

/**
 * What hangs on the notes of a bar, and what stands beside them.
 *
 * @param open lines that are carried and have not ended, by kind and number
 * @param asNumbered the bar before has its number
 */
export function carryBar(to: Bar, from: Bar, open: Set<string>, asNumbered: boolean): void {
  const pairs = pairsOf(to.found.notes, from.found.notes);
  const sounding = (bar: Bar) => bar.found.notes.filter(({ rest }) => !rest).length;
  const whole = pairs.filter(([note]) => !note.rest).length === sounding(to) && sounding(to) === sounding(from);
  for (const [note, given] of pairs) carryNote(note.node, given.node, whole);
  graft(to.measure, { ...from.measure, children: [] });
  if (asNumbered) carryNumber(to.measure, from.measure);
  const insert = new Insertions(to);
  const carrying: Carrying = { to, insert, open, whole };
  for (const one of from.found.others) carryBeside(carrying, one);
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
  const options: GraftOptions = { unpitched: child(note, 'unpitched') !== undefined, asItCame: whole };
  const numbered = (node: XmlNode, name: string) => node.children.filter((one) => one.name === name);
  if (whole)
    for (const name of ['stem', 'beam']) {
      if (name === 'stem' && numbered(given, name).length === 0) continue;
      note.children = note.children.filter((one) => one.name !== name);
      for (const one of numbered(given, name)) putInOrder(note, withoutLayout(one));
    }
  const unpitched = child(given, 'unpitched');
  if (unpitched) note.children = note.children.map((one) => (one.name === 'pitch' ? withoutLayout(unpitched) : one));
  graft(note, { ...given, children: given.children.filter(({ name }) => name !== 'stem' && name !== 'beam') }, options);
}

function carryBeside(carrying: Carrying, { node, at }: Placed): void {
  const { to, insert } = carrying;
  switch (node.name) {
    case 'attributes':
      carryAttributes(carrying, node, at);
      return;
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
      carryDirection(carrying, node, at);
      return;
    case 'sound':
      carrySound(carrying, node, at);
      return;
    case 'figured-bass':
      carryFigures(carrying, node, at);
      return;
    case 'harmony':
      carryHarmony(carrying, node, at);
      return;
    default:
      insert.put(withoutLayout(node), at);
  }
}

function carryAttributes(carrying: Carrying, node: XmlNode, at: number): void {
  const [ours] = standingAt(carrying, 'attributes', at);
  const kept = node.children.filter(({ name }) => name !== 'divisions');
  if (ours) {
    graft(ours, { ...node, children: kept });
    return;
  }
  const made: XmlNode = { ...node, children: [] };
  graft(made, { ...node, children: kept });
  if (made.children.length > 0) carrying.insert.put(made, at);
}

/** Of a chord symbol the model holds what has a root; others are carried whole. */
function carryHarmony(carrying: Carrying, node: XmlNode, at: number): void {
  const ours = standingAt(carrying, 'harmony', at);
  const own = ours.find((one) => sameRoot(one, node));
  if (!child(node, 'root')) {
    if (own) Object.assign(own, withoutLayout(node));
    else carrying.insert.put(withoutLayout(node), at);
  } else if (own) graft(own, node);
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
