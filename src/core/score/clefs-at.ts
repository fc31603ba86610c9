import type { Clef } from '../instruments';
import type { Part } from './score';

/** The clef of each staff at the start of a bar, a change at its barline included. @param bar index */
export function clefsAt(part: Part, bar: number): Clef[] {
  return part.clefs.map(
    (clef, s) =>
      part.clefChanges.findLast(
        (change) => change.staff === s + 1 && (change.bar < bar || (change.bar === bar && !change.at)),
      )?.clef ?? clef,
  );
}
