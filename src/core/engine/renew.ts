/* It comes again: a new version of an original takes the place of the old one, and what was decided is carried over. */
import { trackId, type TrackId } from '../base';
import { describe } from '../decisions';
import { inForce, settingsOf, type Ledger } from '../documents';
import { barsOfPerformance, type Performance } from '../performance';
import { carryOver, compareVersions, idNow, placeNow, type Correspondence, type VersionChanges } from '../renewal';
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
  const first = carried(ledger, found, { before: old, after: now });
  const said = inForce(ledger).map((made) => describe(made, (id) => nameIn(was, id)));
  return {
    ledger: first.ledger,
    whole: first.whole.length,
    partly: first.partly.map((i) => said[i]!),
    lost: first.lost.map((i) => said[i]!),
    changes: found.changes,
    bars: barsOfPerformance(is),
    barsBefore: barsOfPerformance(was),
    names: namesIn(is),
    namesBefore: namesIn(was),
  };
}

/** Put together, without what was mended on its time line and without tracks that were split: as it came. */
function unmended(originals: Originals, settings: JobSettings): Performance {
  return prepareOriginals(originals, { ...settings, timeLine: [], splits: {}, soundSplits: {} }).performance;
}

function carried(ledger: Ledger, found: Correspondence, { before, after }: { before: Originals; after: Originals }) {
  const ids = new Map<string, string | null>([...found.tracks, ...scoreParts(before, after, found)]);
  const chunks = chunksNow(before, after, found);
  const whereabouts = {
    id: (id: string) => idNow(id, ids),
    note: (note: number) => found.notes.get(note) ?? null,
    place: (at: number) => placeNow(found.stretches, at),
    chunk: (chunk: number) => chunks.get(chunk) ?? null,
  };
  // Bars are counted on the time line as it was mended: that is carried over first, then bars can be found.
  const mended = (originals: Originals, { decisions, position }: Ledger) =>
    barsOfPerformance(prepareOriginals(originals, settingsOf({ decisions, position })).performance);
  const bars = mended(before, ledger);
  const withoutBars = carryOver(ledger, { ...whereabouts, bar: (index) => index });
  const barsNow = mended(after, withoutBars.ledger).map(({ start }) => start);
  return carryOver(ledger, {
    ...whereabouts,
    bar: (index) => {
      const place = bars[index] && placeNow(found.stretches, bars[index].start);
      return place === null || place === undefined ? null : barIndexAt(barsNow, place);
    },
  });
}

/** Parts of a score by the ids they have there: its tracks are numbered as they stand. */
function scoreParts(before: Originals, after: Originals, { tracks }: Correspondence): [string, string | null][] {
  const [old, now] = [before, after].map(({ score }) => score?.score.parts.map(({ id }) => id) ?? []);
  return (old ?? []).map((id, p) => {
    const other = tracks.get(trackId(`t${p}`));
    return [id, other ? (now?.[Number(other.slice(1))] ?? null) : null];
  });
}

/** Track chunks of the first MIDI file, by number. */
function chunksNow(before: Originals, after: Originals, { tracks }: Correspondence): Map<number, number> {
  const [old, now] = [before.midi[0]?.performance.tracks ?? [], after.midi[0]?.performance.tracks ?? []];
  return new Map(
    old.flatMap(({ id, chunk }) => {
      const other = now.find((one) => one.id === tracks.get(id));
      return other ? [[chunk, other.chunk] as const] : [];
    }),
  );
}

const namesIn = ({ tracks }: Performance): Record<TrackId, string> =>
  Object.fromEntries(tracks.map(({ id, name }, i) => [id, name || `Track ${i + 1}`]));

/** Of the track behind an id, whatever stands behind that. */
const nameIn = (performance: Performance, id: string) =>
  namesIn(performance)[trackId(/^(o\d+)?t\d+/.exec(id)?.[0] ?? '')] ?? id;
