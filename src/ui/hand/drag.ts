import { asOne, type Decision } from '@/core/decisions';
import type { Bar } from '@/core/time';
import { barIndexAt } from '@/core/time';
import { pitchName } from '@/core/score';
import { timeAt, xAt, type Geometry } from '../interlinear/geometry';
import { useWorkspace, type NoteInView } from '../job/workspace';
import { count } from '../shared/words';
import { lengthenBy, moveTo, type Held } from './actions';
import { pitchOn, semitonesFor, signatureOf } from './pitches';
import { diatonicNumber } from '@/core/score';

/* What dragging picked notes comes to: steps in time or in length, or places on the staff. */

export type DragWay = 'time' | 'length' | 'pitch';

export interface Dragged {
  way: DragWay;
  /** How far the notes are shown away from where they stand, in CSS pixels. */
  dx: number;
  dy: number;
  /** What will be decided, in words. */
  words: string;
  decision: Decision | null;
}

/** Half the distance of two lines: a place on the staff. */
export function placeHeight(geometry: Geometry): number {
  const lines = geometry.staves[0]?.lines;
  return lines ? Math.max(2, (lines.bottom - lines.top) / 8) : 4;
}

export function dragged(of: Held, way: DragWay, by: { x: number; y: number }, geometry: Geometry): Dragged {
  return way === 'pitch' ? inPitch(of, by.y, geometry) : inTime(of, way, by.x, geometry);
}

function inTime(of: Held, way: 'time' | 'length', dx: number, geometry: Geometry): Dragged {
  const [first] = of.notes;
  if (!first) return { way, dx: 0, dy: 0, words: '', decision: null };
  const edge = way === 'time' ? first.start : first.end;
  const x = xAt(geometry, edge, way === 'time' ? 'start' : 'end');
  const away = timeAt(geometry, x + dx) - timeAt(geometry, x);
  const steps = Math.round(away / of.step);
  const by = steps * of.step;
  const decision = way === 'time' ? moveTo(of, by) : lengthenBy(of, by);
  const direction = way === 'time' ? ['earlier', 'later'] : ['shorter', 'longer'];
  const shown = way === 'time' ? xAt(geometry, edge + by, 'start') - x : 0;
  return {
    way,
    dx: shown,
    dy: 0,
    words: steps === 0 ? 'where it was' : `${count(Math.abs(steps), 'step', 'steps')} ${direction[steps < 0 ? 0 : 1]}`,
    decision,
  };
}

function inPitch({ part, notes }: Held, dy: number, geometry: Geometry): Dragged {
  const height = placeHeight(geometry);
  const places = part.unpitched ? 0 : Math.round(-dy / height);
  const shifts = notes.map((note) => ({ note, semitones: semitonesFor(note.pitch, places, signatureAt(part, note)) }));
  const decisions = [...new Set(shifts.map(({ semitones }) => semitones))]
    .filter((semitones) => semitones !== 0)
    .map((semitones): Decision => ({
      kind: 'shiftNotes',
      part: part.id,
      notes: shifts.flatMap((one) => (one.semitones === semitones ? one.note.played.slice(0, 1) : [])),
      semitones,
    }));
  return {
    way: 'pitch',
    dx: 0,
    dy: -places * height,
    words: pitchWords(part, notes, places),
    decision: decisions.length > 0 ? asOne(decisions) : null,
  };
}

function pitchWords(part: Held['part'], notes: readonly NoteInView[], places: number): string {
  if (part.unpitched) return 'percussion keeps its place';
  const [first] = notes;
  if (!first || places === 0) return 'where it was';
  const name = pitchName(pitchOn(diatonicNumber(first.pitch) + places, signatureAt(part, first)));
  return `${pitchName(first.pitch)} becomes ${name}`;
}

export function signatureAt(part: Held['part'], { start }: { start: number }): number {
  const { summary } = useWorkspace.getState();
  return signatureOf(part, summary?.keys ?? [], barOf(summary?.bars ?? [], start));
}

function barOf(bars: readonly Bar[], at: number): number {
  return bars.length === 0
    ? 0
    : barIndexAt(
        bars.map(({ start }) => start),
        at,
      );
}
