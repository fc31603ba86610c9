import { XMLParser } from 'fast-xml-parser';

/* A small reader of partwise MusicXML for tests, independent of the application's own code. */

export interface ReadNote {
  /** Quarter notes from the start, as a count of 1/10080. */
  start: number;
  end: number;
  /** Sounding key; for unpitched notes the MIDI key of their instrument. */
  key: number;
  staff: number;
}

export interface ReadPart {
  name: string;
  notes: ReadNote[];
}

type Node = Record<string, unknown> & { ':@'?: Record<string, string> };

const STEPS: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const tag = (node: Node) => Object.keys(node).find((key) => key !== ':@')!;
const kids = (node: Node | undefined) => (node ? (node[tag(node)] as Node[]) : []);
const find = (nodes: Node[], name: string) => nodes.find((node) => tag(node) === name);
const text = (node: Node | undefined): string => String(kids(node)[0]?.['#text'] ?? '');
const number = (nodes: Node[], name: string, otherwise = 0) =>
  find(nodes, name) ? Number(text(find(nodes, name))) : otherwise;

export function readParts(xml: string): ReadPart[] {
  const document = new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: '',
    parseTagValue: false,
  }).parse(xml) as Node[];
  const root = kids(find(document, 'score-partwise'));
  const list = kids(find(root, 'part-list')).filter((node) => tag(node) === 'score-part');
  return root.filter((node) => tag(node) === 'part').map((part, i) => readPart(part, list[i]!));
}

function readPart(part: Node, declared: Node): ReadPart {
  const drumKeys = new Map(
    kids(declared)
      .filter((node) => tag(node) === 'midi-instrument')
      .map((node) => [node[':@']!.id!, number(kids(node), 'midi-unpitched') - 1]),
  );
  const notes: ReadNote[] = [];
  const tied = new Map<string, ReadNote>();
  let [divisions, shift, measureStart] = [1, 0, 0];
  for (const measure of kids(part)) {
    let [at, last, longest] = [measureStart, measureStart, measureStart];
    for (const item of kids(measure)) {
      const inside = kids(item);
      const duration = (number(inside, 'duration') * 10080) / divisions;
      if (tag(item) === 'attributes') {
        divisions = number(inside, 'divisions', divisions);
        const transpose = find(inside, 'transpose');
        if (transpose) shift = number(kids(transpose), 'chromatic') + 12 * number(kids(transpose), 'octave-change');
      } else if (tag(item) === 'backup') at -= duration;
      else if (tag(item) === 'forward') at += duration;
      else if (tag(item) === 'note') {
        const start = find(inside, 'chord') ? last : at;
        const pitch = kids(find(inside, 'pitch'));
        if (!find(inside, 'rest')) {
          const key = find(inside, 'pitch')
            ? (number(pitch, 'octave') + 1) * 12 + STEPS[text(find(pitch, 'step'))]! + number(pitch, 'alter') + shift
            : drumKeys.get(find(inside, 'instrument')?.[':@']?.id ?? '')!;
          const ties = inside.filter((node) => tag(node) === 'tie').map((node) => node[':@']!.type);
          const slot = `${text(find(inside, 'voice'))}/${key}`;
          let note = ties.includes('stop') ? tied.get(slot) : undefined;
          if (note) note.end = start + duration;
          else notes.push((note = { start, end: start + duration, key, staff: number(inside, 'staff', 1) }));
          if (ties.includes('start')) tied.set(slot, note);
        }
        if (!find(inside, 'chord')) {
          last = at;
          at += duration;
        }
      }
      longest = Math.max(longest, at);
    }
    measureStart = longest;
  }
  return {
    name: text(find(kids(declared), 'part-name')),
    notes: notes.sort((a, b) => a.start - b.start || a.key - b.key),
  };
}
