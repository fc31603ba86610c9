/*
 * A part of the score from its notes: written pitch or place on the staff, bars of symbols for every voice, a rest in
 * every bar where a staff is silent.
 */
import { drumSound, type Clef } from '../../instruments';
import type { NoteId } from '../../performance';
import type { CastPart } from '../../casting';
import {
  NO_LINES,
  voiceNumber,
  type Grace,
  type Part,
  type PartBar,
  type ScoreNote,
  type SymbolMarks,
  type Tablature,
} from '../../score';
import { barIndexAt, type Bar, type WrittenUnits } from '../../time';
import { assembleVoice, wholeBarRest, type Chord } from './assemble';
import { clefChanges, clefChoices } from './clefs';
import type { EndedNote } from '../layout/durations';
import type { Fingering } from './fretting';
import type { PartDrums } from '../layout/part-drums';
import type { StaffNotes } from '../layout/staff-notes';
import { hiHatMarks } from '../layout/hi-hat';
import { techniqueMarks } from './technique-marks';
import { type TimedNote } from '../timing/timed-note';
import { planDoublings, sayDoublings } from './doublings';
import { nearestPlace, writtenPitch } from '../pitch/written-pitch';

export interface PartOptions {
  /** 1–16, for playback */
  channel: number;
  /** No changes of clef. */
  fixedClefs: boolean;
  /** Clefs people chose, by staff. */
  clefs: Readonly<Record<number, Clef>>;
  drums: PartDrums;
  tablature: Tablature | null;
  fingerings: ReadonlyMap<NoteId, Fingering>;
}

/** The signatures of a piece: fifths of its concert keys, and the bars they begin at. */
export interface Signatures {
  fifths: readonly number[];
  bars: readonly number[];
}

/** @param places on the line of fifths for each note of each staff */
export function assemblePart(
  part: CastPart,
  staves: readonly StaffNotes[],
  places: readonly number[][],
  keys: Signatures,
  bars: readonly Bar[],
  { channel, fixedClefs, clefs: chosenClefs, drums, tablature, fingerings }: PartOptions,
): Part {
  const { instrument } = part;
  const clefs = instrument.clefs.map((clef, s) => chosenClefs[s + 1] ?? clef);
  const notes = staves.flatMap((staff) => staff.notes);
  const plan = planDoublings(part, notes, bars, keys.fifths);
  const starts = bars.map(({ start }) => start);
  const transpositionOf = ({ start }: EndedNote) => plan.transpositions[barIndexAt(starts, start)]!;
  const techniques = techniqueMarks(notes, part.techniqueOf, instrument);
  const hats = instrument.unpitched
    ? hiHatMarks(
        [...notes].sort((a, b) => a.start - b.start),
        drums.map,
      )
    : null;
  const partBars: PartBar[] = bars.map(() => ({ voices: [] }));
  staves.forEach((staff, s) => {
    for (const voice of new Set(staff.voices)) {
      const chords = chordsOfVoice(
        staff,
        voice,
        (note, n) => scoreNote(note, places[s]![n]!),
        (note, n) => ({
          ...techniques.get(note.id),
          ...hats?.get(note.id),
          ...(note.short && { articulations: ['staccato' as const] }),
          ...ornamentMarks(note, places[s]![n]!),
        }),
      );
      for (const [bar, symbols] of assembleVoice(chords, bars))
        partBars[bar]!.voices.push({ staff: staff.staff, voice: voiceNumber(staff.staff, voice), symbols });
    }
  });

  function scoreNote(note: EndedNote, place: number): Chord['notes'][number] {
    const graces = new Set(note.ornament?.graces?.map((grace) => grace.id));
    const played = [note.id, ...note.absorbed.filter((id) => !graces.has(id))];
    const fingering = fingerings.get(note.id);
    const doubling = part.doublingOf.get(note.id);
    if (!instrument.unpitched)
      return {
        key: note.key,
        pitch: writtenPitch(note.key, place, transpositionOf(note)),
        played,
        ...(fingering && { fingering }),
        ...(doubling !== undefined && { doubling }),
      };
    const sound = drumSound(drums.map, note.key);
    return {
      key: note.key,
      pitch: { step: sound.step, alter: 0, octave: sound.octave },
      notehead: sound.notehead,
      played,
    };
  }

  function ornamentMarks(main: EndedNote, place: number): SymbolMarks {
    if (!main.ornament) return {};
    const { trill, tremolo, arpeggio, graces } = main.ornament;
    // A grace note is named as close to its note as can be: neighbours are neighbours.
    const grace = (note: TimedNote): ScoreNote => {
      const sound = drumSound(drums.map, note.key);
      const struck = { pitch: { step: sound.step, alter: 0, octave: sound.octave }, notehead: sound.notehead };
      return {
        key: note.key,
        played: [note.id],
        tieFromLast: false,
        tieToNext: false,
        ...(instrument.unpitched
          ? struck
          : { pitch: writtenPitch(note.key, nearestPlace(note.key, place), transpositionOf(main)) }),
      };
    };
    return {
      ...(trill && { trill }),
      ...(tremolo && { tremolo: 3 }),
      ...(arpeggio && { arpeggio }),
      ...(graces && { graces: gracesOf(graces.map(grace)) }),
    };
  }

  // Every staff shows something in every bar.
  partBars.forEach((partBar, b) => {
    for (const { staff } of staves) {
      if (!partBar.voices.some((voice) => voice.staff === staff))
        partBar.voices.push({ staff, voice: voiceNumber(staff, 0), symbols: [wholeBarRest(bars[b]!)] });
    }
    partBar.voices.sort((a, b) => a.voice - b.voice);
  });
  sayDoublings(partBars, part, plan);
  const [first] = plan.transpositions;
  return {
    id: part.id,
    name: part.name,
    abbreviation: part.abbreviation,
    instrument: instrument.id,
    transposition: first?.semitones ?? instrument.transposition,
    transpositionSteps: first?.steps ?? 0,
    ...(plan.changes.length > 0 && { transpositionChanges: plan.changes }),
    clefs,
    clefChanges: fixedClefs
      ? []
      : staves
          .flatMap(({ staff }) =>
            chosenClefs[staff] ? [] : clefChanges(partBars, staff, clefChoices(instrument, staff)),
          )
          .sort((a, b) => a.bar - b.bar),
    unpitched: instrument.unpitched,
    struck: instrument.unpitched ? struckSounds(part, drums) : [],
    staffLines: instrument.unpitched ? drums.staffLines : 5,
    tablature,
    lines: NO_LINES,
    solo: part.solo,
    channel: instrument.unpitched ? 10 : channel,
    program: instrument.programs[0] ?? null,
    writtenKeys: keys.fifths.map((key, k) =>
      instrument.unpitched ? 0 : key + (plan.transpositions[keys.bars[k]!]?.fifths ?? 0),
    ),
    ...(plan.doublings.length > 0 && { doublings: plan.doublings }),
    bars: partBars,
  };
}

/** A single one has a stroke through its stem; several are a run. */
function gracesOf(notes: readonly ScoreNote[]): Grace[] {
  if (notes.length === 1) return [{ notes: [notes[0]!], type: 'eighth', slash: true }];
  return notes.map((note) => ({ notes: [note], type: '16th' }));
}

function struckSounds({ notes }: CastPart, { map }: PartDrums): Part['struck'] {
  return [...new Set(notes.map((note) => note.key))]
    .sort((a, b) => a - b)
    .map((key) => ({ key, name: drumSound(map, key).name }));
}

/** Two sounds of a kit on one place with one kind of head are one head. */
function addHead(chord: Chord, head: Chord['notes'][number]): void {
  const same =
    head.notehead === undefined
      ? undefined
      : chord.notes.find(
          (other) =>
            other.notehead === head.notehead &&
            other.pitch.step === head.pitch.step &&
            other.pitch.octave === head.pitch.octave,
        );
  if (same) same.played = [...same.played, ...head.played];
  else chord.notes.push(head);
}

function chordsOfVoice(
  staff: StaffNotes,
  voice: number,
  write: (note: EndedNote, n: number) => Omit<ScoreNote, 'tieFromLast' | 'tieToNext'>,
  marksOf: (note: EndedNote, n: number) => SymbolMarks,
): Chord[] {
  const byStart = new Map<WrittenUnits, Chord>();
  staff.notes.forEach((note, n) => {
    if (staff.voices[n] !== voice) return;
    const chord = byStart.get(note.start) ?? { start: note.start, end: note.end, notes: [] };
    byStart.set(note.start, chord);
    addHead(chord, write(note, n));
    const marks = marksOf(note, n);
    if (Object.keys(marks).length > 0) chord.marks = { ...chord.marks, ...marks };
  });
  const chords = [...byStart.values()].sort((a, b) => a.start - b.start);
  for (const chord of chords) chord.notes.sort((a, b) => a.key - b.key);
  return chords;
}
