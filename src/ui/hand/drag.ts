import { say } from '@/core/words';
import { asOne, type Decision } from '@/core/decisions';
import type { Bar } from '@/core/time';
import { barIndexAt } from '@/core/time';
import { pitchName } from '@/core/score';
import { timeAt, xAt, type Geometry } from '../engraved/geometry';
import { barsOnDesk, keysOnDesk, useWorkspace, type NoteInView } from '../workspace/workspace';
import { lengthenBy, moveTo, type Held } from './changes';
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

/** @param all what is picked, part by part; the one that was pressed first: the others go as far as it does */
export function dragged(all: readonly Held[], way: DragWay, by: { x: number; y: number }, geometry: Geometry): Dragged {
  return way === 'pitch' ? inPitch(all, by.y, geometry) : inTime(all, way, by.x, geometry);
}

function inTime(all: readonly Held[], way: 'time' | 'length', dx: number, geometry: Geometry): Dragged {
  const [of] = all;
  const first = of?.notes[0];
  if (!of || !first) return { way, dx: 0, dy: 0, words: '', decision: null };
  const edge = way === 'time' ? first.start : first.end;
  const x = xAt(geometry, edge, way === 'time' ? 'start' : 'end');
  const away = timeAt(geometry, x + dx) - timeAt(geometry, x);
  const steps = Math.round(away / of.step);
  const by = steps * of.step;
  const decision = together(all.map((one) => (way === 'time' ? moveTo(one, by) : lengthenBy(one, by))));
  const direction =
    way === 'time' ? [say('hand.earlier2'), say('hand.later2')] : [say('hand.shorter2'), say('hand.longer2')];
  const shown = way === 'time' ? xAt(geometry, edge + by, 'start') - x : 0;
  return {
    way,
    dx: shown,
    dy: 0,
    words:
      steps === 0
        ? say('hand.unchanged')
        : `${say('hand.step', { steps: Math.abs(steps) })} ${direction[steps < 0 ? 0 : 1]}`,
    decision,
  };
}

const together = (decisions: readonly (Decision | null)[]): Decision | null => {
  const made = decisions.filter((one) => one !== null);
  return made.length > 0 ? asOne(made) : null;
};

function inPitch(all: readonly Held[], dy: number, geometry: Geometry): Dragged {
  const height = placeHeight(geometry);
  const [of] = all;
  if (!of) return { way: 'pitch', dx: 0, dy: 0, words: '', decision: null };
  const { part, notes } = of;
  const places = part.unpitched ? 0 : Math.round(-dy / height);
  return {
    way: 'pitch',
    dx: 0,
    dy: -places * height,
    words: pitchWords(part, notes, places),
    decision: together(all.map((one) => shiftedBy(one, places))),
  };
}

function shiftedBy({ part, notes }: Held, places: number): Decision | null {
  if (part.unpitched) return null;
  const shifts = notes.map((note) => ({ note, semitones: semitonesFor(note.pitch, places, signatureAt(part, note)) }));
  const decisions = [...new Set(shifts.map(({ semitones }) => semitones))]
    .filter((semitones) => semitones !== 0)
    .map((semitones): Decision => ({
      kind: 'shiftNotes',
      part: part.id,
      notes: shifts.flatMap((one) => (one.semitones === semitones ? one.note.played.slice(0, 1) : [])),
      semitones,
    }));
  return together(decisions);
}

function pitchWords(part: Held['part'], notes: readonly NoteInView[], places: number): string {
  if (part.unpitched) return say('hand.percussionKeepsItsPlace');
  const [first] = notes;
  if (!first || places === 0) return say('hand.unchanged');
  const name = pitchName(pitchOn(diatonicNumber(first.pitch) + places, signatureAt(part, first)));
  return say('hand.pitchNameBecomesName', { pitchName: pitchName(first.pitch), name });
}

export function signatureAt(part: Held['part'], { start }: { start: number }): number {
  const state = useWorkspace.getState();
  return signatureOf(part, keysOnDesk(state), barOf(barsOnDesk(state), start));
}

function barOf(bars: readonly Bar[], at: number): number {
  return bars.length === 0
    ? 0
    : barIndexAt(
        bars.map(({ start }) => start),
        at,
      );
}
