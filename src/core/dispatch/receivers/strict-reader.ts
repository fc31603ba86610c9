/*
 * A delivered score as a strict notation reader would take it: read by fast-xml-parser, a parser of others, and counted with
 * rules of its own. Nothing of our reader is used, so that a fault of ours is not forgiven by us.
 */
import { XMLParser } from 'fast-xml-parser';
import { strFromU8, unzipSync } from 'fflate';
import { finding, type Finding } from './finding';

/** An element with its children in order. */
interface Node {
  name: string;
  attributes: Record<string, string>;
  children: Node[];
  text: string;
}

export interface ReaderPart {
  name: string;
  measures: number;
  notes: number;
  /** Semitones from written to sounding pitch, in the first measure. */
  transposes: number;
}

export interface ReaderView {
  version: string;
  title: string;
  parts: ReaderPart[];
  /** Measures whose voices do not fill what their meter or their neighbours say: "Flute, measure 12". */
  uneven: string[];
  /** Ties, slurs and tuplets that begin and never end, or end and never began. */
  open: string[];
  /** Parts of the list without music, or music without a name in the list. */
  strays: string[];
}

const parser = new XMLParser({
  preserveOrder: true,
  ignoreAttributes: false,
  attributeNamePrefix: '',
  parseTagValue: false,
  parseAttributeValue: false,
  trimValues: true,
  processEntities: true,
});

type Raw = Record<string, unknown>;

function nodesOf(raw: unknown): Node[] {
  if (!Array.isArray(raw)) return [];
  return raw.flatMap((entry: Raw): Node[] => {
    const name = Object.keys(entry).find((key) => key !== ':@' && key !== '#text');
    if (!name || name.startsWith('?')) return [];
    const inside = entry[name];
    const text = Array.isArray(inside)
      ? inside.map((one: Raw) => (typeof one['#text'] === 'string' ? one['#text'] : '')).join('')
      : '';
    const attributes = (entry[':@'] ?? {}) as Record<string, string>;
    return [{ name, attributes, children: nodesOf(inside), text }];
  });
}

const child = (node: Node | undefined, name: string) => node?.children.find((one) => one.name === name);
const childrenOf = (node: Node | undefined, name: string) => node?.children.filter((one) => one.name === name) ?? [];
const numberIn = (node: Node | undefined, name: string) => Number(child(node, name)?.text ?? 0);

/** The text of a score, out of its container where it is compressed. @throws Error */
function textOf(bytes: Uint8Array): string {
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) return new TextDecoder().decode(bytes);
  const entries = unzipSync(bytes);
  const container = entries['META-INF/container.xml'];
  if (!container) throw new Error('The compressed score has no container.');
  const files = nodesOf(parser.parse(strFromU8(container)));
  const root = child(child(files[0], 'rootfiles'), 'rootfile')?.attributes['full-path'];
  const score = root === undefined ? undefined : entries[root];
  if (!score) throw new Error('The container names a score that is not in it.');
  return strFromU8(score);
}

/** @throws Error when it is no partwise score */
export function readerSees(bytes: Uint8Array): ReaderView {
  const [root] = nodesOf(parser.parse(textOf(bytes))).filter(({ name }) => name === 'score-partwise');
  if (!root) throw new Error('This is no partwise score.');
  const listed = childrenOf(child(root, 'part-list'), 'score-part');
  const parts = childrenOf(root, 'part');
  const nameOf = (id: string | undefined) =>
    child(
      listed.find((one) => one.attributes.id === id),
      'part-name',
    )?.text ?? '';
  const read = parts.map((part) => readPart(part, nameOf(part.attributes.id)));
  const ids = new Set(parts.map((part) => part.attributes.id));
  return {
    version: root.attributes.version ?? '1.0',
    title: child(child(root, 'work'), 'work-title')?.text ?? child(root, 'movement-title')?.text ?? '',
    parts: read.map(({ view }) => view),
    uneven: read.flatMap(({ uneven }) => uneven),
    open: read.flatMap(({ open }) => open),
    strays: [
      ...listed.filter((one) => !ids.has(one.attributes.id)).map((one) => child(one, 'part-name')?.text ?? ''),
      ...parts
        .filter((part) => !listed.some((one) => one.attributes.id === part.attributes.id))
        .map(() => 'music without a name'),
    ],
  };
}

interface ReadPart {
  view: ReaderPart;
  uneven: string[];
  open: string[];
}

function readPart(part: Node, name: string): ReadPart {
  const measures = childrenOf(part, 'measure');
  const uneven: string[] = [];
  const spans = new Spans();
  let divisions = 1;
  let notes = 0;
  let transposes = 0;
  let meter: number | null = null;
  for (const [i, measure] of measures.entries()) {
    for (const attributes of childrenOf(measure, 'attributes')) {
      divisions = numberIn(attributes, 'divisions') || divisions;
      const time = child(attributes, 'time');
      if (time) meter = meterOf(time);
      const transpose = child(attributes, 'transpose');
      if (i === 0 && transpose)
        transposes = numberIn(transpose, 'chromatic') + 12 * numberIn(transpose, 'octave-change');
    }
    const { longest, beyond } = walk(measure, spans);
    notes += childrenOf(measure, 'note').filter((note) => child(note, 'pitch') ?? child(note, 'unpitched')).length;
    const length = longest / divisions;
    const implicit = measure.attributes.implicit === 'yes';
    // Pickups and bars cut by a repeat say that they are no full bars.
    if (beyond || (meter !== null && !implicit && length > 0 && Math.abs(length - meter) > 1e-3))
      uneven.push(`${name}, measure ${measure.attributes.number ?? i + 1}`);
  }
  return { view: { name, measures: measures.length, notes, transposes }, uneven, open: spans.left(name) };
}

/** Quarters of a bar; null where there is no meter. */
function meterOf(time: Node): number | null {
  if (child(time, 'senza-misura')) return null;
  const beats = childrenOf(time, 'beats');
  const types = childrenOf(time, 'beat-type');
  return beats.reduce((sum, { text }, i) => {
    const count = text.split('+').reduce((all, one) => all + Number(one), 0);
    return sum + (count * 4) / Number(types[i]?.text ?? 4);
  }, 0);
}

/** How far the measure's cursor gets, and whether it is ever set before the measure's beginning. */
function walk(measure: Node, spans: Spans): { longest: number; beyond: boolean } {
  let [at, longest, beyond] = [0, 0, false];
  for (const node of measure.children) {
    const duration = numberIn(node, 'duration');
    if (node.name === 'backup') at -= duration;
    else if (node.name === 'forward') at += duration;
    else if (node.name === 'note') {
      if (!child(node, 'chord') && !child(node, 'grace')) at += duration;
      spans.take(node);
    }
    if (at < 0) beyond = true;
    longest = Math.max(longest, at);
  }
  return { longest, beyond };
}

/** Slurs, tuplets and ties that are open. */
class Spans {
  private readonly numbered = new Map<string, number>();
  private readonly ties = new Map<string, number>();

  take(note: Node): void {
    const pitch = child(note, 'pitch');
    const key = pitch
      ? `${child(pitch, 'step')?.text}${numberIn(pitch, 'alter')}/${numberIn(pitch, 'octave')}`
      : 'unpitched';
    // A tie goes on from the note before it: stops are read before starts.
    for (const { attributes } of childrenOf(note, 'tie').sort((a) => (a.attributes.type === 'stop' ? -1 : 1)))
      this.count(this.ties, key, attributes.type);
    for (const notations of childrenOf(note, 'notations'))
      for (const one of notations.children)
        if (one.name === 'slur' || one.name === 'tuplet')
          this.count(this.numbered, `${one.name} ${one.attributes.number ?? 1}`, one.attributes.type);
  }

  private count(of: Map<string, number>, key: string, type: string | undefined): void {
    if (type === 'start') of.set(key, (of.get(key) ?? 0) + 1);
    else if (type === 'stop') {
      // A slur may end before it begins in the file, in another voice; that is settled by its start.
      of.set(key, (of.get(key) ?? 0) - 1);
    }
  }

  left(part: string): string[] {
    const unsettled = [...this.numbered].filter(([, count]) => count !== 0);
    const tied = [...this.ties.values()].reduce((sum, count) => sum + Math.abs(count), 0);
    return [
      ...unsettled.map(([what]) => `${part}: a ${what.split(' ')[0]}`),
      ...(tied > 0 ? [`${part}: ${tied === 1 ? 'a tie' : `${tied} ties`}`] : []),
    ];
  }
}

const number = (value: number) => value.toLocaleString('en');
const MOST_NAMED = 3;
const someOf = (list: readonly string[]) =>
  `${list.slice(0, MOST_NAMED).join('; ')}${list.length > MOST_NAMED ? ` and ${list.length - MOST_NAMED} more` : ''}`;

/** What a strict reader would stumble over in a delivered score, and what it sees where it would not. */
export function checkScore(bytes: Uint8Array, bars: number): Finding[] {
  const { version, parts, uneven, open, strays } = readerSees(bytes);
  const nameless = parts.filter(({ name }) => name.trim() === '').length;
  const lengths = new Set(parts.map(({ measures }) => measures));
  const transposing = parts.filter(({ transposes }) => transposes !== 0);
  return [
    finding(
      nameless === 0 && strays.length === 0,
      `Sees ${number(parts.length)} named ${parts.length === 1 ? 'part' : 'parts'} in MusicXML ${version}, ${number(parts.reduce((sum, { notes }) => sum + notes, 0))} notes.`,
      strays.length > 0
        ? `The list of parts and the music differ: ${someOf(strays)}.`
        : `${nameless} of ${parts.length} parts have no name; set names at Casting.`,
    ),
    finding(
      lengths.size === 1 && lengths.has(bars),
      `Counts ${number(bars)} bars in every part.`,
      `Counts ${[...lengths].join(' or ')} bars where ours are ${bars}.`,
    ),
    finding(
      uneven.length === 0,
      'Every bar is as long as its meter.',
      `Bars are not as long as their meter: ${someOf(uneven)}. Look at Timeline whether that is meant.`,
    ),
    finding(
      open.length === 0,
      'Every tie, slur and tuplet that begins ends.',
      `Begins and does not end, or the other way round: ${someOf(open)}.`,
    ),
    finding(
      true,
      transposing.length === 0
        ? 'No part transposes.'
        : `Transposes ${transposing.map(({ name, transposes }) => `${name} by ${transposes}`).join(', ')} semitones.`,
      '',
    ),
  ];
}
