/* One part: its measures become bars of voices, with clefs, transposition, tablature, words and ties. */
import { say } from '../../words';
import { partId } from '../../base';
import { drumSound, GENERAL_MIDI_DRUMS, type Clef, type Instrument } from '../../instruments';
import {
  pitchKey,
  symbolsOf,
  type Part,
  type PartBar,
  type ScoreNote,
  type SymbolInBar,
  notesInTime,
  OpenTies,
  type VoiceBar,
} from '../../score';
import { barLength, sameMeter, type Bar, type Meter, type MidiKey, type WrittenUnits } from '../../time';
import { directionsOf } from './directions';
import type { MusicXmlWarning } from './errors';
import { linesOf } from './lines';
import { furtherInstruments, partInstrument } from './part-instrument';
import type { RawMeasure, RawNote, RawPart } from './raw';
import { VoiceSlots, voicesOf } from './voices';

export function readPart(raw: RawPart, bars: readonly Bar[], warnings: MusicXmlWarning[]): Part {
  const warn = (bar: number, message: string, line?: number) =>
    warnings.push({ part: raw.id, bar, message, ...(line !== undefined && { line }) });
  const measures = bars.map((bar) => raw.measures[bar.index]);
  const transpositions = transpositionByBar(measures);
  const all = measures.flatMap((measure) => measure?.notes ?? []).filter((note) => !note.rest);
  const unpitched = all.length > 0 && all.filter((note) => note.unpitched).length * 2 > all.length;
  const { doublings, doublingOf } = unpitched
    ? { doublings: [], doublingOf: () => undefined }
    : furtherInstruments(raw, transpositions);
  const write = (note: RawNote, bar: number): ScoreNote | null => {
    if (!note.pitch) return null;
    const doubling = doublingOf(note);
    const struck = note.unpitched && unpitched;
    if (note.unpitched && !struck) warn(bar, say('musicxml.aNoteWithoutPitchSoundsAsTheNoteAt'), note.line);
    const key = struck ? struckKey(note, raw) : pitchKey(note.pitch) - transpositions[bar]!.semitones;
    if (key < 0 || key > 127) {
      warn(bar, say('musicxml.aNoteOutsideOfWhatMIDICanSoundKey', { key }), note.line);
      return null;
    }
    return {
      key,
      pitch: note.pitch,
      ...(note.notehead && note.notehead !== 'normal' && { notehead: note.notehead }),
      ...(note.fingering && { fingering: note.fingering }),
      ...(note.cents !== 0 && { cents: note.cents }),
      ...(note.velocity !== null && { velocity: note.velocity }),
      ...(note.ringing && { ringing: true }),
      ...(note.harmonic && { harmonic: note.harmonic }),
      ...(doubling !== undefined && { doubling }),
      tieFromLast: note.tieFromLast,
      tieToNext: note.tieToNext,
      played: [],
    };
  };
  const tablature = tablatureOf(measures);
  const partBars = barsOfPart(measures, bars, tablature, { write, warn });
  const declared =
    Math.max(1, ...measures.map((measure) => measure?.staves ?? 1)) - (tablature?.show === 'both' ? 1 : 0);
  const staves = Math.max(declared, ...partBars.flatMap((bar) => bar.voices.map((voice) => voice.staff)));
  const keys = [...symbolsOf({ bars: partBars })].flatMap(({ symbol }) => symbol.notes.map((note) => note.key));
  const { semitones, steps } = transpositions[0]!;
  const instrument = partInstrument(raw, keys, usualTransposition(transpositions, measures), unpitched);
  const { clefs, clefChanges } = clefsOf(measures, Math.min(4, staves), instrument);
  fixTies(partBars, bars, laterEndings(raw, bars));
  placeWords(partBars, raw, bars);
  const programChanges = programsOf(raw, bars);
  const harmonies = directionsOf(raw, bars).flatMap(({ direction, at }) =>
    direction.kind === 'harmony' ? [{ at, ...direction.harmony }] : [],
  );
  const changes = transpositionChanges(transpositions);
  const localMeters = localMetersOf(measures, bars);
  const tuning = measures.find((measure) => measure?.tuning)?.tuning ?? null;
  const capo = measures.find((measure) => measure?.capo !== null && measure?.capo !== undefined)?.capo ?? 0;
  return {
    id: partId(raw.id),
    name: raw.name || instrument.names.en,
    abbreviation: raw.abbreviation || instrument.abbreviations.en,
    instrument: instrument.id,
    transposition: semitones,
    transpositionSteps: steps,
    ...(changes.length > 0 && { transpositionChanges: changes }),
    clefs,
    clefChanges,
    ...(localMeters && { localMeters }),
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
    ...(doublings.length > 0 && { doublings }),
    ...(programChanges.length > 0 && { programChanges }),
    bars: partBars,
  };
}

interface BarWriting {
  write: (note: RawNote, bar: number) => ScoreNote | null;
  warn: (bar: number, message: string, line?: number) => void;
}

function barsOfPart(
  measures: readonly (RawMeasure | undefined)[],
  bars: readonly Bar[],
  tablature: TablatureStaff | null,
  { write, warn }: BarWriting,
): PartBar[] {
  const partBars: PartBar[] = [];
  const slots = new VoiceSlots();
  /** Bars that a sign repeats, by staff; null: on all of them. */
  const repeating = new Map<number | null, number>();
  measures.forEach((measure, b) => {
    const signs = measure?.repeats ?? [];
    for (const { bars: count, staff, after } of signs) if (!after) repeating.set(staff, count);
    const notes = withoutTablature(measure?.notes ?? [], tablature);
    const { length } = bars[b]!;
    // Empty where nothing was written: a repeat sign may stand for it.
    const own =
      notes.length === 0
        ? []
        : voicesOf(notes, length, slots, {
            write: (note) => write(note, b),
            mend: (message, note) => warn(b, message, note.line),
          });
    const { voices, likeBefore } = withRepeats(own, b);
    partBars.push({
      voices: voices.length > 0 ? voices : [restingVoice(length)],
      ...(likeBefore !== null && { likeBefore }),
    });
    for (const { bars: count, staff, after } of signs) if (after) repeating.set(staff, count);
  });
  return partBars;

  /** A repeat sign over an empty bar, or over an empty staff, stands for the bar before. */
  function withRepeats(own: VoiceBar[], b: number): { voices: VoiceBar[]; likeBefore: 0 | 1 | 2 | null } {
    const empty = (staff: number | null) =>
      own.every(
        (voice) => (staff !== null && voice.staff !== staff) || voice.symbols.every((one) => one.notes.length === 0),
      );
    for (const [staff, count] of repeating) {
      const before = partBars[b - count];
      if (count === 0 || !before || bars[b]!.length !== bars[b - count]!.length || !empty(staff)) continue;
      if (staff === null) return { voices: before.voices, likeBefore: count > 2 ? null : likeBeforeOf(count, b) };
      const copied = before.voices.filter((voice) => voice.staff === staff);
      own = [...own.filter((voice) => voice.staff !== staff), ...copied].sort((x, y) => x.voice - y.voice);
    }
    return { voices: own, likeBefore: null };
  }

  function likeBeforeOf(count: number, b: number): 0 | 1 | 2 {
    if (count === 1) return 1;
    return partBars[b - 1]?.likeBefore === 2 ? 0 : 2;
  }
}

const restingVoice = (length: WrittenUnits): VoiceBar => ({
  staff: 1,
  voice: 1,
  symbols: [{ at: 0, duration: length, type: 'whole', dots: 0, notes: [], wholeBar: true }],
});

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

interface Transposition {
  semitones: number;
  steps: number;
}

const CONCERT: Transposition = { semitones: 0, steps: 0 };

/** What is in force in each bar: none before the first. */
function transpositionByBar(measures: readonly (RawMeasure | undefined)[]): Transposition[] {
  let now = CONCERT;
  return measures.map((measure) => (now = measure?.transposition ?? now));
}

function transpositionChanges(byBar: readonly Transposition[]): NonNullable<Part['transpositionChanges']> {
  return byBar.flatMap(({ semitones, steps }, bar) => {
    const before = byBar[bar - 1];
    if (!before || (before.semitones === semitones && before.steps === steps)) return [];
    return [{ bar, transposition: semitones, transpositionSteps: steps }];
  });
}

/** Where a part has another meter than the bar as a whole, of the same length. */
function localMetersOf(
  measures: readonly (RawMeasure | undefined)[],
  bars: readonly Bar[],
): Part['localMeters'] | null {
  let own: Meter | null = null;
  const local: Record<number, Meter> = {};
  measures.forEach((measure, b) => {
    own = measure?.meter ?? own;
    const { meter } = bars[b]!;
    if (own && !sameMeter(own, meter) && barLength(own) === barLength(meter)) local[b] = own;
  });
  return Object.keys(local).length > 0 ? local : null;
}

/** The one that most notes are written in. */
function usualTransposition(byBar: readonly Transposition[], measures: readonly (RawMeasure | undefined)[]): number {
  const counts = new Map<number, number>();
  byBar.forEach(({ semitones }, b) =>
    counts.set(semitones, (counts.get(semitones) ?? 0) + 1 + (measures[b]?.notes.length ?? 0)),
  );
  return [...counts].reduce((a, b) => (b[1] > a[1] ? b : a), [0, 0] as [number, number])[0];
}

/** The key an unpitched note strikes: its instrument's, else the General MIDI sound that is written at its place. */
function struckKey(note: RawNote, part: RawPart): MidiKey {
  const only = part.instruments.size === 1 ? [...part.instruments.values()][0] : undefined;
  const declared = (note.instrument ? part.instruments.get(note.instrument) : only)?.unpitchedKey;
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
      // A clef at the end of a bar is for the next one.
      const atEnd = at > 0 && at >= measure!.reach;
      if (!atEnd) clefChanges.push({ bar: b, staff, clef, ...(at > 0 && { at }) });
      else if (b + 1 < measures.length) clefChanges.push({ bar: b + 1, staff, clef });
    }
  });
  return { clefs, clefChanges };
}

/** Where endings begin that are played for another time than the first. */
function laterEndings({ measures }: RawPart, bars: readonly Bar[]): ReadonlySet<WrittenUnits> {
  return new Set(
    bars.flatMap(({ start }, b) => {
      const ending = measures[b]?.signs.ending;
      return ending && !ending.includes(1) ? [start] : [];
    }),
  );
}

/**
 * Ties must be said at both ends and lead from one note to another of the same key right after it; others are dropped.
 */
function fixTies(partBars: readonly PartBar[], bars: readonly Bar[], endings: ReadonlySet<WrittenUnits>): void {
  const open = new OpenTies<{ note: ScoreNote; led: boolean }>();
  const all: { note: ScoreNote; led: boolean }[] = [];
  for (const { note, voice, at, until } of notesInTime(partBars, bars)) {
    const before = note.tieFromLast ? open.take(note.key, at, voice, true) : null;
    if (before) before.led = true;
    if (!before && note.tieFromLast && endings.has(at)) note.tieFromBeforeEndings = true;
    note.tieFromLast = before !== null;
    const here = { note, led: false };
    all.push(here);
    if (note.tieToNext) open.open(note.key, until, voice, here);
  }
  for (const { note, led } of all) note.tieToNext = led;
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
  return directionsOf(raw, bars).flatMap(({ direction, at }) =>
    direction.kind === 'program' ? [{ at, program: direction.program }] : [],
  );
}
