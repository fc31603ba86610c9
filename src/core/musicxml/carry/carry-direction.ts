/* What stands beside the notes and is shown or heard there: directions, sounds, figures over a bass. */
import { gradualWords } from '../../marks';
import { modulationOf, quarterTempo } from '../read/read-direction';
import { figuredBass } from '../read/read-harmony';
import { child, numberOf, type XmlNode } from '../read/xml-tree';
import { standingAt, type Carrying } from './carrying';
import { graft, withoutLayout } from './graft';
import { putInOrder } from './order';
import { isHeldDirection } from './understood';

/** What a direction shows: one element or several, each in a frame of its own. */
const typesOf = (direction: XmlNode): XmlNode[] =>
  direction.children.flatMap((one) => (one.name === 'direction-type' ? one.children : []));

const staffOf = (node: XmlNode) => numberOf(node, 'staff') ?? 1;

export function carryDirection(carrying: Carrying, node: XmlNode, at: number): void {
  const here = standingAt(carrying, 'direction', at).filter((one) => staffOf(one) === staffOf(node));
  for (const type of typesOf(node)) {
    const ours = here.find((one) => typesOf(one).some((other) => sameType(other, type)));
    if (ours) graftDirection(carrying, ours, node, type);
    else if (!becomes(here, type) && goesAlong(carrying.open, node, type)) carrying.insert.put(alone(node, type), at);
  }
  const sound = child(node, 'sound');
  if (sound) carrySound(carrying, sound, at);
}

/** A direction with one of its signs; what is heard of it is said elsewhere. */
function alone(node: XmlNode, type: XmlNode): XmlNode {
  const beside = node.children.filter(({ name }) => !['direction-type', 'sound', 'offset'].includes(name));
  const shown = { ...type, name: 'direction-type', attributes: {}, children: [withoutLayout(type)], text: '' };
  return { ...withoutLayout(node), children: [shown, ...beside.map(withoutLayout)] };
}

const BESIDE = new Set(['footnote', 'level', 'listening']);

function graftDirection({ whole }: Carrying, ours: XmlNode, node: XmlNode, type: XmlNode): void {
  graft(ours, { ...node, children: [] }, { asItCame: whole });
  for (const one of node.children)
    if (BESIDE.has(one.name) && !child(ours, one.name)) putInOrder(ours, withoutLayout(one));
  graft(
    typesOf(ours).find((other) => sameType(other, type))!,
    type,
    { asItCame: whole },
  );
}

function sameType(a: XmlNode, b: XmlNode): boolean {
  if (a.name !== b.name) return false;
  const [own, other] = [a.children[0], b.children[0]];
  if (a.name === 'dynamics') return own?.name === other?.name && own?.text === other?.text;
  if (a.name === 'metronome') return shownValue(a) === shownValue(b);
  return a.text === b.text && a.attributes.type === b.attributes.type;
}

const shownValue = ({ children }: XmlNode) => children.map(({ name, text }) => `${name} ${text}`).join();

/** Where we wrote the same with other means, the score's own sign stands. */
function becomes(here: readonly XmlNode[], type: XmlNode): boolean {
  const said = SAID[type.name]?.(type);
  if (said === undefined) return false;
  for (const direction of here)
    for (const frame of direction.children)
      for (const [i, own] of frame.name === 'direction-type' ? frame.children.entries() : [])
        if (SAID[own.name]?.(own) === said) {
          frame.children[i] = withoutLayout(type);
          return true;
        }
  return false;
}

const SAID: Readonly<Record<string, (type: XmlNode) => string | undefined>> = {
  words: ({ text }) => text,
  'other-direction': ({ text }) => text,
  'string-mute': ({ attributes }) => (attributes.type === 'off' ? 'senza sord.' : 'con sord.'),
  metronome: (type) => {
    const tempo = quarterTempo(type);
    const equal = modulationOf(type);
    if (equal) return `${equal.before.type} ${equal.before.dots} = ${equal.after.type} ${equal.after.dots}`;
    return tempo === null ? undefined : `♩ = ${Math.round(tempo)}`;
  },
};

/**
 * What the model does not hold is carried. Dashes behind words that grow or fade are a hairpin of the model, a pedal that
 * goes down and up is one; other lines are carried from end to end.
 */
function goesAlong(open: Set<string>, direction: XmlNode, type: XmlNode): boolean {
  const { name } = type;
  if (name !== 'dashes' && name !== 'pedal') return !isHeldDirection(type);
  const { type: edge = '', number = '1' } = type.attributes;
  const line = `${name} ${number}`;
  if (edge === 'start' || edge === 'sostenuto') {
    const ofModel = name === 'pedal' ? edge === 'start' : typesOf(direction).some(growsOrFades);
    if (!ofModel) open.add(line);
    return !ofModel;
  }
  const going = open.has(line);
  if (edge === 'stop') open.delete(line);
  return going || (name === 'pedal' && edge !== 'stop' && edge !== 'change');
}

const growsOrFades = ({ name, text }: XmlNode): boolean => name === 'words' && gradualWords(text) !== null;

/** Of what is heard the model holds these. */
const HEARD = new Set('tempo dynamics dacapo dalsegno tocoda fine segno coda'.split(' '));
/** They say something of other attributes only. */
const NO_SOUND = new Set(['time-only', 'id']);

/** Playback beside tempo, dynamics and jumps: pan, pedals, instruments, swing. */
export function carrySound(carrying: Carrying, node: XmlNode, at: number): void {
  const ours = [
    ...standingAt(carrying, 'sound', at),
    ...standingAt(carrying, 'direction', at).flatMap((one) => child(one, 'sound') ?? []),
  ];
  const kept = Object.entries(node.attributes).filter(
    ([key]) => !HEARD.has(key) && !ours.some(({ attributes }) => attributes[key] !== undefined),
  );
  const children = node.children.filter(({ name }) => name !== 'offset');
  if (children.length === 0 && kept.every(([key]) => NO_SOUND.has(key))) return;
  carrying.insert.put({ ...node, attributes: Object.fromEntries(kept), children: children.map(withoutLayout) }, at);
}

/** Figures over a bass are words to the model. */
export function carryFigures(carrying: Carrying, node: XmlNode, at: number): void {
  const said = figuredBass(node);
  const ours = standingAt(carrying, 'direction', at).find((one) =>
    typesOf(one).some(({ name, text }) => name === 'words' && text === said),
  );
  if (said !== '' && !ours) return;
  const { measure, found } = carrying.to;
  if (ours) {
    measure.children = measure.children.filter((one) => one !== ours);
    found.others = found.others.filter((one) => one.node !== ours);
  }
  carrying.insert.put(withoutLayout(node), at);
}
