import { say } from '../../words';
import { append, highest } from '../../base';
import { checkScore, type Score } from '../../score';
import { assembleScore } from './assemble-score';
import { musicXmlErrors, type MusicXmlWarning } from './errors';
import type { RawPart, RawScore } from './raw';
import { textOfScore } from './score-text';
import { readMeasure, type ReadingState } from './read-measure';
import { all, child, numberOf, parseDocument, textOf, type XmlNode } from './xml-tree';

export interface MusicXmlReading {
  score: Score;
  warnings: MusicXmlWarning[];
}

/**
 * Reads MusicXML of any version, partwise or timewise, plain or compressed (.mxl).
 *
 * @throws MusicXmlError with one sentence: no XML, no score, harmful (entities of its own, endless nesting, zip bombs),
 * too large
 */
export function readMusicXml(bytes: Uint8Array): MusicXmlReading {
  const warnings: MusicXmlWarning[] = [];
  return assembled(readFile(bytes, warnings), warnings);
}

/**
 * Several files of one piece, a part or a few in each, as one score: bar 1 of each is bar 1 of all. What does not fit
 * together is said in the warnings.
 *
 * @throws MusicXmlError as above, naming the file by its number
 */
export function readMusicXmlParts(files: readonly Uint8Array[]): MusicXmlReading {
  if (files.length === 1) return readMusicXml(files[0]!);
  const warnings: MusicXmlWarning[] = [];
  const raws = files.map((bytes, i) => {
    const own: MusicXmlWarning[] = [];
    const raw = readFile(bytes, own);
    append(
      warnings,
      own.map((warning) => ({
        ...warning,
        message: say('musicxml.originalIWarning', { i: i + 1, warning: warning.message }),
      })),
    );
    return raw;
  });
  append(warnings, misfits(raws));
  const [first] = raws;
  const parts = raws.flatMap((raw, i) =>
    raw.parts.map((part) => (i === 0 ? part : { ...part, id: `o${i + 1}-${part.id}` })),
  );
  return assembled({ ...first!, parts }, warnings);
}

/** Files that are hardly of one piece. */
function misfits(raws: readonly RawScore[]): MusicXmlWarning[] {
  const barsOfRaw = ({ parts }: RawScore) => highest(parts.map((part) => part.measures.length));
  const [first, ...others] = raws;
  const bars = barsOfRaw(first!);
  return others.flatMap((raw, i): MusicXmlWarning[] => {
    const own = barsOfRaw(raw);
    const titles = raw.title && first!.title && raw.title !== first!.title;
    if (own === bars && !titles) return [];
    const what = [
      titles && say('musicxml.isCalledRawAndOriginal1First', { raw: raw.title, first: first!.title }),
      own !== bars && say('musicxml.hasOwnBarsAndOriginal1HasBars', { own, bars }),
    ].filter(Boolean);
    return [
      {
        message: say('musicxml.originalIWhatAreTheyOfOnePieceBars', { i: i + 2, what: what.join(', and ') }),
      },
    ];
  });
}

function readFile(bytes: Uint8Array, warnings: MusicXmlWarning[]): RawScore {
  const raw = readRaw(textOfScore(bytes), warnings);
  if (!raw.parts.some((part) => part.measures.length > 0)) throw musicXmlErrors.noParts();
  return { ...raw, parts: raw.parts.filter((part) => part.measures.length > 0) };
}

function assembled(raw: RawScore, warnings: MusicXmlWarning[]): MusicXmlReading {
  const score = assembleScore(raw, warnings);
  for (const fault of checkScore(score).slice(0, 20)) warnings.push({ message: fault });
  return { score, warnings };
}

function readRaw(text: string, warnings: MusicXmlWarning[]): RawScore {
  const parts = new Map<string, RawPart>();
  const states = new Map<string, ReadingState>();
  const partOf = (id: string): RawPart => {
    let part = parts.get(id);
    if (!part)
      parts.set(
        id,
        (part = {
          id,
          name: '',
          abbreviation: '',
          sound: null,
          solo: false,
          channel: null,
          program: null,
          instruments: new Map(),
          measures: [],
        }),
      );
    return part;
  };
  const measureOf = (node: XmlNode, id: string, number: string | undefined, implicit: string | undefined) => {
    const part = partOf(id);
    const state = states.get(id) ?? { divisions: 1 };
    states.set(id, state);
    const whole =
      number === undefined
        ? node
        : { ...node, attributes: { ...node.attributes, number, ...(implicit && { implicit }) } };
    part.measures.push(
      readMeasure(whole, state, (warning) => warnings.push({ part: id, bar: part.measures.length, ...warning })),
    );
  };
  const root = parseDocument(text, (node, ancestors) => {
    const [top, parent] = [ancestors[0], ancestors.at(-1)];
    if (ancestors.length !== 2) return false;
    if (top?.name === 'score-partwise' && node.name === 'measure' && parent?.name === 'part') {
      measureOf(node, parent.attributes.id ?? '', undefined, undefined);
      return true;
    }
    if (top?.name === 'score-timewise' && node.name === 'part' && parent?.name === 'measure') {
      measureOf(node, node.attributes.id ?? '', parent.attributes.number ?? '', parent.attributes.implicit);
      return true;
    }
    return false;
  });
  if (root.name !== 'score-partwise' && root.name !== 'score-timewise') throw musicXmlErrors.notMusicXml(root.name);
  const declared = all(child(root, 'part-list'), 'score-part');
  for (const node of declared) declarePart(node, partOf(node.attributes.id ?? ''));
  // In the order of the part list; a part that is not on it comes last.
  const order = declared.map((node) => node.attributes.id ?? '');
  const rank = (id: string) => (order.includes(id) ? order.indexOf(id) : order.length);
  const identification = child(root, 'identification');
  return {
    title: textOf(child(root, 'work'), 'work-title') || textOf(root, 'movement-title') || credited(root, 'title'),
    composer:
      all(identification, 'creator').find((one) => one.attributes.type === 'composer')?.text ??
      credited(root, 'composer'),
    rights: all(identification, 'rights')
      .map((one) => oneLine(one.text))
      .filter(Boolean)
      .join('; '),
    parts: [...parts.values()].sort((a, b) => rank(a.id) - rank(b.id)),
  };
}

/** Names break over several lines on a page, not in a list. */
const oneLine = (text: string | undefined) => (text ?? '').replace(/\s+/g, ' ').trim();

const SIGNS: Record<string, string> = { flat: '♭', sharp: '♯', natural: '♮' };

/** How a name is printed, where that is said beside it: with the accidentals it has on paper. */
function displayed(node: XmlNode, name: string): string {
  const pieces = child(node, `${name}-display`)?.children ?? [];
  const text = pieces.map((one) => (one.name === 'accidental-text' ? (SIGNS[one.text] ?? '') : one.text)).join(' ');
  return oneLine(text).replace(/ (?=[♭♯♮])/g, '');
}

/** What stands on the first page under a heading of the standard's. */
function credited(root: XmlNode, type: string): string {
  const credit = all(root, 'credit').find((one) => textOf(one, 'credit-type') === type);
  return oneLine(
    all(credit, 'credit-words')
      .map((one) => one.text)
      .join(' '),
  );
}

function declarePart(node: XmlNode, part: RawPart): void {
  part.name = displayed(node, 'part-name') || oneLine(textOf(node, 'part-name'));
  part.abbreviation = displayed(node, 'part-abbreviation') || oneLine(textOf(node, 'part-abbreviation'));
  const instruments = all(node, 'score-instrument');
  part.sound = textOf(instruments[0], 'instrument-sound') ?? null;
  part.solo = instruments.some((one) => child(one, 'solo') !== undefined);
  const midi = all(node, 'midi-instrument');
  const inRange = (value: number | undefined, most: number) =>
    value !== undefined && value >= 1 && value <= most ? Math.round(value) : null;
  part.channel = inRange(numberOf(midi[0], 'midi-channel'), 16);
  part.program = inRange(numberOf(midi[0], 'midi-program'), 128);
  for (const instrument of instruments) {
    const id = instrument.attributes.id ?? '';
    const own = midi.find((one) => one.attributes.id === id);
    const key = numberOf(own, 'midi-unpitched');
    part.instruments.set(id, {
      name: textOf(instrument, 'instrument-name') ?? '',
      sound: textOf(instrument, 'instrument-sound') ?? null,
      unpitchedKey: key !== undefined && key >= 1 && key <= 128 ? key - 1 : null,
      program: inRange(numberOf(own, 'midi-program'), 128),
    });
  }
}
