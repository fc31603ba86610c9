/* What is heard from a bar on: as it was received, or as it is written; both on the clock of the same bars. */
import type { PartId } from '../base';
import type { Performance } from '../performance';
import { secondsAtTick, ticksFromUnits, type Seconds } from '../time';
import type { Conversion } from '../to-score';
import type { SequencedFile } from '../to-sequencer';
import { heardInPerformance, heardInScore, type HeardNote } from './heard';

export const AUDITION_VERSIONS = ['received', 'written'] as const;
export type AuditionVersion = (typeof AUDITION_VERSIONS)[number];

export interface Audition {
  /** In order of start; seconds from where the audition begins. */
  notes: HeardNote[];
  /** Index of the first bar. */
  from: number;
  /** When each bar from there on begins, and when the last one ends. */
  bars: Seconds[];
}

/** Heard before the first bar: what was played early belongs to it. */
const LEAD_IN: Seconds = 0.2;

/** @param whole the score as it is written out, sequenced @param parts none for all */
export function auditionOf(
  version: AuditionVersion,
  { conversion, performance, whole }: { conversion: Conversion; performance: Performance; whole: SequencedFile },
  from: number,
  parts: readonly PartId[],
): Audition {
  const { bars } = conversion.score;
  const first = Math.max(0, Math.min(from, bars.length - 1));
  const at = (units: number) => secondsAtTick(performance.tempo, ticksFromUnits(units, performance.ticksPerQuarter));
  const origin = at(bars[first]!.start) - LEAD_IN;
  const last = bars.at(-1)!;
  const ends = [...bars.slice(first).map((bar) => bar.start), last.start + last.length];
  const notes =
    version === 'received'
      ? receivedNotes(conversion, performance, parts)
          .filter((note) => note.start >= origin)
          .map((note) => ({ ...note, start: note.start - origin }))
      : heardInScore(conversion.score, whole, { from: first, to: bars.length, parts }).map((note) => ({
          ...note,
          start: note.start + LEAD_IN,
        }));
  return {
    notes: notes.sort((a, b) => a.start - b.start),
    from: first,
    bars: ends.map((place) => at(place) - origin),
  };
}

/** On the clock of the file; what names no program sounds as the instrument it was recognised as. */
function receivedNotes({ casting }: Conversion, performance: Performance, parts: readonly PartId[]): HeardNote[] {
  return casting.parts
    .filter((part) => parts.length === 0 || parts.includes(part.id))
    .flatMap((part) => {
      const ids = new Set(part.notes.map((note) => note.id));
      const [usual = null] = part.instrument.programs;
      return heardInPerformance(performance, (note) => ids.has(note.id)).map((note) => ({
        ...note,
        program: note.program ?? usual,
      }));
    });
}
