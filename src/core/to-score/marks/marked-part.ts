import type { Instrument } from '../../instruments';
import type { ControllerEvent } from '../../performance';
import { voiceNumber } from '../../score';
import type { PlayedUnits, Seconds, WrittenUnits } from '../../time';
import type { EndedNote } from '../layout/durations';
import type { StaffNotes } from '../layout/staff-notes';

/** Notes of one voice that start together. */
export interface Strike {
  start: WrittenUnits;
  end: WrittenUnits;
  staff: number;
  /** Of the part, from 1. */
  voice: number;
  notes: readonly EndedNote[];
  /** Of the loudest note. */
  velocity: number;
  onsetSeconds: Seconds;
  releaseSeconds: Seconds;
}

/** A controller's value from a place on. */
export interface ControlPoint {
  at: PlayedUnits;
  value: number;
}

/** What the mark stages look at: a part's written notes as they were played, and its controllers. */
export interface PlayedPart {
  instrument: Pick<Instrument, 'family' | 'unpitched' | 'polyphonic' | 'id' | 'clefs'>;
  /** In order of start. */
  strikes: readonly Strike[];
  controls: ReadonlyMap<number, readonly ControlPoint[]>;
}

/** @param placeOf a tick on the written time line, the track's lead taken out */
export function playedPart(
  instrument: PlayedPart['instrument'],
  staves: readonly StaffNotes[],
  controllers: readonly ControllerEvent[],
  placeOf: (tick: number) => PlayedUnits,
): PlayedPart {
  const strikes = staves.flatMap(({ staff, notes, voices }) => {
    const byPlace = new Map<string, EndedNote[]>();
    notes.forEach((note, n) => {
      const slot = `${voices[n]}/${note.start}`;
      const there = byPlace.get(slot);
      if (there) there.push(note);
      else byPlace.set(slot, [note]);
    });
    return [...byPlace].map(([slot, chord]): Strike => ({
      start: chord[0]!.start,
      end: chord[0]!.end,
      staff,
      voice: voiceNumber(staff, Number(slot.split('/')[0])),
      notes: chord,
      velocity: Math.max(...chord.map((note) => note.velocity)),
      onsetSeconds: Math.min(...chord.map((note) => note.onsetSeconds)),
      releaseSeconds: Math.max(...chord.map((note) => note.releaseSeconds)),
    }));
  });
  strikes.sort((a, b) => a.start - b.start || a.voice - b.voice);
  const controls = new Map<number, ControlPoint[]>();
  for (const { tick, controller, value } of controllers) {
    const list = controls.get(controller);
    const point = { at: placeOf(tick), value };
    if (list) list.push(point);
    else controls.set(controller, [point]);
  }
  for (const list of controls.values()) list.sort((a, b) => a.at - b.at);
  return { instrument, strikes, controls };
}

/** Strikes of each voice, in order of start. */
export function byVoice(strikes: readonly Strike[]): Strike[][] {
  const voices = new Map<number, Strike[]>();
  for (const strike of strikes) {
    const list = voices.get(strike.voice);
    if (list) list.push(strike);
    else voices.set(strike.voice, [strike]);
  }
  return [...voices.values()];
}

/** Value in force at a place; the first one reaches back. */
export function valueAt(points: readonly ControlPoint[], at: PlayedUnits): number {
  let low = 0;
  let high = points.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (points[middle]!.at <= at) low = middle;
    else high = middle - 1;
  }
  return points[low]?.value ?? 0;
}
