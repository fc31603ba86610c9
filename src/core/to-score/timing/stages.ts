/* The stages that say when a note was meant: lead, ornaments, swing, grid, edits. */
import type { TrackId } from '../../base';
import type { Casting, CastPart } from '../../casting';
import type { Performance, PlayedNote } from '../../performance';
import { speaksAtOnce } from '../../instruments';
import type { ConversionSettings, NoteEdit } from '../../settings';
import {
  secondsAtTick,
  ticksFromUnits,
  type Bar,
  type Milliseconds,
  type Seconds,
  type TempoMap,
  type Ticks,
  type WrittenUnits,
} from '../../time';
import { stage } from '../../base/stage';
import { layBeats, type BeatLine } from './beats';
import { applyEdits } from './edits';
import { exactAt, findExact, type ExactTrack } from './exactness';
import { findMeantEnds } from './gates';
import type { GridChoice } from './grid';
import { estimateLeads } from './leads';
import { findOrnaments, NO_ORNAMENTS, type OrnamentReport } from './ornaments';
import { findSwing, withoutSwing, type Swing } from './swing';
import { swingSigns } from './swing-signs';
import { timeNotes, type MeantTimes, type TimedNote } from './timed-note';

/** The notes of a track that are music. */
export interface MusicTrack {
  id: TrackId;
  notes: readonly PlayedNote[];
  /** It is one hand of a player, recorded apart. */
  hand?: true;
  /** Whoever plays it is struck or plucked, and sounds at once. */
  struck?: true;
}

export const beats = stage('beats', ({ laid, tempo }: { laid: readonly Bar[]; tempo: TempoMap }) =>
  layBeats(laid, tempo),
);

/** In the order of the file; tracks that are left out, and keyswitches, are not in it. */
export const musicTracks = stage(
  'music tracks',
  ({ performance, casting }: { performance: Performance; casting: Casting }): MusicTrack[] => {
    const notes = new Map<TrackId, Map<number, PlayedNote>>();
    const hands = new Set<TrackId>();
    const held = new Set<TrackId>();
    for (const part of casting.parts)
      for (const source of part.sources) {
        const own = notes.get(source.track) ?? new Map<number, PlayedNote>();
        // Players who double each other share notes; each counts once.
        for (const note of source.notes) own.set(note.id, note);
        notes.set(source.track, own);
        if (source.staff !== null) hands.add(source.track);
        if (!speaksAtOnce(part.instrument)) held.add(source.track);
      }
    return performance.tracks.flatMap(({ id }) => {
      const own = notes.get(id);
      if (!own) return [];
      const facts = { ...(hands.has(id) && { hand: true as const }), ...(!held.has(id) && { struck: true as const }) };
      return [{ id, notes: [...own.values()], ...facts }];
    });
  },
);

/** What the file says exactly of a track's notes. */
export const exactness = stage(
  'exactness',
  ({
    track: { notes },
    line,
    pin,
    said,
    offset,
  }: {
    track: MusicTrack;
    line: BeatLine;
    pin: Milliseconds | undefined;
    /** What another version of the music says of its notes. */
    said: Performance['meant'];
    /** By which the whole file stands beside the grid, where that is known. */
    offset?: Ticks;
  }): { exact: ExactTrack; meant: MeantTimes | undefined } => {
    if (said) return saidBy(notes, said, line);
    const exact = offset === undefined ? findExact(notes, line, pin === undefined) : exactAt(notes, line, offset);
    // A lead that somebody set moves what was exact.
    if (pin) return { exact, meant: undefined };
    return { exact, meant: { starts: exact.places, ends: findMeantEnds(notes, exact.places, line).ends } };
  },
);

/** As if the other version had been received: what it has exactly on a grid. */
function saidBy(notes: readonly PlayedNote[], said: NonNullable<Performance['meant']>, line: BeatLine) {
  // A tick of two versions is a written unit.
  const there = notes.flatMap((note): PlayedNote[] => {
    const meant = said.get(note.id);
    return meant ? [{ ...note, ...asTicks(meant) }] : [];
  });
  const exact = findExact(there, line, false);
  return { exact, meant: { starts: exact.places, ends: findMeantEnds(there, exact.places, line).ends } };
}

const asTicks = ({ start, end }: { start: number; end: number }): Pick<PlayedNote, 'start' | 'end'> => ({ start, end });

/** How far ahead of the beat each track was played. */
export const leads = stage(
  'leads',
  ({
    tracks,
    exact,
    line,
    tempo,
    pins,
  }: {
    tracks: readonly MusicTrack[];
    /** In order of `tracks`. */
    exact: readonly ExactTrack[];
    line: BeatLine;
    tempo: TempoMap;
    pins: ConversionSettings['leads'];
  }) =>
    estimateLeads(
      new Map(tracks.map(({ id, notes }) => [id, timeNotes(notes, tempo, 0)])),
      line,
      pins,
      new Map(tracks.map(({ id, hand = false, struck = false }, t) => [id, { exact: exact[t]!, hand, struck }])),
    ),
);

/** The notes of a part with the leads of its tracks taken out. */
export const timed = stage(
  'timed',
  ({
    part,
    tempo,
    taken,
    meant,
  }: {
    part: CastPart;
    tempo: TempoMap;
    /** Of each of its sources. */
    taken: readonly Seconds[];
    meant: readonly (MeantTimes | undefined)[];
  }): TimedNote[] =>
    part.sources.flatMap(({ notes, staff }, i) => {
      const own = timeNotes(notes, tempo, taken[i]!, meant[i]);
      return staff === null ? own : own.map((note) => ({ ...note, hand: staff }));
    }),
);

/** What is too fast and uneven to be counted. */
export const ornaments = stage(
  'ornaments',
  ({
    part,
    notes,
    line,
    plain,
  }: {
    part: CastPart;
    notes: readonly TimedNote[];
    line: BeatLine;
    /** Nothing becomes an ornament. */
    plain: true | undefined;
  }): { notes: readonly TimedNote[]; report: OrnamentReport } =>
    plain ? { notes, report: NO_ORNAMENTS } : findOrnaments(notes, line, part.instrument),
);

/** Stretches of the piece that swing. @param parts notes of each part, in order of the casting */
export const swing = stage(
  'swing',
  ({
    parts,
    line,
    bars,
    performance,
    casting,
    pin,
  }: {
    parts: readonly (readonly TimedNote[])[];
    line: BeatLine;
    bars: number;
    performance: Performance;
    casting: Casting;
    pin: ConversionSettings['swing'];
  }) => findSwing(parts, line, bars, swingSigns(performance, casting), pin),
);

/** Off-beats back on their even places. */
export const evened = stage(
  'evened',
  ({ notes, swing: found, line }: { notes: readonly TimedNote[]; swing: Swing; line: BeatLine }) =>
    notes.map((note) => withoutSwing(note, found, line)),
);

/** A part's grid with what people changed on single notes. */
export const edited = stage(
  'edited',
  ({
    grid,
    edits,
    tempo,
    end,
  }: {
    grid: GridChoice;
    edits: readonly NoteEdit[];
    tempo: TempoMap;
    end: WrittenUnits;
  }) => {
    const clock = (at: WrittenUnits) => secondsAtTick(tempo, ticksFromUnits(at, tempo.ticksPerQuarter));
    return { ...grid, notes: applyEdits(grid.notes, edits, { end, clock }) };
  },
);
