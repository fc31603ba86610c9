/*
 * Loudness: how loud a part sounds over time, as its source says it.
 *
 * Takes the played part; gives points on a scale of velocities (0–127), one for each strike, and further ones inside
 * long notes where a controller moves. Struck and plucked sounds are as loud as their velocity. Sustained sounds are
 * often played with the modulation controller (1) while their velocity says nothing; expression (11) and channel volume
 * (7) scale whatever there is, where they move (common practice of sample players, no source).
 */
import { say } from '../../words';
import { QUARTER, type PlayedUnits, type WrittenUnits } from '../../time';
import { valueAt, type ControlPoint, type PlayedPart, type Strike } from './marked-part';

export interface LoudnessPoint {
  at: WrittenUnits;
  staff: number;
  value: number;
}

export interface Loudness {
  points: LoudnessPoint[];
  /** Which of the source's values were used, in words; empty when none of them says anything. */
  from: string[];
  /** Velocities vary from note to note by chance; a moving controller does not. */
  continuous: boolean;
}

const MODULATION = 1;
const VOLUME = 7;
const EXPRESSION = 11;
const SCALES = [EXPRESSION, VOLUME] as const;

/** A controller that covers less than this is a setting, not playing. */
const MOVES_BY = 10;
const LEAST_MOVES = 4;
const INSIDE: WrittenUnits = QUARTER / 2;

/** Largest value of each controller that scales loudness, in any part where it moves. */
export type LoudestValues = Readonly<Record<number, number>>;

/** Over all parts, so that equal controllers are equally loud whoever plays. */
export function loudestValues(parts: readonly PlayedPart[]): LoudestValues {
  const most: Record<number, number> = {};
  for (const { strikes, controls } of parts)
    for (const controller of SCALES) {
      const points = controls.get(controller) ?? [];
      if (!moves(points, spanOf(strikes))) continue;
      most[controller] = points.reduce((value, point) => Math.max(value, point.value), most[controller] ?? 1);
    }
  return most;
}

const spanOf = (strikes: readonly Strike[]): [PlayedUnits, PlayedUnits] => [
  strikes[0]?.start ?? 0,
  strikes.reduce((last, strike) => Math.max(last, strike.end), 0),
];

/** @param loudest of the whole ensemble */
export function loudnessOf({ instrument, strikes, controls }: PlayedPart, loudest: LoudestValues): Loudness {
  const span = spanOf(strikes);
  const struck =
    instrument.unpitched ||
    instrument.family === 'keyboard' ||
    instrument.family === 'plucked' ||
    instrument.family === 'percussion';
  const moving = (controller: number) => {
    const points = controls.get(controller) ?? [];
    return moves(points, span) ? points : null;
  };
  const modulation = struck ? null : moving(MODULATION);
  const scales = SCALES.flatMap((controller) => {
    const points = moving(controller);
    return points ? [{ points, most: loudest[controller]! }] : [];
  });
  const velocitiesVary = new Set(strikes.map(({ velocity }) => velocity)).size > 1;
  const velocities = velocitiesVary ? say('doubts.velocity') : '';
  const from = [
    modulation ? say('doubts.controllerNumber', { controller: MODULATION }) : velocities,
    ...SCALES.map((controller) => (moving(controller) ? say('doubts.controllerNumber', { controller }) : '')),
  ].filter(Boolean);
  if (from.length === 0) return { points: [], from, continuous: false };

  const loudness = (strike: Strike, at: PlayedUnits) =>
    scales.reduce(
      (value, { points, most }) => (value * valueAt(points, at)) / most,
      modulation ? valueAt(modulation, at) : strike.velocity,
    );
  const continuous = modulation !== null || scales.length > 0;
  const points: LoudnessPoint[] = [];
  for (const strike of strikes) {
    points.push({
      at: strike.start,
      staff: strike.staff,
      value: loudness(strike, Math.min(strike.start + QUARTER / 8, strike.end)),
    });
    if (continuous && !struck)
      for (let at = strike.start + INSIDE; at + INSIDE / 2 <= strike.end; at += INSIDE)
        points.push({ at, staff: strike.staff, value: loudness(strike, at) });
  }
  return { points: loudestAtEachPlace(points), from, continuous };
}

function moves(points: readonly ControlPoint[], [first, last]: [number, number]): boolean {
  const within = points.filter(({ at }) => at >= first - QUARTER && at <= last);
  if (within.length < LEAST_MOVES) return false;
  const values = within.map(({ value }) => value);
  return Math.max(...values) - Math.min(...values) >= MOVES_BY;
}

function loudestAtEachPlace(points: readonly LoudnessPoint[]): LoudnessPoint[] {
  const byPlace = new Map<WrittenUnits, LoudnessPoint>();
  for (const point of points) {
    const there = byPlace.get(point.at);
    if (!there || there.value < point.value)
      byPlace.set(point.at, there ? { ...point, staff: Math.min(point.staff, there.staff) } : point);
  }
  return [...byPlace.values()].sort((a, b) => a.at - b.at);
}
