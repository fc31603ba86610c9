/*
 * Clefs: a part changes its clef only where that pays.
 *
 * Takes a staff's written pitches bar by bar; gives the bars at which another of its usual clefs begins. Least-cost
 * path over the bars: ledger lines cost, the first two little, every change costs as much as a bar full of them, and
 * the instrument's first clef is cheaper than its others. Which clefs an instrument reads: usual orchestration
 * handbooks, from memory.
 */
import type { Clef, Instrument } from '../../instruments';
import { diatonicNumber, type ClefChange, type PartBar } from '../../score';

/** Diatonic places of the bottom and top line, counted in steps from C of octave 0. */
export const STAFF_LINES: Partial<Record<Clef, readonly [number, number]>> = {
  treble: [30, 38],
  bass: [18, 26],
  alto: [24, 32],
  tenor: [22, 30],
  'treble-8vb': [23, 31],
};

const ALTERNATIVES: Record<string, readonly Clef[]> = {
  cello: ['bass', 'tenor', 'treble'],
  viol: ['alto', 'treble'],
  viola: ['alto', 'treble'],
  bassoon: ['bass', 'tenor'],
  trombone: ['bass', 'tenor'],
  'bass-trombone': ['bass', 'tenor'],
  euphonium: ['bass', 'tenor'],
};

/** What a note on so many ledger lines costs; further ones cost 1 each. */
const LEDGERS = [0, 0.05, 0.3, 1.1];
const CHANGE = 9;
/** A bar in the first, second, third clef of an instrument. */
const RANK = [0, 0.4, 1.6];
const EMPTY_BAR = 0.05;

/** The clefs a staff of an instrument may change between, its first one included; one where it never does. */
export function clefChoices(
  { id, clefs, unpitched }: Pick<Instrument, 'id' | 'clefs' | 'unpitched'>,
  staff: number,
): readonly Clef[] {
  const home = clefs[staff - 1]!;
  if (unpitched || !STAFF_LINES[home]) return [home];
  if (clefs.length > 1) return [home, home === 'treble' ? 'bass' : 'treble'];
  return ALTERNATIVES[id] ?? [home];
}

/** @param staff from 1 @param choices the first one stands at the beginning */
export function clefChanges(bars: readonly PartBar[], staff: number, choices: readonly Clef[]): ClefChange[] {
  if (choices.length < 2) return [];
  const places = bars.map((bar) =>
    bar.voices
      .filter((voice) => voice.staff === staff)
      .flatMap((voice) => voice.symbols.flatMap((symbol) => symbol.notes.map((note) => diatonicNumber(note.pitch)))),
  );
  // One state for each clef; each remembers where it came from.
  let costs = choices.map((_, c) => (c === 0 ? 0 : Infinity));
  const from: number[][] = [];
  for (const bar of places) {
    const steps = choices.map((clef, c) => {
      const best = costs.reduce(
        (a, _, other) => (costs[other]! + (other === c ? 0 : CHANGE) < costs[a]! + (a === c ? 0 : CHANGE) ? other : a),
        0,
      );
      return { best, cost: costs[best]! + (best === c ? 0 : CHANGE) + barCost(bar, clef, c) };
    });
    from.push(steps.map(({ best }) => best));
    costs = steps.map(({ cost }) => cost);
  }
  let clef = costs.indexOf(Math.min(...costs));
  const changes: ClefChange[] = [];
  for (let b = bars.length - 1; b >= 0; b--) {
    const before = from[b]![clef]!;
    // The beginning keeps the instrument's clef unless its first bar is better in another.
    if (before !== clef) changes.unshift({ bar: b, staff, clef: choices[clef]! });
    clef = before;
  }
  return changes;
}

function barCost(places: readonly number[], clef: Clef, rank: number): number {
  if (places.length === 0) return rank > 0 ? EMPTY_BAR : 0;
  const [bottom, top] = STAFF_LINES[clef]!;
  return places.reduce(
    (sum, place) => sum + ledgerCost(Math.max(0, Math.floor(Math.max(bottom - place, place - top) / 2))),
    RANK[rank]!,
  );
}

function ledgerCost(ledgers: number): number {
  return LEDGERS[ledgers] ?? LEDGERS.at(-1)! + ledgers - LEDGERS.length + 1;
}
