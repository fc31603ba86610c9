/*
 * Sounds: a part's symbols become notes with their times on the played time line, ties joined, each with the marks it
 * is played by.
 */
import { groupBy } from '../../base';
import type { TechniqueId } from '../../instruments';
import {
  lineOfFifths,
  OpenTies,
  type Force,
  type Part,
  type Score,
  type ScoreNote,
  type Slur,
  type SymbolInBar,
  type SymbolMarks,
  type VoiceBar,
} from '../../score';
import { lastNotAfter, QUARTER, type MidiKey, type Semitones, type WrittenUnits } from '../../time';
import type { PlayedBar, TimeLine } from '../timeline/time-line';

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
  /** What a tuplet makes of its values. */
  ratio: number;
  /** How strong it is to be, where the score says so of the single note; what strikes it harder; 1–127. */
  velocity: number | null;
  force: Force | null;
  /** Cents above its key. */
  cents: number;
  /** Which of the part's doublings plays it. */
  doubling?: number;
  /** Of a cue: somebody else's note, printed small. */
  cue?: true;
  /** A line from it to the key of the next symbol. */
  glide?: { kind: 'glissando' | 'slide'; to: MidiKey };
  /** The second of two alternating symbols: its keys, and the length of both. */
  alternates?: { keys: MidiKey[]; until: WrittenUnits };
}

const NO_MARKS: SymbolMarks = {};
const cueOf = ({ cue }: SymbolInBar): Pick<Sound, 'cue'> => (cue ? { cue } : {});
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
  [/\b(?:con|with|mit)\s+(?:sord|mute|dämpfer)|\bmuted\b/i, { mute: 'muted' }],
  [/\bstopped\b|\bgestopft\b|\bbouch[eé]|\bchiuso\b/i, { mute: 'stopped' }],
  [/\b(?:straight|st\.|str\.)\s*mute/i, { mute: 'straight-mute' }],
  [/\bcup\b/i, { mute: 'cup-mute' }],
  [/\bharmon\b/i, { mute: 'harmon-mute' }],
  [/\bbucket\b/i, { mute: 'bucket-mute' }],
  [/\bplunger\b/i, { mute: 'plunger' }],
  [/\bsul\s+pont/i, { place: 'sul-ponticello' }],
  [/\bsul\s+tasto\b/i, { place: 'sul-tasto' }],
  [/\bord(?:\.|inario)?\b|\bnat(?:\.|urale)?\b/i, { place: null, bow: null }],
  [/\bsolo\b/i, { solo: true }],
  [/\btutti\b|\bunis/i, { solo: false }],
];

/** How the part is played from somewhere on. */
interface Manner {
  bow: TechniqueId | null;
  mute: TechniqueId | null;
  place: TechniqueId | null;
  solo: boolean;
}

/** A symbol with what stands around it. */
interface Placed {
  symbol: SymbolInBar;
  voice: VoiceBar;
  next: SymbolInBar | undefined;
}

/** @param cues whether cue notes are played too */
export function soundsOfPart(part: Part, score: Score, line: TimeLine, cues = false): Sound[] {
  return new SoundReader(part, score, cues).read(line);
}

class SoundReader {
  private readonly sounds: Sound[] = [];
  private readonly manner: Manner;
  private open = new OpenTies<Sound>();
  /** What was held over where the music jumped. */
  private held: OpenTies<Sound> | null = null;
  private readonly underSlur: ReturnType<typeof slursByVoice>;
  private readonly forces: ReadonlyMap<string, Force>;
  /** Voices under a wavy line that began with a trill. */
  private readonly trilling = new Set<number>();
  /** Where wavy lines begin that end somewhere. */
  private readonly ended: ReadonlySet<SymbolInBar>;

  constructor(
    private readonly part: Part,
    private readonly score: Score,
    private readonly cues: boolean,
  ) {
    this.manner = { bow: null, mute: null, place: null, solo: part.solo };
    this.underSlur = slursByVoice(part.lines.slurs);
    this.ended = endedWavyLines(part);
    this.forces = new Map(part.lines.forces.map(({ at, staff, sign }) => [`${staff}/${at}`, sign]));
  }

  read({ bars }: TimeLine): Sound[] {
    let lastBar = -2;
    for (const played of bars) {
      // A tie leads on only where the bar that is played next is the next one written.
      this.held = played.bar === lastBar + 1 ? null : this.open;
      if (this.held) this.open = new OpenTies();
      lastBar = played.bar;
      this.readBar(played);
    }
    return this.sounds.sort((a, b) => a.start - b.start || a.key - b.key);
  }

  private readBar({ bar, start }: PlayedBar): void {
    const voices = this.part.bars[bar]?.voices ?? [];
    const inOrder = voices
      .flatMap((voice) => voice.symbols.map((symbol, s): Placed => ({ voice, symbol, next: voice.symbols[s + 1] })))
      .sort((a, b) => a.symbol.at - b.symbol.at);
    const spread = spreadChords(inOrder);
    const words = inOrder.flatMap(({ symbol: { at, marks } }) => (marks?.words ? [{ at, words: marks.words }] : []));
    for (const placed of inOrder) {
      const { symbol } = placed;
      // What is said in one voice holds for all that begins there.
      while (words[0] && words[0].at <= symbol.at) for (const one of words.shift()!.words) this.change(one);
      if (symbol.notes.length === 0 || (symbol.cue && !this.cues)) continue;
      if (symbol.marks?.alternating === 'second' || isPlayedHidden(symbol, inOrder)) continue;
      heardNotes(symbol).forEach((note, n) => this.take(note, n, placed, bar, start, spread));
    }
  }

  private take(
    note: ScoreNote,
    n: number,
    { symbol, voice, next }: Placed,
    bar: number,
    barStart: WrittenUnits,
    spread: ReadonlyMap<ScoreNote, { inChord: number; chordSize: number }>,
  ): void {
    const at = barStart + symbol.at;
    const end = at + symbol.duration;
    const writtenAt = this.score.bars[bar]!.start + symbol.at;
    const marks = this.marksOf(symbol, voice.voice);
    let sound = this.heldTo(note, at, voice.voice);
    if (sound) sound.end = end;
    else {
      const alternates = marks.alternating === 'first' && next;
      const glide = glideOf(symbol, n, next ?? this.firstAfter(bar, voice.voice));
      sound = {
        start: at,
        end,
        written: writtenAt,
        bar,
        key: note.key,
        played: note.played,
        staff: note.staff ?? voice.staff,
        voice: voice.voice,
        marks,
        ...(spread.get(note) ?? { inChord: n, chordSize: symbol.notes.length }),
        slurred: this.underSlur(voice.voice, writtenAt),
        technique: this.manner.bow ?? this.manner.mute ?? this.manner.place ?? signTechnique(marks),
        solo: this.manner.solo,
        ...neighbours(note, this.fifthsAt(bar, symbol.at), marks),
        flags: FLAGS[symbol.type] ?? 0,
        ratio: symbol.tuplet ? symbol.tuplet.normal / symbol.tuplet.actual : 1,
        velocity: note.velocity ?? null,
        force: this.forces.get(`${voice.staff}/${writtenAt}`) ?? null,
        cents: note.cents ?? 0,
        ...(note.doubling !== undefined && { doubling: note.doubling }),
        ...(glide && { glide }),
        ...cueOf(symbol),
        ...(alternates && {
          alternates: { keys: alternates.notes.map((one) => one.key), until: end + alternates.duration },
        }),
      };
      this.sounds.push(sound);
    }
    if (note.ringing) sound.end = end + RINGS_ON;
    if (note.tieToNext) this.open.open(note.key, end, voice.voice, sound);
  }

  /** The sound that a note goes on with. */
  private heldTo({ key, tieFromLast, tieFromBeforeEndings }: ScoreNote, at: WrittenUnits, voice: number): Sound | null {
    if (tieFromBeforeEndings) return this.held?.take(key, at, voice, true) ?? null;
    return tieFromLast ? this.open.take(key, at, voice, true) : null;
  }

  /** A trill goes on under its wavy line, over as many notes as that has. */
  private marksOf(symbol: SymbolInBar, voice: number): SymbolMarks {
    const { marks = NO_MARKS } = symbol;
    const wavy = wavyLinesAt(symbol);
    const under = this.trilling.has(voice);
    if (wavy.includes('start') && marks.trill && this.ended.has(symbol)) this.trilling.add(voice);
    if (wavy.includes('stop')) this.trilling.delete(voice);
    return under && !marks.trill ? { ...marks, trill: true } : marks;
  }

  private firstAfter(bar: number, voice: number): SymbolInBar | undefined {
    return this.part.bars[bar + 1]?.voices.find((one) => one.voice === voice)?.symbols[0];
  }

  private fifthsAt(bar: number, at: WrittenUnits): number {
    const inForce = this.score.keys.findLastIndex((key) => key.bar < bar || (key.bar === bar && (key.at ?? 0) <= at));
    return this.part.writtenKeys[Math.max(0, inForce)] ?? 0;
  }

  private change(words: string): void {
    for (const [pattern, to] of WORDS) if (pattern.test(words)) Object.assign(this.manner, to);
  }
}

/**
 * An artificial harmonic is written as the stopped note with a diamond where another finger touches the string: the partial
 * that this divides off is heard (acoustics of strings, from memory).
 *
 *     touched above the stopped note by   m3   M3   P4   P5   P8
 *     partial of the stopped note          6    5    4    3    2
 */
const HEARD_ABOVE: ReadonlyMap<Semitones, Semitones> = new Map([
  [3, 31],
  [4, 28],
  [5, 24],
  [7, 19],
  [12, 12],
]);

/** The notes of a symbol as they sound. */
function heardNotes({ notes, marks }: SymbolInBar): ScoreNote[] {
  const heard = marks?.harmonic ? notes.filter(({ harmonic }) => harmonic?.pitch === 'sounding-pitch') : [];
  if (heard.length > 0) return heard;
  const [stopped, touched, ...more] = [...notes].sort((a, b) => a.key - b.key);
  const diamond = isTouched(touched) && !isTouched(stopped);
  if (!marks?.harmonic || !stopped || !touched || !diamond || more.length > 0) return notes;
  const above = HEARD_ABOVE.get(touched.key - stopped.key);
  return above === undefined ? notes : [{ ...stopped, key: stopped.key + above }];
}

function isTouched(note: ScoreNote | undefined): boolean {
  return note?.harmonic?.pitch === 'touching-pitch' || (note?.notehead?.includes('diamond') ?? false);
}

const wavyLinesAt = ({ marks }: SymbolInBar) =>
  (marks?.further ?? []).flatMap(({ name, attributes }) => (name === 'wavy-line' ? [attributes?.type] : []));

/** One that nobody ended covers its own note alone. */
function endedWavyLines({ bars }: Part): Set<SymbolInBar> {
  const ended = new Set<SymbolInBar>();
  const open = new Map<number, SymbolInBar>();
  for (const { voices } of bars)
    for (const { voice, symbols } of voices)
      for (const symbol of symbols) {
        const lines = wavyLinesAt(symbol);
        const begun = open.get(voice);
        if (lines.includes('stop') && begun) ended.add(begun);
        if (lines.includes('stop')) open.delete(voice);
        if (lines.includes('start')) open.set(voice, symbol);
      }
  return ended;
}

/** A trill or the like whose notes the file has in a voice that is not printed: those are played. */
function isPlayedHidden({ at, duration, marks, hidden }: SymbolInBar, all: readonly Placed[]): boolean {
  if (hidden || !(marks?.trill || marks?.turn || marks?.tremolo)) return false;
  return all.some(
    ({ symbol: other }) => other.hidden && other.notes.length > 0 && other.at >= at && other.at < at + duration,
  );
}

/** What is left to ring does so for so long. */
const RINGS_ON: WrittenUnits = 4 * QUARTER;

/** An arpeggio over several voices or staves runs through all of their notes once. */
function spreadChords(symbols: readonly Placed[]): ReadonlyMap<ScoreNote, { inChord: number; chordSize: number }> {
  const spread = new Map<ScoreNote, { inChord: number; chordSize: number }>();
  const chords = groupBy(
    symbols.filter(({ symbol }) => symbol.marks?.arpeggio && symbol.notes.length > 0),
    ({ symbol }) => `${symbol.at}/${symbol.marks!.arpeggio}`,
  );
  for (const chord of chords.values()) {
    if (chord.length < 2) continue;
    const notes = chord.flatMap(({ symbol }) => symbol.notes).sort((a, b) => a.key - b.key);
    notes.forEach((note, inChord) => spread.set(note, { inChord, chordSize: notes.length }));
  }
  return spread;
}

/** The note of the next symbol that a line leads to: the one of the same place in the chord. */
function glideOf({ marks }: SymbolInBar, n: number, next: SymbolInBar | undefined): Sound['glide'] | null {
  const kind = marks?.glide?.starts;
  const to = next?.notes[Math.min(n, next.notes.length - 1)];
  return kind && to ? { kind, to: to.key } : null;
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
  const { further = [] } = marks;
  if (further.some((sign) => sign.name === 'snap-pizzicato')) return 'pizzicato';
  if (further.some((sign) => sign.name === 'harmon-mute')) return 'harmon-mute';
  return null;
}

/** Half tones from a note to its neighbours in the signature, or as accidentals beside the ornament alter them. */
function neighbours(
  { pitch }: ScoreNote,
  fifths: number,
  { neighbours: altered = {} }: SymbolMarks,
): { upper: number; lower: number } {
  const steps = ['C', 'D', 'E', 'F', 'G', 'A', 'B'] as const;
  const semitones = [0, 2, 4, 5, 7, 9, 11];
  const at = steps.indexOf(pitch.step);
  const inKey = (step: number, said: number | undefined) => {
    const name = steps[((step % 7) + 7) % 7]!;
    const place = lineOfFifths({ step: name, alter: 0 });
    const sharp = place + 1 < fifths ? 1 : 0;
    const flat = 5 - place < -fifths ? -1 : 0;
    const alter = said ?? (fifths > 0 ? sharp : flat);
    return semitones[((step % 7) + 7) % 7]! + 12 * Math.floor(step / 7) + alter;
  };
  const own = semitones[at]! + pitch.alter;
  const within = (interval: number) => Math.max(1, Math.min(3, Math.abs(interval)));
  return { upper: within(inKey(at + 1, altered.above) - own), lower: within(own - inKey(at - 1, altered.below)) };
}
