import { QUARTER, type Bar, type WrittenUnits } from '../time';
import { valueLength } from './note-values';
import { pitchKey } from './pitch';
import type { Part, Score, SymbolInBar, VoiceBar } from './score';
import { notesInTime } from './ties';
import { transpositionAt } from './transposition';

/**
 * The score's invariants. Returns one sentence for each that is broken, with its place; none for a sound score.
 *
 * - every voice fills its bar without gap or overlap
 * - every symbol is as long as its type, dots and tuplet say
 * - tuplets are complete
 * - a tie leads to a note of the same key where its own ends, in any voice of the part
 * - written pitch minus transposition is the sounding key
 */
export function checkScore(score: Score): string[] {
  return score.parts.flatMap((part) => checkPart(score, part));
}

function checkPart(score: Score, part: Part): string[] {
  const faults: string[] = [];
  if (part.bars.length !== score.bars.length)
    faults.push(`${part.name}: ${part.bars.length} bars instead of ${score.bars.length}`);
  part.bars.forEach((partBar, i) => {
    const bar = score.bars[i];
    if (!bar) return;
    const { transposition } = transpositionAt(part, i);
    for (const voice of partBar.voices) {
      const place = `${part.name}, bar ${bar.number}, voice ${voice.voice}`;
      for (const fault of checkVoice(voice, bar)) faults.push(`${place}: ${fault}`);
      if (part.unpitched) continue;
      for (const { notes } of voice.symbols)
        for (const { key, pitch } of notes)
          if (pitchKey(pitch) - transposition !== key)
            faults.push(`${place}: key ${key} is written as key ${pitchKey(pitch) - transposition}`);
    }
  });
  return [...faults, ...checkTies(part, score.bars)];
}

function checkTies({ name, bars: partBars }: Part, bars: readonly Bar[]): string[] {
  const faults: string[] = [];
  const starting = new Map<string, number>();
  const ending = new Map<string, number>();
  const count = (map: Map<string, number>, slot: string) => map.set(slot, (map.get(slot) ?? 0) + 1);
  const all = [...notesInTime(partBars.slice(0, bars.length), bars)];
  for (const { note, at, until } of all) {
    if (note.tieFromLast) count(starting, `${note.key}/${at}`);
    if (note.tieToNext) count(ending, `${note.key}/${until}`);
  }
  for (const { note, at, until, voice } of all) {
    const place = (units: WrittenUnits) => `${name}, ${barAndBeat(units, bars)}, voice ${voice}`;
    if (note.tieFromLast && !ending.has(`${note.key}/${at}`)) faults.push(`${place(at)}: a tie comes from nowhere`);
    if (note.tieToNext && !starting.has(`${note.key}/${until}`)) faults.push(`${place(at)}: a tie leads nowhere`);
  }
  return faults;
}

function checkVoice({ symbols }: VoiceBar, bar: Bar): string[] {
  const faults: string[] = [];
  let at = 0;
  let tuplet: SymbolInBar | null = null;
  const beat = (symbol: SymbolInBar) => beatOf(symbol.at, bar);
  for (const symbol of symbols) {
    if (symbol.at > at) faults.push(`nothing stands between beat ${beatOf(at, bar)} and beat ${beat(symbol)}`);
    if (symbol.at < at) faults.push(`two things stand on beat ${beat(symbol)}`);
    at = symbol.at + symbol.duration;
    if (symbol.duration <= 0) faults.push(`what stands on beat ${beat(symbol)} has no length`);
    if (!symbol.wholeBar && !lengthAgrees(symbol))
      faults.push(`the ${valueName(symbol)} on beat ${beat(symbol)} lasts ${quarters(symbol.duration)}`);
    if (symbol.tuplet?.first) {
      if (tuplet) faults.push(`a tuplet starts inside another on beat ${beat(symbol)}`);
      tuplet = symbol;
    }
    if (symbol.tuplet && !tuplet) faults.push(`a tuplet note stands outside of a bracket on beat ${beat(symbol)}`);
    if (!symbol.tuplet && tuplet) faults.push(`a plain note stands inside a tuplet on beat ${beat(symbol)}`);
    if (symbol.tuplet?.last) tuplet = null;
  }
  if (tuplet) faults.push(`the tuplet on beat ${beat(tuplet)} is not closed`);
  if (at !== bar.length) faults.push(`filled with ${quarters(at)} of ${quarters(bar.length)}`);
  return faults;
}

function lengthAgrees({ type, dots, tuplet, duration }: SymbolInBar): boolean {
  const plain = valueLength(type, dots);
  // Sevenths and seventeenths are rounded.
  return Math.abs(tuplet ? (plain * tuplet.normal) / tuplet.actual - duration : plain - duration) < (tuplet ? 1 : 1e-6);
}

const valueName = ({ type, dots, notes }: SymbolInBar) =>
  `${'dotted '.repeat(Math.min(1, dots))}${type} ${notes.length === 0 ? 'rest' : 'note'}`;

const rounded = (value: number) => Math.round(value * 1000) / 1000;

function quarters(length: WrittenUnits): string {
  const count = rounded(length / QUARTER);
  return `${count} ${count === 1 ? 'quarter' : 'quarters'}`;
}

const beatOf = (at: WrittenUnits, { meter }: Bar) => rounded(1 + (at * meter.beatType) / (4 * QUARTER));

function barAndBeat(at: WrittenUnits, bars: readonly Bar[]): string {
  const bar = bars.findLast(({ start }) => start <= at) ?? bars[0]!;
  return `bar ${bar.number}, beat ${beatOf(at - bar.start, bar)}`;
}
