/*
 * Keys and names for the whole piece: the notes of all parts are heard together, and each gets its place on the line of
 * fifths.
 */
import type { CastPart } from '../../casting';
import type { Performance } from '../../performance';
import { barIndexAt, writtenUnits, type Bar } from '../../time';
import { keysOfBars } from './keys';
import { isDefaultKey, signatures, withKeyChanges } from './signatures';
import { spell } from './spelling';
import { chosenNames, type ChosenNote } from './spelling-choices';
import type { StaffNotes } from '../layout/staff-notes';
import type { ConversionSettings } from '../../settings';

/** @returns places by part, staff and note; the key heard in each bar; the signatures printed */
export function spellParts(
  parts: readonly CastPart[],
  staves: readonly StaffNotes[][],
  bars: readonly Bar[],
  performance: Performance,
  settings: ConversionSettings,
) {
  const flat = parts.flatMap((part, p) =>
    part.instrument.unpitched
      ? []
      : staves[p]!.flatMap((staff, s) =>
          staff.notes.map(({ start, end, key }, n) => ({
            start,
            end,
            key,
            p,
            s,
            n,
            line: p * 16 + s * 4 + staff.voices[n]!,
          })),
        ),
  );
  const heard = keysOfBars(flat, bars);
  const keys = withKeyChanges(
    settings.key
      ? [{ bar: 0, ...settings.key }]
      : signatures(heard, flat, bars, performance.keys, sectionsOf(performance, bars)),
    settings.keyChanges,
    bars.length,
  );
  const set = settings.key !== undefined || settings.keyChanges.length > 0 || !isDefaultKey(performance.keys);
  const estimated = set ? keysOfBars(flat, bars, keys) : heard;
  const signatureOfBar = bars.map((bar) => keys.filter((key) => key.bar <= bar.index).at(-1)?.fifths ?? 0);
  const places: number[][][] = staves.map((part) => part.map((staff) => staff.notes.map(() => 0)));
  const starts = bars.map((bar) => bar.start);
  const named =
    settings.spellings.length === 0
      ? []
      : flat.map((note): ChosenNote => ({
          ...note,
          part: parts[note.p]!.id,
          played: [staves[note.p]![note.s]!.notes[note.n]!.id],
          bar: barIndexAt(starts, note.start),
        }));
  chosenNames(named, spell(flat, estimated, signatureOfBar, bars), settings.spellings).forEach((place, i) => {
    const { p, s, n } = flat[i]!;
    places[p]![s]![n] = place;
  });
  return { places, barKeys: heard, keys };
}

/** Bars that the file marks as beginnings: a marker, or another meter. */
function sectionsOf({ markers, ticksPerQuarter }: Performance, bars: readonly Bar[]): Set<number> {
  const marked = new Set(markers.map(({ tick }) => writtenUnits(tick, ticksPerQuarter)));
  const begins = (bar: Bar, before: Bar) =>
    marked.has(bar.start) || bar.meter.beats !== before.meter.beats || bar.meter.beatType !== before.meter.beatType;
  return new Set(bars.filter((bar, b) => b > 0 && begins(bar, bars[b - 1]!)).map((bar) => bar.index));
}
