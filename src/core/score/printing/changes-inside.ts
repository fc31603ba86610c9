import type { Clef } from '../../instruments';
import type { WrittenUnits } from '../../time';
import type { Part, Score } from '../score';

/** A clef of one staff, or a signature, in the middle of a bar. */
export type ChangeInside = { at: WrittenUnits } & (
  | { staff: number; clef: Clef }
  | { fifths: number; mode: 'major' | 'minor' }
);

/** What changes inside a bar as a part prints it, in order of place. */
export function changesInside(score: Score, part: Part, index: number): ChangeInside[] {
  const keys = score.keys.flatMap(({ bar, at, mode }, k) =>
    bar === index && at && !part.unpitched ? [{ at, fifths: part.writtenKeys[k]!, mode }] : [],
  );
  const clefs = part.clefChanges.flatMap(({ bar, at, staff, clef }) =>
    bar === index && at && part.tablature?.show !== 'tablature' ? [{ at, staff, clef }] : [],
  );
  return [...keys, ...clefs].sort((a, b) => a.at - b.at);
}
