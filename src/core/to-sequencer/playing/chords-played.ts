/* Chord symbols played: a part of its own, a chord from each symbol to the next. */
import { partId } from '../../base';
import { instrumentById } from '../../instruments';
import {
  chordTones,
  NO_LINES,
  pitchKey,
  transpositionAt,
  type Harmony,
  type Part,
  type PartBar,
  type Score,
  type ScoreNote,
} from '../../score';
import type { MidiKey, Semitones, WrittenUnits } from '../../time';

/** Chords lie over this C, their basses under it. */
const MIDDLE_OCTAVE = 4;
const BASS_OCTAVE = 3;

/** @returns the score itself where it has no chord symbols */
export function withChordsPlayed(score: Score): Score {
  const leader = score.parts.find((part) => part.harmonies && part.harmonies.length > 0);
  return leader ? { ...score, parts: [...score.parts, chordPart(leader, score)] } : score;
}

function chordPart(leader: Part, { bars, keys }: Score): Part {
  const piano = instrumentById('piano');
  const end = bars.at(-1)!.start + bars.at(-1)!.length;
  const symbols = [...leader.harmonies!].sort((a, b) => a.at - b.at);
  const spans = symbols.map((harmony, i) => {
    const bar = bars.findLastIndex(({ start }) => start <= harmony.at);
    const notes = chordKeys(harmony, transpositionAt(leader, bar).transposition);
    return { from: harmony.at, to: symbols[i + 1]?.at ?? end, keys: notes };
  });
  return {
    id: partId('chord-symbols'),
    name: 'Chords',
    abbreviation: 'Ch.',
    instrument: piano.id,
    transposition: 0,
    transpositionSteps: 0,
    clefs: ['treble'],
    clefChanges: [],
    unpitched: false,
    struck: [],
    solo: false,
    channel: 1,
    program: piano.programs[0] ?? 1,
    writtenKeys: keys.map((key) => key.fifths),
    staffLines: 5,
    tablature: null,
    lines: NO_LINES,
    bars: bars.map(({ start, length }): PartBar => ({
      voices: [{ staff: 1, voice: 1, symbols: spans.flatMap((span) => symbolIn(span, start, start + length)) }],
    })),
  };
}

/** Sounding keys: the bass, and the chord above middle C. */
function chordKeys(harmony: Harmony, transposition: Semitones): MidiKey[] {
  const { root, bass } = harmony;
  if (!root) return [];
  const key = (name: typeof root, octave: number) => pitchKey({ ...name, octave }) - transposition;
  const low = (of: MidiKey, octave: number) => (((of % 12) + 12) % 12) + 12 * (octave + 1);
  const base = low(key(root, MIDDLE_OCTAVE), MIDDLE_OCTAVE);
  // A ninth and what lies above it stay where they are: they would rub against the root.
  return [low(key(bass ?? root, BASS_OCTAVE), BASS_OCTAVE), ...chordTones(harmony).map((tone) => base + tone)];
}

function symbolIn(
  { from, to, keys }: { from: WrittenUnits; to: WrittenUnits; keys: readonly MidiKey[] },
  start: WrittenUnits,
  end: WrittenUnits,
): PartBar['voices'][number]['symbols'] {
  const [begins, ends] = [Math.max(from, start), Math.min(to, end)];
  if (ends <= begins || keys.length === 0) return [];
  const notes = keys.map((key): ScoreNote => ({
    key,
    pitch: { step: 'C', alter: 0, octave: 4 },
    tieFromLast: begins > from,
    tieToNext: ends < to,
    played: [],
  }));
  return [{ at: begins - start, duration: ends - begins, type: 'whole', dots: 0, notes }];
}
