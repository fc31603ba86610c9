/*
 * Sounds: a part's symbols become notes with their times on the played time line, ties joined, each with the marks it
 * is played by.
 */
import type { TechniqueId } from '../../instruments';
import {
  lineOfFifths,
  type Part,
  type Score,
  type ScoreNote,
  type Slur,
  type SymbolInBar,
  type SymbolMarks,
} from '../../score';
import { lastNotAfter, type MidiKey, type WrittenUnits } from '../../time';
import type { TimeLine } from '../timeline/time-line';

export interface Sound {
  /** On the played time line. */
  start: WrittenUnits;
  end: WrittenUnits;
  /** On the written one. */
  written: WrittenUnits;
  bar: number;
  key: MidiKey;
  staff: number;
  voice: number;
  marks: SymbolMarks;
  /** Place in its chord, from 0 the lowest, and how many notes the chord has. */
  inChord: number;
  chordSize: number;
  /** The played notes behind it, where the score was made from them. */
  played: number[];
  /** It leads into the next note under a slur. */
  slurred: boolean;
  technique: TechniqueId | null;
  solo: boolean;
  /** Half tones up and down to the neighbours that ornaments use. */
  upper: number;
  lower: number;
  /** Steps that its symbol's stem has already by its value: a tremolo's strokes come on top. */
  flags: number;
  /** The second of two alternating symbols: its keys, and the length of both. */
  alternates?: { keys: MidiKey[]; until: WrittenUnits };
}

const NO_MARKS: SymbolMarks = {};
const FLAGS: Partial<Record<SymbolInBar['type'], number>> = { eighth: 1, '16th': 2, '32nd': 3, '64th': 4, '128th': 5 };

/** Words that change how a part is played from there on. */
const WORDS: readonly [
  RegExp,
  Partial<{ bow: TechniqueId | null; mute: TechniqueId | null; place: TechniqueId | null; solo: boolean }>,
][] = [
  [/\bpizz/i, { bow: 'pizzicato' }],
  [/\barco\b/i, { bow: null }],
  [/\bcol\s+legno\b/i, { bow: 'col-legno' }],
  [/\btrem/i, { bow: 'tremolo' }],
  [/\b(?:senza|without|ohne|via)\s+(?:sord|mute|dämpfer)|\bopen\b|\boffen\b/i, { mute: null }],
  [/\b(?:con|with|mit)\s+(?:sord|mute|dämpfer)|\bmuted\b|\bstopped\b|\bgestopft\b/i, { mute: 'muted' }],
  [/\bsul\s+pont/i, { place: 'sul-ponticello' }],
  [/\bsul\s+tasto\b/i, { place: 'sul-tasto' }],
  [/\bord(?:\.|inario)?\b|\bnat(?:\.|urale)?\b/i, { place: null, bow: null }],
  [/\bsolo\b/i, { solo: true }],
  [/\btutti\b|\bunis/i, { solo: false }],
];

export function soundsOfPart(part: Part, score: Score, line: TimeLine): Sound[] {
  const sounds: Sound[] = [];
  const underSlur = slursByVoice(part.lines.slurs);
  const manner: { bow: TechniqueId | null; mute: TechniqueId | null; place: TechniqueId | null; solo: boolean } = {
    bow: null,
    mute: null,
    place: null,
    solo: part.solo,
  };
  const open = new Map<string, Sound>();
  const chainEnd = new Map<string, WrittenUnits>();
  let lastBar = -2;
  for (const { bar, start: barStart } of line.bars) {
    const written = score.bars[bar]!;
    // A tie leads on only where the bar that is played next is the next one written, or the chain was tied into a
    // repeat.
    if (bar !== lastBar + 1) open.clear();
    lastBar = bar;
    const voices = part.bars[bar]?.voices ?? [];
    const words = voices
      .flatMap((voice) =>
        voice.symbols
          .filter((symbol) => symbol.marks?.words)
          .map((symbol) => ({ at: symbol.at, words: symbol.marks!.words! })),
      )
      .sort((a, b) => a.at - b.at);
    let said = 0;
    const inOrder = voices
      .flatMap((voice) => voice.symbols.map((symbol, s) => ({ voice, symbol, next: voice.symbols[s + 1] })))
      .sort((a, b) => a.symbol.at - b.symbol.at);
    for (const { voice, symbol, next } of inOrder) {
      while (words[said] && words[said]!.at <= symbol.at) for (const one of words[said++]!.words) change(one);
      if (symbol.notes.length === 0) continue;
      if (symbol.marks?.alternating === 'second') continue;
      const at = barStart + symbol.at;
      const technique = manner.bow ?? manner.mute ?? manner.place ?? signTechnique(symbol.marks);
      const writtenAt = written.start + symbol.at;
      const fifths =
        part.writtenKeys[
          Math.max(
            0,
            score.keys.findLastIndex((key) => key.bar <= bar),
          )
        ] ?? 0;
      symbol.notes.forEach((note, n) => {
        const slot = `${voice.voice}/${note.key}`;
        const before = note.tieFromLast ? open.get(slot) : undefined;
        if (before && chainEnd.get(slot) === at) before.end = at + symbol.duration;
        else {
          sounds.push({
            start: at,
            end: at + symbol.duration,
            written: writtenAt,
            bar,
            key: note.key,
            played: note.played,
            staff: voice.staff,
            voice: voice.voice,
            marks: symbol.marks ?? NO_MARKS,
            inChord: n,
            chordSize: symbol.notes.length,
            slurred: underSlur(voice.voice, writtenAt),
            technique,
            solo: manner.solo,
            ...neighbours(note, fifths),
            flags: FLAGS[symbol.type] ?? 0,
            ...(symbol.marks?.alternating === 'first' &&
              next && {
                alternates: { keys: next.notes.map((one) => one.key), until: at + symbol.duration + next.duration },
              }),
          });
        }
        const sound = before && chainEnd.get(slot) === at ? before : sounds.at(-1)!;
        if (note.tieToNext) {
          open.set(slot, sound);
          chainEnd.set(slot, at + symbol.duration);
        } else open.delete(slot);
      });
    }
  }
  return sounds.sort((a, b) => a.start - b.start || a.key - b.key);

  function change(words: string): void {
    for (const [pattern, to] of WORDS) if (pattern.test(words)) Object.assign(manner, to);
  }
}

/** Whether a place of a voice leads on under a slur; long parts have thousands of them. */
function slursByVoice(slurs: readonly Slur[]): (voice: number, at: WrittenUnits) => boolean {
  const voices = new Map<number, { starts: WrittenUnits[]; reach: WrittenUnits[] }>();
  for (const { voice, start, end } of [...slurs].sort((a, b) => a.start - b.start)) {
    const own = voices.get(voice) ?? { starts: [], reach: [] };
    voices.set(voice, own);
    own.starts.push(start);
    // How far this one and those before it reach.
    own.reach.push(Math.max(end, own.reach.at(-1) ?? end));
  }
  return (voice, at) => {
    const own = voices.get(voice);
    if (!own || own.starts[0]! > at) return false;
    return own.reach[lastNotAfter(own.starts, at)]! > at;
  };
}

function signTechnique(marks: SymbolMarks | undefined): TechniqueId | null {
  if (!marks) return null;
  if (marks.harmonic) return 'harmonics';
  return null;
}

/** Half tones from a note to its neighbours in the signature. */
function neighbours({ pitch }: ScoreNote, fifths: number): { upper: number; lower: number } {
  const steps = ['C', 'D', 'E', 'F', 'G', 'A', 'B'] as const;
  const semitones = [0, 2, 4, 5, 7, 9, 11];
  const at = steps.indexOf(pitch.step);
  const inKey = (step: number) => {
    const name = steps[((step % 7) + 7) % 7]!;
    const place = lineOfFifths({ step: name, alter: 0 });
    const alter = fifths > 0 ? (place + 1 < fifths ? 1 : 0) : 5 - place < -fifths ? -1 : 0;
    return semitones[((step % 7) + 7) % 7]! + 12 * Math.floor(step / 7) + alter;
  };
  const own = semitones[at]! + pitch.alter;
  const within = (interval: number) => Math.max(1, Math.min(2, Math.abs(interval)));
  return { upper: within(inKey(at + 1) - own), lower: within(own - inKey(at - 1)) };
}
