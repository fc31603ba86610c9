import type { Unit } from '../base';

/*
 * The units of time and pitch used everywhere in the core. Arithmetic stays plain; ticks where units are wanted, or a
 * played place where a written one is, do not compile.
 */

/** Sequencer time: the file's own ticks, counted from its start. */
export type Ticks = Unit<'ticks'>;

/** Written time: an integer count of 1/10080 of a quarter note. Exact for 128th notes and 3-, 5-, 6-, 7-, 9-tuplets. */
export type WrittenUnits = Unit<'written'>;

/** A place on the written time line that was *played* there: the same scale as WrittenUnits, but not rounded. */
export type PlayedUnits = Unit<'written' | 'played'>;

/** Clock time in seconds from the start of the file. */
export type Seconds = Unit<'seconds'>;

export type Milliseconds = Unit<'milliseconds'>;

/** Quarter notes a minute. */
export type Bpm = Unit<'bpm'>;

/** Tempo as Standard MIDI Files carry it. */
export type MicrosecondsPerQuarter = Unit<'microseconds a quarter'>;

/** MIDI key number, 0–127; 60 is middle C. */
export type MidiKey = Unit<'key'>;

export type Semitones = Unit<'semitones'>;

/** Written units in a quarter note: 2^5 · 3^2 · 5 · 7. */
export const QUARTER: WrittenUnits = 10080;

/** 120 quarter notes a minute, what a Standard MIDI File means when it says nothing. */
export const DEFAULT_TEMPO: MicrosecondsPerQuarter = 500_000;

/** Ticks to a place on the written time line, not rounded. */
export function playedUnits(ticks: Ticks, ticksPerQuarter: number): PlayedUnits {
  return (ticks * QUARTER) / ticksPerQuarter;
}

/** Ticks to the nearest written unit. */
export function writtenUnits(ticks: Ticks, ticksPerQuarter: number): WrittenUnits {
  return Math.round(playedUnits(ticks, ticksPerQuarter));
}

/** Written units to ticks, not rounded. */
export function exactTicks(units: PlayedUnits, ticksPerQuarter: number): number {
  return (units * ticksPerQuarter) / QUARTER;
}

/** Written units to the nearest tick. */
export function ticksFromUnits(units: PlayedUnits, ticksPerQuarter: number): Ticks {
  return Math.round(exactTicks(units, ticksPerQuarter));
}

export function bpmFromMicroseconds(tempo: MicrosecondsPerQuarter): Bpm {
  return 60_000_000 / tempo;
}

/** As a Standard MIDI File can say it: whole microseconds in three bytes. */
export function tempoInFile(tempo: MicrosecondsPerQuarter): MicrosecondsPerQuarter {
  return Math.max(1, Math.min(0xffffff, Math.round(tempo)));
}
