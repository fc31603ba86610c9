/*
 * Which instrument of its player each note of a part is for: as the programs of its tracks say, and before that as people
 * decided for some bars.
 */
import { instrumentById, type Instrument } from '../instruments';
import { barsOfPerformance, type NoteId, type Performance, type PlayedNote } from '../performance';
import type { TakenUp } from '../settings';
import { barIndexAt, writtenUnits } from '../time';
import type { CastPart } from './casting';
import type { WrittenTrack } from './group-tracks';

/** The instrument that was decided for a note; null where nothing was. */
export type Decided = (note: PlayedNote) => Instrument | null;

/** @param takenUp of one part */
export function barsTaken(takenUp: readonly TakenUp[], performance: Performance): Decided {
  if (takenUp.length === 0) return () => null;
  const starts = barsOfPerformance(performance).map(({ start }) => start);
  return ({ start }) => {
    const bar = barIndexAt(starts, writtenUnits(start, performance.ticksPerQuarter));
    const last = takenUp.findLast(({ bars }) => bar >= bars.from && bar < bars.to);
    return last ? instrumentById(last.instrument) : null;
  };
}

/** @param notes of one player */
export function doublingsOf(
  group: readonly WrittenTrack[],
  notes: readonly PlayedNote[],
  own: Instrument,
  decided: Decided,
): Pick<CastPart, 'doublings' | 'doublingOf'> {
  const doublings: Instrument[] = [];
  const doublingOf = new Map<NoteId, number>();
  if (own.unpitched) return { doublings, doublingOf };
  for (const note of notes) {
    const instrument = decided(note) ?? group.map(({ changes }) => changes.doublingOf.get(note.id)).find(Boolean);
    if (!instrument || instrument.id === own.id || instrument.unpitched) continue;
    if (!doublings.includes(instrument)) doublings.push(instrument);
    doublingOf.set(note.id, doublings.indexOf(instrument));
  }
  return { doublings, doublingOf };
}
