/*
 * A segno or coda inside a bar is where the music jumps to, a Fine where it ends: there the bar is cut in two, in all parts, as a
 * repeat would cut it.
 *
 *     | ♩ ♩ 𝄋 ♩ ♩ |      →      | ♩ ♩ | 𝄋 ♩ ♩ |
 *
 * Where a note or a tuplet sounds across the place, the sign is taken to the nearer barline, and that is said.
 */
import { say } from '../../words';
import type { BarSigns } from '../../score';
import type { WrittenUnits } from '../../time';
import type { MusicXmlWarning } from './errors';
import type { RawMeasure, RawNote, RawPart, RawScore } from './raw';

/** @param warnings gets what is taken to a barline; those that are there already find their bars again */
export function splitAtSigns(raw: RawScore, warnings: MusicXmlWarning[]): RawScore {
  const count = raw.parts.reduce((most, { measures }) => Math.max(most, measures.length), 0);
  const parts = raw.parts.map((part): RawPart => ({ ...part, measures: [] }));
  const cuts: number[] = [];
  const pickup = Math.max(0, ...raw.parts.map(({ measures }) => (measures[0]?.implicit ? measures[0].reach : 0)));
  const moved: MusicXmlWarning[] = [];
  for (let b = 0; b < count; b++) {
    const here = raw.parts.map(({ measures }) => measures[b]);
    const place = placeOfSign(here);
    const cut = place !== null && isCut(here, place, pickup) ? place : null;
    if (cut !== null) cuts.push(b);
    here.forEach((measure, p) => {
      if (!measure) return;
      parts[p]!.measures.push(...(cut === null ? [measure] : cutAt(measure, cut)));
      if (cut !== null) return;
      const said = { part: raw.parts[p]!.id, bar: b, line: measure.line };
      moved.push(...toBarline(measure).map((message) => ({ ...said, message })));
    });
  }
  warnings.push(...moved);
  for (const warning of warnings)
    if (warning.bar !== undefined) warning.bar += cuts.filter((bar) => bar < warning.bar!).length;
  return { ...raw, parts };
}

/** All parts have their sign at one place, if they have one. */
function placeOfSign(measures: readonly (RawMeasure | undefined)[]): WrittenUnits | null {
  const places = new Set(measures.flatMap((measure) => measure?.inside.map(({ at }) => at) ?? []));
  const [only] = places;
  return places.size === 1 ? only! : null;
}

function isCut(measures: readonly (RawMeasure | undefined)[], place: WrittenUnits, pickup: WrittenUnits): boolean {
  const there = measures.filter((measure) => measure !== undefined);
  const fine = there.some(({ inside }) => inside.some(({ sign }) => sign === 'fine'));
  return (
    there.every((measure) => canBeCut(measure, place)) && (!fine || there.some((one) => endsAt(one, place, pickup)))
  );
}

/**
 * A Fine over the last note of its bar is for the barline behind it; one with more behind it, or with as much as the
 * pickup has, is for its place.
 */
function endsAt({ notes, reach }: RawMeasure, place: WrittenUnits, pickup: WrittenUnits): boolean {
  const behind = new Set(notes.filter((note) => !note.rest && note.at >= place).map(({ at }) => at));
  return behind.size > 1 || (pickup > 0 && reach - place === pickup);
}

function canBeCut({ notes, reach }: RawMeasure, place: WrittenUnits): boolean {
  if (reach > 0 && reach <= place) return false;
  const across = notes.some((note) => !note.rest && note.at < place && note.at + note.duration > place);
  return !across && !notes.some((note) => note.at === place && note.tuplet && !note.tupletStarts);
}

/** @returns what is to be said of it */
function toBarline(measure: RawMeasure): string[] {
  return measure.inside.flatMap(({ at, sign, name }) => {
    if (sign === 'fine') {
      measure.signs.fine = true;
      return [];
    }
    (at * 2 > measure.reach ? measure.nextSigns : measure.signs)[sign] = name;
    return say('musicxml.theSignSignStandsInsideTheBarAndIs', { sign });
  });
}

function cutAt(measure: RawMeasure, place: WrittenUnits): [RawMeasure, RawMeasure] {
  const [before, after] = signsApart(measure.signs);
  const later = <T extends { at: WrittenUnits }>(list: readonly T[]): T[] =>
    list.flatMap((one) => (one.at >= place ? [{ ...one, at: one.at - place }] : []));
  const earlier = <T extends { at: WrittenUnits }>(list: readonly T[]): T[] => list.filter((one) => one.at < place);
  const notes = measure.notes.flatMap((note) => restsApart(note, place));
  const first: RawMeasure = {
    ...measure,
    reach: Math.min(measure.reach, place),
    keys: earlier(measure.keys),
    clefs: earlier(measure.clefs),
    signs: { ...before, ...(measure.inside.some(({ sign }) => sign === 'fine') && { fine: true as const }) },
    nextSigns: {},
    inside: [],
    notes: earlier(notes),
    directions: earlier(measure.directions),
  };
  const second: RawMeasure = {
    ...measure,
    implicit: true,
    reach: Math.max(0, measure.reach - place),
    meter: null,
    free: false,
    keys: later(measure.keys),
    clefs: later(measure.clefs),
    transposition: null,
    signs: {
      ...after,
      ...Object.fromEntries(measure.inside.flatMap(({ sign, name }) => (sign === 'fine' ? [] : [[sign, name]]))),
    },
    inside: [],
    breaks: null,
    notes: later(notes),
    directions: later(measure.directions),
    repeats: [],
  };
  return [first, second];
}

/** What stands at the beginning of a bar, and what at its end. */
function signsApart({ repeatStart, ending, segno, coda, ...atEnd }: BarSigns): [BarSigns, BarSigns] {
  const atBeginning: BarSigns = {
    ...(repeatStart && { repeatStart }),
    ...(ending && { ending }),
    ...(segno && { segno }),
    ...(coda && { coda }),
  };
  return [atBeginning, atEnd];
}

/** A rest across the place is two; its values follow from their lengths. */
function restsApart(note: RawNote, place: WrittenUnits): RawNote[] {
  if (!note.rest || note.at >= place || note.at + note.duration <= place) return [note];
  const plain = { ...note, type: null, dots: 0, tuplet: null };
  return [
    { ...plain, duration: place - note.at },
    { ...plain, at: place, duration: note.at + note.duration - place },
  ];
}
