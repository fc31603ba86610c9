/*
 * Doubts: what the engine is not sure of, as queries with their places.
 */
import { say } from '../../words';
import { partOf, queryId, type NoteId } from '../../base';
import { trackLabel, type Casting, type CastPart } from '../../casting';
import { findDuplicates, mixedTracks, type Performance, type TrackId } from '../../performance';
import type { NearGrid, Query } from '../../queries';
// By itself: the registry would bring every decision with it.
import { fileQueries } from '../../queries/file/alike';
import { keyName, type ScoreKey } from '../../score';
import {
  placeInWords,
  barIndexAt,
  QUARTER,
  type Bar,
  type Milliseconds,
  type Seconds,
  type WrittenUnits,
} from '../../time';
import { beatIndexAt, type BeatLine } from '../timing/beats';
import type { GridChoice } from '../timing/grid';
import { usualKey, type BarKey } from '../pitch/keys';
import { isDefaultKey } from '../pitch/signatures';
import { LEAST_ASKED_CONFIDENCE, LEAST_LEAD_CONFIDENCE, type Lead } from '../timing/leads';
import { rangeQueries, type Place } from './range-doubts';
import type { PlacedNote } from '../timing/timed-note';
import type { InstrumentId } from '../../instruments';

/** A note this far from its place is asked about, in shares of the part's jitter and absolutely. */
const FAR_JITTERS = 3.5;
const FAR: Seconds = 0.045;

/**
 * Notes far off their place, and notes the instrument does not have.
 *
 * @param candidates what the part's track was taken for, the likeliest first
 * @param asked notes that something else is asked about already
 * @param byHand notes that people changed themselves
 */
export function noteQueries(
  part: CastPart,
  grid: GridChoice,
  bars: readonly Bar[],
  line: BeatLine,
  asked: ReadonlySet<NoteId>,
  candidates: readonly InstrumentId[],
  byHand: ReadonlySet<NoteId>,
): Query[] {
  const barStarts = bars.map((bar) => bar.start);
  const place = (at: WrittenUnits) => {
    return { words: `${part.name}, ${placeInWords(bars, at)}`, bar: barIndexAt(barStarts, at) };
  };
  return [...offGrid(part, grid, line, place, byHand), ...rangeQueries(part, candidates, grid, place, asked)];
}

/** Notes of a part that may be no music, or another player's: that is asked already. */
export function askedAbout(part: CastPart, queries: readonly Query[]): NoteId[] {
  return queries.flatMap((query): NoteId[] => {
    if (query.track === undefined || !part.tracks.includes(query.track)) return [];
    if (query.kind === 'sound-change') return query.played ?? [];
    if (query.kind !== 'keyswitch') return [];
    return part.notes.filter(({ key }) => query.facts.keys.includes(key)).map(({ id }) => id);
  });
}

/** How long after its written place a note was played, lead and swing taken out. */
function awayFromPlace(note: PlacedNote, line: BeatLine): Seconds {
  return (note.onset - note.start) * line.secondsPerUnit[beatIndexAt(line, note.start)]!;
}

/** Further from its place than the grid allows itself in this part. */
export function isOffGrid(note: PlacedNote, grid: Pick<GridChoice, 'jitter'>, line: BeatLine): boolean {
  return Math.abs(awayFromPlace(note, line)) > Math.max(FAR, FAR_JITTERS * grid.jitter);
}

/** Grids a part may be allowed, the plainest first. */
const FINER: readonly (NearGrid & { step: WrittenUnits })[] = [
  { smallest: '16th', triplets: true, step: QUARTER / 3 },
  { smallest: '32nd', triplets: true, step: QUARTER / 8 },
];

/** One query for a part: notes nobody has set by hand, far from where they are written. */
function offGrid(part: CastPart, grid: GridChoice, line: BeatLine, place: Place, byHand: ReadonlySet<NoteId>): Query[] {
  const far = grid.notes.filter((note) => !byHand.has(note.id) && isOffGrid(note, grid, line));
  if (far.length === 0) return [];
  const { words, bar } = place(far[0]!.start);
  const away = far.map((note): Milliseconds => Math.round(awayFromPlace(note, line) * 1000));
  const most = away.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a));
  const near = FINER.filter(({ step }) => far.every((note) => hasPlaceNear(note, step, grid, line)));
  return [
    {
      id: queryId(`off-grid/${part.id}`),
      kind: 'off-grid',
      part: part.id,
      at: far[0]!.start,
      bar,
      played: far.map(({ id }) => id),
      message:
        far.length === 1
          ? say('doubts.wordsPlayedMostMsAfterItsWritten', { words, most: Math.abs(most), mostOver0: most > 0 })
          : say('doubts.wordsAndOnFarNotesWerePlayedUpTo', { words, far: far.length, most: Math.abs(most) }),
      facts: { near: near.map(({ smallest, triplets }) => ({ smallest, triplets })) },
    },
  ];
}

/** Whether a grid of equal steps in the beat has a place where the note would not be far off. */
function hasPlaceNear(note: PlacedNote, step: WrittenUnits, grid: GridChoice, line: BeatLine): boolean {
  const { start } = line.beats[beatIndexAt(line, note.start)]!;
  const place = start + Math.round((note.onset - start) / step) * step;
  return !isOffGrid({ ...note, start: Math.max(0, place) }, grid, line);
}

/** Leads that are likely but not certain; they were not taken out. */
export function leadQueries(casting: Casting, leads: ReadonlyMap<TrackId, Lead>): Query[] {
  return casting.parts.flatMap((part) =>
    part.tracks.flatMap((track): Query[] => {
      const lead = leads.get(track)!;
      if (lead.pinned || lead.milliseconds === 0 || lead.confidence >= LEAST_LEAD_CONFIDENCE) return [];
      if (lead.confidence < LEAST_ASKED_CONFIDENCE) return [];
      return [
        {
          id: queryId(`lead/${track}`),
          kind: 'lead',
          track,
          part: part.id,
          message: say('doubts.partMayHaveBeenPlayedMilliseconds', {
            part: part.name,
            milliseconds: Math.abs(lead.milliseconds),
            leadMillisecondsOver0: lead.milliseconds > 0,
            confidence: Math.round(lead.confidence * 100),
          }),
          facts: { milliseconds: lead.milliseconds },
        },
      ];
    }),
  );
}

/** What was odd in the file itself. */
export function warningQueries(performance: Performance): Query[] {
  const odd = performance.warnings.filter(({ plain }) => !plain);
  return fileQueries(
    odd.map(({ track, tick, message }, i) => ({
      id: `file/${i}/${track ?? ''}/${tick ?? ''}`,
      ...(track !== undefined && { track }),
      message,
    })),
  );
}

/** Tracks that double another and are both written; tracks that carry several channels. */
export function trackQueries(performance: Performance, casting: Casting): Query[] {
  const written = new Set(casting.parts.flatMap((part) => part.tracks));
  const nameOf = (id: TrackId) => {
    const track = performance.tracks.find((candidate) => candidate.id === id)!;
    return trackLabel(track);
  };
  const instrumentOf = (id: TrackId) => casting.parts.find((part) => part.tracks.includes(id))?.instrument.id;
  const duplicates = [...findDuplicates(performance)].filter(([id, { of }]) => written.has(id) && written.has(of));
  return [
    ...duplicates.map(([id, { of, exact, transposed, later }]): Query => {
      const shift = [
        transposed !== 0 &&
          say('doubts.transposedOctaveSHigher', {
            transposed: Math.abs(transposed / 12),
            transposed2: Math.abs(transposed) > 12,
            transposedOver0: transposed > 0,
          }),
        later !== 0 && say('doubts.laterMsLater', { later: Math.abs(later), laterOver0: later > 0 }),
      ]
        .filter(Boolean)
        .join(', ');
      const unison = instrumentOf(id) !== instrumentOf(of);
      return {
        id: queryId(`duplicate-track/${id}`),
        kind: 'duplicate-track',
        track: id,
        part: partOf(id),
        message: unison
          ? say('doubts.nameOfPlaysExactlyWhatNameOf2Plays', {
              nameOf: nameOf(id),
              exact: Boolean(exact),
              nameOf2: nameOf(of),
              shift: Boolean(shift),
              shift2: shift,
            })
          : say('doubts.nameOfPlaysExactlyWhatNameOf2Plays2', {
              nameOf: nameOf(id),
              exact: Boolean(exact),
              nameOf2: nameOf(of),
              shift: Boolean(shift),
              shift2: shift,
            }),
        facts: { unison },
      };
    }),
    ...mixedTracks(performance)
      .filter((track) => written.has(track.id))
      .map((track): Query => ({
        id: queryId(`mixed-channels/${track.id}`),
        kind: 'mixed-channels',
        track: track.id,
        part: partOf(track.id),
        message: say('doubts.trackLabelPlaysOnChannelsChannels', {
          trackLabel: trackLabel(track),
          channels: track.channels.join(', '),
          channels2: track.channels.length,
        }),
      })),
  ];
}

/** Where the signature printed is not what the file says, or not what its notes say. */
export function keyQueries(
  keys: readonly ScoreKey[],
  barKeys: readonly BarKey[],
  performance: Performance,
  decided: boolean,
): Query[] {
  if (decided || barKeys.length === 0) return [];
  const heard = usualKey(barKeys);
  const stated = performance.keys;
  if (isDefaultKey(stated)) {
    const printed = keys[0]!;
    if (stated.length === 0 || printed.fifths === 0) return [];
    return [
      {
        id: queryId('key-signature/default'),
        kind: 'key-signature',
        message: say('doubts.theFileSaysCMajorWhichOftenMeans', { keyName: keyName(printed) }),
        facts: { heard: { fifths: printed.fifths, mode: printed.mode }, byDefault: true },
      },
    ];
  }
  const share = barKeys.filter((key) => keys.some((printed) => printed.fifths === key.fifths)).length / barKeys.length;
  if (share > 0.25) return [];
  return [
    {
      id: queryId('key-signature/stated'),
      kind: 'key-signature',
      message: say('doubts.theFilesKeySignatureIsPrintedBut', { keyName: keyName(heard) }),
      facts: { heard: { fifths: heard.fifths, mode: heard.mode }, byDefault: false },
    },
  ];
}
