/*
 * From raw measures to a score: bars, voices, keys in concert pitch, lines over several bars, words where they belong.
 */
import { say } from '../../words';
import {
  fifthsOf,
  transpositionAt,
  type BarSigns,
  type Marker,
  type Part,
  type Score,
  type ScoreKey,
  type SwingMark,
} from '../../score';
import type { Bar, WrittenUnits } from '../../time';
import { barsOf } from './bars';
import { directionsOf } from './directions';
import type { MusicXmlWarning } from './errors';
import type { RawPart, RawScore } from './raw';
import { splitAtSigns } from './split-measures';
import { temposOf } from './tempos';
import { readPart } from './read-part';

export function assembleScore(read: RawScore, warnings: MusicXmlWarning[]): Score {
  const raw = splitAtSigns(read, warnings);
  const bars = barsOf(raw, warnings);
  for (const { id, measures } of raw.parts)
    if (measures.length < bars.length)
      warnings.push({
        part: id,
        bar: measures.length,
        message: say('musicxml.thePartEndsAfterMeasuresOfBarsBars', { measures: measures.length, bars: bars.length }),
      });
  const parts = raw.parts.map((part) => readPart(part, bars, warnings));
  const { keys, writtenKeys } = keysOf(raw.parts, parts);
  const breaks = breaksOf(raw.parts);
  const score: Score = {
    title: raw.title,
    composer: raw.composer,
    rights: raw.rights,
    bars,
    signs: signsOf(raw.parts, bars),
    keys,
    tempos: temposOf(raw.parts, bars),
    markers: markersOf(raw.parts, bars),
    swing: swingOf(raw.parts, bars),
    parts: parts.map((part, p) => ({ ...part, writtenKeys: writtenKeys[p]! })),
    ...(breaks && { breaks }),
  };
  return score;
}

/** Every part repeats what holds for all; one may lack it. */
function signsOf(parts: readonly RawPart[], bars: readonly Bar[]): Score['signs'] {
  const signs: Record<number, BarSigns> = {};
  for (const { index } of bars) {
    const here = parts.reduce<BarSigns>(
      (sum, { measures }) => ({ ...measures[index - 1]?.nextSigns, ...measures[index]?.signs, ...sum }),
      {},
    );
    if (Object.keys(here).length > 0) signs[index] = here;
  }
  // A first ending whose beginning nobody wrote is the bar where it ends.
  for (const [bar, one] of Object.entries(signs)) {
    const next = signs[Number(bar) + 1]?.ending;
    if (one.endingStop && one.repeatEnd && next && !next.includes(1) && !beginsBefore(signs, Number(bar)))
      one.ending = [1];
  }
  return signs;
}

/** Whether the ending that stops at a bar has a beginning. */
function beginsBefore(signs: Score['signs'], bar: number): boolean {
  for (let b = bar; b >= 0; b--) {
    if (signs[b]?.ending) return true;
    if (b < bar && (signs[b]?.endingStop || signs[b]?.repeatEnd)) return false;
  }
  return false;
}

/** Lines and pages of the first part that has any; null where nothing is broken. */
function breaksOf(parts: readonly RawPart[]): Score['breaks'] | null {
  const first = parts.find((part) => part.measures.some((measure) => measure.breaks));
  if (!first) return null;
  return Object.fromEntries(first.measures.flatMap(({ breaks }, bar) => (breaks ? [[bar, breaks] as const] : [])));
}

function markersOf(parts: readonly RawPart[], bars: readonly Bar[]): Marker[] {
  const seen = new Map<string, Marker>();
  for (const part of parts)
    for (const { direction, at } of directionsOf(part, bars))
      if (direction.kind === 'marker')
        seen.set(`${at}/${direction.text}`, { at, text: direction.text, rehearsal: direction.rehearsal });
  return [...seen.values()].sort((a, b) => a.at - b.at);
}

/** Marks as the first part that has one at a bar says them; a mark that changes nothing is none. */
function swingOf(parts: readonly RawPart[], bars: readonly Bar[]): SwingMark[] {
  const marks = new Map<number, SwingMark>();
  for (const part of parts)
    for (const { direction, bar } of directionsOf(part, bars)) {
      if (direction.kind === 'swing' && direction.ratio >= 1 && direction.ratio <= 4 && !marks.has(bar))
        marks.set(bar, { bar, ratio: direction.ratio, unit: direction.unit });
    }
  const sorted = [...marks.values()].sort((a, b) => a.bar - b.bar);
  return sorted.filter(({ ratio, unit }, i) => {
    const before = sorted[i - 1] ?? { ratio: 1, unit };
    return ratio !== before.ratio || unit !== before.unit;
  });
}

/** Signatures in concert pitch where any pitched part changes its own, and what each part reads there. */
function keysOf(raw: readonly RawPart[], parts: readonly Part[]): { keys: ScoreKey[]; writtenKeys: number[][] } {
  const signatures = raw.map(({ measures }, p) => (parts[p]!.unpitched ? [] : signaturesOf(measures)));
  const changes = new Map<string, ScoreKey>();
  for (const [p, part] of parts.entries())
    for (const { bar, at, fifths, mode } of signatures[p]!) {
      const slot = `${bar}/${at}`;
      if (!changes.has(slot))
        changes.set(slot, {
          bar,
          fifths: wrapped(fifths - fifthsOf(transpositionAt(part, bar))),
          mode,
          ...(at > 0 && { at }),
        });
    }
  if (!changes.has('0/0')) changes.set('0/0', { bar: 0, fifths: 0, mode: 'major' });
  const sorted = [...changes.values()].sort(inTime);
  const columns = sorted.map((key) =>
    parts.map((part, p) => {
      if (part.unpitched) return 0;
      const said = signatures[p]!.findLast((one) => inTime(one, key) <= 0);
      return said?.fifths ?? wrapped(key.fifths + fifthsOf(transpositionAt(part, key.bar)));
    }),
  );
  // A change that nobody reads as one is none.
  const kept = sorted.flatMap((key, k) => {
    const before = sorted[k - 1];
    const same = before && key.fifths === before.fifths && key.mode === before.mode;
    return same && columns[k]!.every((fifths, p) => fifths === columns[k - 1]![p]) ? [] : [k];
  });
  return { keys: kept.map((k) => sorted[k]!), writtenKeys: raw.map((_, p) => kept.map((k) => columns[k]![p]!)) };
}

interface Placed {
  bar: number;
  at?: WrittenUnits;
}

const inTime = (a: Placed, b: Placed) => a.bar - b.bar || (a.at ?? 0) - (b.at ?? 0);

/** The signatures of a part in order; one at the end of a bar is that of the next. */
function signaturesOf(measures: RawPart['measures']): (ScoreKey & { at: WrittenUnits })[] {
  return measures.flatMap(({ keys, reach }, b) =>
    keys.flatMap(({ fifths, mode, at }) => {
      const atEnd = at > 0 && at >= reach;
      if (atEnd && b + 1 >= measures.length) return [];
      return [{ bar: atEnd ? b + 1 : b, at: atEnd ? 0 : at, fifths, mode }];
    }),
  );
}

/** A signature of at most seven signs. */
function wrapped(fifths: number): number {
  if (fifths > 7) return fifths - 12;
  return fifths < -7 ? fifths + 12 : fifths;
}
