/* Ties: which note takes up the one before it, in its own voice or in another one of the part. */
import type { Bar, MidiKey, WrittenUnits } from '../time';
import type { PartBar, ScoreNote, SymbolInBar } from './score';

/** Notes that are held over to a place where another one must take them up. */
export class OpenTies<T> {
  private readonly byKey = new Map<MidiKey, { until: WrittenUnits; voice: number; value: T }[]>();

  /** @param until where the note ends and the next one is due */
  open(key: MidiKey, until: WrittenUnits, voice: number, value: T): void {
    const list = this.byKey.get(key) ?? [];
    this.byKey.set(key, [...list.filter((one) => one.voice !== voice), { until, voice, value }]);
  }

  /**
   * What is held over to a note; it is taken up by that.
   *
   * @param across whether a note of another voice may be meant
   */
  take(key: MidiKey, at: WrittenUnits, voice: number, across: boolean): T | null {
    const list = this.byKey.get(key);
    if (!list) return null;
    const due = list.filter(({ until }) => until === at);
    const found = due.find((one) => one.voice === voice) ?? (across ? due[0] : undefined);
    // What nobody took up when it was due leads nowhere.
    this.byKey.set(
      key,
      list.filter((one) => one !== found && one.until >= at),
    );
    return found?.value ?? null;
  }

  clear(): void {
    this.byKey.clear();
  }
}

export interface NoteInTime {
  note: ScoreNote;
  symbol: SymbolInBar;
  staff: number;
  voice: number;
  /** Absolute. */
  at: WrittenUnits;
  until: WrittenUnits;
}

/** All notes of a part in order of time, whatever voice they stand in. */
export function* notesInTime(partBars: readonly PartBar[], bars: readonly Bar[]): Generator<NoteInTime> {
  for (const [b, { voices }] of partBars.entries()) {
    const { start } = bars[b]!;
    const symbols = voices.flatMap(({ staff, voice, symbols: own }) => own.map((symbol) => ({ staff, voice, symbol })));
    if (voices.length > 1) symbols.sort((a, b) => a.symbol.at - b.symbol.at);
    for (const { staff, voice, symbol } of symbols)
      for (const note of symbol.notes) {
        const at = start + symbol.at;
        yield { note, symbol, staff: note.staff ?? staff, voice, at, until: at + symbol.duration };
      }
  }
}
