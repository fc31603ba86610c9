/*
 * A part of the score from its notes: written pitch or place on the staff, bars of symbols for every voice, a rest in every
 * bar where a staff is silent.
 */
import { drumSound, type DrumMap } from '../instruments';
import { voiceNumber, type Part, type PartBar, type ScoreNote } from '../score';
import type { Bar, WrittenUnits } from '../time';
import { assembleVoice, wholeBarRest, type Chord } from './assemble';
import type { CastPart } from './casting';
import type { EndedNote } from './durations';
import type { StaffNotes } from './staff-notes';
import { writtenPitch, writtenTransposition } from './written-pitch';

/** @param places on the line of fifths for each note of each staff @param concertKeys signatures of the piece */
export function assemblePart(part: CastPart, staves: readonly StaffNotes[], places: readonly number[][], concertKeys: readonly number[], bars: readonly Bar[], drums: DrumMap): Part {
  const { instrument } = part;
  const transposition = writtenTransposition(instrument.transposition, concertKeys);
  const partBars: PartBar[] = bars.map(() => ({ voices: [] }));
  staves.forEach((staff, s) => {
    for (const voice of [0, 1]) {
      const chords = chordsOfVoice(staff, voice, (note, n) => scoreNote(note, places[s]![n]!));
      for (const [bar, symbols] of assembleVoice(chords, bars)) partBars[bar]!.voices.push({ staff: staff.staff, voice: voiceNumber(staff.staff, voice), symbols });
    }
  });

  function scoreNote(note: EndedNote, place: number): Chord['notes'][number] {
    const played = [note.id, ...note.absorbed];
    if (!instrument.unpitched) return { key: note.key, pitch: writtenPitch(note.key, place, transposition), played };
    const sound = drumSound(drums, note.key);
    return { key: note.key, pitch: { step: sound.step, alter: 0, octave: sound.octave }, notehead: sound.notehead, played };
  }

  // Every staff shows something in every bar.
  partBars.forEach((partBar, b) => {
    for (const { staff } of staves) {
      if (!partBar.voices.some((voice) => voice.staff === staff)) partBar.voices.push({ staff, voice: voiceNumber(staff, 0), symbols: [wholeBarRest(bars[b]!)] });
    }
    partBar.voices.sort((a, b) => a.voice - b.voice);
  });
  return {
    id: part.id,
    name: part.name,
    abbreviation: part.abbreviation,
    instrument: instrument.id,
    transposition: instrument.transposition,
    transpositionSteps: transposition.steps,
    clefs: [...instrument.clefs],
    unpitched: instrument.unpitched,
    channel: instrument.unpitched ? 10 : 1,
    program: instrument.programs[0] ?? null,
    writtenKeys: concertKeys.map((key) => (instrument.unpitched ? 0 : key + transposition.fifths)),
    bars: partBars,
  };
}

function chordsOfVoice(staff: StaffNotes, voice: number, write: (note: EndedNote, n: number) => Omit<ScoreNote, 'tieFromLast' | 'tieToNext'>): Chord[] {
  const byStart = new Map<WrittenUnits, Chord>();
  staff.notes.forEach((note, n) => {
    if (staff.voices[n] !== voice) return;
    const chord = byStart.get(note.start);
    if (chord) chord.notes.push(write(note, n));
    else byStart.set(note.start, { start: note.start, end: note.end, notes: [write(note, n)] });
  });
  const chords = [...byStart.values()].sort((a, b) => a.start - b.start);
  for (const chord of chords) chord.notes.sort((a, b) => a.key - b.key);
  return chords;
}
