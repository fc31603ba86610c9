/*
 * The performer: plays a true score the way people and sample players do, into a Standard MIDI File, from a seed. Every
 * fault has a size that can be set, so that accuracy can be measured against it.
 */
import { encodeText, Meta, Message, writeSmf, type SmfEvent, type SmfTrack } from '../src/core/smf';
import {
  QUARTER,
  beatsOfBar,
  buildTempoMap,
  layBars,
  secondsAtTick,
  tickAtSeconds,
  type Milliseconds,
  type TempoMap,
} from '../src/core/time';
import type { Random } from './random';
import { DYNAMIC_VELOCITY } from '../src/core/score';
import type { TrueDynamic, TrueNote, TruePart, TrueScore } from './true-score';

export interface Manner {
  /** Standard deviation of onsets, milliseconds. */
  jitter: Milliseconds;
  /** Milliseconds ahead of the beat. */
  lead: Milliseconds;
  /** Share of a note's value that sounds before release. */
  release: number;
  /** Milliseconds by which a note sounds into the next one that follows directly; 0 plays detached. */
  overlap: Milliseconds;
  /** Notes of a chord are struck over this time, lowest first. */
  spread: Milliseconds;
  /** Long to short eighth; 1 or absent plays even. */
  swing?: number;
  /** Errors that wander: standard deviation, milliseconds; what is early now is early in a second too. */
  drift?: Milliseconds;
  /** Louder on strong places, in velocity steps from the weakest to the downbeat. */
  accents?: number;
  /** A sequencer's habit: every note loses so many ticks. */
  gateTicks?: number;
  /** Quantized afterwards, by this share of the way (0–1). */
  strength?: number;
  /** Starts were quantized, ends were left as played. */
  startsOnly?: true;
  /** The whole file stands so many ticks after its grid. */
  offsetTicks?: number;
  /** Legato sounds on longer over steps than over leaps. */
  overlapBySteps?: true;
  /** Loudness is played with the modulation controller; velocities then say nothing. */
  loudnessBy?: 'velocity' | 'modulation';
}

export const MECHANICAL: Manner = { jitter: 0, lead: 0, release: 1, overlap: 0, spread: 0 };

export interface PlayedPart {
  trackName: string;
  /** 1–16 */
  channel: number;
  /** 1–128, or none */
  program: number | null;
  manner: Manner;
  /** Controllers to scatter: number, value and how often a bar. */
  junk?: { controller: number; value: number; everyQuarters: number }[];
}

export interface TakeOptions {
  ticksPerQuarter: number;
  format: 0 | 1;
  /** Key signature meta; `null` writes none. */
  key: { fifths: number; mode: 'major' | 'minor' } | null;
  random: Random;
}

/** @param players one for each part of the score, same order */
export function perform(
  score: TrueScore,
  players: readonly PlayedPart[],
  options: TakeOptions,
  extraTracks: readonly SmfTrack[] = [],
): Uint8Array {
  const { ticksPerQuarter } = options;
  const tick = (units: number) => Math.round((units * ticksPerQuarter) / QUARTER);
  const tempo = buildTempoMap(
    score.tempos.map(({ at, bpm }) => ({ tick: tick(at), microsecondsPerQuarter: Math.round(60_000_000 / bpm) })),
    ticksPerQuarter,
  );
  const conductor = conductorTrack(score, tick, options);
  const strength = strengthsOf(score);
  const tracks = score.parts.map((part, i) =>
    playTrack(part, players[i]!, tempo, tick, options.random, tick(score.length), strength),
  );
  if (options.format === 0) {
    const events = [conductor, ...tracks].flatMap((track) => track.events).sort((a, b) => a.tick - b.tick);
    return writeSmf({
      format: 0,
      division: { kind: 'metrical', ticksPerQuarter },
      headerExtra: new Uint8Array(),
      tracks: [{ events, endTick: tick(score.length) }],
      unknownChunks: [],
    });
  }
  return writeSmf(
    {
      format: 1,
      division: { kind: 'metrical', ticksPerQuarter },
      headerExtra: new Uint8Array(),
      tracks: [conductor, ...tracks, ...extraTracks],
      unknownChunks: [],
    },
    { runningStatus: true },
  );
}

function conductorTrack(score: TrueScore, tick: (units: number) => number, { key }: TakeOptions): SmfTrack {
  const meta = (at: number, type: number, data: ArrayLike<number>): SmfEvent => ({
    kind: 'meta',
    tick: tick(at),
    type,
    data: Uint8Array.from(data),
  });
  const events: SmfEvent[] = [meta(0, Meta.trackName, encodeText(score.title))];
  for (const { at, beats, beatType } of score.meters)
    events.push(meta(at, Meta.timeSignature, [beats, Math.log2(beatType), 24, 8]));
  for (const { at, bpm } of score.tempos) {
    const microseconds = Math.round(60_000_000 / bpm);
    events.push(meta(at, Meta.tempo, [microseconds >> 16, (microseconds >> 8) & 0xff, microseconds & 0xff]));
  }
  if (key) events.push(meta(0, Meta.keySignature, [key.fifths & 0xff, key.mode === 'minor' ? 1 : 0]));
  for (const { at, text } of score.markers) events.push(meta(at, Meta.marker, encodeText(text)));
  events.sort((a, b) => a.tick - b.tick);
  return { events, endTick: tick(score.length) };
}

function playTrack(
  { notes, dynamics = [], pedals = [] }: TruePart,
  player: PlayedPart,
  tempo: TempoMap,
  tick: (units: number) => number,
  random: Random,
  end: number,
  strength: (at: number) => number,
): SmfTrack {
  const { manner } = player;
  const channel = player.channel - 1;
  const events: SmfEvent[] = [{ kind: 'meta', tick: 0, type: Meta.trackName, data: encodeText(player.trackName) }];
  const send = (at: number, message: number, data1: number, data2 = 0) =>
    events.push({ kind: 'channel', tick: at, status: message | channel, data1, data2 });
  if (player.program !== null) send(0, Message.programChange, player.program - 1);
  for (const { controller, value, everyQuarters } of player.junk ?? []) {
    for (let at = 0; at < end; at += everyQuarters * tempo.ticksPerQuarter)
      send(Math.round(at), Message.controlChange, controller, value);
  }
  const wandering = drifting(manner.drift ?? 0, random);
  /** Where a note that belongs at `at` is put. */
  const placed = (at: number, milliseconds: number) => {
    // People choose the grid that the music has.
    if (manner.startsOnly) return at + (manner.offsetTicks ?? 0);
    const by = shifted(at, milliseconds + wandering(secondsAtTick(tempo, at)));
    return Math.max(0, Math.round(by + (at - by) * (manner.strength ?? 0)) + (manner.offsetTicks ?? 0));
  };
  const shifted = (at: number, milliseconds: number) =>
    Math.max(0, Math.round(tickAtSeconds(tempo, secondsAtTick(tempo, at) + milliseconds / 1000)));

  if (manner.loudnessBy === 'modulation')
    for (let at = 0; at < end; at += tempo.ticksPerQuarter / 4)
      send(
        Math.round(at),
        Message.controlChange,
        1,
        Math.round(loudnessAt(dynamics, (at * QUARTER) / tempo.ticksPerQuarter) + random.normal(1.5)),
      );
  for (const pedal of pedals) {
    send(Math.round(shifted(tick(pedal.start), 60)), Message.controlChange, 64, 127);
    send(Math.round(shifted(tick(pedal.end), -20)), Message.controlChange, 64, 0);
  }

  const swung = (units: number) => swingUnits(units, manner.swing ?? 1);
  const chords = new Map<number, TrueNote[]>();
  for (const note of notes.map((one) => ({ ...one, start: swung(one.start), end: swung(one.end) })))
    chords.set(note.start, [...(chords.get(note.start) ?? []), note]);
  const starts = new Set(chords.keys());
  const played: { key: number; on: number; off: number; velocity: number }[] = [];
  for (const [start, chord] of chords) {
    chord.sort((a, b) => a.key - b.key);
    const together = random.normal(manner.jitter);
    chord.forEach((note, i) => {
      // Half of a chord's jitter is common to its notes.
      const jitter = chord.length > 1 ? together * 0.8 + random.normal(manner.jitter * 0.6) : together;
      const early = jitter - manner.lead + (chord.length > 1 ? (manner.spread * i) / (chord.length - 1) : 0);
      const on = placed(tick(start), early);
      const length = tick(note.end) - tick(start);
      const connected = manner.overlap > 0 && starts.has(note.end);
      const leap = Math.min(...(chords.get(note.end) ?? []).map((next) => Math.abs(next.key - note.key)));
      const overlap = manner.overlapBySteps ? (manner.overlap * 2) / Math.max(1, leap) : manner.overlap;
      const off = connected
        ? shifted(tick(note.end), overlap - manner.lead + random.normal(manner.jitter))
        : shifted(
            Math.round(tick(start) + length * manner.release),
            -manner.lead + random.normal(manner.jitter * 0.7),
          ) -
          (manner.gateTicks ?? 0) +
          (manner.offsetTicks ?? 0);
      const velocity = Math.max(
        20,
        Math.min(
          120,
          Math.round(
            (manner.loudnessBy === 'modulation' ? 78 : loudnessAt(dynamics, note.start)) +
              random.normal(8) +
              (manner.accents ?? 0) * strength(note.start),
          ),
        ),
      );
      played.push({ key: note.key, on, off: Math.max(off, on + 1), velocity });
    });
  }
  // The same key is let go before it is struck again.
  played.sort((a, b) => a.on - b.on);
  const sounding = new Map<number, { off: number }>();
  for (const note of played) {
    const before = sounding.get(note.key);
    if (before && before.off > note.on) before.off = note.on;
    sounding.set(note.key, note);
  }
  for (const note of played) {
    send(note.on, Message.noteOn, note.key, note.velocity);
    send(note.off, Message.noteOff, note.key, 64);
  }
  const rank = (event: SmfEvent) => {
    if (event.kind !== 'channel') return 0;
    if ((event.status & 0xf0) === Message.noteOff) return 1;
    return (event.status & 0xf0) === Message.noteOn ? 3 : 2;
  };
  events.sort((a, b) => a.tick - b.tick || rank(a) - rank(b));
  return { events, endTick: Math.max(end, events.at(-1)!.tick) };
}

/** Errors of which each resembles the one before: it forgets half of it in a good second. */
function drifting(sigma: Milliseconds, random: Random): (seconds: number) => Milliseconds {
  if (sigma === 0) return () => 0;
  let error = random.normal(sigma);
  let last = 0;
  return (seconds) => {
    if (seconds <= last) return error;
    const kept = Math.exp(-(seconds - last) / 2);
    last = seconds;
    error = kept * error + random.normal(sigma * Math.sqrt(1 - kept * kept));
    return error;
  };
}

/** How much a place is leant on: a bar's first beat most, its middle less, its other beats a little. */
function strengthsOf(score: TrueScore): (at: number) => number {
  const strengths = new Map<number, number>();
  for (const bar of layBars(score.meters, score.length))
    beatsOfBar(bar).forEach(({ start }, beat, beats) => {
      const middle = beats.length % 2 === 0 && beats.length > 2 && beat === beats.length / 2;
      const within = middle ? 0.6 : 0.3;
      strengths.set(start, beat === 0 ? 1 : within);
    });
  return (at) => strengths.get(at) ?? 0;
}

const UNSAID = 78;

/** Velocity that a place wants; along a hairpin it goes evenly. */
export function loudnessAt(dynamics: readonly TrueDynamic[], at: number): number {
  const now = dynamics.findLast((one) => one.at <= at);
  const next = dynamics.find((one) => one.at > at);
  const from = now ? DYNAMIC_VELOCITY[now.level] : UNSAID;
  if (!next || next.from === undefined || at < next.from) return from;
  return from + ((DYNAMIC_VELOCITY[next.level] - from) * (at - next.from)) / (next.at - next.from);
}

/** Moves the second half of each quarter so that its eighths stand in the ratio given. */
function swingUnits(units: number, ratio: number): number {
  const beat = Math.floor(units / QUARTER) * QUARTER;
  const share = (units - beat) / QUARTER;
  const turn = ratio / (1 + ratio);
  return beat + QUARTER * (share <= 0.5 ? share * 2 * turn : turn + (share - 0.5) * 2 * (1 - turn));
}
