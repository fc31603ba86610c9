/* Before anything is made: what a recipe will hand over, in words, and which open queries matter for it. */
import { inList, say } from '../words';
import { DELIVERIES, DELIVERY, type DeliveryKind, type Recipe } from '../documents';
import type { Summary } from '../engine';
import type { Bar } from '../time';
import { foretell } from './deliveries';
import type { DispatchDesk, Working } from './dispatch-desk';
import { Draft, type Preview } from './draft';
import { patternFault } from './names';

/** What is wrong with a recipe itself, in a sentence; null where it can be used. */
export function recipeFault(recipe: Recipe): string | null {
  const empty = DELIVERIES.filter((kind) => asksForNothing(kind, Object.entries(recipe[kind] ?? {})));
  if (empty.length > 0)
    return say('dispatchCore.theRecipeIncludesEmptyButDoesNot', {
      empty: inList(empty.map((kind) => DELIVERY[kind].what)),
    });
  if (!recipe.originals && DELIVERIES.every((kind) => recipe[kind] === null))
    return say('dispatchCore.theRecipeIsEmptyChooseWhatToExport');
  return patternFault(recipe.pattern);
}

/** Of a kind that is several files, none is wanted. */
function asksForNothing(kind: DeliveryKind, wish: [string, unknown][]): boolean {
  const files = Object.entries(DELIVERY[kind].form).flatMap(([field, asked]) => ('isFile' in asked ? [field] : []));
  return wish.length > 0 && files.length > 0 && !wish.some(([field, on]) => on === true && files.includes(field));
}

/** Scores and pages first: both have marks. */
const WRITTEN: DeliveryKind[] = ['score', 'pages'];

/** @throws SmfError or MusicXmlError when an original cannot be used so */
export function* previewOf(desk: DispatchDesk, recipe: Recipe): Generator<Working, Preview> {
  const { summary } = yield* desk.made();
  const draft = new Draft(desk, [whereBarOneIs(summary.bars)]);
  for (const kind of WRITTEN) yield* foretell(draft, recipe, kind);
  if (WRITTEN.some((kind) => recipe[kind])) {
    const { summary: written } = yield* desk.converted();
    draft.says(marksInWords(recipe.marks, written), 0);
  }
  for (const kind of DELIVERIES) if (!WRITTEN.includes(kind)) yield* foretell(draft, recipe, kind);
  if (recipe.originals) {
    const { length } = desk.job.originals;
    draft.says(say('dispatchCore.theOriginalUnchanged2', { length }), length);
  }
  return draft.done();
}

function whereBarOneIs(bars: readonly Bar[]): string {
  const first = bars.findIndex(({ number: own }) => own === 1);
  const hasPickup = bars.length > 1 && bars[0]!.implicit && bars[0]!.number < 1;
  const words = hasPickup
    ? say('dispatchCore.barAndAPickup', { bars: bars.length - 1 })
    : say('dispatchCore.bar', { bars: bars.length });
  if (first < 0) return say('dispatchCore.wordsCountedFromBarsNoneIsBar1', { words, bars: bars[0]?.number ?? 1 });
  if (first === 0) return say('dispatchCore.wordsBar1IsTheFilesFirst', { words });
  return first === 1 && hasPickup
    ? `${words}.`
    : say('dispatchCore.wordsBar1IsTheFilesBarFirst', { words, first: first + 1 });
}

function marksInWords(marks: Recipe['marks'], { parts, suggestedChords }: Summary): string {
  const sum = (of: 'found' | 'taken') =>
    parts.reduce((all, { report }) => Object.values(report.marks[of]).reduce((some, one) => some + one, all), 0);
  const suggested = sum('found') - sum('taken') + suggestedChords;
  switch (marks) {
    case 'none':
      return say('dispatchCore.noDynamicsSlursArticulationsPedal');
    case 'taken':
      return suggested > 0
        ? say('dispatchCore.includedMarkingsAreExported', { suggested })
        : say('dispatchCore.includedMarkingsAreExportedThere');
    case 'suggested':
      return suggested > 0
        ? say('dispatchCore.includedMarkingsAndAllSuggestion', { suggested })
        : say('dispatchCore.includedMarkingsAreExportedThere');
  }
}
