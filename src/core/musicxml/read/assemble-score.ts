/*
 * From raw measures to a score: bars, voices, keys in concert pitch, lines over several bars, words where they belong.
 */
import { partId } from '../../base';
import { drumSound, GENERAL_MIDI_DRUMS, type Clef, type Instrument } from '../../instruments';
import {
  DYNAMICS,
  NO_LINES,
  lineOfFifths,
  nameAtFifths,
  pitchAtFifths,
  pitchKey,
  symbolsOf,
  type Dynamic,
  type Hairpin,
  type Marker,
  type OctaveLine,
  type Part,
  type PartBar,
  type PartLines,
  type Pitch,
  type Score,
  type ScoreKey,
  type ScoreNote,
  type Slur,
  type SwingMark,
  type SymbolInBar,
  type TempoMark,
} from '../../score';
import { QUARTER, type Bar, type MidiKey, type WrittenUnits } from '../../time';
import { barsOf } from './bars';
import type { MusicXmlWarning } from './errors';
import { partInstrument } from './part-instrument';
import type { RawDirection, RawMeasure, RawNote, RawPart, RawScore } from './raw';
import { voicesOf, VoiceSlots } from './voices';

interface Transposition {
  semitones: number;
  steps: number;
}

const CONCERT: Transposition = { semitones: 0, steps: 0 };

export function assembleScore(raw: RawScore, warnings: MusicXmlWarning[]): Score {
  const bars = barsOf(raw, warnings);
  const parts = raw.parts.map((part) => readPart(part, bars, warnings));
  const { keys, writtenKeys } = keysOf(raw.parts, parts);
  const score: Score = {
    title: raw.title,
    composer: raw.composer,
    rights: raw.rights,
    bars,
    signs: Object.fromEntries(
      bars.flatMap((bar): [number, Score['signs'][number]][] => {
        // Every part repeats what holds for all; one may lack it.
        const signs = raw.parts.reduce((sum, part) => ({ ...(part.measures[bar.index]?.signs ?? {}), ...sum }), {});
        return Object.keys(signs).length > 0 ? [[bar.index, signs]] : [];
      }),
    ),
    keys,
    tempos: temposOf(raw.parts, bars),
    markers: markersOf(raw.parts, bars),
    swing: swingOf(raw.parts, bars),
    parts: parts.map((part, p) => ({ ...part, writtenKeys: writtenKeys[p]! })),
  };
  return score;
}

/** All directions of a part with their absolute places. */
function directionsOf(
  part: RawPart,
  bars: readonly Bar[],
): { direction: RawDirection; at: WrittenUnits; bar: number }[] {
  return part.measures.flatMap((measure, b) =>
    measure.directions.map((direction) => ({
      direction,
      at: bars[b]!.start + Math.min(direction.at, bars[b]!.length),
      bar: b,
    })),
  );
}

function temposOf(parts: readonly RawPart[], bars: readonly Bar[]): TempoMark[] {
  const marks = new Map<WrittenUnits, TempoMark>();
  const words: { at: WrittenUnits; words: string }[] = [];
  for (const part of parts)
    for (const { direction, at } of directionsOf(part, bars)) {
      if (direction.kind === 'tempo') {
        const there = marks.get(at);
        if (!there || (direction.shown && !there.shown))
          marks.set(at, {
            at,
            bpm: direction.bpm,
            shown: direction.shown || direction.words !== undefined,
            ...(direction.words && { words: direction.words }),
          });
      } else if (direction.kind === 'tempo-words' && !words.some((one) => one.at === at))
        words.push({ at, words: direction.words });
    }
  const list = [...marks.values()].sort((a, b) => a.at - b.at);
  if (list[0]?.at !== 0) list.unshift({ at: 0, bpm: list[0]?.bpm ?? 120, shown: false });
  for (const { at, words: said } of words.sort((a, b) => a.at - b.at)) {
    const there = list.find((mark) => mark.at === at);
    if (there) there.words ??= said;
    else list.push({ at, words: said, bpm: list.findLast((mark) => mark.at <= at)?.bpm ?? 120, shown: false });
  }
  return list.sort((a, b) => a.at - b.at);
}

function markersOf(parts: readonly RawPart[], bars: readonly Bar[]): Marker[] {
  const seen = new Map<string, Marker>();
  for (const part of parts)
    for (const { direction, at } of directionsOf(part, bars))
      if (direction.kind === 'marker')
        seen.set(`${at}/${direction.text}`, { at, text: direction.text, rehearsal: direction.rehearsal });
  return [...seen.values()].sort((a, b) => a.at - b.at);
}

/** Marks as the first part that has one at a bar says them; a mark that changes nothing is none. */
function swingOf(parts: readonly RawPart[], bars: readonly Bar[]): SwingMark[] {
  const marks = new Map<number, SwingMark>();
  for (const part of parts)
    for (const { direction, bar } of directionsOf(part, bars)) {
      if (direction.kind === 'swing' && direction.ratio >= 1 && direction.ratio <= 4 && !marks.has(bar))
        marks.set(bar, { bar, ratio: direction.ratio, unit: direction.unit });
    }
  const sorted = [...marks.values()].sort((a, b) => a.bar - b.bar);
  return sorted.filter(({ ratio, unit }, i) => {
    const before = sorted[i - 1] ?? { ratio: 1, unit };
    return ratio !== before.ratio || unit !== before.unit;
  });
}

/** Signatures in concert pitch where any pitched part changes its own, and what each part reads there. */
function keysOf(raw: readonly RawPart[], parts: readonly Part[]): { keys: ScoreKey[]; writtenKeys: number[][] } {
  const shiftOf = (part: Part) => 7 * part.transposition - 12 * part.transpositionSteps;
  const changes = new Map<number, ScoreKey>();
  raw.forEach((part, p) => {
    if (parts[p]!.unpitched) return;
    part.measures.forEach((measure, bar) => {
      if (measure.key && !changes.has(bar))
        changes.set(bar, { bar, fifths: wrapped(measure.key.fifths - shiftOf(parts[p]!)), mode: measure.key.mode });
    });
  });
  if (!changes.has(0)) changes.set(0, { bar: 0, fifths: 0, mode: 'major' });
  const keys = [...changes.values()]
    .sort((a, b) => a.bar - b.bar)
    .filter((key, i, list) => i === 0 || key.fifths !== list[i - 1]!.fifths || key.mode !== list[i - 1]!.mode);
  const writtenKeys = raw.map((part, p) => {
    if (parts[p]!.unpitched) return keys.map(() => 0);
    return keys.map(
      (key) =>
        part.measures.slice(0, key.bar + 1).findLast((measure) => measure.key)?.key?.fifths ??
        wrapped(key.fifths + shiftOf(parts[p]!)),
    );
  });
  return { keys, writtenKeys };
}

/** A signature of at most seven signs. */
function wrapped(fifths: number): number {
  if (fifths > 7) return fifths - 12;
  return fifths < -7 ? fifths + 12 : fifths;
}

function readPart(raw: RawPart, bars: readonly Bar[], warnings: MusicXmlWarning[]): Part {
  const warn = (bar: number, message: string, line?: number) =>
    warnings.push({ part: raw.id, bar, message, ...(line !== undefined && { line }) });
  const measures = bars.map((bar) => raw.measures[bar.index]);
  const transpositions = transpositionByBar(measures);
  const first = transpositions.find((one) => one !== null) ?? CONCERT;
  const all = measures.flatMap((measure) => measure?.notes ?? []).filter((note) => !note.rest);
  const unpitched = all.length > 0 && all.filter((note) => note.unpitched).length * 2 > all.length;
  const write = (note: RawNote, bar: number): ScoreNote | null => {
    if (!note.pitch) return null;
    const key = note.unpitched ? struckKey(note, raw) : pitchKey(note.pitch) - (transpositions[bar] ?? first).semitones;
    if (key < 0 || key > 127) {
      warn(bar, `a note outside of what MIDI can sound (key ${key}) is left out`, note.line);
      return null;
    }
    return {
      key,
      pitch: note.unpitched || unpitched ? note.pitch : rewritten(note.pitch, key, transpositions[bar] ?? first, first),
      ...(note.notehead && note.notehead !== 'normal' && { notehead: note.notehead }),
      ...(note.fingering && { fingering: note.fingering }),
      tieFromLast: note.tieFromLast,
      tieToNext: note.tieToNext,
      played: [],
    };
  };
  const tablature = tablatureOf(measures);
  const partBars: PartBar[] = [];
  const slots = new VoiceSlots();
  let repeating = 0;
  measures.forEach((measure, b) => {
    if (measure?.repeats !== null && measure?.repeats !== undefined) repeating = measure.repeats;
    const notes = withoutTablature(
      (measure?.notes ?? []).filter((note) => !note.cue),
      tablature,
    );
    // A repeat sign over an empty bar stands for the bar before.
    if (
      repeating > 0 &&
      !notes.some((note) => !note.rest) &&
      partBars[b - repeating] &&
      bars[b]!.length === bars[b - repeating]!.length
    ) {
      partBars.push(partBars[b - repeating]!);
      return;
    }
    const voices = voicesOf(
      notes,
      bars[b]!.length,
      slots,
      (note) => write(note, b),
      (message, note) => warn(b, message, note.line),
    );
    partBars.push({
      voices:
        voices.length > 0
          ? voices
          : [
              {
                staff: 1,
                voice: 1,
                symbols: [{ at: 0, duration: bars[b]!.length, type: 'whole', dots: 0, notes: [], wholeBar: true }],
              },
            ],
    });
  });
  const declared =
    Math.max(1, ...measures.map((measure) => measure?.staves ?? 1)) - (tablature?.show === 'both' ? 1 : 0);
  const staves = Math.max(declared, ...partBars.flatMap((bar) => bar.voices.map((voice) => voice.staff)));
  const keys = [...symbolsOf({ bars: partBars })].flatMap(({ symbol }) => symbol.notes.map((note) => note.key));
  const instrument = partInstrument(raw, keys, first.semitones, unpitched);
  const { clefs, clefChanges } = clefsOf(measures, Math.min(4, staves), instrument);
  fixTies(partBars, bars);
  placeWords(partBars, raw, bars);
  const programChanges = programsOf(raw, bars);
  const harmonies = directionsOf(raw, bars).flatMap(({ direction, at }) =>
    direction.kind === 'harmony' ? [{ at, text: direction.text }] : [],
  );
  const tuning = measures.find((measure) => measure?.tuning)?.tuning ?? null;
  const capo = measures.find((measure) => measure?.capo !== null && measure?.capo !== undefined)?.capo ?? 0;
  return {
    id: partId(raw.id),
    name: raw.name || instrument.names.en,
    abbreviation: raw.abbreviation || instrument.abbreviations.en,
    instrument: instrument.id,
    transposition: first.semitones,
    transpositionSteps: first.steps,
    clefs,
    clefChanges,
    unpitched,
    struck: unpitched
      ? [...new Set(keys)].sort((a, b) => a - b).map((key) => ({ key, name: nameOfKey(raw, key) }))
      : [],
    solo: raw.solo,
    channel: raw.channel ?? (unpitched ? 10 : 1),
    program: raw.program ?? instrument.programs[0] ?? null,
    writtenKeys: [],
    staffLines: measures.find((measure) => measure?.staffLines)?.staffLines ?? 5,
    tablature: tablature && tuning ? { show: tablature.show, tuning, capo } : null,
    lines: linesOf(raw, bars, partBars),
    ...(harmonies.length > 0 && { harmonies }),
    ...(programChanges.length > 0 && { programChanges }),
    bars: partBars,
  };
}

interface TablatureStaff {
  staff: number;
  show: 'tablature' | 'both';
}

function tablatureOf(measures: readonly (RawMeasure | undefined)[]): TablatureStaff | null {
  const staff = measures.find((measure) => measure?.tablatureStaff)?.tablatureStaff ?? null;
  if (staff === null) return null;
  const others = measures.some((measure) => measure?.notes.some((note) => !note.rest && note.staff !== staff));
  return { staff, show: others ? 'both' : 'tablature' };
}

/**
 * Where a tablature says again what the notation above it says, its frets go to those notes and it is not counted
 * twice.
 */
function withoutTablature(notes: RawNote[], tablature: TablatureStaff | null): RawNote[] {
  if (tablature?.show !== 'both') return notes;
  const below = notes.filter((note) => note.staff === tablature.staff);
  return notes
    .filter((note) => note.staff !== tablature.staff)
    .map((note) => {
      if (note.fingering || !note.pitch) return note;
      const same = below.find(
        (other) => other.at === note.at && other.pitch && pitchKey(other.pitch) === pitchKey(note.pitch!),
      );
      return same?.fingering ? { ...note, fingering: same.fingering } : note;
    });
}

/** What is in force in each bar; null before the first. */
function transpositionByBar(measures: readonly (RawMeasure | undefined)[]): (Transposition | null)[] {
  let now: Transposition | null = null;
  return measures.map((measure) => (now = measure?.transposition ?? now));
}

/** A pitch written under another transposition, as the part's own would write it. */
function rewritten(pitch: Pitch, key: MidiKey, from: Transposition, to: Transposition): Pitch {
  if (from.semitones === to.semitones && from.steps === to.steps) return pitch;
  const shift = (one: Transposition) => 7 * one.semitones - 12 * one.steps;
  let place = lineOfFifths(pitch) - shift(from) + shift(to);
  while (nameAtFifths(place).alter > 2) place -= 12;
  while (nameAtFifths(place).alter < -2) place += 12;
  return pitchAtFifths(key + to.semitones, place);
}

/** The key an unpitched note strikes: its instrument's, else the General MIDI sound that is written at its place. */
function struckKey(note: RawNote, part: RawPart): MidiKey {
  const declared = note.instrument
    ? part.instruments.get(note.instrument)?.unpitchedKey
    : part.instruments.size === 1
      ? [...part.instruments.values()][0]!.unpitchedKey
      : null;
  if (declared !== null && declared !== undefined) return declared;
  const at = [...GENERAL_MIDI_DRUMS.values()].filter(
    (sound) => sound.step === note.pitch!.step && sound.octave === note.pitch!.octave,
  );
  return (at.find((sound) => sound.notehead === (note.notehead ?? 'normal')) ?? at[0])?.key ?? 38;
}

function nameOfKey(part: RawPart, key: MidiKey): string {
  return (
    [...part.instruments.values()].find((one) => one.unpitchedKey === key)?.name ??
    drumSound(GENERAL_MIDI_DRUMS, key).name
  );
}

function clefsOf(
  measures: readonly (RawMeasure | undefined)[],
  staves: number,
  instrument: Instrument,
): Pick<Part, 'clefs' | 'clefChanges'> {
  const clefs: Clef[] = Array.from(
    { length: staves },
    (_, s) =>
      measures[0]?.clefs.find((clef) => clef.staff === s + 1 && clef.at === 0)?.clef ??
      instrument.clefs[s] ??
      instrument.clefs.at(-1)!,
  );
  const now = [...clefs];
  const clefChanges: Part['clefChanges'] = [];
  measures.forEach((measure, b) => {
    for (const { staff, clef, at } of measure?.clefs ?? []) {
      if (staff > staves || (b === 0 && at === 0) || now[staff - 1] === clef) continue;
      now[staff - 1] = clef;
      // A clef inside a bar is shown from the next barline on: where clefs stand does not change what sounds.
      const bar = at > 0 ? b + 1 : b;
      if (bar < measures.length) clefChanges.push({ bar, staff, clef });
    }
  });
  return { clefs, clefChanges };
}

/** Ties must lead from one note to another of the same key right after it in the same voice; others are dropped. */
function fixTies(partBars: readonly PartBar[], bars: readonly Bar[]): void {
  const open = new Map<string, { note: ScoreNote; until: WrittenUnits }>();
  partBars.forEach((bar, b) => {
    for (const { voice, symbols } of bar.voices)
      for (const symbol of symbols)
        for (const note of symbol.notes) {
          const at = bars[b]!.start + symbol.at;
          const slot = `${voice}/${note.key}`;
          const before = open.get(slot);
          if (before && before.until === at) note.tieFromLast = true;
          else {
            if (before) before.note.tieToNext = false;
            note.tieFromLast = false;
          }
          open.delete(slot);
          if (note.tieToNext) open.set(slot, { note, until: at + symbol.duration });
        }
  });
  for (const { note } of open.values()) note.tieToNext = false;
}

/** Playing directions go to the first symbol of their staff that starts there or later. */
function placeWords(partBars: PartBar[], raw: RawPart, bars: readonly Bar[]): void {
  for (const { direction, at, bar } of directionsOf(raw, bars)) {
    if (direction.kind !== 'words') continue;
    const symbol = symbolFrom(partBars, bars, bar, at, direction.staff);
    if (symbol) symbol.marks = { ...symbol.marks, words: [...(symbol.marks?.words ?? []), direction.words] };
  }
}

function symbolFrom(
  partBars: readonly PartBar[],
  bars: readonly Bar[],
  bar: number,
  at: WrittenUnits,
  staff: number,
): SymbolInBar | null {
  for (let b = bar; b < partBars.length; b++) {
    const symbols = partBars[b]!.voices.filter(
      (voice) => voice.staff === staff || partBars[b]!.voices.every((one) => one.staff !== staff),
    ).flatMap((voice) => voice.symbols.filter((symbol) => symbol.notes.length > 0 && bars[b]!.start + symbol.at >= at));
    if (symbols.length > 0) return symbols.reduce((a, c) => (c.at < a.at ? c : a));
  }
  return null;
}

function programsOf(raw: RawPart, bars: readonly Bar[]): { at: WrittenUnits; program: number }[] {
  const said = directionsOf(raw, bars).flatMap(({ direction, at }) =>
    direction.kind === 'program' ? [{ at, program: direction.program }] : [],
  );
  let now = raw.program;
  const doubled = raw.measures.flatMap((measure, b) =>
    measure.notes.flatMap((note) => {
      const program = note.instrument ? (raw.instruments.get(note.instrument)?.program ?? null) : null;
      if (note.unpitched || program === null || program === now) return [];
      now = program;
      return [{ at: bars[b]!.start + note.at, program }];
    }),
  );
  return [...said, ...doubled].sort((a, b) => a.at - b.at);
}

/** Signs that only strike one note harder are accents; fp and its like are loud and soft at once. */
const LEVELS: Record<string, Dynamic> = { pppp: 'ppp', ppppp: 'ppp', ffff: 'fff', fffff: 'fff', n: 'ppp' };

function linesOf(raw: RawPart, bars: readonly Bar[], partBars: readonly PartBar[]): PartLines {
  const lines: PartLines = {
    ...NO_LINES,
    dynamics: [],
    hairpins: [],
    slurs: slursOf(raw, bars, partBars),
    pedals: [],
    octaveLines: [],
  };
  const wedges = new Map<string, Hairpin>();
  const octaves = new Map<string, OctaveLine>();
  let pedal: WrittenUnits | null = null;
  const end = bars.at(-1)!.start + bars.at(-1)!.length;
  for (const { direction, at } of directionsOf(raw, bars).sort((a, b) => a.at - b.at)) {
    const { staff } = direction;
    switch (direction.kind) {
      case 'dynamic': {
        const level =
          LEVELS[direction.level] ??
          (DYNAMICS.includes(direction.level as Dynamic) ? (direction.level as Dynamic) : null);
        if (level) lines.dynamics.push({ at, staff, level });
        else if (/^s?fp+$/.test(direction.level))
          lines.dynamics.push({ at, staff, level: 'f' }, { at: at + QUARTER / 2, staff, level: 'p' });
        break;
      }
      case 'wedge': {
        const open = wedges.get(direction.number);
        if (open) {
          if (at > open.start) lines.hairpins.push({ ...open, end: at });
          wedges.delete(direction.number);
        }
        if (direction.type !== 'stop')
          wedges.set(direction.number, { start: at, end: at, staff, kind: direction.type });
        break;
      }
      case 'pedal':
        if (pedal !== null && direction.type !== 'start' && at > pedal) lines.pedals.push({ start: pedal, end: at });
        if (direction.type === 'stop') pedal = null;
        else pedal = at;
        break;
      case 'octave': {
        const open = octaves.get(direction.number);
        if (open && at > open.start) lines.octaveLines.push({ ...open, end: at });
        octaves.delete(direction.number);
        if (direction.type !== 'stop')
          octaves.set(direction.number, {
            start: at,
            end: at,
            staff,
            octaves: ((direction.type === 'down' ? 1 : -1) * (direction.size > 8 ? 2 : 1)) as OctaveLine['octaves'],
          });
        break;
      }
      default: // Belongs to the piece, or to single notes.
    }
  }
  for (const open of wedges.values())
    if (end > open.start) lines.hairpins.push({ ...open, end: Math.min(end, open.start + 8 * QUARTER) });
  if (pedal !== null && pedal < end) lines.pedals.push({ start: pedal, end });
  return lines;
}

function slursOf(raw: RawPart, bars: readonly Bar[], partBars: readonly PartBar[]): Slur[] {
  const open = new Map<string, { start: WrittenUnits; bar: number; note: RawNote }>();
  const slurs: Slur[] = [];
  raw.measures.forEach((measure, b) => {
    for (const note of measure.notes)
      for (const { number, type } of [...note.slurs].sort((x) => (x.type === 'stop' ? -1 : 1))) {
        const at = bars[b]!.start + note.at;
        if (type === 'start') open.set(number, { start: at, bar: b, note });
        else {
          const begun = open.get(number);
          open.delete(number);
          if (begun && at > begun.start)
            slurs.push({ start: begun.start, end: at, voice: voiceOf(begun.note, partBars[begun.bar]!) });
        }
      }
  });
  return slurs;
}

/** The voice in which a note of the file was put. */
function voiceOf({ at, pitch, staff }: RawNote, { voices }: PartBar): number {
  const holds = voices.find((voice) =>
    voice.symbols.some(
      (symbol) =>
        symbol.at === at &&
        symbol.notes.some((note) => note.pitch.step === pitch?.step && note.pitch.octave === pitch.octave),
    ),
  );
  return (holds ?? voices.find((voice) => voice.staff === staff) ?? voices[0])?.voice ?? 1;
}
