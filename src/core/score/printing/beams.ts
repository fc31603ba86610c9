import { NOTE_TYPES } from '../note-values';
import type { SymbolInBar } from '../score';
import { beatsOfBar, type Bar } from '../../time';

export type Beam = 'begin' | 'continue' | 'end' | 'forward hook' | 'backward hook';

/** Beams of a note type: eighth 1, 16th 2 … */
function levels(symbol: SymbolInBar): number {
  return Math.max(0, NOTE_TYPES.indexOf(symbol.type) - NOTE_TYPES.indexOf('quarter'));
}

/** @param back to the note before it, and on to the one after it */
function beamAt({ back, on, first }: { back: boolean; on: boolean; first: boolean }): Beam {
  if (on) return back ? 'continue' : 'begin';
  if (back) return 'end';
  return first ? 'forward hook' : 'backward hook';
}

/**
 * Beams of one voice in one bar: flagged notes of one beat (or one tuplet) are joined, rests part them. Each entry
 * lists the beams from the first level down. (Beaming by the beat: rules of notation handbooks, from memory.)
 */
export function barBeams(symbols: readonly SymbolInBar[], bar: Bar): Map<SymbolInBar, Beam[]> {
  const beams = new Map<SymbolInBar, Beam[]>();
  for (const group of beamGroups(symbols, bar)) {
    group.forEach((symbol, i) => {
      const own = levels(symbol);
      const before = i > 0 ? levels(group[i - 1]!) : 0;
      const after = i + 1 < group.length ? levels(group[i + 1]!) : 0;
      const list: Beam[] = [];
      for (let level = 1; level <= own; level++) {
        const back = before >= level;
        const on = after >= level;
        list.push(beamAt({ back, on, first: i === 0 }));
      }
      beams.set(symbol, list);
    });
  }
  return beams;
}

function beamGroups(symbols: readonly SymbolInBar[], bar: Bar): SymbolInBar[][] {
  const starts = beatsOfBar(bar).map((beat) => beat.start - bar.start);
  const beatOf = (at: number) => starts.findLastIndex((start) => start <= at);
  const groups: SymbolInBar[][] = [];
  let group: SymbolInBar[] = [];
  let beat = -1;
  for (const symbol of symbols) {
    const joins = symbol.notes.length > 0 && levels(symbol) > 0;
    const here = beatOf(symbol.at);
    if (!joins || here !== beat) {
      if (group.length > 1) groups.push(group);
      group = [];
    }
    if (joins) group.push(symbol);
    beat = here;
  }
  if (group.length > 1) groups.push(group);
  return groups;
}
