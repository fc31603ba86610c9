/*
 * Bars and seconds of a MIDI file as a plain sequencer counts them: read by midi-file, a parser of others, and counted by
 * nothing of ours. Maps, tables and markers are held against it after they were written.
 *
 *     meters   4/4             3/4        a meter inside a bar begins a bar there
 *     bars     |1      |2      |3   |4
 */
import { parseMidi, type MidiEvent } from 'midi-file';

export interface SequencerBar {
  /** Quarters from the beginning of the file. */
  quarters: number;
  seconds: number;
  beats: number;
  beatType: number;
}

export interface SequencerMarker {
  text: string;
  seconds: number;
  /** From 1, as a sequencer counts. */
  bar: number;
}

export interface SequencerClock {
  ticksPerQuarter: number;
  bars: SequencerBar[];
  tempos: { seconds: number; microsecondsPerQuarter: number }[];
  markers: SequencerMarker[];
  notes: { key: number; channel: number; seconds: number; quarters: number; bar: number; velocity: number }[];
  /** End of the last track. */
  seconds: number;
  /** SMPTE offset, where there is one. */
  offset: { hour: number; min: number; sec: number; frame: number; subFrame: number; frameRate: number } | null;
}

type At = MidiEvent & { tick: number };

/** @throws Error when midi-file cannot read it */
export function sequencerClock(bytes: Uint8Array): SequencerClock {
  const { header, tracks } = parseMidi(bytes);
  const ticksPerQuarter = header.ticksPerBeat ?? 1;
  const all = tracks
    .flatMap((track) => {
      let tick = 0;
      return track.map((event): At => ({ ...event, tick: (tick += event.deltaTime) }));
    })
    .sort((a, b) => a.tick - b.tick);
  const end = all.at(-1)?.tick ?? 0;
  const secondsAt = clockOf(all, ticksPerQuarter);
  const bars = barsUpTo(all, end, ticksPerQuarter).map(({ tick, beats, beatType }) => ({
    tick,
    bar: { quarters: tick / ticksPerQuarter, seconds: secondsAt(tick), beats, beatType },
  }));
  const barAt = (tick: number) => Math.max(1, firstAfter(bars, tick));
  return {
    ticksPerQuarter,
    bars: bars.map(({ bar }) => bar),
    tempos: all.flatMap((event) =>
      event.type === 'setTempo'
        ? [{ seconds: secondsAt(event.tick), microsecondsPerQuarter: event.microsecondsPerBeat }]
        : [],
    ),
    markers: all.flatMap((event) =>
      event.type === 'marker'
        ? [{ text: utf8Of(event.text), seconds: secondsAt(event.tick), bar: barAt(event.tick) }]
        : [],
    ),
    notes: all.flatMap((event) =>
      event.type === 'noteOn'
        ? [
            {
              key: event.noteNumber,
              channel: event.channel + 1,
              seconds: secondsAt(event.tick),
              quarters: event.tick / ticksPerQuarter,
              bar: barAt(event.tick),
              velocity: event.velocity,
            },
          ]
        : [],
    ),
    seconds: secondsAt(end),
    offset: all.find((event) => event.type === 'smpteOffset') ?? null,
  };
}

/** Index of the first bar after a place. */
function firstAfter(bars: readonly { tick: number }[], tick: number): number {
  let [low, high] = [0, bars.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (bars[middle]!.tick <= tick) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Seconds at rising ticks; looked up from the tempo before. */
function clockOf(all: readonly At[], ticksPerQuarter: number): (tick: number) => number {
  const changes = [{ tick: 0, each: 500_000, seconds: 0 }];
  for (const event of all) {
    if (event.type !== 'setTempo') continue;
    const last = changes.at(-1)!;
    const seconds = last.seconds + ((event.tick - last.tick) / ticksPerQuarter) * (last.each / 1e6);
    changes.push({ tick: event.tick, each: event.microsecondsPerBeat, seconds });
  }
  return (tick) => {
    const { tick: from, each, seconds } = changes[Math.max(1, firstAfter(changes, tick)) - 1]!;
    return seconds + ((tick - from) / ticksPerQuarter) * (each / 1e6);
  };
}

function barsUpTo(all: readonly At[], end: number, ticksPerQuarter: number) {
  const bars: { tick: number; beats: number; beatType: number }[] = [];
  let [at, beats, beatType] = [0, 4, 4];
  const meters = all.flatMap((event) =>
    event.type === 'timeSignature' ? [{ tick: event.tick, beats: event.numerator, beatType: event.denominator }] : [],
  );
  for (const next of [...meters, { tick: end, beats: 0, beatType: 0 }]) {
    const length = (ticksPerQuarter * 4 * beats) / beatType;
    for (; next.tick - at > 1e-6 && length > 0; at += length) bars.push({ tick: at, beats, beatType });
    at = next.tick;
    [beats, beatType] = [next.beats, next.beatType];
  }
  return bars;
}

/** The parser gives bytes as characters; texts are written in UTF-8. */
export function utf8Of(text: string): string {
  const bytes = Uint8Array.from(text, (sign) => sign.charCodeAt(0));
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return text;
  }
}
