/*
 * Staves that fit: instruments that may have two staves get two only where the music needs two, and a part nobody knows
 * the instrument of gets the clef its notes lie in.
 *
 * Takes the instrument and the played notes of a part; gives the clefs of its staves, top first. One staff is enough
 * when hardly a note would stand beyond the second ledger line and chords stay within a hand. Common practice, no
 * source.
 */
import type { Clef, Instrument } from '../instruments';
import type { PlayedNote } from '../performance';
import type { MidiKey } from '../time';

export interface FittingStaves {
  clefs: readonly Clef[];
  /** The other choice would read nearly as well. */
  doubtful: boolean;
}

/** Keys of the bottom and top line. */
const LINES: Record<'treble' | 'bass', readonly [MidiKey, MidiKey]> = { treble: [64, 77], bass: [43, 57] };
/** Keys beyond the lines that two ledger lines reach. */
const TWO_LEDGERS = 8;
const MOST_BEYOND = 0.03;
/** The same of an instrument that usually has two staves; so many notes are needed to tell. */
const MOST_BEYOND_OF_TWO = 0.004;
const LEAST_OF_TWO = 24;
const DOUBTFUL_BEYOND = 0.01;
/** A chord wider than this needs two hands; some may. */
const HAND: number = 16;
const MOST_WIDE = 0.05;

/** @param chosen how many staves somebody decided */
export function fittingStaves(instrument: Instrument, notes: readonly PlayedNote[], chosen?: 1 | 2): FittingStaves {
  // A keyboard has two staves of its own accord.
  const usuallyTwo = !instrument.oneOrTwoStaves && instrument.clefs.length > 1;
  const mayChange = instrument.oneOrTwoStaves || usuallyTwo;
  if (instrument.unpitched || notes.length === 0 || (chosen === undefined && !mayChange))
    return { clefs: instrument.clefs, doubtful: false };
  const keys = notes.map((note) => note.key + instrument.transposition);
  const beyond = (clef: 'treble' | 'bass') =>
    keys.filter((key) => key < LINES[clef][0] - TWO_LEDGERS || key > LINES[clef][1] + TWO_LEDGERS).length / keys.length;
  const [treble, bass] = [beyond('treble'), beyond('bass')];
  const centre = keys.reduce((sum, key) => sum + key, 0) / keys.length;
  const better = treble < bass || (treble === bass && centre >= 60) ? 'treble' : 'bass';
  // What lies above the treble or below the bass staff would not be better off on two.
  const either =
    keys.filter((key) => key < LINES.bass[0] - TWO_LEDGERS || key > LINES.treble[1] + TWO_LEDGERS).length / keys.length;
  const least = Math.min(treble, bass) - either;
  const wide = wideChords(notes);
  const fits = fitsOne({ least, wide, notes: notes.length, usuallyTwo });
  const staves = chosen ?? (fits ? 1 : 2);
  return {
    clefs: staves === 1 ? [better] : ['treble', 'bass'],
    doubtful: chosen === undefined && !usuallyTwo && fits && (least > DOUBTFUL_BEYOND || wide > 0),
  };
}

/** A keyboard gives its second staff up only where that would stay empty. */
function fitsOne({
  least,
  wide,
  notes,
  usuallyTwo,
}: Record<'least' | 'wide' | 'notes', number> & { usuallyTwo: boolean }) {
  if (usuallyTwo) return least <= MOST_BEYOND_OF_TWO && wide === 0 && notes >= LEAST_OF_TWO;
  return least <= MOST_BEYOND && wide <= MOST_WIDE;
}

/** Share of the chords that no hand can hold. */
function wideChords(notes: readonly PlayedNote[]): number {
  const chords = new Map<number, [MidiKey, MidiKey]>();
  for (const { start, key } of notes) {
    const [low, high] = chords.get(start) ?? [key, key];
    chords.set(start, [Math.min(low, key), Math.max(high, key)]);
  }
  return [...chords.values()].filter(([low, high]) => high - low > HAND).length / chords.size;
}
