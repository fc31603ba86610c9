/* Where the elements of a measure stand: in quarters from its beginning, as its divisions and cursor say. */
import { child, numberOf, textOf, type XmlNode } from '../read/xml-tree';

/** An element of a measure and its place. */
export interface Placed {
  node: XmlNode;
  at: number;
  /** Index among the measure's children. */
  index: number;
}

export interface PlacedNote extends Placed {
  /** Place, value, staff and pitch: the same for the same note in another file. */
  key: string;
  rest: boolean;
}

export interface PlacedMeasure {
  notes: PlacedNote[];
  others: Placed[];
  /** Where the cursor stands in the end. */
  end: number;
  divisions: number;
}

/** Quarters that are nearer to each other are one place. */
const FINE = 2520;

/** @param divisions in force before the measure */
export function placed(measure: XmlNode, divisions: number): PlacedMeasure {
  const notes: PlacedNote[] = [];
  const others: Placed[] = [];
  let [at, last, graces, now] = [0, 0, 0, divisions];
  measure.children.forEach((node, index) => {
    const quarters = (numberOf(node, 'duration') ?? 0) / now;
    switch (node.name) {
      case 'attributes': {
        const own = numberOf(node, 'divisions');
        if (own !== undefined && own > 0) now = own;
        others.push({ node, at, index });
        break;
      }
      case 'backup':
        at = Math.max(0, at - quarters);
        break;
      case 'forward':
        at += quarters;
        break;
      case 'note': {
        const inChord = child(node, 'chord') !== undefined;
        const grace = child(node, 'grace') !== undefined;
        if (!inChord) {
          last = at;
          graces = grace ? graces + 1 : 0;
        }
        const rest = child(node, 'rest') !== undefined;
        const length = grace ? `g${graces}` : String(Math.round(quarters * FINE));
        const key = `${Math.round(last * FINE)} ${length} ${numberOf(node, 'staff') ?? 1} ${headOf(node)}`;
        notes.push({ node, at: last, index, key, rest });
        if (!inChord && !grace) at += quarters;
        break;
      }
      default:
        others.push({ node, at: Math.max(0, at + (numberOf(node, 'offset') ?? 0) / now), index });
    }
  });
  return { notes, others, end: at, divisions: now };
}

function headOf(note: XmlNode): string {
  const pitch = child(note, 'pitch');
  if (pitch) return `${textOf(pitch, 'step')}${numberOf(pitch, 'alter') ?? 0}/${numberOf(pitch, 'octave') ?? 4}`;
  const unpitched = child(note, 'unpitched');
  // One among pitched notes is read as the note at its place.
  if (unpitched) return `${textOf(unpitched, 'display-step')}0/${textOf(unpitched, 'display-octave')}`;
  return 'rest';
}

/** Whether two places are one. */
export const samePlace = (a: number, b: number): boolean => Math.round(a * FINE) === Math.round(b * FINE);
