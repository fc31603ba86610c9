/*
 * Loudness: how loud a part sounds over time, as its source says it.
 *
 * Takes the played part; gives points on a scale of velocities (0–127), one for each strike, and further ones inside
 * long notes where a controller moves. Struck and plucked sounds are as loud as their velocity. Sustained sounds are
 * often played with the modulation controller (1) while their velocity says nothing; expression (11) and channel volume
 * (7) scale whatever there is, where they move (common practice of sample players, no source).
 */
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

/** A controller that covers less than this is a setting, not playing. */
const MOVES_BY = 10;
const LEAST_MOVES = 4;
const INSIDE: WrittenUnits = QUARTER / 2;

export function loudnessOf({ instrument, strikes, controls }: PlayedPart): Loudness {
  const span: [PlayedUnits, PlayedUnits] = [
    strikes[0]?.start ?? 0,
    strikes.reduce((last, strike) => Math.max(last, strike.end), 0),
  ];
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
  const scales = [moving(EXPRESSION), moving(VOLUME)].filter((points) => points !== null);
  const velocitiesVary = new Set(strikes.map(({ velocity }) => velocity)).size > 1;
  const velocities = velocitiesVary ? 'velocity' : '';
  const from = [
    modulation ? 'controller 1' : velocities,
    ...[EXPRESSION, VOLUME].map((controller) => (moving(controller) ? `controller ${controller}` : '')),
  ].filter(Boolean);
  if (from.length === 0) return { points: [], from, continuous: false };

  const loudest = scales.map((points) => points.reduce((most, point) => Math.max(most, point.value), 1));
  const loudness = (strike: Strike, at: PlayedUnits) =>
    scales.reduce(
      (value, points, i) => (value * valueAt(points, at)) / loudest[i]!,
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
