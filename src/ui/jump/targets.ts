import { say } from '@/core/words';
import type { PartId } from '@/core/base';
import type { OpenQuery } from '@/core/engine';
import { instrumentById } from '@/core/instruments';
import type { Bar } from '@/core/time';
import type { Direction } from '@/storage/schema';
import type { Heading } from '../manual/manual';
import { settingPlaces, type SettingPlace } from './settings';

/* Where a few typed letters may lead: to a bar of a part, a query, a setting. */

export interface PartToFind {
  id: PartId;
  name: string;
  abbreviation?: string;
  instrument: string;
}

export type Target =
  | { kind: 'bar'; bar: number; part: PartId | null; label: string }
  | { kind: 'part'; part: PartId; label: string }
  | { kind: 'query'; query: OpenQuery; label: string }
  | { kind: 'manual'; heading: Heading; label: string }
  | { kind: 'setting'; place: SettingPlace; label: string };

const MOST_OF_A_KIND = 6;

/** Lower case, without accents, apart at everything that is no letter and between letters and numbers. */
function wordsOf(text: string): string[] {
  return text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/(\p{L})(\d)/gu, '$1 $2')
    .split(/[^\p{L}\d]+/u)
    .filter(Boolean);
}

export interface Findable {
  parts: readonly PartToFind[];
  bars: readonly Bar[];
  queries: readonly OpenQuery[];
  direction: Direction;
  /** Of the manual, once it is there. */
  headings?: readonly Heading[];
}

/** The likeliest first. @param typed "v2 65", "65", "quantize", "out of range" */
export function targetsFor(typed: string, { parts, bars, queries, direction, headings = [] }: Findable): Target[] {
  const words = wordsOf(typed).filter((word) => word !== 'bar' && word !== 'measure');
  if (words.length === 0) return [];
  return [
    // A number by itself is a bar; one that hangs on letters, as in “v2”, tells players apart.
    ...(/(^|\s)\d+\s*$/.test(typed) ? barTargets(words, parts, bars) : []),
    ...settingTargets(words, direction),
    ...partTargets(words, parts),
    ...queryTargets(words, queries),
    ...manualTargets(words, headings),
  ];
}

/** The last number is a bar; what stands before it a part. */
function barTargets(words: readonly string[], parts: readonly PartToFind[], bars: readonly Bar[]): Target[] {
  const number = Number(words.at(-1));
  const bar = bars.findIndex((one) => one.number === number);
  if (bar < 0) return [];
  const before = words.slice(0, -1);
  if (before.length === 0) return [{ kind: 'bar', bar, part: null, label: say('jump.barNumber', { number }) }];
  return matching(before, parts).map(({ id, name }): Target => ({
    kind: 'bar',
    bar,
    part: id,
    label: say('jump.nameBarNumber', { name, number }),
  }));
}

function partTargets(words: readonly string[], parts: readonly PartToFind[]): Target[] {
  return matching(words, parts).map(({ id, name }): Target => ({ kind: 'part', part: id, label: name }));
}

function matching(words: readonly string[], parts: readonly PartToFind[]): PartToFind[] {
  return parts.filter((part) => isCalled(words, part)).slice(0, MOST_OF_A_KIND);
}

/** Letters begin one of its names, numbers are its own. "vl 2", "hn 3", "first violin" by any of the catalogue's names */
function isCalled(words: readonly string[], { name, abbreviation = '', instrument }: PartToFind): boolean {
  const { names, aliases } = instrumentById(instrument);
  const own = wordsOf(name);
  const letters = [
    ...own,
    ...wordsOf(abbreviation),
    ...Object.values(names).flatMap(wordsOf),
    ...aliases.flatMap(wordsOf),
  ];
  return words.every((word) => (/^\d+$/.test(word) ? own.includes(word) : letters.some((one) => one.startsWith(word))));
}

function settingTargets(words: readonly string[], direction: Direction): Target[] {
  return settingPlaces()
    .filter(({ name, words: trade }) => {
      const known = wordsOf(`${name} ${trade}`);
      return words.every((word) => word.length > 1 && known.some((one) => one.startsWith(word)));
    })
    .sort((a, b) => Number(b.direction === direction) - Number(a.direction === direction))
    .slice(0, MOST_OF_A_KIND)
    .map((place): Target => ({ kind: 'setting', place, label: place.name }));
}

function queryTargets(words: readonly string[], queries: readonly OpenQuery[]): Target[] {
  return queries
    .filter(({ message }) => {
      const said = wordsOf(message);
      return words.every((word) => said.some((one) => one.startsWith(word)));
    })
    .slice(0, MOST_OF_A_KIND)
    .map((query): Target => ({ kind: 'query', query, label: query.message }));
}

function manualTargets(words: readonly string[], headings: readonly Heading[]): Target[] {
  return headings
    .filter(({ title }) => {
      const said = wordsOf(title);
      return words.every((word) => word.length > 1 && said.some((one) => one.startsWith(word)));
    })
    .slice(0, MOST_OF_A_KIND)
    .map((heading): Target => ({ kind: 'manual', heading, label: heading.title }));
}
