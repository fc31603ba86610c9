/*
 * Octave lines: 8va and 8vb where ledger lines pile up, for those who read them.
 *
 * Takes a part's written pitches; gives lines. Least-cost path over the notes of a staff: ledger lines beyond the third
 * cost, beginning or ending a line costs, and a printed note must not fall to the other side of the staff. Winds and
 * voices read ledger lines; keyboards, harp, mallets and violins read octave lines (orchestration handbooks, from
 * memory).
 */
import { append, leastCostPath } from '../../base';
import type { Clef } from '../../instruments';
import { clefsAt, diatonicNumber, type OctaveLine, type Part } from '../../score';
import type { Bar, WrittenUnits } from '../../time';
import { STAFF_LINES } from './clefs';

type Shift = 0 | OctaveLine['octaves'];

const STATES: readonly Shift[] = [0, 1, -1, 2, -2];
const FREE_LEDGERS = 2;
/** The third is read well enough for a while; each further one is a burden. */
const THIRD = 0.35;
const LEDGER = 1;
const UNDER_A_LINE = 0.25;
const BEGIN = 9;
const FIFTEENTH = 6;
/** A printed note may stay this many steps inside the staff's other half. */
const MIDDLE = 4;

export function octaveLines(part: Part, bars: readonly Bar[]): OctaveLine[] {
  return part.clefs.flatMap((_, s) => linesOfStaff(part, s + 1, bars));
}

interface Place {
  start: WrittenUnits;
  end: WrittenUnits;
  lowest: number;
  highest: number;
  clef: Clef;
}

function linesOfStaff(part: Part, staff: number, bars: readonly Bar[]): OctaveLine[] {
  const places = placesOf(part, staff, bars);
  // Most parts never leave the staff far enough.
  if (!places.some((place) => cost(place, 0) > 0)) return [];
  const { path } = leastCostPath({
    steps: places.length,
    states: STATES.length,
    begin: (state) => (STATES[state] === 0 ? 0 : Infinity),
    at: (step, state) => cost(places[step]!, STATES[state]!),
    change,
  });
  const lines: OctaveLine[] = [];
  let before: Shift = 0;
  places.forEach(({ start, end }, i) => {
    const octaves = STATES[path[i]!]!;
    const line = lines.at(-1);
    if (octaves !== 0 && octaves === before && line) line.end = Math.max(end, start);
    else if (octaves !== 0) lines.push({ start, end: Math.max(end, start), staff, octaves });
    before = octaves;
  });
  return lines;
}

function change(from: number, to: number): number {
  if (from === to || STATES[to] === 0) return 0;
  return BEGIN + (Math.abs(STATES[to]!) === 2 ? FIFTEENTH : 0);
}

function cost({ lowest, highest, clef }: Place, shift: Shift): number {
  const [bottom, top] = STAFF_LINES[clef]!;
  const [low, high] = [lowest - 7 * shift, highest - 7 * shift];
  const ledgers = Math.max(0, Math.floor(Math.max(bottom - low, high - top) / 2) - FREE_LEDGERS);
  const beyond = (shift > 0 && low < bottom + MIDDLE - 2) || (shift < 0 && high > top - MIDDLE + 2);
  const burden = ledgers === 0 ? 0 : THIRD + (ledgers - 1) * LEDGER;
  return burden + (shift === 0 ? 0 : UNDER_A_LINE) + (beyond ? 4 : 0);
}

function placesOf(part: Part, staff: number, bars: readonly Bar[]): Place[] {
  const places: Place[] = [];
  part.bars.forEach((bar, b) => {
    const clef = clefsAt(part, b)[staff - 1]!;
    if (!STAFF_LINES[clef]) return;
    const byStart = new Map<WrittenUnits, Place>();
    for (const voice of bar.voices.filter((one) => one.staff === staff)) {
      for (const symbol of voice.symbols) {
        if (symbol.notes.length === 0) continue;
        const steps = symbol.notes.map((note) => diatonicNumber(note.pitch));
        const start = bars[b]!.start + symbol.at;
        const there = byStart.get(start);
        byStart.set(start, {
          start,
          end: Math.max(there?.end ?? 0, start + symbol.duration),
          lowest: Math.min(there?.lowest ?? Infinity, ...steps),
          highest: Math.max(there?.highest ?? -Infinity, ...steps),
          clef,
        });
      }
    }
    append(
      places,
      [...byStart.values()].sort((x, y) => x.start - y.start),
    );
  });
  return places;
}
