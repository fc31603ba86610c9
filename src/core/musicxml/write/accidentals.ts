import { lineOfFifths, type Pitch, type ScoreNote, type VoiceBar } from '../../score';

const NAMES: Record<number, string> = { [-2]: 'flat-flat', [-1]: 'flat', 0: 'natural', 1: 'sharp', 2: 'double-sharp' };

export interface PrintedAccidental {
  sign: string;
  /** It says what the signature says already: a reminder after another bar. */
  courtesy: boolean;
}

/**
 * The accidentals to print in one bar of one staff: those that differ from the signature and from what the bar has
 * shown on the same line or space before. A note tied over the barline prints none.
 *
 * @param fifths the staff's written signature
 * @param lastBar what the bar before had shown by its end; places that return to the signature get a reminder (common
 * practice)
 * @returns printed signs by note, and by place what this bar has shown
 */
export function barAccidentals(
  voices: readonly VoiceBar[],
  fifths: number,
  lastBar?: ReadonlyMap<string, number>,
): { printed: Map<ScoreNote, PrintedAccidental>; shown: Map<string, number> } {
  const shown = new Map<string, number>();
  const printed = new Map<ScoreNote, PrintedAccidental>();
  const met = new Set<string>();
  const inTime = voices.flatMap((voice) =>
    voice.symbols.flatMap((symbol) =>
      [...(symbol.marks?.graces ?? []), ...symbol.notes].map((note) => ({ at: symbol.at, note })),
    ),
  );
  inTime.sort((a, b) => a.at - b.at);
  for (const { note } of inTime) {
    const place = `${note.pitch.step}${note.pitch.octave}`;
    const signature = signatureAlter(note.pitch, fifths);
    const inForce = shown.get(place) ?? signature;
    if (note.tieFromLast) continue;
    const courtesy = note.pitch.alter === inForce;
    const before = lastBar?.get(place);
    const remind = courtesy && !met.has(place) && !shown.has(place) && before !== undefined && before !== signature;
    met.add(place);
    if (courtesy && !remind) continue;
    if (!courtesy) shown.set(place, note.pitch.alter);
    printed.set(note, { sign: NAMES[note.pitch.alter] ?? 'natural', courtesy });
  }
  return { printed, shown };
}

/** What the signature says of a step: 7 sharps reach from F, 7 flats from B. */
export function signatureAlter(pitch: Pick<Pitch, 'step'>, fifths: number): number {
  const place = lineOfFifths({ step: pitch.step, alter: 0 });
  if (fifths > 0) return place + 1 < fifths ? 1 : 0;
  return 5 - place < -fifths ? -1 : 0;
}
