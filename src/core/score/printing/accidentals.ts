import { lineOfFifths, type Pitch } from '../pitch';
import type { PartBar, ScoreNote } from '../score';
import type { WrittenUnits } from '../../time';

/** By half tones; halves of them are quarter tones. */
const NAMES: Record<number, string> = {
  [-2]: 'flat-flat',
  [-1.5]: 'three-quarters-flat',
  [-1]: 'flat',
  [-0.5]: 'quarter-flat',
  0: 'natural',
  0.5: 'quarter-sharp',
  1: 'sharp',
  1.5: 'three-quarters-sharp',
  2: 'double-sharp',
};

/** A note on a staff, with its place in the bar. */
export interface PlacedNote {
  at: WrittenUnits;
  note: ScoreNote;
}

/** The notes that stand on a staff in a bar, whatever staff their voice belongs to; grace notes before their note. */
export function notesOnStaff({ voices }: PartBar, staff: number): PlacedNote[] {
  const placed = voices.flatMap((voice) =>
    voice.symbols.flatMap(({ at, duration, notes, marks }) => {
      const graces = (marks?.graces ?? []).flatMap((grace) => grace.notes);
      const after = (marks?.gracesAfter ?? []).flatMap((grace) => grace.notes);
      return [
        ...[...graces, ...notes].map((note) => ({ at, note, staff: note.staff ?? voice.staff })),
        ...after.map((note) => ({ at: at + duration, note, staff: note.staff ?? voice.staff })),
      ];
    }),
  );
  return placed.filter((one) => one.staff === staff).sort((a, b) => a.at - b.at);
}

/** Half tones and parts of them that the letter is altered by. */
const alterOf = ({ pitch, cents = 0 }: ScoreNote) => pitch.alter + cents / 100;

export interface PrintedAccidental {
  sign: string;
  /** It says what the signature says already: a reminder after another bar. */
  courtesy: boolean;
}

/**
 * The accidentals to print in one bar of one staff: those that differ from the signature and from what the bar has
 * shown on the same line or space before. A note tied over the barline prints none.
 *
 * @param notes in order of time
 * @param fifthsAt the staff's written signature at a place
 * @param lastBar what the bar before had shown by its end; places that return to the signature get a reminder (common
 * practice)
 * @returns printed signs by note, and by place what this bar has shown
 */
export function barAccidentals(
  notes: readonly PlacedNote[],
  fifthsAt: (at: WrittenUnits) => number,
  lastBar?: ReadonlyMap<string, number>,
): { printed: Map<ScoreNote, PrintedAccidental>; shown: Map<string, number> } {
  const shown = new Map<string, number>();
  const printed = new Map<ScoreNote, PrintedAccidental>();
  const met = new Set<string>();
  for (const { at, note } of notes) {
    const place = `${note.pitch.step}${note.pitch.octave}`;
    const signature = signatureAlter(note.pitch, fifthsAt(at));
    const inForce = shown.get(place) ?? signature;
    if (note.tieFromLast) continue;
    const alter = alterOf(note);
    const courtesy = alter === inForce;
    const before = lastBar?.get(place);
    const remind = courtesy && !met.has(place) && !shown.has(place) && before !== undefined && before !== signature;
    met.add(place);
    if (courtesy && !remind) continue;
    if (!courtesy) shown.set(place, alter);
    printed.set(note, { sign: NAMES[Math.round(alter * 2) / 2] ?? 'natural', courtesy });
  }
  return { printed, shown };
}

/** What the signature says of a step: 7 sharps reach from F, 7 flats from B. */
export function signatureAlter(pitch: Pick<Pitch, 'step'>, fifths: number): number {
  const place = lineOfFifths({ step: pitch.step, alter: 0 });
  if (fifths > 0) return place + 1 < fifths ? 1 : 0;
  return 5 - place < -fifths ? -1 : 0;
}
