import { noteValue } from './note-values';
import { pitchKey } from './pitch';
import type { Part, Score, SymbolInBar, VoiceBar } from './score';

/**
 * The score's invariants. Returns one sentence for each that is broken, with its place; none for a sound score.
 *
 * - every voice fills its bar without gap or overlap
 * - every symbol is as long as its type, dots and tuplet say
 * - tuplets are complete
 * - a tie leads to a note of the same key at the next symbol of its voice
 * - written pitch minus transposition is the sounding key
 */
export function checkScore(score: Score): string[] {
  return score.parts.flatMap((part) => checkPart(score, part));
}

function checkPart(score: Score, part: Part): string[] {
  const faults: string[] = [];
  if (part.bars.length !== score.bars.length)
    faults.push(`${part.name}: ${part.bars.length} bars instead of ${score.bars.length}`);
  const openTies = new Map<string, string>();
  part.bars.forEach((partBar, i) => {
    const bar = score.bars[i];
    if (!bar) return;
    for (const voice of partBar.voices) {
      const place = `${part.name}, bar ${bar.number}, voice ${voice.voice}`;
      for (const fault of checkVoice(voice, bar.length)) faults.push(`${place}: ${fault}`);
      for (const symbol of voice.symbols) {
        for (const note of symbol.notes) {
          if (!part.unpitched && pitchKey(note.pitch) - part.transposition !== note.key)
            faults.push(`${place}: key ${note.key} is written as key ${pitchKey(note.pitch) - part.transposition}`);
          const slot = `${voice.voice}/${note.key}`;
          const from = `${i}/${symbol.at}`;
          const expected = openTies.get(slot);
          if (note.tieFromLast && expected !== from)
            faults.push(`${place}: a tie into ${symbol.at} comes from nowhere`);
          if (expected !== undefined && expected !== from)
            faults.push(`${place}: the tie of key ${note.key} towards ${expected} is not taken up`);
          if (expected !== undefined && expected === from && !note.tieFromLast)
            faults.push(`${place}: a tie leads to an untied note at ${symbol.at}`);
          openTies.delete(slot);
          if (note.tieToNext) {
            const end = symbol.at + symbol.duration;
            openTies.set(slot, end === bar.length ? `${i + 1}/0` : `${i}/${end}`);
          }
        }
      }
    }
  });
  for (const [slot, to] of openTies) faults.push(`${part.name}: the tie of ${slot} towards ${to} is not taken up`);
  return faults;
}

function checkVoice({ symbols }: VoiceBar, barLength: number): string[] {
  const faults: string[] = [];
  let at = 0;
  let tuplet: SymbolInBar | null = null;
  for (const symbol of symbols) {
    if (symbol.at !== at) faults.push(`symbol at ${symbol.at} where ${at} is due`);
    at = symbol.at + symbol.duration;
    if (symbol.duration <= 0) faults.push(`a symbol of length ${symbol.duration} at ${symbol.at}`);
    if (!symbol.wholeBar && !lengthAgrees(symbol))
      faults.push(`${symbol.type} with ${symbol.dots} dots at ${symbol.at} takes ${symbol.duration}`);
    if (symbol.tuplet?.first) {
      if (tuplet) faults.push(`a tuplet starts inside another at ${symbol.at}`);
      tuplet = symbol;
    }
    if (symbol.tuplet && !tuplet) faults.push(`a tuplet note outside of a bracket at ${symbol.at}`);
    if (!symbol.tuplet && tuplet) faults.push(`a plain note inside a tuplet at ${symbol.at}`);
    if (symbol.tuplet?.last) tuplet = null;
  }
  if (tuplet) faults.push(`the tuplet at ${tuplet.at} is not closed`);
  if (at !== barLength) faults.push(`filled to ${at} of ${barLength}`);
  return faults;
}

function lengthAgrees(symbol: SymbolInBar): boolean {
  const { actual, normal } = symbol.tuplet ?? { actual: 1, normal: 1 };
  const value = noteValue((symbol.duration * actual) / normal);
  return value !== null && value.type === symbol.type && value.dots === symbol.dots;
}
