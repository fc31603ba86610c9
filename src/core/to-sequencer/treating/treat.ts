/*
 * Treating: how notes are played is changed, part by part and range by range, in the order it was decided. Which notes
 * there are never changes, and without a treatment they come back as they were.
 *
 *     quantize     x  x   x    →   x   x   x        closeGaps    == == .. ==   →   ===== .. ==
 *     trimOverlaps ====           ===               accents      70 70 70 70   →   82 74 64 74
 *                     ====   →       ====
 */
import type { PartId } from '../../base';
import type { Score, SwingMark } from '../../score';
import type { BarSpan, Treating, Treatment } from '../../settings';
import { barIndexAt, QUARTER, type Bar } from '../../time';
import { loosened, type Looseable } from '../loosening/loosen';
import { closedGaps, trimmedOverlaps } from './lengths';
import { quantized } from './quantize';
import { accented, levelled, scaled } from './strengths';

/** A note as treatments see it: places in written units, not rounded. */
export interface TreatedNote {
  start: number;
  end: number;
  key: number;
  velocity: number;
}

/** What treatments know of the piece. */
export interface Treated {
  bars: readonly Bar[];
  swing: readonly SwingMark[];
  /** Number of the part, so that parts do not all err alike. */
  part: number;
  /** Written units that a time takes at a place. */
  unitsOf: (milliseconds: number, at: number) => number;
}

/** The treatments of a part, or of all. */
export function treatmentsOf(treatments: readonly Treating[], part: PartId): readonly Treating[] {
  return treatments.filter((one) => one.part === null || one.part === part);
}

/** @param notes in any order @returns in the same order */
export function treated<T extends TreatedNote>(
  notes: readonly T[],
  treatments: readonly Pick<Treating, 'bars' | 'does'>[],
  piece: Treated,
): T[] {
  return treatments.reduce(
    (now, { bars, does }) => inBars(now, bars, piece, (some) => treat(some, does, piece)),
    [...notes],
  );
}

/** Only the notes that begin in some bars are changed; they are looked at by themselves. */
function inBars<T extends TreatedNote>(
  notes: T[],
  span: BarSpan | null,
  { bars }: Treated,
  change: (notes: T[]) => T[],
): T[] {
  if (!span) return change(notes);
  const starts = bars.map((bar) => bar.start);
  const inside = (note: T) => {
    const bar = barIndexAt(starts, note.start + NEARLY);
    return bar >= span.from && bar < span.to;
  };
  const chosen = notes.filter(inside);
  const changed = new Map(change(chosen).map((note, i) => [chosen[i]!, note]));
  return notes.map((note) => changed.get(note) ?? note);
}

/** A note this little before a barline belongs to the bar behind it. */
const NEARLY: number = QUARTER / 16;

function treat<T extends TreatedNote>(notes: T[], does: Treatment, piece: Treated): T[] {
  switch (does.kind) {
    case 'quantize':
      return quantized(notes, does, piece.bars);
    case 'closeGaps':
      return closedGaps(notes, does.upTo);
    case 'trimOverlaps':
      return trimmedOverlaps(notes);
    case 'level':
      return levelled(notes, does.velocity);
    case 'scale':
      return scaled(notes, does.weakest, does.strongest);
    case 'accents':
      return accented(notes, does, piece.bars);
    case 'loosen':
      return loose(notes, does.loosening, piece);
    case 'toController':
      // The curve is made of the velocities before they are gone: controllers.ts.
      return levelled(notes, does.velocity);
    case 'toVelocity':
    case 'thin':
      return notes;
  }
}

function loose<T extends TreatedNote>(
  notes: T[],
  loosening: Extract<Treatment, { kind: 'loosen' }>['loosening'],
  { bars, swing, part, unitsOf }: Treated,
): T[] {
  const starts = bars.map((bar) => bar.start);
  const placed = notes.map((note): Looseable & { note: T } => ({
    start: note.start,
    end: note.end,
    key: note.key,
    velocity: note.velocity,
    note,
    sound: { written: nearPlace(note.start), bar: barIndexAt(starts, note.start + NEARLY) },
  }));
  const score: Pick<Score, 'bars' | 'swing'> = { bars: [...bars], swing: [...swing] };
  return loosened(placed, loosening, part, score, unitsOf).map(({ note, start, end, velocity }) => ({
    ...note,
    start,
    end,
    velocity,
  }));
}

/** The thirty-second nearest to a played place: what its place in the bar is. */
function nearPlace(at: number): number {
  const step: number = QUARTER / 8;
  return Math.round(at / step) * step;
}
