/*
 * The time line of a performance as people mended it: notes keep their ticks, what is laid over them changes.
 *
 *     notes    x   x   x   x   x   x   x   x          the same ticks throughout
 *     4/4     |                |                      as it came
 *     3/4     |           |           |               3/4 from the beginning
 *     shifted |   |                |                  barlines a beat later: a pickup, then 4/4
 */
import {
  barLength,
  buildTempoMap,
  COMMON_TIME,
  meterOfLength,
  QUARTER,
  rampSteps,
  tempoInFile,
  ticksFromUnits,
  type Bpm,
  type Meter,
  type MeterEvent,
  type TempoEvent,
  type WrittenUnits,
} from '../time';
import type { Performance } from './performance';

/** One thing that was mended. Places are on the time line of the notes, so that they stay where they are. */
export type TimeLineEdit =
  /** A tempo from a place on; null takes the change away. */
  | { kind: 'tempo'; at: WrittenUnits; bpm: Bpm | null }
  /** Faster or slower by degrees. */
  | { kind: 'ramp'; from: WrittenUnits; to: WrittenUnits; start: Bpm; end: Bpm }
  /** Meters in turn from a barline on, up to a place or the end; an empty list lets go what begins there. */
  | { kind: 'meters'; from: WrittenUnits; to: WrittenUnits | null; meters: readonly Meter[] }
  /** Every barline from a place on so much later. */
  | { kind: 'barlines'; from: WrittenUnits; by: WrittenUnits }
  /** @property was which of several at that place */
  | { kind: 'marker'; at: WrittenUnits; text: string | null; was?: string }
  /** The bar there has this number, those after it go on; null lets them go on from before. */
  | { kind: 'number'; at: WrittenUnits; number: number | null };

/** So many bars of meters in turn are laid at most. */
const MOST_BARS = 20_000;

export function withTimeLine(performance: Performance, edits: readonly TimeLineEdit[]): Performance {
  return edits.reduce(edited, performance);
}

function edited(performance: Performance, edit: TimeLineEdit): Performance {
  switch (edit.kind) {
    case 'tempo':
      return withTempo(performance, tempoEdited(performance, edit));
    case 'ramp':
      return withTempo(performance, ramped(performance, edit));
    case 'meters':
      return { ...performance, meters: metersInTurn(performance, edit) };
    case 'barlines':
      return { ...performance, meters: shifted(performance, edit) };
    case 'marker':
      return { ...performance, markers: markersEdited(performance, edit) };
    case 'number': {
      const others = performance.numbering.filter(({ at }) => at !== edit.at);
      const numbering = edit.number === null ? others : [...others, { at: edit.at, number: edit.number }];
      return { ...performance, numbering: numbering.sort((a, b) => a.at - b.at) };
    }
  }
}

function withTempo(performance: Performance, events: readonly TempoEvent[]): Performance {
  return { ...performance, tempo: buildTempoMap(events, performance.ticksPerQuarter) };
}

const tickOf = ({ ticksPerQuarter }: Performance, at: WrittenUnits) => Math.round(ticksFromUnits(at, ticksPerQuarter));
const microseconds = (bpm: Bpm) => tempoInFile(60_000_000 / bpm);

function tempoEdited(performance: Performance, { at, bpm }: Extract<TimeLineEdit, { kind: 'tempo' }>): TempoEvent[] {
  const tick = tickOf(performance, at);
  const others = performance.tempo.events.filter((event) => event.tick !== tick);
  // The beginning always has a tempo: what stood there goes on where it is taken away.
  if (bpm === null) return tick === 0 ? [...performance.tempo.events] : others;
  return [...others, { tick, microsecondsPerQuarter: microseconds(bpm) }];
}

function ramped(
  performance: Performance,
  { from, to, start, end }: Extract<TimeLineEdit, { kind: 'ramp' }>,
): TempoEvent[] {
  const [first, last] = [tickOf(performance, from), tickOf(performance, to)];
  const others = performance.tempo.events.filter(({ tick }) => tick < first || tick > last);
  const ramp = rampSteps(from, to, start, end).map(({ at, bpm }): TempoEvent => ({
    tick: tickOf(performance, at),
    microsecondsPerQuarter: microseconds(bpm),
  }));
  return [...others, ...ramp];
}

/** The meter that holds at a place. */
function meterAt(meters: readonly MeterEvent[], at: WrittenUnits): Meter {
  const { beats, beatType, groups } = meters.findLast((event) => event.at <= at) ?? COMMON_TIME;
  return groups ? { beats, beatType, groups } : { beats, beatType };
}

function metersInTurn(
  { meters, lastNoteEnd, ticksPerQuarter }: Performance,
  { from, to, meters: pattern }: Extract<TimeLineEdit, { kind: 'meters' }>,
): MeterEvent[] {
  if (pattern.length === 0) return meters.filter((event) => event.at !== from || event.at === 0);
  const end = to ?? Infinity;
  const before = meters.filter((event) => event.at < from);
  const after = meters.filter((event) => event.at >= end);
  const inTurn: MeterEvent[] = [];
  const reaches = Math.min(end, (lastNoteEnd / ticksPerQuarter) * QUARTER + QUARTER);
  // One meter goes on by itself; several have to be said bar by bar.
  const bars = pattern.length === 1 ? 1 : MOST_BARS;
  for (let at = from, i = 0; i < bars && (i === 0 || at < reaches); i++) {
    const meter = pattern[i % pattern.length]!;
    inTurn.push({ at, ...meter });
    at += barLength(meter);
  }
  const goesOn = to !== null && after[0]?.at !== to ? [{ at: to, ...meterAt(meters, to) }] : [];
  return [...before, ...inTurn, ...goesOn, ...after];
}

function shifted({ meters }: Performance, { from, by }: Extract<TimeLineEdit, { kind: 'barlines' }>): MeterEvent[] {
  const there = meterAt(meters, from);
  const length = barLength(there);
  const later = ((by % length) + length) % length;
  const short = later === 0 ? null : meterOfLength(later);
  if (!short) return [...meters];
  const before = meters.filter((event) => event.at < from);
  const after = meters.filter((event) => event.at > from).map((event) => ({ ...event, at: event.at + later }));
  return [...before, { at: from, ...short }, { at: from + later, ...there }, ...after];
}

function markersEdited(
  performance: Performance,
  { at, text, was }: Extract<TimeLineEdit, { kind: 'marker' }>,
): Performance['markers'] {
  const tick = tickOf(performance, at);
  const others = performance.markers.filter(
    (marker) => Math.round(marker.tick) !== tick || (was !== undefined && marker.text !== was),
  );
  const added = text === null ? [] : [{ tick, kind: 'marker' as const, text }];
  return [...others, ...added].sort((a, b) => a.tick - b.tick);
}
