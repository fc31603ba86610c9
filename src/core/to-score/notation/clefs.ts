/*
 * Clefs: a part changes its clef only where that pays.
 *
 * Takes a staff's written pitches bar by bar; gives the bars at which another of its usual clefs begins. Least-cost
 * path over the bars: ledger lines cost, the first two little, every change costs as much as a bar full of them, and
 * the instrument's first clef is cheaper than its others.
 */
import { leastCostPath } from '../../base';
import type { Clef, Instrument } from '../../instruments';
import { diatonicNumber, type ClefChange, type PartBar } from '../../score';

/** Diatonic places of the bottom and top line, counted in steps from C of octave 0. */
export const STAFF_LINES: Partial<Record<Clef, readonly [number, number]>> = {
  treble: [30, 38],
  bass: [18, 26],
  alto: [24, 32],
  tenor: [22, 30],
  'treble-8vb': [23, 31],
  'treble-8va': [37, 45],
  'bass-8vb': [11, 19],
  soprano: [28, 36],
  'mezzo-soprano': [26, 34],
  baritone: [20, 28],
  'baritone-c': [20, 28],
  'french-violin': [32, 40],
};

/** What a note on so many ledger lines costs; further ones cost 1 each. */
const LEDGERS = [0, 0.05, 0.3, 1.1];
const CHANGE = 9;
/** A bar in the first, second, third clef of an instrument. */
const RANK = [0, 0.4, 1.6];
const EMPTY_BAR = 0.05;

/** The clefs a staff of an instrument may change between, its first one included; one where it never does. */
export function clefChoices(
  { clefs, otherClefs, unpitched }: Pick<Instrument, 'clefs' | 'otherClefs' | 'unpitched'>,
  staff: number,
): readonly Clef[] {
  const home = clefs[staff - 1]!;
  if (unpitched || !STAFF_LINES[home]) return [home];
  if (clefs.length > 1) return [home, home === 'treble' ? 'bass' : 'treble'];
  return [home, ...otherClefs];
}

/** @param staff from 1 @param choices the first one stands at the beginning */
export function clefChanges(bars: readonly PartBar[], staff: number, choices: readonly Clef[]): ClefChange[] {
  if (choices.length < 2) return [];
  const places = bars.map((bar) =>
    bar.voices
      .filter((voice) => voice.staff === staff)
      .flatMap((voice) => voice.symbols.flatMap((symbol) => symbol.notes.map((note) => diatonicNumber(note.pitch)))),
  );
  const { start, path } = leastCostPath({
    steps: places.length,
    states: choices.length,
    begin: (clef) => (clef === 0 ? 0 : Infinity),
    at: (bar, clef) => barCost(places[bar]!, choices[clef]!, clef),
    change: (from, to) => (from === to ? 0 : CHANGE),
  });
  return path.flatMap((clef, bar) => (clef === (path[bar - 1] ?? start) ? [] : [{ bar, staff, clef: choices[clef]! }]));
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
