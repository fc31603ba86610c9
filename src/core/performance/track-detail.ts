import { playedUnits, type MidiKey, type PlayedUnits } from '../time';
import type { Performance, PlayedTrack, TrackId } from './performance';

/** One track's contents in a form that can be drawn. */
export interface TrackDetail {
  id: TrackId;
  notes: { key: MidiKey; velocity: number; start: PlayedUnits; end: PlayedUnits }[];
  /** Values over time, thinned to at most MOST_POINTS a controller by keeping the extremes of each stretch. */
  controllers: { controller: number; points: { at: PlayedUnits; value: number }[] }[];
}

const MOST_POINTS = 400;

export function trackDetail(track: PlayedTrack, { ticksPerQuarter }: Performance): TrackDetail {
  const units = (tick: number) => playedUnits(tick, ticksPerQuarter);
  const byController = new Map<number, { at: PlayedUnits; value: number }[]>();
  for (const { tick, controller, value } of track.controllers) {
    const points = byController.get(controller) ?? [];
    points.push({ at: units(tick), value });
    byController.set(controller, points);
  }
  return {
    id: track.id,
    notes: track.notes.map(({ key, velocity, start, end }) => ({
      key,
      velocity,
      start: units(start),
      end: units(end),
    })),
    controllers: [...byController]
      .sort((a, b) => a[0] - b[0])
      .map(([controller, points]) => ({ controller, points: thinned(points) })),
  };
}

function thinned<T extends { value: number }>(points: T[]): T[] {
  if (points.length <= MOST_POINTS) return points;
  const size = Math.ceil((points.length * 2) / MOST_POINTS);
  const kept: T[] = [];
  for (let i = 0; i < points.length; i += size) {
    const stretch = points.slice(i, i + size);
    const low = stretch.reduce((a, b) => (b.value < a.value ? b : a));
    const high = stretch.reduce((a, b) => (b.value > a.value ? b : a));
    kept.push(...(points.indexOf(low, i) <= points.indexOf(high, i) ? [low, high] : [high, low]));
  }
  return kept;
}
