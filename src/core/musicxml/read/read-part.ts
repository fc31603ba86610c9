/* One part: its measures become bars of voices, with clefs, transposition, tablature, words and ties. */
import { partId } from '../../base';
import { drumSound, GENERAL_MIDI_DRUMS, type Clef, type Instrument } from '../../instruments';
import {
  lineOfFifths,
  nameAtFifths,
  pitchAtFifths,
  pitchKey,
  symbolsOf,
  type Part,
  type PartBar,
  type Pitch,
  type ScoreNote,
  type SymbolInBar,
} from '../../score';
import { type Bar, type MidiKey, type WrittenUnits } from '../../time';
import { directionsOf } from './directions';
import type { MusicXmlWarning } from './errors';
import { linesOf } from './lines';
import { partInstrument } from './part-instrument';
import type { RawMeasure, RawNote, RawPart } from './raw';
import { VoiceSlots, voicesOf } from './voices';

interface Transposition {
  semitones: number;
  steps: number;
}

const CONCERT: Transposition = { semitones: 0, steps: 0 };

export function readPart(raw: RawPart, bars: readonly Bar[], warnings: MusicXmlWarning[]): Part {
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
