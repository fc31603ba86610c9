/*
 * Keys and names for the whole piece: the notes of all parts are heard together, and each gets its place on the line of
 * fifths.
 */
import type { Performance } from '../../performance';
import type { ScoreKey } from '../../score';
import { barIndexAt, writtenUnits, type Bar } from '../../time';
import { keysOfBars } from './keys';
import { isDefaultKey, signatures, withKeyChanges } from './signatures';
import { spell } from './spelling';
import { chosenNames, type ChosenNote } from './spelling-choices';
import { nearestPlace } from './written-pitch';
import { barsOfNewSignature } from '../notation/doublings';
import type { Piece } from '../piece';
import { isAnew } from '../received/anew';
import type { ReadyPart } from '../received/kept-parts';

/**
 * @returns places by part, staff and note; the key heard in each bar; the signatures printed, and whether they are those
 * that were received; how many received names the stages would not have given
 */
export function spellParts(
  { performance, received, settings }: Piece,
  ready: readonly ReadyPart[],
  bars: readonly Bar[],
) {
  const parts = ready.map(({ part }) => part);
  const staves = ready.map((one) => one.staves);
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
  const given = received && !isAnew(settings, 'spelling', null) ? received.keys : null;
  const printed = given ?? signatures(heard, flat, bars, performance.keys, sectionsOf(performance, bars));
  const keys = saidAgain(
    withKeyChanges(settings.key ? [{ bar: 0, ...settings.key }] : printed, settings.keyChanges, bars.length),
    // A score that was received has said them.
    (given ? [] : ready).flatMap(({ part, staves: own }) =>
      barsOfNewSignature(
        part,
        own.flatMap(({ notes }) => notes),
        bars,
      ),
    ),
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
  let renamed = 0;
  const spelled = spell(flat, estimated, signatureOfBar, bars).map((place, i) => {
    const { p, s, n, key } = flat[i]!;
    const was = ready[p]!.kept?.places.get(staves[p]![s]!.notes[n]!.id);
    if (was === undefined) return place;
    if (was !== place) renamed++;
    return nearestPlace(key, was);
  });
  chosenNames(named, spelled, settings.spellings).forEach((place, i) => {
    const { p, s, n } = flat[i]!;
    places[p]![s]![n] = place;
  });
  return {
    places,
    barKeys: heard,
    keys,
    renamed,
    sameKeys: given !== null && !settings.key && settings.keyChanges.length === 0,
  };
}

/** A key is said again where a player takes up an instrument that reads it otherwise. */
function saidAgain(keys: readonly ScoreKey[], at: readonly number[]): ScoreKey[] {
  const again = [...new Set(at)].flatMap((bar): ScoreKey[] => {
    if (keys.some((key) => key.bar === bar && !key.at)) return [];
    const { at: _inside, ...before } = keys.findLast((key) => key.bar < bar) ?? keys[0]!;
    return [{ ...before, bar }];
  });
  return [...keys, ...again].sort((a, b) => a.bar - b.bar || (a.at ?? 0) - (b.at ?? 0));
}

/** Bars that the file marks as beginnings: a marker, or another meter. */
function sectionsOf({ markers, ticksPerQuarter }: Performance, bars: readonly Bar[]): Set<number> {
  const marked = new Set(markers.map(({ tick }) => writtenUnits(tick, ticksPerQuarter)));
  const begins = (bar: Bar, before: Bar) =>
    marked.has(bar.start) || bar.meter.beats !== before.meter.beats || bar.meter.beatType !== before.meter.beatType;
  return new Set(bars.filter((bar, b) => b > 0 && begins(bar, bars[b - 1]!)).map((bar) => bar.index));
}
