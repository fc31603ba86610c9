/*
 * Marks of one part: every class is looked for with the strength its rules ask for, and each mark that is found is
 * taken, suggested or left away by the rule of its bar.
 */
import { MARK_CLASSES, NO_LINES, type Articulation, type MarkClass, type PartLines } from '../../score';
import type { Seconds, WrittenUnits } from '../../time';
import type { NoteId } from '../../performance';
import { findAccents, findStaccato } from './articulations';
import type { Breath } from './breaths';
import { findDynamics } from './dynamics';
import { loudnessOf } from './loudness';
import type { PlayedPart, Strike } from './marked-part';
import { findPedals } from './pedals';
import { ruleFor, strengthsInUse } from './rules';
import { findSlurs } from './slurs';
import type { MarkRule, MarkStrength } from '../../settings';

export interface NoteMark {
  mark: Articulation | 'breath' | 'caesura';
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

export interface MarkContext {
  barOf: (at: WrittenUnits) => number;
  /** Clock time from one written place to another. */
  secondsBetween: (from: WrittenUnits, to: WrittenUnits) => Seconds;
  end: WrittenUnits;
  /** Of the whole score. */
  breaths: readonly Breath[];
}

export function findMarks(part: PlayedPart, rules: readonly MarkRule[], context: MarkContext): FoundMarks {
  const { barOf, secondsBetween, end, breaths } = context;
  const count = () => Object.fromEntries(MARK_CLASSES.map((mark) => [mark, 0])) as Record<MarkClass, number>;
  const found = count();
  const taken = count();
  const loudness = loudnessOf(part);
  const byStrength = new Map<MarkStrength, ReturnType<typeof findDynamics>>();
  const dynamics = (strength: MarkStrength) => {
    if (!byStrength.has(strength)) byStrength.set(strength, findDynamics(loudness, strength, barOf));
    return byStrength.get(strength)!;
  };
  const onNotes = new Map<NoteId, NoteMark[]>();

  /** What the rules leave of marks that were looked for with each strength in use. */
  function kept<T>(
    mark: MarkClass,
    look: (strength: MarkStrength) => readonly T[],
    at: (one: T) => WrittenUnits,
  ): (T & { suggested?: true })[] {
    return strengthsInUse(rules, mark).flatMap((strength) =>
      look(strength).flatMap((one) => {
        const rule = ruleFor(rules, mark, barOf(at(one)));
        if (rule.use === 'off' || rule.strength !== strength) return [];
        found[mark]++;
        if (rule.use === 'on') taken[mark]++;
        return [{ ...one, ...(rule.use === 'suggest' && { suggested: true as const }) }];
      }),
    );
  }

  function onStrikes(
    mark: MarkClass,
    sign: NoteMark['mark'],
    look: (strength: MarkStrength) => readonly Strike[],
  ): void {
    for (const { notes, suggested } of kept(mark, look, (strike) => strike.start))
      add(notes[0]!.id, { mark: sign, suggested: suggested ?? false });
  }

  function add(note: NoteId, mark: NoteMark): void {
    onNotes.set(note, [...(onNotes.get(note) ?? []), mark]);
  }

  const lines: PartLines = {
    ...NO_LINES,
    dynamics: kept(
      'dynamics',
      (strength) => dynamics(strength).dynamics,
      (mark) => mark.at,
    ),
    hairpins: kept(
      'hairpins',
      (strength) => dynamics(strength).hairpins,
      (line) => line.start,
    ),
    slurs: kept(
      'slurs',
      (strength) => findSlurs(part, strength, barOf),
      (slur) => slur.start,
    ),
    pedals: kept(
      'pedal',
      () => findPedals(part, end),
      (pedal) => pedal.start,
    ),
  };
  onStrikes('staccato', 'staccato', (strength) =>
    findStaccato(part, strength, (strike) => secondsBetween(strike.start, strike.end)),
  );
  onStrikes('accents', 'accent', (strength) => findAccents(part, strength));
  const ending = new Map(part.strikes.map((strike) => [strike.end, strike]));
  for (const { kind, suggested, strike } of kept(
    'breaths',
    () => breaths.flatMap((breath) => (ending.has(breath.at) ? [{ ...breath, strike: ending.get(breath.at)! }] : [])),
    ({ strike }) => strike.start,
  )) {
    add(strike.notes[0]!.id, { mark: kind, suggested: suggested ?? false });
  }
  return { lines, onNotes, report: { found, taken, loudnessFrom: loudness.from } };
}
