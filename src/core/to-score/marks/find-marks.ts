/*
 * Marks of one part: every class is looked for with the strength its rules ask for, and each mark that is found is
 * taken, suggested or left away by the rule of its bar.
 */
import type { NoteId } from '../../performance';
import { MARK_CLASSES, NO_LINES, type MarkClass, type PartLines } from '../../score';
import type { MarkRule } from '../../settings';
import {
  LINE_FINDERS,
  NOTE_CLASSES,
  NOTE_FINDERS,
  type Finder,
  type Looking,
  type MarkContext,
  type NoteSign,
} from './finders';
import { loudnessOf, type LoudestValues } from './loudness';
import type { PlayedPart } from './marked-part';
import { ruleFor, rulesOver, strengthsInUse } from './rules';

export interface NoteMark {
  mark: NoteSign;
  suggested: boolean;
}

export interface FoundMarks {
  lines: PartLines;
  /** By played note that stands first in its strike. */
  onNotes: ReadonlyMap<NoteId, readonly NoteMark[]>;
  report: MarkReport;
}

/** How many of each class were found, taken and suggested ones together, and what loudness was read from. */
export interface MarkReport {
  found: Record<MarkClass, number>;
  taken: Record<MarkClass, number>;
  loudnessFrom: string[];
}

export function findMarks(
  part: PlayedPart,
  own: readonly MarkRule[],
  { loudest, ...context }: MarkContext & { loudest: LoudestValues },
): FoundMarks {
  const rules = rulesOver(part.instrument.id, own);
  const count = () => Object.fromEntries(MARK_CLASSES.map((mark) => [mark, 0])) as Record<MarkClass, number>;
  const found = count();
  const taken = count();
  const loudness = loudnessOf(part, loudest);
  const looking: Looking = { part, loudness, ...context, memo: new Map() };

  /** What the rules leave of marks that were looked for with each strength in use. */
  function kept<T extends object>(mark: MarkClass, { look, at }: Finder<T>): (T & { suggested?: true })[] {
    return strengthsInUse(rules, mark).flatMap((strength) =>
      look(looking, strength).flatMap((one) => {
        const rule = ruleFor(rules, mark, context.barOf(at(one)));
        if (rule.use === 'off' || rule.strength !== strength) return [];
        found[mark]++;
        if (rule.use === 'on') taken[mark]++;
        return [{ ...one, ...(rule.use === 'suggest' && { suggested: true as const }) }];
      }),
    );
  }

  const lines: PartLines = {
    ...NO_LINES,
    dynamics: kept('dynamics', LINE_FINDERS.dynamics),
    hairpins: kept('hairpins', LINE_FINDERS.hairpins),
    slurs: kept('slurs', LINE_FINDERS.slurs),
    pedals: kept('pedal', LINE_FINDERS.pedal),
  };
  const onNotes = new Map<NoteId, NoteMark[]>();
  for (const mark of NOTE_CLASSES)
    for (const { sign, strike, suggested = false } of kept(mark, NOTE_FINDERS[mark])) {
      const first = strike.notes[0]!.id;
      onNotes.set(first, [...(onNotes.get(first) ?? []), { mark: sign, suggested }]);
    }
  return { lines, onNotes, report: { found, taken, loudnessFrom: loudness.from } };
}
