/*
 * A delivered MIDI file as a plain sequencer would take it: read by midi-file, a parser of others, and by nothing of ours. What it
 * says stands in for opening the file in the program that waits for it.
 */
import { say } from '../words';
import { parseMidi, type MidiEvent } from 'midi-file';
import { finding, type Finding } from './finding';
import { sequencerClock, utf8Of } from './sequencer-clock';

export interface SequencerTrack {
  name: string;
  /** 1–16 */
  channels: number[];
  notes: number;
  programs: number;
  /** Volume and pan set again after the beginning: faders would move by themselves. */
  jumps: number;
  /** Notes that nobody lets go. */
  hanging: number;
}

export interface SequencerView {
  format: number;
  ticksPerQuarter: number;
  tracks: SequencerTrack[];
  /** Volume, pan, reverb, chorus, reset. */
  mixerData: number;
  tempos: number;
  meters: number;
  markers: number;
  /** Tempo and meters stand in the first track alone, as type 1 wants it. */
  timeInFirst: boolean;
  /** Full and begun bars up to the end. */
  bars: number;
  seconds: number;
  /** Channels that tracks of different programs share: the last program would sound for all of them. */
  contested: number[];
}

/** Volume, pan, reverb, chorus, reset all controllers. */
const MIXER = new Set([7, 10, 91, 93, 121]);
/** What moves a fader or a pan pot. */
const FADERS = new Set([7, 10]);
/** Quarters within which something still stands at the beginning. */
const BEGINNING = 1 / 8;

type At = MidiEvent & { tick: number };

/** @throws Error when midi-file cannot read it */
export function sequencerSees(bytes: Uint8Array): SequencerView {
  const { header, tracks } = parseMidi(bytes);
  const ticksPerQuarter = header.ticksPerBeat ?? 0;
  const chunks = tracks.map((track) => {
    let tick = 0;
    return track.map((event): At => ({ ...event, tick: (tick += event.deltaTime) }));
  });
  const all = chunks.flat();
  const { bars, seconds } = sequencerClock(bytes);
  const beginning = ticksPerQuarter * BEGINNING;
  const ofTime = (event: At) => event.type === 'setTempo' || event.type === 'timeSignature';
  return {
    format: header.format,
    ticksPerQuarter,
    tracks: chunks.map((events) => trackOf(events, beginning)),
    mixerData: all.filter((event) => event.type === 'controller' && MIXER.has(event.controllerType)).length,
    tempos: all.filter(({ type }) => type === 'setTempo').length,
    meters: all.filter(({ type }) => type === 'timeSignature').length,
    markers: all.filter(({ type }) => type === 'marker').length,
    timeInFirst: chunks.slice(1).every((events) => !events.some(ofTime)),
    bars: bars.length,
    seconds,
    contested: contestedChannels(chunks),
  };
}

function trackOf(events: readonly At[], beginning: number): SequencerTrack {
  const open = new Map<string, number>();
  const channels = new Set<number>();
  let [notes, jumps, programs, hanging] = [0, 0, 0, 0];
  let name = '';
  for (const event of events) {
    if (event.type === 'trackName' && name === '') name = utf8Of(event.text);
    if (event.type === 'programChange') programs++;
    if (event.type === 'controller' && FADERS.has(event.controllerType) && event.tick > beginning) jumps++;
    if (event.type !== 'noteOn' && event.type !== 'noteOff') continue;
    channels.add(event.channel + 1);
    const key = `${event.channel}/${event.noteNumber}`;
    const sounding = open.get(key) ?? 0;
    if (event.type === 'noteOn') {
      notes++;
      open.set(key, sounding + 1);
    } else open.set(key, Math.max(0, sounding - 1));
  }
  for (const left of open.values()) hanging += left;
  return { name, channels: [...channels].sort((a, b) => a - b), notes, programs, jumps, hanging };
}

function contestedChannels(chunks: readonly (readonly At[])[]): number[] {
  const programs = new Map<string, Set<number>>();
  for (const events of chunks) {
    const port = events.find((event) => event.type === 'portPrefix');
    for (const event of events) {
      if (event.type !== 'programChange') continue;
      // Percussion has kits, and a track may change its own sound: only the first program of a track counts.
      const slot = `${port && 'port' in port ? port.port : 0}/${event.channel + 1}`;
      programs.set(slot, (programs.get(slot) ?? new Set()).add(event.programNumber));
      break;
    }
  }
  return [...programs].flatMap(([slot, of]) => (of.size > 1 ? [Number(slot.split('/')[1])] : []));
}

/**
 * What a sequencer would stumble over in a delivered file, and what it sees where it would not.
 *
 * @param bars as our time line counts them; null where the file is no whole
 */
export function checkSequence(bytes: Uint8Array, bars: number | null): Finding[] {
  const view = sequencerSees(bytes);
  const sounding = view.tracks.filter(({ notes }) => notes > 0);
  const named = (tracks: readonly SequencerTrack[]) =>
    tracks.map(({ name }) => say('base.quoted', { name })).join(', ');
  const nameless = sounding.filter(({ name }) => name.trim() === '');
  const jumping = sounding.filter(({ jumps }) => jumps > 0);
  const hanging = sounding.filter((track) => track.hanging > 0);
  const notes = sounding.reduce((sum, track) => sum + track.notes, 0);
  const tracks =
    sounding.length === 1
      ? say('receivers.oneNamedTrack')
      : say('receivers.soundingNamedTracks', { sounding: sounding.length });
  return [
    finding(
      nameless.length === 0,
      notes === 0
        ? say('receivers.seesATimeLineWithoutNotes')
        : say('receivers.seesTracksNotesNotes', { tracks, notes }),
      say('receivers.namelessOfSoundingTracksHaveNoName', { nameless: nameless.length, sounding: sounding.length }),
    ),
    finding(
      jumping.length === 0,
      view.mixerData === 0
        ? say('receivers.noFaderMovesThereIsNoMixerData')
        : say('receivers.noFaderMovesAfterTheBeginning'),
      say('receivers.fadersWouldJumpInNamedVolumeOrPan', { named: named(jumping) }),
    ),
    finding(
      view.format === 0 || view.timeInFirst,
      say('receivers.tempoMapKeptTemposTempoChanges', {
        tempos: view.tempos,
        meters: view.meters,
        markers: view.markers,
      }),
      say('receivers.tempoOrMetersStandInLaterTracksToo'),
    ),
    ...(bars === null
      ? []
      : [
          finding(
            view.bars === bars,
            say('receivers.countsBarsBarsAsTheScoreDoes', { bars }),
            say('receivers.countsBarsBarsWhereOursAreBars2A', { bars: view.bars, bars2: bars }),
          ),
        ]),
    finding(
      view.contested.length === 0,
      say('receivers.noTwoTracksFightOverAChannelsSound'),
      say('receivers.channelContestedIsGivenSeveral', { contested: view.contested.join(', ') }),
    ),
    ...(hanging.length > 0
      ? [finding(false, '', say('receivers.notesAreNeverReleasedInNamed', { named: named(hanging) }))]
      : []),
  ];
}
