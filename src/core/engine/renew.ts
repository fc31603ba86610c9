/* It comes again: a new version of an original takes the place of the old one, and what was decided is carried over. */
import { trackInFile, type PartId, type TrackId } from '../base';
import { describe } from '../decisions';
import { inForce, settingsOf, type Ledger } from '../documents';
import { barsOfPerformance, type Performance } from '../performance';
import {
  carryOver,
  compareVersions,
  idNow,
  placeNow,
  type CarriedLedger,
  type Correspondence,
  type VersionChanges,
} from '../renewal';
import type { JobSettings } from '../settings';
import { barIndexAt, type Bar } from '../time';
import { prepareOriginals } from './prepare';
import { readOriginals, type Originals } from './originals';

/** A new version before it is taken. */
export interface Renewal {
  ledger: Ledger;
  /** So many decisions are there as they were. */
  whole: number;
  /** In plain words: those of which a part is gone, and those that have nothing left. */
  partly: string[];
  lost: string[];
  changes: VersionChanges;
  /** Bars of the new version, and of the old one. */
  bars: Bar[];
  barsBefore: Bar[];
  /** Names of the tracks of both, by id: the new version’s, and the old one’s. */
  names: Record<TrackId, string>;
  namesBefore: Record<TrackId, string>;
}

/**
 * @param before originals as they were decided about @param after originals as they are now, in the same order
 * @throws SmfError or MusicXmlError with one sentence when one cannot be read
 */
export function renew(before: readonly Uint8Array[], after: readonly Uint8Array[], ledger: Ledger): Renewal {
  const [old, now] = [readOriginals(before), readOriginals(after)];
  const settings = settingsOf(ledger);
  const [was, is] = [unmended(old, settings), unmended(now, settings)];
  const found = compareVersions(was, is);
  const { ledger: carriedOver, whole, partly, lost } = carried(ledger, found, { old, now, was, is });
  const said = inForce(ledger).map((made) => describe(made, (id) => nameIn(was, id)));
  return {
    ledger: carriedOver,
    whole: whole.length,
    partly: partly.map((i) => said[i]!),
    lost: lost.map((i) => said[i]!),
    changes: found.changes,
    bars: barsOfPerformance(is),
    barsBefore: barsOfPerformance(was),
    names: namesIn(is),
    namesBefore: namesIn(was),
  };
}

/** Put together, without what was mended on its time line and without tracks that were split: as it came. */
function unmended(originals: Originals, settings: JobSettings): Performance {
  return prepareOriginals(originals, { ...settings, timeLine: [], splits: {}, programSplits: {}, soundSplits: {} })
    .performance;
}

/** Both versions: their originals, and their music as it came. */
interface Versions {
  old: Originals;
  now: Originals;
  was: Performance;
  is: Performance;
}

function carried(ledger: Ledger, found: Correspondence, versions: Versions): CarriedLedger {
  const { old, now, is } = versions;
  const ids = new Map<string, string | null>([...found.tracks, ...scoreParts(found, versions)]);
  const chunks = chunksNow(found, versions);
  const whereabouts = {
    id: (id: string) => idNow(id, ids),
    note: (note: number) => found.notes.get(note) ?? null,
    place: (at: number) => placeNow(found.stretches, at),
    chunk: (chunk: number) => chunks.get(chunk) ?? null,
  };
  // Bars are counted on the time line as it was mended: that is carried over first, then bars can be found.
  const mended = (originals: Originals, by: Ledger) =>
    barsOfPerformance(prepareOriginals(originals, settingsOf(by)).performance);
  const bars = mended(old, ledger);
  const inPlace = carryOver(ledger, { ...whereabouts, bar: (index) => index, changed: () => false });
  const barsNow = mended(now, inPlace.ledger);
  const starts = barsNow.map(({ start }) => start);
  const changed = changedPlaces(found.changes, barsOfPerformance(is));
  return carryOver(ledger, {
    ...whereabouts,
    bar: (index) => {
      const place = bars[index] && placeNow(found.stretches, bars[index].start);
      return place === null || place === undefined ? null : barIndexAt(starts, place);
    },
    changed: (index) => {
      const bar = barsNow[index];
      return !bar || changed.some(({ start, length }) => start < bar.start + bar.length && start + length > bar.start);
    },
  });
}

/** Bars of the new version that are new or hold something else. */
function changedPlaces({ bars, barsAdded }: VersionChanges, all: readonly Bar[]): Bar[] {
  const indexes = new Set([...barsAdded, ...bars.map(({ bar }) => bar)]);
  return all.filter(({ index }) => indexes.has(index));
}

/** Parts of a score by the ids they have there: a track of its music stands for each, in order. */
function scoreParts({ tracks }: Correspondence, { old, now, was, is }: Versions): [string, string | null][] {
  const parts = now.score?.score.parts ?? [];
  return (old.score?.score.parts ?? []).map(({ id }, p) => {
    const other = tracks.get(was.tracks[p]!.id);
    return [id, parts[is.tracks.findIndex((track) => track.id === other)]?.id ?? null];
  });
}

/** Track chunks of the first MIDI file, by number. */
function chunksNow({ tracks }: Correspondence, { old, now }: Versions): Map<number, number> {
  const [before, after] = [old.midi[0]?.performance.tracks ?? [], now.midi[0]?.performance.tracks ?? []];
  return new Map(
    before.flatMap(({ id, chunk }) => {
      const other = after.find((one) => one.id === tracks.get(id));
      return other ? [[chunk, other.chunk] as const] : [];
    }),
  );
}

const namesIn = ({ tracks }: Performance): Record<TrackId, string> =>
  Object.fromEntries(tracks.map(({ id, name }, i) => [id, name || `Track ${i + 1}`]));

/** Of the track behind an id, whatever stands behind that. */
const nameIn = (performance: Performance, id: TrackId | PartId) => namesIn(performance)[trackInFile(id)] ?? id;
