import { inNumbers, say } from '../../words';
import type { Milliseconds } from '../../time';
import { DIFFERENCE_KINDS, type Agreement, type DifferenceKind, type PartAgreement } from './model';

/** "Every one of 4,312 notes is there; 4,290 begin within 12 ms of where they were; 22 moved (20 by decision, 2 unexplained)." */
export function verdictOf({ parts, fit }: Pick<Agreement, 'parts' | 'fit'>, within: Milliseconds): string {
  const sum = (of: (part: PartAgreement) => number) => parts.reduce((total, part) => total + of(part), 0);
  const notes = sum((part) => part.notes[0]);
  if (notes + sum((part) => part.notes[1]) === 0) return say('proof.thereIsNoNoteOnEitherSide');
  const whose = (kind: DifferenceKind) => {
    const [decided, converted] = [sum((part) => part.decided[kind]), sum((part) => part.converted[kind])];
    const rest = sum((part) => part.differing[kind]) - decided - converted;
    return [
      ...(decided > 0 ? [say('proof.decidedByDecision', { decided })] : []),
      ...(converted > 0 ? [say('proof.convertedByConversion', { converted })] : []),
      ...(rest > 0 ? [say('proof.restUnexplained', { rest })] : []),
    ].join(', ');
  };
  const missing = sum((part) => part.differing.missing);
  const moved = sum((part) => part.differing.moved);
  const there =
    missing === 0
      ? say('proof.everyOneOfNotesNotesIsThere', { notes })
      : say('proof.notesOfNotes2NotesAreThere', { notes: notes - missing, notes2: notes });
  const kinds = DIFFERENCE_KINDS.flatMap((kind) => {
    const all = sum((part) => part.differing[kind]);
    return all > 0 ? [say('proof.differingAndWhy', { all: inNumbers(all), kind, whose: whose(kind) })] : [];
  });
  const place = say('proof.notesBeginWithinWithinMsOfWhere', { notes: notes - missing - moved, within });
  return `${[there, place, ...kinds, ...clockInWords(fit)].join('; ')}.`;
}

function clockInWords({ ratio, offset }: Agreement['fit']): string[] {
  const words: string[] = [];
  if (ratio !== 1) words.push(say('proof.atRatioOfTheTempo', { ratio: Math.round((100 / ratio) * 100) / 100 }));
  if (offset !== 0)
    words.push(
      say('proof.theSecondBeginsOffsetSLater', {
        offset: Math.abs(Math.round(offset * 1000) / 1000),
        offsetOver0: offset > 0,
      }),
    );
  return words.length > 0 ? [say('proof.takenOutWords', { words: words.join(', ') })] : [];
}

/** An agreement where there is room for a line only. */
export interface AgreementInNumbers {
  words: string;
  /** Share of the notes that are there as they were, or differ for a reason that is known; 0–1. */
  same: number;
}

export function agreementInNumbers({ words, parts }: Pick<Agreement, 'words' | 'parts'>): AgreementInNumbers {
  const sum = (of: (part: PartAgreement) => number) => parts.reduce((total, part) => total + of(part), 0);
  const notes = sum((part) => part.notes[0]);
  const all = (counts: PartAgreement['differing']) => DIFFERENCE_KINDS.reduce((total, kind) => total + counts[kind], 0);
  const differing = sum((part) => all(part.differing) - all(part.decided) - all(part.converted));
  return { words, same: notes === 0 ? 1 : Math.max(0, 1 - differing / notes) };
}
