/* The stages on the way to a sequencer, with the inputs they need. */
import { stage, type NoteId } from '../base';
import type { Part, Score } from '../score';
import type { BarSpan, Loosening, SequencerSettings, Treating } from '../settings';
import { QUARTER, type Bar, type MidiKey, type WrittenUnits } from '../time';
import { loudnessCurve, type CurvePoint } from './dynamics/loudness-curve';
import { loosened } from './loosening/loosen';
import { withChordsPlayed } from './playing/chords-played';
import { performSounds, type PerformedNote, type Playing } from './playing/perform';
import { soundsOfPart, type Sound } from './playing/sounds';
import { treated } from './treating/treat';
import { playedTempos, type PlayedTempo } from './timeline/tempo';
import { timeLineOf, type TimeLine } from './timeline/time-line';

/** The bars in the order they are played. */
export const timeLine = stage(
  'time line',
  ({ score, ...chosen }: { score: Score } & Pick<SequencerSettings, 'playRepeats' | 'onlyBars' | 'padPickup'>) =>
    timeLineOf(score, chosen),
);

export const tempos = stage('tempos', ({ score, line }: { score: Score; line: TimeLine }) => playedTempos(score, line));

/** Symbols as notes with their times. */
export const sounds = stage(
  'sounds',
  ({ part, score, line, cues }: { part: Part; score: Score; line: TimeLine; cues: boolean }) =>
    soundsOfPart(part, score, line, cues),
);

/** The score with its chord symbols as a part that plays them. */
export const chordsPlayed = stage('chords played', ({ score }: { score: Score }) => withChordsPlayed(score));

/** How loud a part is meant to be. */
export const curve = stage('curve', ({ part, levels }: { part: Part; levels: SequencerSettings['levels'] }) =>
  loudnessCurve(part, levels),
);

/** Lengths and velocities; ornaments played out. */
export const performed = stage(
  'performed',
  ({
    sounds: written,
    curve: loudness,
    byVelocity,
    tempos: at,
    strengths,
    ...playing
  }: Playing & {
    sounds: readonly Sound[];
    curve: readonly CurvePoint[];
    byVelocity: boolean;
    tempos: readonly PlayedTempo[];
    /** Of notes that somebody played; they count before every sign. */
    strengths: ReadonlyMap<NoteId, number> | null;
  }) => {
    const notes = performSounds(written, playing, { curve: loudness, byVelocity, unitsOf: unitsAt(at) });
    if (!strengths) return notes;
    return notes.map((note) => ({ ...note, velocity: strengths.get(note.sound.played[0] ?? -1) ?? note.velocity }));
  },
);

/** Seeded variation on top; what is struck may be struck on another key. */
export const loose = stage(
  'loose',
  ({
    notes,
    loosening,
    at,
    score,
    tempos: speeds,
    drumKeys,
  }: {
    notes: readonly PerformedNote[];
    loosening: Loosening;
    /** Number of the part, so that parts do not all err alike. */
    at: number;
    score: Score;
    tempos: readonly PlayedTempo[];
    drumKeys: Readonly<Record<number, MidiKey>> | undefined;
  }): PerformedNote[] => {
    const varied = loosened(notes, loosening, at, score, unitsAt(speeds));
    return drumKeys ? varied.map((note) => ({ ...note, key: drumKeys[note.key] ?? note.key })) : varied;
  },
);

/** What was decided about how a part is played, on top of everything. */
export const shaped = stage(
  'shaped',
  ({
    notes,
    treatments,
    at,
    line,
    score,
    tempos: speeds,
  }: {
    notes: readonly PerformedNote[];
    treatments: readonly Treating[];
    at: number;
    line: TimeLine;
    score: Score;
    tempos: readonly PlayedTempo[];
  }): PerformedNote[] => {
    // Bars as they are played, each with what it is on paper.
    const bars = line.bars.map(({ bar, start, length }, index): Bar => ({ ...score.bars[bar]!, index, start, length }));
    const written = (span: BarSpan) => ({
      from: line.bars.findIndex(({ bar }) => bar >= span.from && bar < span.to),
      to: line.bars.findLastIndex(({ bar }) => bar >= span.from && bar < span.to) + 1,
    });
    const placed = treatments.map(({ does, bars: span }) => ({ does, bars: span && written(span) }));
    return treated(notes, placed, { bars, swing: [], part: at, unitsOf: unitsAt(speeds) });
  },
);

/** Written units that a time takes at a place. */
function unitsAt(at: readonly PlayedTempo[]): (milliseconds: number, place: WrittenUnits) => number {
  return (milliseconds, place) => {
    const bpm = at.findLast((tempo) => tempo.at <= place)?.bpm ?? at[0]!.bpm;
    return (milliseconds / 1000) * (bpm / 60) * QUARTER;
  };
}
