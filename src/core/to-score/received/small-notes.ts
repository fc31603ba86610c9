/*
 * What of a received bar is no music of the part's own: cue notes, and hidden notes that play what a sign says. A bar that is
 * written anew keeps them, in a voice of their own or in place of its rest.
 */
import { mapGraces, type PartBar, type ScoreNote, type SymbolInBar, type VoiceBar } from '../../score';

/** @param repitch how a received note is written now @param staves of the part as it is written now */
export function withSmallNotes(
  bar: PartBar,
  received: PartBar | undefined,
  repitch: (note: ScoreNote) => ScoreNote,
  staves: number,
): PartBar {
  const small = (received?.voices ?? []).filter(({ symbols }) => symbols.some(isSmall));
  return small.reduce((sum, voice) => {
    const symbols = voice.symbols.map((symbol) => (isSmall(symbol) ? repitched(symbol, repitch) : asRest(symbol)));
    return { ...sum, voices: withVoice(sum.voices, { ...voice, staff: Math.min(voice.staff, staves), symbols }) };
  }, bar);
}

function isSmall({ notes, cue, hidden }: SymbolInBar): boolean {
  return notes.length > 0 && (cue ?? hidden ?? false);
}

function repitched(symbol: SymbolInBar, repitch: (note: ScoreNote) => ScoreNote): SymbolInBar {
  return {
    ...symbol,
    notes: symbol.notes.map(repitch),
    ...(symbol.marks && { marks: mapGraces(symbol.marks, repitch) }),
  };
}

/** The time of a note that is written elsewhere now. */
function asRest({ at, duration, type, dots, tuplet, notes, wholeBar, hidden }: SymbolInBar): SymbolInBar {
  return {
    at,
    duration,
    type,
    dots,
    notes: [],
    ...(tuplet && { tuplet }),
    ...(wholeBar && { wholeBar }),
    ...((hidden || notes.length > 0) && { hidden: true }),
  };
}

const VOICES_OF_A_STAFF = 4;

/** In place of the staff's rest where it has nothing else, otherwise as a further voice; where four are there, it is lost. */
function withVoice(voices: readonly VoiceBar[], added: VoiceBar): VoiceBar[] {
  const own = voices.filter(({ staff }) => staff === added.staff);
  const silent = own.every(({ symbols }) => symbols.every(({ notes }) => notes.length === 0));
  const first = (added.staff - 1) * VOICES_OF_A_STAFF + 1;
  const used = silent ? [] : own.map(({ voice }) => voice);
  const voice = Array.from({ length: VOICES_OF_A_STAFF }, (_, i) => first + i).find((n) => !used.includes(n));
  if (voice === undefined) return [...voices];
  const others = silent ? voices.filter(({ staff }) => staff !== added.staff) : voices;
  // Beside other voices its rests would only be in the way.
  const symbols = silent
    ? added.symbols
    : added.symbols.map((symbol): SymbolInBar => (symbol.notes.length === 0 ? { ...symbol, hidden: true } : symbol));
  return [...others, { ...added, voice, symbols }].sort((a, b) => a.voice - b.voice);
}
