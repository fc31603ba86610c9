/*
 * Names, numbers and order of the parts on the page.
 */
import { isFurtherPlayer, leadingTrack } from '../base';
import { UNKNOWN_INSTRUMENT, type Instrument } from '../instruments';
import type { PartId } from '../score';
import type { CastingSettings } from '../settings';

export interface Unnamed {
  id: PartId;
  instrument: Instrument;
  /** Out of the track's name, or of the chair it was dealt to. */
  number: number | null;
  desk: string | null;
  solo: boolean;
  /** What the track is called, for parts nobody knows the instrument of. */
  trackName: string;
  fromScore: boolean;
  /** It is called so in a score, where its abbreviation stands too. */
  written: { abbreviation: string } | null;
}

export interface Named {
  name: string;
  abbreviation: string;
}

/**
 * Score order, soloists before their section, then by number, then as in the file; the parts of a score as it has them.
 * Then what people moved.
 */
export function inScoreOrder<T extends Unnamed>(parts: readonly T[], moves: CastingSettings['moves']): T[] {
  const asTheyCame = parts.every((part) => part.fromScore);
  const usual = asTheyCame ? parts : inUsualOrder(parts);
  return moves.reduce((list, { part, before }) => moved(list, part, before), [...usual]);
}

function inUsualOrder<T extends Unnamed>(parts: readonly T[]): T[] {
  return parts
    .map((part, order) => ({ part, order }))
    .sort(
      (a, b) =>
        a.part.instrument.scoreOrder - b.part.instrument.scoreOrder ||
        Number(b.part.solo) - Number(a.part.solo) ||
        (a.part.number ?? 0) - (b.part.number ?? 0) ||
        (a.part.desk ?? '').localeCompare(b.part.desk ?? '') ||
        a.order - b.order,
    )
    .map(({ part }) => part);
}

function moved<T extends Unnamed>(list: readonly T[], id: PartId, before: PartId | null): T[] {
  const one = list.find((part) => part.id === id);
  if (!one || id === before) return [...list];
  const rest = list.filter((part) => part !== one);
  const at = before === null ? rest.length : rest.findIndex((part) => part.id === before);
  return at < 0 ? [...list] : [...rest.slice(0, at), one, ...rest.slice(at)];
}

/** @param parts in score order */
export function nameParts(
  parts: readonly Unnamed[],
  settings: Pick<CastingSettings, 'partNames' | 'abbreviations' | 'house' | 'language'>,
): Named[] {
  const alike = new Map<string, Unnamed[]>();
  const slot = (part: Unnamed) => `${part.instrument.id}/${part.solo}`;
  for (const part of parts) alike.set(slot(part), [...(alike.get(slot(part)) ?? []), part]);
  const suffixes = new Map([...alike.values()].flatMap((group) => [...numbersOf(group)]));
  const counts = numbersOfStrangers(parts);
  return parts.map((part) => {
    const known = part.instrument !== UNKNOWN_INSTRUMENT;
    const suffix = suffixes.get(part) ?? '';
    const base = known ? part.instrument.names[settings.language] : part.trackName + (counts.get(part) ?? '');
    const name = (part.solo ? `Solo ${base}` : base) + (known ? suffix : '');
    const abbreviation = part.instrument.abbreviations[settings.language];
    const short = known ? (part.solo ? `Solo ${abbreviation}` : abbreviation) + suffix : shortened(base);
    const own = keepsName(part, settings.language) ? part : null;
    const house = isFurtherPlayer(part.id) ? undefined : settings.house[leadingTrack(part.id)];
    return {
      name: settings.partNames[part.id] ?? house?.partName ?? own?.trackName ?? name,
      abbreviation: settings.abbreviations[part.id] ?? (own?.written?.abbreviation || short),
    };
  });
}

/** What programs call a part that nobody has named (common practice, no source). */
const NOBODYS_NAME =
  /^(?:(?:track|midi|instrument|inst|part|staff|channel|ch|untitled|unnamed|musicxml part|p|spur|piste|pista|traccia|stimme|kanal)[\s.#_-]*\d*|\d*)$/i;

export function isNobodysName(name: string): boolean {
  return NOBODYS_NAME.test(name.trim());
}

/** A part of a score keeps its name, unless nobody gave it one, or names are wanted in another language. */
function keepsName({ written, trackName }: Unnamed, language: CastingSettings['language']): boolean {
  return written !== null && language === 'en' && !isNobodysName(trackName);
}

/** Unknown parts with one track name are told apart by numbers. */
function numbersOfStrangers(parts: readonly Unnamed[]): Map<Unnamed, string> {
  const strangers = parts.filter((part) => part.instrument === UNKNOWN_INSTRUMENT);
  const byName = new Map<string, Unnamed[]>();
  for (const part of strangers) byName.set(part.trackName, [...(byName.get(part.trackName) ?? []), part]);
  return new Map(
    [...byName.values()]
      .filter((group) => group.length > 1)
      .flatMap((group) => group.map((part, i): [Unnamed, string] => [part, ` ${i + 1}`])),
  );
}

const SHORT_WORD = 4;

/** "Track 3" is "Tr. 3", "Warm Pad" is "Warm Pad": long words are cut after their first sounds, numbers stay. */
function shortened(name: string): string {
  const words = name.trim().split(/\s+/);
  const kept = words.length > 3 ? [...words.slice(0, 2), ...words.slice(-1).filter((word) => /\d/.test(word))] : words;
  return kept
    .map((word) =>
      word.length <= SHORT_WORD || /\d/.test(word)
        ? word
        : `${/^[^aeiouyäöü\W\d_]{2,3}/i.exec(word)?.[0] ?? word.slice(0, 3)}.`,
    )
    .join(' ');
}

/** So many players of an instrument may be missing from a score; larger numbers count tracks, not players. */
const MOST_ABSENT = 2;

/**
 * Numbers as the track names have them where they count players and tell the parts apart; else counted from 1. Several tracks of one
 * numbered section are its desks A, B, C.
 */
function numbersOf(group: readonly Unnamed[]): Map<Unnamed, string> {
  const [first] = group;
  if (group.length === 1) {
    // There are a first and a second violin even when only one of them is here; a lone “Vc 02” is just the cello.
    const isSection = first!.instrument.id === 'violin' && first!.number && first!.number <= 1 + MOST_ABSENT;
    const number = isSection ? ` ${first!.number}` : '';
    return new Map([[first!, number + (first!.desk && (number || first!.number === null) ? ` ${first!.desk}` : '')]]);
  }
  const desks = new Set(group.map(({ desk }) => desk));
  if (desks.size === group.length && !desks.has(null) && group.every(({ number }) => number === null))
    return new Map(group.map((part) => [part, ` ${part.desk}`]));
  const most = group.length + MOST_ABSENT;
  const numbered = group.every((part) => part.number !== null && part.number <= most);
  const places = new Set(group.map((part) => `${part.number}/${part.desk}`));
  if (numbered && places.size === group.length)
    return new Map(group.map((part) => [part, ` ${part.number}${part.desk ? ` ${part.desk}` : ''}`]));
  if (
    numbered &&
    first!.instrument.section &&
    (group.some(({ desk }) => desk !== null) || new Set(group.map((part) => part.number)).size > 1)
  ) {
    return new Map(
      group.map((part) => {
        const desk = group.filter((other) => other.number === part.number);
        return [part, ` ${part.number}${desk.length > 1 ? ` ${String.fromCharCode(65 + desk.indexOf(part))}` : ''}`];
      }),
    );
  }
  return new Map(group.map((part, i) => [part, ` ${i + 1}`]));
}
