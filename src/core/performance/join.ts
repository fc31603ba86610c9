import { QUARTER, type Ticks } from '../time';
import { barsOfPerformance } from './file-facts';
import type { Performance } from './performance';

/**
 * Several originals of one job as one performance. Tempo, meters, keys and markers are the first one's; the tracks of the
 * others are brought to its resolution and to the bar at which they begin. Their ids get a prefix ("o2t3"), their notes
 * numbers that follow on.
 *
 * @param offsets bars after the first bar, by the original's number from 2; none means bar 1
 */
export function joinPerformances(performances: readonly Performance[], offsets: Readonly<Record<number, number>>): Performance {
  const [first, ...others] = performances;
  if (!first) throw new RangeError('a job has at least one original');
  if (others.length === 0) return first;
  const bars = barsOfPerformance(first);
  const { ticksPerQuarter } = first;
  const fullBar = bars.find((bar) => !bar.implicit) ?? bars[0]!;
  let nextId = noteCount(first);
  const tracks = [...first.tracks];
  const warnings = [...first.warnings];
  let { lastNoteEnd } = first;
  others.forEach((other, i) => {
    const number = i + 2;
    const later = offsets[number] ?? 0;
    const start = bars[later]?.start ?? bars.at(-1)!.start + bars.at(-1)!.length + (later - bars.length) * fullBar.length;
    const shift: Ticks = Math.round((start / QUARTER) * ticksPerQuarter);
    const move = (tick: Ticks): Ticks => Math.round((tick * ticksPerQuarter) / other.ticksPerQuarter) + shift;
    const prefix = (id: string) => `o${number}${id}`;
    for (const track of other.tracks) {
      tracks.push({
        ...track,
        id: prefix(track.id),
        notes: track.notes.map((note) => ({ ...note, id: nextId + note.id, start: move(note.start), end: Math.max(move(note.start) + 1, move(note.end)) })),
        controllers: track.controllers.map((event) => ({ ...event, tick: move(event.tick) })),
        programs: track.programs.map((event) => ({ ...event, tick: move(event.tick) })),
        texts: track.texts.map((event) => ({ ...event, tick: move(event.tick) })),
      });
    }
    warnings.push(...other.warnings.map((warning) => ({ ...warning, track: warning.track && prefix(warning.track), message: `Original ${number}: ${warning.message}` })));
    if (other.lastNoteEnd > 0) lastNoteEnd = Math.max(lastNoteEnd, move(other.lastNoteEnd));
    nextId += noteCount(other);
  });
  return { ...first, tracks, warnings, lastNoteEnd };
}

function noteCount(performance: Performance): number {
  return performance.tracks.reduce((sum, track) => sum + track.notes.length, 0);
}
