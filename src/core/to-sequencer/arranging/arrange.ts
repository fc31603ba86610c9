/*
 * Arranging: a MIDI file set up for a sequencer. Tracks are divided, named, given sounds and channels; drums are moved to
 * another map; notes are treated; some bars, parts or sections leave as files of their own. What nobody decided anything
 * about goes out event for event.
 */
import type { PartId } from '../../base';
import type { Casting } from '../../casting';
import { barsOfPerformance, withTimeLine, type Performance } from '../../performance';
import type { SmfFile } from '../../smf';
import { partSettings, type DirectionB, type NoteEdit, type Treating } from '../../settings';
import {
  playedUnits,
  QUARTER,
  secondsAtTick,
  tickAtSeconds,
  ticksFromUnits,
  writtenUnits,
  type Bar,
  type BarNumber,
  type WrittenUnits,
} from '../../time';
import { isLoose } from '../loosening/loosen';
import { treatmentsOf, type Treated } from '../treating/treat';
import { changedByHand } from './by-hand';
import { divided } from './divide';
import { played } from './playing';
import { setUp } from './set-up';
import { timeLineEvents } from './time-line-events';
import { Placing, windowsOf } from './time-window';
import { isOfTheWhole, workingTracks, type WorkingTrack } from './working-tracks';
import { writeTracks } from './write-tracks';

export interface ArrangedFile {
  /** What it holds, for its name; empty for the whole. */
  label: string;
  file: SmfFile;
  tracks: WorkingTrack[];
  /** Chunk by chunk as it came, but for those that are left out. */
  asReceived: boolean;
  /** Silence put before the music. */
  silence: WrittenUnits;
  /** What its bars are called. */
  numbering: readonly BarNumber[];
  /** Events that fell between two ticks of another resolution, and how far the furthest was moved. */
  betweenTicks: number;
  largestShiftMs: number;
}

export interface Arrangement {
  /** As received. */
  original: Performance;
  /** What of it goes along; the chunks of the original, in their order. */
  cleaned: SmfFile;
  casting: Casting;
  /** Chunks that do not go along. */
  leftOut: readonly number[];
  /** Changes to single notes, by part. */
  edits: Readonly<Record<PartId, readonly NoteEdit[]>>;
}

/** @returns the whole, or a file for each part or section; none when no bar is chosen */
export function arrange(arrangement: Arrangement, settings: DirectionB): ArrangedFile[] {
  const { original, cleaned } = arrangement;
  const { division } = cleaned;
  if (division.kind !== 'metrical') return [asItIs(arrangement)];
  const mended = withTimeLine(original, settings.timeLine);
  const bars = barsOfPerformance(mended);
  const tracks = arrangedTracks(arrangement, settings, bars, mended);
  const type = settings.arranging.type ?? (cleaned.format === 0 ? 0 : 1);
  const resolution = settings.arranging.ticksPerQuarter ?? division.ticksPerQuarter;
  const markers = mended.markers.map(({ tick, text }) => ({ at: writtenUnits(tick, mended.ticksPerQuarter), text }));
  const windows = windowsOf(settings, bars, markers);
  const silent = silentChunks(arrangement);
  return windows.flatMap((window) => {
    const groups =
      settings.files === 'parts'
        ? tracks.map((track) => ({ label: track.name || `track ${track.chunk + 1}`, tracks: [track] }))
        : [{ label: window.label, tracks }];
    return groups.map(({ label, tracks: some }): ArrangedFile => {
      const placing = new Placing(window, resolution);
      const untouched =
        placing.isWhole &&
        settings.files === 'one' &&
        settings.timeLine.length === 0 &&
        type === cleaned.format &&
        resolution === division.ticksPerQuarter &&
        goesAsReceived(arrangement, some);
      const file = untouched
        ? withoutChunks(cleaned, arrangement.leftOut)
        : writeTracks({
            cleaned,
            ticksPerQuarter: division.ticksPerQuarter,
            silent,
            tracks: some,
            whole: settings.timeLine.length > 0 ? timeLineEvents(mended) : null,
            title: original.title,
            type,
            resolution,
            placing,
          });
      const { betweenTicks, largestShift } = placing;
      return {
        label,
        file,
        tracks: some,
        asReceived: untouched,
        silence: window.silence,
        numbering: window.numbering,
        betweenTicks,
        largestShiftMs: slowest(mended) * (largestShift / QUARTER),
      };
    });
  });
}

/** Milliseconds of a quarter where the piece is slowest. */
function slowest({ tempo }: Performance): number {
  return tempo.events.reduce((most, { microsecondsPerQuarter }) => Math.max(most, microsecondsPerQuarter / 1000), 0);
}

function arrangedTracks(
  { original, cleaned, casting, leftOut, edits }: Arrangement,
  settings: DirectionB,
  bars: readonly Bar[],
  mended: Performance,
): WorkingTrack[] {
  const byHand = changedByHand(workingTracks(original, cleaned, casting), edits, settings.arranging.byHand);
  const wanted = byHand.filter(
    ({ part, chunk }) =>
      !leftOut.includes(chunk) &&
      !partSettings(settings, part).leftOut &&
      (settings.onlyParts === null || settings.onlyParts.includes(part)),
  );
  const tracks = setUp(
    wanted.flatMap((track) => divided(track, partSettings(settings, track.part), bars)),
    casting,
    settings,
  );
  const forAll: Treating[] = isLoose(settings.loosening)
    ? [{ part: null, bars: null, does: { kind: 'loosen', loosening: settings.loosening } }]
    : [];
  return tracks.map((track, part) => {
    const piece: Treated = { bars, swing: [], part, unitsOf: unitsAt(mended) };
    const treatments = [...treatmentsOf(settings.treatments, track.part), ...forAll];
    return played(track, partSettings(settings, track.part), treatments, piece, original.ticksPerQuarter);
  });
}

/** Written units that a time takes at a place. */
function unitsAt({ tempo, ticksPerQuarter }: Performance): Treated['unitsOf'] {
  return (milliseconds, place) => {
    const tick = ticksFromUnits(place, ticksPerQuarter);
    const later = tickAtSeconds(tempo, secondsAtTick(tempo, tick) + milliseconds / 1000);
    return playedUnits(later - tick, ticksPerQuarter);
  };
}

/** Chunks of which no part was made, and that go along. */
function silentChunks({ original, cleaned, casting, leftOut }: Arrangement): number[] {
  const chunkOf = new Map(original.tracks.map(({ id, chunk }) => [id, chunk]));
  const sounding = new Set(casting.parts.flatMap(({ tracks }) => tracks.map((id) => chunkOf.get(id)!)));
  // A chunk with notes that nothing was made of was left out.
  const withNotes = new Set(original.tracks.filter(({ notes }) => notes.length > 0).map(({ chunk }) => chunk));
  return cleaned.tracks
    .map((_, chunk) => chunk)
    .filter((chunk) => !sounding.has(chunk) && !withNotes.has(chunk) && !leftOut.includes(chunk));
}

/**
 * All of the tracks that go along are as they were, and each chunk with notes is still there unless it was left out; nor
 * does one that was take the tempo along.
 */
function goesAsReceived({ original, cleaned, leftOut }: Arrangement, tracks: readonly WorkingTrack[]): boolean {
  if (tracks.some(({ touched }) => touched)) return false;
  if (leftOut.some((chunk) => cleaned.tracks[chunk]!.events.some(isOfTheWhole))) return false;
  const there = new Set(tracks.map(({ chunk }) => chunk));
  return original.tracks.every(({ chunk, notes }) => notes.length === 0 || there.has(chunk) || leftOut.includes(chunk));
}

function withoutChunks(file: SmfFile, leftOut: readonly number[]): SmfFile {
  return leftOut.length === 0 ? file : { ...file, tracks: file.tracks.filter((_, chunk) => !leftOut.includes(chunk)) };
}

/** Time that is counted in frames has no bars to arrange by. */
function asItIs({ cleaned, leftOut }: Arrangement): ArrangedFile {
  return {
    label: '',
    file: withoutChunks(cleaned, leftOut),
    tracks: [],
    asReceived: true,
    silence: 0,
    numbering: [],
    betweenTicks: 0,
    largestShiftMs: 0,
  };
}
