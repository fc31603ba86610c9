/*
 * One music in two versions: the bars, the places and the values of the one under the time of the other. A transcription
 * comes free and quantized; a cue as a score and as it was played.
 *
 *     written  |♩  ♩  ♩  ♩ |        played  0.31 0.92 1.47 2.15 s     →     |♩  ♩  ♩  ♩ |, each note at its second
 */
import { groupBy, median } from '../base';
import type { NoteId, Performance, PlayedNote, PlayedTrack } from '../performance';
import {
  buildTempoMap,
  QUARTER,
  secondsAtTick,
  playedUnits,
  tickAtSeconds,
  ticksFromUnits,
  writtenUnits,
  type Milliseconds,
  type Seconds,
  type Ticks,
  type WrittenUnits,
} from '../time';
import { alignVersions, secondsAtPlace, type Alignment } from './align-versions';
import { beatClock, type BeatClock } from './beat-clock';

export interface TwoVersions {
  performance: Performance;
  /** Written notes that were played, that nobody played, and played ones that are not written. */
  matched: number;
  missing: number;
  /** When they were played, from the first bar on. */
  extra: Seconds[];
  /** Largest distance of a note from when it was played. */
  largestShift: Milliseconds;
}

/** With fewer partners than this the two are not one music. */
const ONE_MUSIC = 0.4;

/**
 * @param written has the bars and places @param played the times, strengths and controllers
 * @returns null where the two do not belong together
 */
export function withTimeOf(written: Performance, played: Performance): TwoVersions | null {
  const places = written.tracks.flatMap((track) => track.notes.map((note) => ({ track, note })));
  const times = played.tracks.flatMap((track) => track.notes.map((note) => ({ track, note })));
  const unitsOf = (tick: Ticks): WrittenUnits => writtenUnits(tick, written.ticksPerQuarter);
  const secondsOf = (tick: Ticks): Seconds => secondsAtTick(played.tempo, tick);
  const alignment = alignVersions(
    places.map(({ note }) => ({ at: unitsOf(note.start), key: note.key })),
    times.map(({ note }) => ({ at: secondsOf(note.start), key: note.key })),
  );
  if (!alignment || alignment.share < ONE_MUSIC) return null;
  const firstTime = places.reduce(
    (least, _, i) =>
      alignment.partner[i]! < 0 ? least : Math.min(least, secondsOf(times[alignment.partner[i]!]!.note.start)),
    Infinity,
  );
  const end = unitsOf(written.lastNoteEnd) + QUARTER;
  const pairs = places.flatMap(({ note }, i): [WrittenUnits, Ticks][] =>
    alignment.partner[i]! < 0 ? [] : [[unitsOf(note.start), times[alignment.partner[i]!]!.note.start]],
  );
  const clock = ownClock(pairs, played, firstTime) ?? beatClock(beatsOf(alignment.clock, end, firstTime));
  const partnerOf = new Map<NoteId, PlayedNote>();
  const meant = new Map<NoteId, { start: WrittenUnits; end: WrittenUnits }>();
  places.forEach(({ note }, i) => {
    meant.set(note.id, { start: unitsOf(note.start), end: unitsOf(note.end) });
    const partner = alignment.partner[i]!;
    if (partner >= 0) partnerOf.set(note.id, times[partner]!.note);
  });
  const moved = (note: PlayedNote): PlayedNote => {
    const partner = partnerOf.get(note.id);
    const own = meant.get(note.id)!;
    const start = partner ? clock.tickAt(secondsOf(partner.start)) : asTicks(own.start);
    const until = partner ? clock.tickAt(secondsOf(partner.end)) : asTicks(own.end);
    return { ...note, start, end: Math.max(start + 1, until), velocity: partner?.velocity ?? note.velocity };
  };
  const tracks = written.tracks.map((track): PlayedTrack => ({
    ...track,
    notes: track.notes.map(moved).sort((a, b) => a.start - b.start || a.key - b.key),
    texts: track.texts.map((text) => ({ ...text, tick: asTicks(unitsOf(text.tick)) })),
    programs: track.programs.map((program) => ({ ...program, tick: asTicks(unitsOf(program.tick)) })),
    ...playedWith(track, partnerOf, played, (tick) => clock.tickAt(secondsOf(tick))),
  }));
  const tempo = buildTempoMap(clock.tempo, QUARTER);
  const performance: Performance = {
    ...written,
    ticksPerQuarter: QUARTER,
    tempo,
    tracks,
    meant,
    markers: written.markers.map((marker) => ({ ...marker, tick: asTicks(unitsOf(marker.tick)) })),
    lastNoteEnd: tracks.reduce(
      (last, { notes }) => notes.reduce((latest, note) => Math.max(latest, note.end), last),
      0,
    ),
  };
  const used = new Set(alignment.partner);
  const silence = clock.begins;
  const largest = tracks.reduce(
    (most, { notes }) =>
      notes.reduce((more, note) => {
        const partner = partnerOf.get(note.id);
        if (!partner) return more;
        return Math.max(more, Math.abs(secondsAtTick(tempo, note.start) + silence - secondsOf(partner.start)));
      }, most),
    0,
  );
  return {
    performance,
    matched: partnerOf.size,
    missing: places.length - partnerOf.size,
    extra: times
      .flatMap(({ note }, i) => (used.has(i) ? [] : [secondsOf(note.start) - clock.begins]))
      .sort((a, b) => a - b),
    largestShift: largest * 1000,
  };
}

/** A tick is a written unit. */
const asTicks = (units: number): Ticks => Math.round(units);

/** A note this near to its place, and so many of them, say that both count alike. */
const ALIKE: WrittenUnits = QUARTER / 3;
const MOSTLY = 0.85;

/** Where the played version has the same bars its tempo is taken as it is, not as its notes say. */
function ownClock(
  pairs: readonly (readonly [WrittenUnits, Ticks])[],
  { tempo, ticksPerQuarter }: Performance,
  first: Seconds,
): BeatClock | null {
  const later = pairs.map(([place, tick]) => playedUnits(tick, ticksPerQuarter) - place);
  const middle = median(later);
  if (later.filter((units) => Math.abs(units - middle) <= ALIKE).length < MOSTLY * later.length) return null;
  // In whole bars or beats: what is left is how early it was played.
  const shift = Math.round(middle / QUARTER) * QUARTER;
  const ticks = (tick: Ticks): Ticks => asTicks(playedUnits(tick, ticksPerQuarter) - shift);
  const begins = secondsAtTick(tempo, ticksFromUnits(shift, ticksPerQuarter));
  if (first < begins) return null;
  const standing = tempo.events.findLast(({ tick }) => ticks(tick) <= 0) ?? tempo.events[0]!;
  return {
    tempo: [
      { tick: 0, microsecondsPerQuarter: standing.microsecondsPerQuarter },
      ...tempo.events.filter(({ tick }) => ticks(tick) > 0).map((event) => ({ ...event, tick: ticks(event.tick) })),
    ],
    tickAt: (seconds) => Math.max(0, ticks(tickAtSeconds(tempo, seconds))),
    begins,
  };
}

/** The clock at every quarter; it begins no later than the first note that is written. */
function beatsOf(clock: Alignment['clock'], end: WrittenUnits, first: Seconds): Seconds[] {
  const count = Math.max(2, Math.ceil(end / QUARTER) + 1);
  const beats = Array.from({ length: count }, (_, beat) => secondsAtPlace(clock, beat * QUARTER));
  // A beat lasts some time, however the anchors about it lie.
  for (let beat = 1; beat < count; beat++) beats[beat] = Math.max(beats[beat]!, beats[beat - 1]! + SHORTEST);
  beats[0] = Math.min(beats[0]!, first);
  return beats;
}

const SHORTEST: Seconds = 0.02;

/** Controllers and bends of the played track that most of a written track's notes come from. */
function playedWith(
  track: PlayedTrack,
  partnerOf: ReadonlyMap<NoteId, PlayedNote>,
  played: Performance,
  tickAt: (tick: Ticks) => Ticks,
): Partial<Pick<PlayedTrack, 'controllers' | 'bends'>> {
  const home = new Map(played.tracks.flatMap((one) => one.notes.map((note) => [note.id, one] as const)));
  const sources = track.notes.flatMap(({ id }) => {
    const partner = partnerOf.get(id);
    return partner ? [home.get(partner.id)!] : [];
  });
  const [most] = [...groupBy(sources, (source) => source)].sort(([, a], [, b]) => b.length - a.length);
  if (!most) return {};
  const at = <T extends { tick: Ticks }>(event: T): T => ({ ...event, tick: tickAt(event.tick) });
  return { controllers: most[0].controllers.map(at), bends: most[0].bends.map(at) };
}
