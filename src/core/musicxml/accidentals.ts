import { lineOfFifths, type Pitch, type VoiceBar } from '../score';
import type { ScoreNote } from '../score';

const NAMES: Record<number, string> = { [-2]: 'flat-flat', [-1]: 'flat', 0: 'natural', 1: 'sharp', 2: 'double-sharp' };

/**
 * The accidentals to print in one bar of one staff: those that differ from the signature and from what the bar has shown on
 * the same line or space before. A note tied over the barline prints none.
 *
 * @param fifths the staff's written signature
 */
export function barAccidentals(voices: readonly VoiceBar[], fifths: number): Map<ScoreNote, string> {
  const shown = new Map<string, number>();
  const printed = new Map<ScoreNote, string>();
  const inTime = voices.flatMap((voice) => voice.symbols.flatMap((symbol) => [...(symbol.marks?.graces ?? []), ...symbol.notes].map((note) => ({ at: symbol.at, note }))));
  inTime.sort((a, b) => a.at - b.at);
  for (const { note } of inTime) {
    const place = `${note.pitch.step}${note.pitch.octave}`;
    const inForce = shown.get(place) ?? signatureAlter(note.pitch, fifths);
    if (note.pitch.alter === inForce) continue;
    if (note.tieFromLast) continue;
    shown.set(place, note.pitch.alter);
    printed.set(note, NAMES[note.pitch.alter] ?? 'natural');
  }
  return printed;
}

/** What the signature says of a step: 7 sharps reach from F, 7 flats from B. */
export function signatureAlter(pitch: Pick<Pitch, 'step'>, fifths: number): number {
  const place = lineOfFifths({ step: pitch.step, alter: 0 });
  if (fifths > 0) return place + 1 < fifths ? 1 : 0;
  return 5 - place < -fifths ? -1 : 0;
}
