/*
 * A census of a score file: what stands in each bar of each part, by element, counted straight off the XML parser. Held
 * against that of another file it says what is missing there. Nothing of our reader or writer is used.
 *
 *     received   bar 5: 2 slur, 1 stopped        written   bar 5: 2 slur        missing   stopped, in bar 5
 */
import { say } from '../words';
import { all, child, textIn, textOf, treeOf, type Node } from './strict-reader';

type Counts = Map<string, number>;

interface CountedPart {
  name: string;
  bars: { number: string; counts: Counts }[];
}

export interface Census {
  head: Counts;
  parts: CountedPart[];
}

export interface Missing {
  /** Name of the element, or of the element and its attribute. */
  what: string;
  count: number;
  /** Number of the first bar that lacks it, and of how many bars; null for what stands before the music. */
  firstBar: string | null;
  bars: number;
}

const words = (text: string): ReadonlySet<string> => new Set(text.split(/\s+/));

/** What makes up notes and places: whether those agree is checked elsewhere (notes, bars, what is heard). */
const FRAME = words(
  `measure note rest chord cue grace duration voice staff backup forward pitch step octave alter unpitched display-step
  display-octave type dot tie instrument attributes divisions staves notations ornaments technical articulations direction
  direction-type barline sound time-modification offset key fifths clef time transpose`,
);
/** Of these only the outermost is counted: what is in them are their parts. */
const TOLD_BY_TEXT = words(
  'accidental notehead stem bar-style beam mode words rehearsal breath-mark caesura group-symbol group-barline group-name',
);
/** Staves of these are read as if they had a usual clef. */
const RARE_CLEFS = words('none jianpu');
const TOLD_BY_TYPE = words('strong-accent creator');
/** Of what a line or a page begins with, only what is said there of bars and names. */
const LAYOUTS = words('page-layout system-layout staff-layout measure-layout');
/** In these something may be missing. */
const LOOKED_INTO = words('harmony part-group');
/** Where something lies on a page, how it is heard, and names by which elements find each other. */
const NOT_COUNTED = words(
  `default-x default-y relative-x relative-y width number id justify halign valign xml:space xml:lang new-system new-page
  bezier-x bezier-y bezier-offset bezier-x2 bezier-y2 bezier-offset2 dynamics tempo location implicit spread font-family
  font-size page-number attack release type print-spacing print-dot print-lyric measure slash steal-time-previous
  steal-time-following make-time`,
);
/** Other words for the same. */
const SAME: Readonly<Record<string, string>> = { 'other-dynamics': 'dynamics' };

/** @throws Error when it is no partwise score */
export function censusOf(bytes: Uint8Array): Census {
  const bars = new Map<Node, CountedPart['bars']>();
  const tree = treeOf(textOf(bytes), (measure, part) => {
    const list = bars.get(part) ?? [];
    bars.set(part, list);
    const counts: Counts = new Map();
    for (const one of measure.children) take(one, counts);
    const { number = '' } = measure.attributes;
    if (number !== '' && !/^\d+$/.test(number)) add(counts, `bar number “${number}”`);
    list.push({ number: measure.attributes.number ?? '', counts });
  });
  const root = child(tree, 'score-partwise');
  if (!root) throw new Error('This is no partwise score.');
  const listed = new Map(all(child(root, 'part-list'), 'score-part').map((one) => [one.attributes.id, one]));
  const head: Counts = new Map();
  for (const name of ['work', 'identification'])
    for (const one of child(root, name)?.children ?? []) if (one.name !== 'encoding') take(one, head);
  for (const one of root.children) {
    if (one.name.startsWith('movement-')) take(one, head);
    if (one.name === 'credit') add(head, `credit ${textIn(child(one, 'credit-type'))}`.trim());
  }
  for (const group of all(child(root, 'part-list'), 'part-group')) for (const one of group.children) take(one, head);
  const order = [...listed.keys()];
  const rank = (part: Node) => {
    const at = order.indexOf(part.attributes.id);
    return at < 0 ? order.length : at;
  };
  return {
    head,
    parts: all(root, 'part')
      .sort((a, b) => rank(a) - rank(b))
      .map((part) => ({
        name: textIn(child(listed.get(part.attributes.id), 'part-name')),
        bars: bars.get(part) ?? [],
      }))
      .filter((part) => part.bars.length > 0),
  };
}

const known = new WeakMap<readonly Uint8Array[], Census | null>();

/**
 * Files of one piece counted as one, once for each list of them; null where one of them cannot be counted. The head is that
 * of the first.
 */
export function censusOfAll(files: readonly Uint8Array[]): Census | null {
  const before = known.get(files);
  if (before !== undefined) return before;
  let census: Census | null = null;
  try {
    const counted = files.map(censusOf);
    census = { head: counted[0]!.head, parts: counted.flatMap(({ parts }) => parts) };
  } catch {
    // Nothing is claimed of what cannot be counted.
  }
  known.set(files, census);
  return census;
}

const add = (counts: Counts, what: string) => counts.set(what, (counts.get(what) ?? 0) + 1);

function take(node: Node, counts: Counts): void {
  const name = SAME[node.name] ?? node.name;
  if (name === 'sound' || LAYOUTS.has(name)) return;
  const frame = FRAME.has(name) || name === 'print';
  if (!frame) add(counts, calledBy(name, node));
  for (const [key, value] of Object.entries(node.attributes))
    if (!NOT_COUNTED.has(key)) add(counts, `${key} ${value} of ${name}`);
  if (frame || LOOKED_INTO.has(name)) for (const one of node.children) take(one, counts);
}

function calledBy(name: string, node: Node): string {
  if (name === 'sign' && RARE_CLEFS.has(textIn(node))) return `clef “${textIn(node)}”`;
  if (TOLD_BY_TEXT.has(name)) return `${name} “${textIn(node)}”`;
  if (name === 'fermata') return `fermata ${node.attributes.type ?? 'upright'}`;
  return TOLD_BY_TYPE.has(name) ? `${name} ${node.attributes.type ?? ''}`.trim() : name;
}

/**
 * What a file lacks of another one. Bars are the same by their place where both have as many, else by their number.
 *
 * @param partOf which part of the source each part of the file is; null for none
 */
export function missingIn(file: Census, source: Census, partOf: readonly (number | null)[]): Missing[] {
  const missing = new Map<string, Missing>();
  const lacks = (what: string, count: number, bar: string | null) => {
    const known = missing.get(what) ?? { what, count: 0, firstBar: bar, bars: 0 };
    missing.set(what, { ...known, count: known.count + count, bars: known.bars + 1 });
  };
  for (const [what, count] of source.head) if (!file.head.has(what)) lacks(what, count, null);
  partOf.forEach((from, p) => {
    const [ours, theirs] = [file.parts[p], source.parts[from ?? -1]];
    if (!ours || !theirs) return;
    const byNumber = countsByNumber(ours);
    theirs.bars.forEach((bar, b) => {
      const own = ours.bars.length === theirs.bars.length ? ours.bars[b]?.counts : byNumber.get(bar.number);
      const less = [...bar.counts]
        .map(([what, count]) => ({ what, count: count - (own?.get(what) ?? 0) }))
        .filter(({ count }) => count > 0);
      const names = new Set(less.map(({ what }) => what));
      // What is said of an element goes with it.
      for (const { what, count } of less) if (!names.has(elementOf(what))) lacks(what, count, bar.number);
    });
  });
  // A part alone is held against its own part; of a whole score every part is asked for.
  if (partOf.length > 1 || source.parts.length === 1)
    source.parts.forEach(({ name }, p) => {
      if (!partOf.includes(p)) lacks(`part “${name}” as it came`, 1, null);
    });
  return [...missing.values()].sort((a, b) => b.count - a.count);
}

/** A bar that is cut in two, at a sign inside it, has its number twice. */
function countsByNumber({ bars }: CountedPart): Map<string, Counts> {
  const all = new Map<string, Counts>();
  for (const { number, counts } of bars) {
    const sum = all.get(number) ?? new Map<string, number>();
    for (const [what, count] of counts) sum.set(what, (sum.get(what) ?? 0) + count);
    all.set(number, sum);
  }
  return all;
}

/** A part that a file does not have at all. */
const PART_AS_IT_CAME = /^part “(.*)” as it came$/;

/** The element that an attribute belongs to; empty for an element. */
const elementOf = (what: string) => / of ([\w-]+)$/.exec(what)?.[1] ?? '';

/** "3 × dashed slur (from bar 5 on)", "stopped (bar 2)"; what has no common name is called as in the standard. */
export function missingInWords({ what, count, firstBar }: Missing): string {
  const sign = calledInWords(what);
  if (firstBar === null) return count > 1 ? say('receivers.signsOfTheWhole', { count, sign }) : sign;
  return count > 1
    ? say('receivers.signInFile', { count, sign, bar: firstBar })
    : say('receivers.signInBar', { sign, bar: firstBar });
}

function calledInWords(what: string): string {
  const part = PART_AS_IT_CAME.exec(what)?.[1];
  if (part !== undefined) return say('receivers.partAsItCame', { name: part });
  const [, said, element] = /^(.*) of ([\w-]+)$/.exec(what) ?? [];
  const name = (element ? `${element}: ${said}` : what).replace(/-/g, ' ');
  return say('receivers.sign', { sign: what.replace(/[^a-z]/g, ''), name });
}
