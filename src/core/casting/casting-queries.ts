/*
 * What is in doubt about tracks and players.
 */
import { say } from '../words';
import { partOf, queryId } from '../base';
import { instrumentById, techniqueName, UNKNOWN_INSTRUMENT, spokenName } from '../instruments';
import {
  barsOfPerformance,
  findDuplicates,
  findKeyswitches,
  type Performance,
  type PlayedNote,
  type PlayedTrack,
  type TrackId,
} from '../performance';
import type { Query } from '../queries';
import { keyInWords } from '../score';
import { placeInWords, barIndexAt, writtenUnits } from '../time';
import { CLEAR, DOUBTFUL } from './cast-tracks';
import type { Casting, CastPart } from './casting';
import { overlapOf, sameChair, type WrittenTrack } from './group-tracks';
import { chordShare, dealOf, playersFor } from './players';
import type { CastingSettings } from '../settings';

/**
 * From this share of chords on, a track of a one-line instrument is more than one player. Sections divide as a matter
 * of course.
 */
const SEVERAL_PLAYERS = 0.2;
const SEVERAL_PLAYERS_SECTION = 0.5;

/** Of many tracks so many are named. */
const MOST_NAMED = 6;

type Places = (tick: number) => { at: number; bar: number; words: string };

export function castingQueries(
  performance: Performance,
  casting: Casting,
  groups: readonly (readonly WrittenTrack[])[],
  crowded: ReadonlyMap<string, PlayedNote[]>,
  settings: CastingSettings,
): Query[] {
  const bars = barsOfPerformance(performance);
  const starts = bars.map((bar) => bar.start);
  const place: Places = (tick) => {
    const at = writtenUnits(tick, performance.ticksPerQuarter);
    return { at, bar: barIndexAt(starts, at), words: placeInWords(bars, at) };
  };
  const doubles = findDuplicates(performance);
  return [
    ...emptyTracks(performance, settings),
    ...performance.tracks.flatMap((track, i) => aboutTrack(track, casting, i, performance, settings)),
    ...unsureQueries(performance, casting),
    ...gatherQueries(groups, settings),
    // A double of another track is asked about as such.
    ...groups
      .filter((group) => !doubles.has(group[0]!.track.id))
      .flatMap((group) => playersQuery(group, performance, settings)),
    ...groups.flatMap((group) => group.flatMap((one) => soundChangeQuery(one, place))),
    ...casting.parts.flatMap((part) => [
      ...crowdedQuery(part, crowded.get(part.id) ?? [], place),
      ...collisions(part, place),
    ]),
  ];
}

/** One query, however many there are. */
function emptyTracks({ tracks }: Performance, settings: CastingSettings): Query[] {
  // The first track of a type 1 file carries tempo and meter and is empty by design.
  const conducts = (track: PlayedTrack) =>
    track.chunk === 0 && tracks.length > 1 && track.controllers.length === 0 && track.programs.length === 0;
  const empty = tracks.filter((track) => track.notes.length === 0 && !conducts(track) && !settings.leftOut[track.id]);
  const [first] = empty;
  if (!first) return [];
  const shown = empty.slice(0, MOST_NAMED).map(trackLabel).join(', ');
  const more = Math.max(0, empty.length - MOST_NAMED);
  return [
    {
      id: queryId(empty.length === 1 ? `empty-track/${first.id}` : 'empty-tracks'),
      kind: 'empty-track',
      track: first.id,
      message:
        empty.length === 1
          ? say('castingCore.trackLabelHasNoNotesAndIsLeftOut', { trackLabel: trackLabel(first) })
          : say('castingCore.emptyTracksHaveNoNotesAndAreLeft', { empty: empty.length, shown, more }),
      facts: { tracks: empty.map((track) => track.id) },
    },
  ];
}

/** Instruments of which the engine is not sure: one query, however many tracks. */
function unsureQueries(performance: Performance, { tracks }: Casting): Query[] {
  const unsure = tracks.flatMap((cast, i) => {
    const track = performance.tracks[i]!;
    const isAsked = track.notes.length > 0 && !cast.leftOut && cast.instrument !== UNKNOWN_INSTRUMENT;
    return isAsked && cast.by === 'engine' && cast.confidence < DOUBTFUL ? [{ cast, label: trackLabel(track) }] : [];
  });
  const [only] = unsure;
  if (!only) return [];
  const said = ({ cast }: (typeof unsure)[number]) =>
    say('castingCore.enConfidenceConfidence', {
      en: spokenName(cast.instrument),
      confidence: Math.round(cast.confidence * 100),
    });
  if (unsure.length === 1) {
    const { cast, label } = only;
    const others = cast.recognition.candidates.map(({ instrument }) => instrument);
    return [
      {
        id: queryId(`unknown-instrument/${cast.id}`),
        kind: 'unknown-instrument',
        track: cast.id,
        part: partOf(cast.id),
        message: say('castingCore.labelIsWrittenForSaidIsIt', { label, said: said(only) }),
        facts: { candidates: [cast.instrument.id, ...others.filter((id) => id !== cast.instrument.id).slice(0, 2)] },
      },
    ];
  }
  const shown = unsure
    .slice(0, MOST_NAMED)
    .map((one) => say('castingCore.oneAsSaid', { one: one.label, said: said(one) }));
  const more = Math.max(0, unsure.length - MOST_NAMED);
  return [
    {
      id: queryId('unsure-instruments'),
      kind: 'unsure-instruments',
      message: say('castingCore.unsureTracksHaveUncertain', { unsure: unsure.length, shown: shown.join(', '), more }),
      facts: { written: unsure.map(({ cast }) => ({ track: cast.id, instrument: cast.instrument.id })) },
    },
  ];
}

function aboutTrack(
  track: PlayedTrack,
  casting: Casting,
  index: number,
  performance: Performance,
  settings: CastingSettings,
): Query[] {
  const cast = casting.tracks[index]!;
  const label = trackLabel(track);
  if (track.notes.length === 0 || cast.leftOut) return [];
  const best = cast.recognition.candidates[0];
  const house = settings.house[track.id]?.instrument;
  const queries: Query[] = [];
  if (house && cast.by === 'engine' && best && best.confidence >= CLEAR && best.instrument !== house) {
    const [said, named] = [spokenName(instrumentById(house)), spokenName(instrumentById(best.instrument))];
    queries.push({
      id: queryId(`house-list/${track.id}`),
      kind: 'house-list',
      track: track.id,
      part: partOf(track.id),
      message: say('castingCore.labelYourHouseListSaysSaidTheFile', { label, said, named }),
      facts: { houseSays: house, fileSays: cast.instrument.id },
    });
  }
  if (cast.instrument === UNKNOWN_INSTRUMENT) {
    const guess = best
      ? [
          say('castingCore.perhapsEnConfidenceConfidence', {
            en: spokenName(instrumentById(best.instrument)),
            confidence: Math.round(best.confidence * 100),
          }),
        ]
      : [];
    queries.push({
      id: queryId(`unknown-instrument/${track.id}`),
      kind: 'unknown-instrument',
      track: track.id,
      part: partOf(track.id),
      message: [say('castingCore.labelWhichInstrumentIsThisGuess', { label }), ...guess].join(' '),
      facts: { candidates: cast.recognition.candidates.slice(0, 3).map(({ instrument }) => instrument) },
    });
  }
  const switches = settings.keyswitches[track.id]
    ? []
    : findKeyswitches(track.notes, cast.instrument, performance.ticksPerQuarter);
  if (switches.length > 0) {
    const count = track.notes.filter(({ key }) => switches.includes(key)).length;
    queries.push({
      id: queryId(`keyswitch/${track.id}`),
      kind: 'keyswitch',
      track: track.id,
      part: partOf(track.id),
      message: say('castingCore.labelSwitchesCountNoteLookLike', {
        label,
        switches: switches.map(keyInWords).join(', '),
        count,
      }),
      facts: { keys: switches },
    });
  }
  return queries;
}

/** Tracks that are named for one player but sound together: gathered only when somebody says so. */
function gatherQueries(groups: readonly (readonly WrittenTrack[])[], settings: CastingSettings): Query[] {
  const asked = new Set<TrackId>();
  return groups.flatMap((group, g): Query[] => {
    const [one] = group;
    const apart = (track: TrackId) => settings.gathered[track] === null;
    const other = groups
      .slice(0, g)
      .find((candidate) => !apart(candidate[0]!.track.id) && sameChair(candidate[0]!, one!));
    if (!other || apart(one!.track.id) || asked.has(one!.track.id)) return [];
    asked.add(one!.track.id);
    const first = other[0]!;
    const share = Math.round(overlapOf(first.notes, one!.notes) * 100);
    return [
      {
        id: queryId(`gather/${one!.track.id}`),
        kind: 'gather',
        track: one!.track.id,
        part: partOf(one!.track.id),
        message: say('castingCore.trackLabelAndTrackLabel2AreNamed', {
          trackLabel: trackLabel(one!.track),
          trackLabel2: trackLabel(first.track),
          share,
        }),
        facts: { into: first.track.id },
      },
    ];
  });
}

function playersQuery(group: readonly WrittenTrack[], performance: Performance, settings: CastingSettings): Query[] {
  const { track, cast } = group[0]!;
  const { instrument } = cast;
  const sketch = instrument.id === 'string-section';
  if (
    dealOf(group, settings) ||
    instrument.unpitched ||
    (instrument.polyphonic && !sketch) ||
    instrument === UNKNOWN_INSTRUMENT
  )
    return [];
  // Where techniques overlap, that is what is asked about.
  if (new Set(group.map((one) => one.cast.technique)).size > 1) return [];
  const notes = group.flatMap((one) => one.notes);
  const needed = playersFor(notes, performance.tempo);
  const share = chordShare(notes, performance.tempo);
  const named = cast.recognition.details.players !== null;
  if (needed < 2 || !(sketch || named || share >= (instrument.section ? SEVERAL_PLAYERS_SECTION : SEVERAL_PLAYERS)))
    return [];
  const message = sketch
    ? say('castingCore.trackLabelSketchesTheStringsWithUp', { trackLabel: trackLabel(track), needed })
    : say('castingCore.trackLabelPlaysUpToNeededNotesAt', { trackLabel: trackLabel(track), needed });
  return [
    {
      id: queryId(`players/${track.id}`),
      kind: 'players',
      track: track.id,
      part: partOf(track.id),
      message,
      facts: { players: needed, choir: sketch },
    },
  ];
}

/** A program that is another instrument's, which no player of this one takes up as a matter of course. */
function soundChangeQuery({ track, cast, changes: { doubtful } }: WrittenTrack, place: Places): Query[] {
  const [first] = doubtful;
  if (!first) return [];
  const { at, bar, words } = place(first.notes[0]!.start);
  const names = [...new Set(doubtful.map(({ instrument }) => spokenName(instrument)))];
  const later = names.slice(1).join(', ');
  const played = doubtful.flatMap(({ notes }) => notes.map(({ id }) => id));
  return [
    {
      id: queryId(`sound-change/${track.id}`),
      kind: 'sound-change',
      track: track.id,
      part: partOf(track.id),
      at,
      bar,
      played,
      message: say('castingCore.trackLabelSoundsAsNamesFromWords', {
        trackLabel: trackLabel(track),
        names: names[0]!,
        words,
        several: later !== '',
        later,
        en: spokenName(cast.instrument),
      }),
    },
  ];
}

function crowdedQuery(part: CastPart, notes: readonly PlayedNote[], place: Places): Query[] {
  if (!part.player || notes.length === 0) return [];
  const { at, bar, words } = place(notes[0]!.start);
  const more = notes.length > 1 ? notes.length : 0;
  return [
    {
      id: queryId(`crowded/${part.id}`),
      kind: 'crowded',
      track: part.tracks[0]!,
      part: part.id,
      at,
      bar,
      played: notes.map((note) => note.id),
      message: say('castingCore.partWordsMoreNotesAtOnceThanTheOf', {
        part: part.name,
        words,
        of: part.player.of,
        more,
      }),
      facts: { players: part.player.of },
    },
  ];
}

/** Two techniques of one player at the same time, and the same pitch on two tracks. */
function collisions(part: CastPart, place: Places): Query[] {
  if (part.sources.length < 2 || part.sources.some((source) => source.staff !== null)) return [];
  const trackOf = new Map(
    part.sources.flatMap((source) => source.notes.map((note) => [note.id, source.track] as const)),
  );
  const clashes: [PlayedNote, PlayedNote][] = [];
  let held: PlayedNote[] = [];
  for (const note of part.notes) {
    // A late release into the next technique is no clash.
    held = held.filter((other) => other.end - note.start > 0.35 * (other.end - other.start));
    const other = held.find((candidate) => trackOf.get(candidate.id) !== trackOf.get(note.id));
    if (other) clashes.push([other, note]);
    held.push(note);
  }
  if (clashes.length === 0) return [];
  const [a, b] = clashes[0]!;
  const { at, bar, words } = place(b.start);
  const more = clashes.length > 1 ? clashes.length : 0;
  const name = (note: PlayedNote) => techniqueName(part.techniqueOf.get(note.id) ?? null);
  const what =
    a.key === b.key
      ? say('castingCore.keyInWordsIsPlayedTwiceAtOnceName', {
          keyInWords: keyInWords(a.key),
          name: name(a),
          name2: name(b),
        })
      : say('castingCore.nameAndName2SoundTogether', { name: name(a), name2: name(b) });
  return [
    {
      id: queryId(`collision/${part.id}`),
      kind: 'collision',
      track: trackOf.get(b.id)!,
      part: part.id,
      at,
      bar,
      played: clashes.flatMap((pair) => pair.map((note) => note.id)),
      message: say('castingCore.partWordsWhatMoreWrittenAsDivided', { part: part.name, words, what, more }),
    },
  ];
}

/** “Track 4 “Fag.””, with the original's number where a job has several. */
export function trackLabel({ id, name, chunk }: Pick<PlayedTrack, 'id' | 'name' | 'chunk'>): string {
  const original = /^o(\d+)/.exec(id)?.[1];
  return `${original ? say('castingCore.originalOriginalTrack', { original }) : say('castingCore.track')} ${chunk + 1}${name ? ` ${say('base.quoted', { name })}` : ''}`;
}
