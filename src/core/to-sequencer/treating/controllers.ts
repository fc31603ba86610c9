/*
 * Dynamics on another carrier: the strength of notes as a controller's curve, a curve as the strength of notes; and curves
 * with as few values as keep their shape.
 */
import { highest } from '../../base';
import { lastNotAfter } from '../../time';

/** A value of a controller from a place on. */
export interface CurveValue {
  at: number;
  value: number;
}

/** One value for each strike, the strongest note's; equal ones are not said again. */
export function curveOfStrengths(notes: readonly { start: number; velocity: number }[]): CurveValue[] {
  const byStart = new Map<number, number[]>();
  for (const { start, velocity } of notes) byStart.set(start, [...(byStart.get(start) ?? []), velocity]);
  const curve = [...byStart].map(([at, all]) => ({ at, value: highest(all) })).sort((a, b) => a.at - b.at);
  return curve.filter(({ value }, i) => value !== curve[i - 1]?.value);
}

/** The notes as strong as the curve stands when they begin; before its first value they keep their own. */
export function strengthsOfCurve<T extends { start: number; velocity: number }>(
  notes: readonly T[],
  curve: readonly CurveValue[],
): T[] {
  if (curve.length === 0) return [...notes];
  const places = curve.map(({ at }) => at);
  return notes.map((note) =>
    note.start < places[0]! ? note : { ...note, velocity: Math.max(1, curve[lastNotAfter(places, note.start)]!.value) },
  );
}

/**
 * Values left out as long as each one that was said stays within so many steps of the one that holds there. The first and
 * the last are kept.
 */
export function thinned<T extends CurveValue>(curve: readonly T[], within: number): T[] {
  const kept: T[] = [];
  curve.forEach((one, i) => {
    const now = kept.at(-1);
    const last = i === curve.length - 1;
    if (!now || Math.abs(one.value - now.value) > within || (last && one.value !== now.value)) kept.push(one);
  });
  return kept;
}
