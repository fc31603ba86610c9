/* Chord symbols over a part, found in the notes of one part or of all, as suggestions or taken. */
import { stage } from '../../base';
import {
  fifthsOf,
  nameAtFifths,
  soundsOf,
  transpositionAt,
  type ChordName,
  type Harmony,
  type Part,
  type Score,
  type ScoreKey,
} from '../../score';
import type { ChordSymbolRule } from '../../settings';
import { barIndexAt, type Bar } from '../../time';
import { nearestPlace } from '../pitch/written-pitch';
import { findChords } from './find-chords';

/** The parts of a score with the symbols that were asked for over one of them. */
export const withChordSymbols = stage(
  'chord symbols',
  ({ parts, bars, keys, rule }: Pick<Score, 'bars' | 'keys'> & { parts: readonly Part[]; rule: ChordSymbolRule }) => {
    const over = parts.find(({ id }) => id === rule.over) ?? parts.find(({ unpitched }) => !unpitched);
    const pitched = parts.filter(({ id, unpitched }) => !unpitched && (rule.from === null || id === rule.from));
    if (rule.use === 'off' || !over || pitched.length === 0) return [...parts];
    const harmonies = symbolsOver(over, pitched, bars, keys).map((one): Harmony =>
      rule.use === 'suggest' ? { ...one, suggested: true } : one,
    );
    return parts.map((part) => (part === over ? { ...part, harmonies } : part));
  },
);

function symbolsOver(over: Part, from: readonly Part[], bars: readonly Bar[], keys: readonly ScoreKey[]): Harmony[] {
  const notes = from.flatMap((part) => soundsOf(part, bars)).sort((a, b) => a.start - b.start || a.key - b.key);
  const starts = bars.map((bar) => bar.start);
  return findChords(notes, bars).map(({ at, root, kind, bass }) => {
    const bar = barIndexAt(starts, at);
    const shift = fifthsOf(transpositionAt(over, bar));
    const fifths = keys.findLast((key) => key.bar <= bar)?.fifths ?? 0;
    const named = (pitchClass: number) => written(pitchClass, fifths, shift);
    return {
      at,
      root: root === null ? null : named(root),
      kind,
      ...(bass !== undefined && { bass: named(bass) }),
    };
  });
}

/** The middle of what a signature holds lies two fifths above its first degree. */
const MIDDLE = 2;

/** Spelled by the key, as the part reads it. */
function written(pitchClass: number, fifths: number, shift: number): ChordName {
  return nameAtFifths(nearestPlace(pitchClass, fifths + MIDDLE) + shift);
}
