/*
 * A delivered score as a strict notation reader would take it: element by element out of the XML parser, counted with rules of its
 * own. Nothing of our reader is used, so that a fault of ours is not forgiven by us.
 */
import { inNumbers, say } from '../words';
import { strFromU8, unzipSync } from 'fflate';
import { SaxesParser } from 'saxes';
import { finding, type Finding } from './finding';

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
  /** Measures that say themselves that they are not full: pickups, bars cut by a repeat. */
  partial: number;
  /** Ties, slurs and tuplets that begin and never end, or end and never began. */
  open: string[];
  /** Parts of the list without music, or music without a name in the list. */
  strays: string[];
}

/** An element with its children in order. */
export interface Node {
  name: string;
  attributes: Readonly<Record<string, string>>;
  children: Node[];
  text: string;
}

export const child = (node: Node | undefined, name: string) => node?.children.find((one) => one.name === name);
export const all = (node: Node | undefined, name: string) => node?.children.filter((one) => one.name === name) ?? [];
export const textIn = (node: Node | undefined) => node?.text.trim() ?? '';
export const numberIn = (node: Node | undefined, name: string) => Number(textIn(child(node, name)));

/**
 * The tree of a document; a measure is handed over when it is whole, and not kept.
 *
 * @throws Error with what the parser says of broken XML
 */
export function treeOf(text: string, onMeasure: (measure: Node, part: Node) => void = () => {}): Node {
  const parser = new SaxesParser<{ xmlns: false }>({ xmlns: false });
  const top: Node = { name: '', attributes: {}, children: [], text: '' };
  const open = [top];
  parser.on('error', (error) => {
    throw error;
  });
  parser.on('opentag', ({ name, attributes }) => open.push({ name, attributes, children: [], text: '' }));
  parser.on('text', (piece) => {
    open.at(-1)!.text += piece;
  });
  parser.on('closetag', () => {
    const node = open.pop()!;
    const outer = open.at(-1)!;
    if (node.name === 'measure' && outer.name === 'part') onMeasure(node, outer);
    else outer.children.push(node);
  });
  parser.write(text).close();
  return top;
}

/** The text of a score, out of its container where it is compressed. @throws Error */
export function textOf(bytes: Uint8Array): string {
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) return new TextDecoder().decode(bytes);
  const entries = unzipSync(bytes);
  const container = entries['META-INF/container.xml'];
  if (!container) throw new Error('The compressed score has no container.');
  const files = child(child(treeOf(strFromU8(container)), 'container'), 'rootfiles');
  const root = child(files, 'rootfile')?.attributes['full-path'];
  const score = root === undefined ? undefined : entries[root];
  if (!score) throw new Error('The container names a score that is not in it.');
  return strFromU8(score);
}

/** @throws Error when it is no partwise score */
export function readerSees(bytes: Uint8Array): ReaderView {
  const readers = new Map<Node, PartReader>();
  const tree = treeOf(textOf(bytes), (measure, part) => {
    const reader = readers.get(part) ?? new PartReader();
    readers.set(part, reader);
    reader.take(measure);
  });
  const root = child(tree, 'score-partwise');
  if (!root) throw new Error('This is no partwise score.');
  const listed = new Map(
    all(child(root, 'part-list'), 'score-part').map((one) => [one.attributes.id, textIn(child(one, 'part-name'))]),
  );
  const parts = all(root, 'part');
  const read = parts.map((part) => (readers.get(part) ?? new PartReader()).read(listed.get(part.attributes.id) ?? ''));
  const ids = new Set(parts.map((part) => part.attributes.id));
  return {
    version: root.attributes.version ?? '1.0',
    title: textIn(child(child(root, 'work'), 'work-title')) || textIn(child(root, 'movement-title')),
    parts: read.map(({ view }) => view),
    uneven: read.flatMap(({ uneven }) => uneven),
    partial: Math.max(0, ...read.map(({ partial }) => partial)),
    open: read.flatMap(({ open }) => open),
    strays: [
      ...[...listed].filter(([id]) => !ids.has(id)).map(([, name]) => name),
      ...parts.filter((part) => !listed.has(part.attributes.id)).map(() => say('receivers.musicWithoutAName')),
    ],
  };
}

interface ReadPart {
  view: ReaderPart;
  uneven: string[];
  partial: number;
  open: string[];
}

/** Counts a part measure by measure. */
class PartReader {
  private readonly spans = new Spans();
  private readonly uneven: string[] = [];
  private partial = 0;
  private measures = 0;
  private notes = 0;
  private divisions = 1;
  private meter: number | null = null;
  private transposes = 0;

  take(measure: Node): void {
    for (const attributes of all(measure, 'attributes')) this.takeAttributes(attributes);
    this.measures++;
    const { longest, beyond } = walk(measure, this.spans);
    this.notes += all(measure, 'note').filter((note) => child(note, 'pitch') ?? child(note, 'unpitched')).length;
    const length = longest / this.divisions;
    // Pickups and bars cut by a repeat say that they are no full bars.
    const short = measure.attributes.implicit === 'yes' && this.meter !== null && length < this.meter - 1e-3;
    if (short) this.partial++;
    const full = measure.attributes.implicit !== 'yes' && this.meter !== null && length > 0;
    if (beyond || (full && Math.abs(length - this.meter!) > 1e-3))
      this.uneven.push(measure.attributes.number ?? String(this.measures));
  }

  read(name: string): ReadPart {
    const { measures, notes, partial, transposes } = this;
    return {
      view: { name, measures, notes, transposes },
      uneven: this.uneven.map((number) => say('receivers.nameMeasureNumber', { name, number })),
      partial,
      open: this.spans.left(name),
    };
  }

  private takeAttributes(attributes: Node): void {
    this.divisions = numberIn(attributes, 'divisions') || this.divisions;
    const time = child(attributes, 'time');
    if (time) this.meter = meterOf(time);
    const transpose = child(attributes, 'transpose');
    if (this.measures === 0 && transpose)
      this.transposes = numberIn(transpose, 'chromatic') + 12 * numberIn(transpose, 'octave-change');
  }
}

/** Quarters of a bar; null where there is no meter. */
function meterOf(time: Node): number | null {
  if (child(time, 'senza-misura')) return null;
  const beats = all(time, 'beats');
  const types = all(time, 'beat-type');
  return beats.reduce((sum, beat, i) => {
    const count = textIn(beat)
      .split('+')
      .reduce((all, one) => all + Number(one), 0);
    return sum + (count * 4) / (Number(textIn(types[i])) || 4);
  }, 0);
}

/** How far the measure's cursor gets, and whether it is ever set before the measure's beginning. */
function walk(measure: Node, spans: Spans): { longest: number; beyond: boolean } {
  let [at, longest, beyond] = [0, 0, false];
  for (const node of measure.children) {
    const { name } = node;
    if (name === 'backup') at -= numberIn(node, 'duration');
    else if (name === 'forward') at += numberIn(node, 'duration');
    else if (name === 'note') {
      if (!child(node, 'chord') && !child(node, 'grace')) at += numberIn(node, 'duration');
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
      ? `${textIn(child(pitch, 'step'))}${numberIn(pitch, 'alter')}/${numberIn(pitch, 'octave')}`
      : 'unpitched';
    for (const tie of all(note, 'tie')) this.count(this.ties, key, tie.attributes.type);
    for (const notations of all(note, 'notations'))
      for (const { name, attributes } of notations.children) {
        if (name !== 'slur' && name !== 'tuplet') continue;
        const { number: own = 1, type } = attributes;
        this.count(this.numbered, `${name} ${own}`, type);
      }
  }

  private count(of: Map<string, number>, key: string, type: string | undefined): void {
    if (type === 'start') of.set(key, (of.get(key) ?? 0) + 1);
    // What ends before it begins in the file, in another voice, is settled by its start.
    else if (type === 'stop') of.set(key, (of.get(key) ?? 0) - 1);
  }

  left(part: string): string[] {
    const unsettled = [...this.numbered].filter(([, count]) => count !== 0);
    const tied = [...this.ties.values()].reduce((sum, count) => sum + Math.abs(count), 0);
    return [
      ...unsettled.map(([what]) => say('receivers.openAt', { part, what: what.split(' ')[0]! })),
      ...(tied > 0 ? [say('receivers.openTies', { part, tied })] : []),
    ];
  }
}

const MOST_NAMED = 3;
const someOf = (list: readonly string[]) =>
  list.length > MOST_NAMED
    ? say('base.andMore', { named: list.slice(0, MOST_NAMED).join('; '), more: list.length - MOST_NAMED })
    : list.join('; ');

/** What a strict reader would stumble over in a delivered score, and what it sees where it would not. */
export function checkScore(bytes: Uint8Array, bars: number | null): Finding[] {
  const { version, parts, uneven, partial, open, strays } = readerSees(bytes);
  const nameless = parts.filter(({ name }) => name.trim() === '').length;
  const lengths = new Set(parts.map(({ measures }) => measures));
  const transposing = parts.filter(({ transposes }) => transposes !== 0);
  return [
    finding(
      nameless === 0 && strays.length === 0,
      say('receivers.seesPartsNamedPartInMusicXML', {
        parts: parts.length,
        version,
        reduce: parts.reduce((sum, { notes }) => sum + notes, 0),
      }),
      strays.length > 0
        ? say('receivers.theListOfPartsAndTheMusicDiffer', { someOf: someOf(strays) })
        : say('receivers.namelessOfPartsPartsHaveNoNameSet', { nameless, parts: parts.length }),
    ),
    finding(
      lengths.size === 1 && (bars === null || lengths.has(bars)),
      say('receivers.countsValueBarsInEveryPart', { value: [...lengths].map(inNumbers).join() }),
      say('receivers.countsValueBarsWhereOursAreBars', { value: [...lengths].join(' / '), bars: bars ?? 0 }),
    ),
    finding(
      uneven.length === 0,
      partial === 0
        ? say('receivers.everyBarIsAsLongAsItsMeter')
        : say('receivers.everyBarIsAsLongAsItsMeterButFor', { partial }),
      say('receivers.barsAreNotAsLongAsTheirMeterSomeOf', { someOf: someOf(uneven) }),
    ),
    finding(
      open.length === 0,
      say('receivers.everyTieSlurAndTupletThatBegins'),
      say('receivers.beginsAndDoesNotEndOrTheOtherWay', { someOf: someOf(open) }),
    ),
    finding(
      true,
      transposing.length === 0
        ? say('receivers.noPartTransposes')
        : say('receivers.transposesTransposingSemitones', {
            transposing: transposing
              .map(({ name, transposes }) =>
                say('receivers.nameByTransposes', {
                  name,
                  transposes0: transposes < 0,
                  transposes: Math.abs(transposes),
                }),
              )
              .join(', '),
          }),
      '',
    ),
  ];
}
