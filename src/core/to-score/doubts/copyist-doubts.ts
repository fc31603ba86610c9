/*
 * Doubts a copyist has about the look of a part: doubles that are written differently, many instruments on one
 * percussion staff, bars that could be written as repeat signs.
 */
import { say } from '../../words';
import { few, groupBy, queryId, queryIdOf } from '../../base';
import type { CastPart } from '../../casting';
import { KIT_GROUP, PERCUSSION_GROUPS, percussionGroupOf } from '../../instruments';
import type { Query } from '../../queries';
import type { Part, PartId } from '../../score';
import type { Bar } from '../../time';
import type { Doubling } from '../layout/doubled-lines';
import { withBarRepeats } from '../notation/repeats';

/** Parts that have fewer bars in common are not thought to double each other. */
const LEAST_DOUBLED = 4;
/** So many hand instruments beside a kit, or by themselves, are more than one staff reads well. */
const MANY_BESIDE_KIT = 3;
const MANY = 4;
/** Bars like the one before, in a row, that are worth offering. */
const LEAST_LIKE = 4;

/** Parts that play the same as another one and are written differently: one query for each that is doubled. */
export function doublingQueries(
  doublings: readonly Doubling[],
  parts: readonly CastPart[],
  bars: readonly Bar[],
): Query[] {
  const nameOf = (id: PartId) => parts.find((part) => part.id === id)!.name;
  const apart = doublings.filter(({ bars: both, differing }) => both.length >= LEAST_DOUBLED && differing.length > 0);
  return [...groupBy(apart, ({ as }) => as)].map(([as, of]): Query => {
    const { part, bars: both, differing } = of[0]!;
    const first = bars[differing[0]!]!;
    const names = of.map((one) => nameOf(one.part));
    const message =
      of.length === 1
        ? say('doubts.namesDoublesNameOfInBothBars', {
            names: names[0]!,
            nameOf: nameOf(as),
            both: both.length,
            barList: barList(differing.map((bar) => bars[bar]!.number)),
          })
        : say('doubts.fewDoubleNameOfHereAndThereFromBar', {
            few: few(names, ', '),
            nameOf: nameOf(as),
            first: first.number,
          });
    return {
      id: queryIdOf(
        `doubled/${as}`,
        of.map((one) => one.part),
      ),
      kind: 'doubled',
      part,
      parts: of.map((one) => one.part),
      at: first.start,
      bar: first.index,
      message,
      facts: { as, name: nameOf(as) },
    };
  });
}

/** "in bars 3, 4 and 9"; the first few of many. */
function barList(numbers: readonly number[]): string {
  const shown = numbers.slice(0, 4);
  if (numbers.length === 1) return say('doubts.inBarShown', { shown: shown[0]! });
  return numbers.length > shown.length
    ? say('doubts.inNumbersOfThemFromBarShownOn', { numbers: numbers.length, shown: shown[0]! })
    : say('doubts.inBarsShownAndShown2', { shown: shown.slice(0, -1).join(', '), shown2: shown.at(-1)! });
}

/** Percussion of many instruments on one staff. */
export function manySoundsQueries(part: CastPart): Query[] {
  if (!part.instrument.unpitched) return [];
  return part.sources.flatMap(({ track, notes }): Query[] => {
    const groups = [...new Set(notes.map((note) => percussionGroupOf(note.key)))].sort((a, b) => a - b);
    const names = groups.flatMap((group) => PERCUSSION_GROUPS.find(({ number }) => number === group)?.name ?? []);
    if (names.length < (groups.includes(KIT_GROUP) ? MANY_BESIDE_KIT : MANY)) return [];
    const shown =
      names.length > 5
        ? say('doubts.namesAndNames2More', { names: names.slice(0, 4).join(', '), names2: names.length - 4 })
        : say('doubts.namesAndNames2', { names: names.slice(0, -1).join(', '), names2: names.at(-1)! });
    return [
      {
        id: queryId(`many-sounds/${track}`),
        kind: 'many-sounds',
        part: part.id,
        track,
        message: say('doubts.partHasShownOnOneStaffWithTheKit', {
          part: part.name,
          shown,
          groupsIncludesKITGROUP: Boolean(groups.includes(KIT_GROUP)),
        }),
      },
    ];
  });
}

/** A percussion part that plays the same bar over and over. */
export function barRepeatQueries(part: CastPart, written: Part, bars: readonly Bar[]): Query[] {
  if (!part.instrument.unpitched) return [];
  const like = withBarRepeats(
    written,
    bars.map((bar) => bar.length),
  ).bars.flatMap((bar, b) => (bar.likeBefore === undefined ? [] : [b]));
  const rows = like.filter((b, i) => like[i + LEAST_LIKE - 1] === b + LEAST_LIKE - 1);
  if (rows.length === 0) return [];
  const first = bars[rows[0]!]!;
  return [
    {
      id: queryId(`bar-repeats/${part.id}`),
      kind: 'bar-repeats',
      part: part.id,
      at: first.start,
      bar: first.index,
      message: say('doubts.partLikeOfBarsBarsAreLikeTheOneOr', {
        part: part.name,
        like: like.length,
        bars: bars.length,
        first: first.number,
      }),
    },
  ];
}
