import { say } from '../words';
import { Meta, type SmfFile, type TextEncoding } from '../smf';
import {
  barBeat,
  bpmFromMicroseconds,
  layBars,
  QUARTER,
  secondsAtTick,
  ticksFromUnits,
  writtenUnits,
  type Bar,
  type BarBeat,
  type Bpm,
  type Seconds,
  type Ticks,
  type WrittenUnits,
} from '../time';
import type { KeyEvent, Performance } from './performance';

interface Placed extends BarBeat {
  tick: Ticks;
  seconds: Seconds;
}

/** The file as a whole, in numbers and lists; every entry with its bar, beat and clock time. */
export interface FileFacts {
  /** Of a MIDI file; null for a score. */
  format: 0 | 1 | 2 | null;
  /** "480 ticks per quarter", or frames for SMPTE files. */
  resolution: string;
  size: number;
  title: string;
  copyright: string;
  durationSeconds: Seconds;
  bars: number;
  trackChunks: number;
  unknownChunks: string[];
  tempos: (Placed & { bpm: Bpm })[];
  meters: (Placed & { beats: number; beatType: number })[];
  keys: (Placed & Pick<KeyEvent, 'fifths' | 'mode'>)[];
  markers: (Placed & { text: string })[];
  texts: (Placed & { track: string; kind: string; text: string })[];
  sysex: number;
  warnings: string[];
  encoding: TextEncoding;
  /** Texts with letters beyond ASCII, which depend on the encoding. */
  foreign: boolean;
}

/** @param file null for a score */
export function fileFacts(
  file: SmfFile | null,
  performance: Performance,
  bars: readonly Bar[],
  size: number,
): FileFacts {
  const { ticksPerQuarter, tempo } = performance;
  const at = (tick: Ticks): Placed => ({
    tick,
    seconds: secondsAtTick(tempo, tick),
    ...barBeat(bars, writtenUnits(tick, ticksPerQuarter)),
  });
  const atUnits = (units: number) => at(ticksFromUnits(units, ticksPerQuarter));
  return {
    format: file?.format ?? null,
    resolution: file ? resolutionOf(file) : say('performance.writtenValues'),
    size,
    title: performance.title,
    copyright: performance.copyright,
    durationSeconds: secondsAtTick(tempo, performance.lastNoteEnd),
    bars: bars.length,
    trackChunks: file?.tracks.length ?? performance.tracks.length,
    unknownChunks: file?.unknownChunks.map((chunk) => chunk.type) ?? [],
    tempos: tempo.events.map((event) => ({
      ...at(event.tick),
      bpm: Math.round(bpmFromMicroseconds(event.microsecondsPerQuarter) * 100) / 100,
    })),
    meters: performance.meters.map((meter) => ({ ...atUnits(meter.at), beats: meter.beats, beatType: meter.beatType })),
    keys: performance.keys.map((key) => ({ ...atUnits(key.at), fifths: key.fifths, mode: key.mode })),
    markers: performance.markers.map((marker) => ({ ...at(marker.tick), text: marker.text })),
    texts: performance.tracks.flatMap((track) =>
      track.texts
        .filter(({ kind }) => kind !== 'marker')
        .map(({ tick, kind, text }) => ({
          ...at(tick),
          track: track.name || say('performance.trackChunk', { chunk: track.chunk + 1 }),
          kind,
          text,
        })),
    ),
    sysex: file ? exclusiveMessages(file) : 0,
    warnings: performance.warnings.map((warning) => warning.message),
    encoding: performance.encoding,
    foreign: file !== null && hasForeignText(file),
  };
}

function resolutionOf({ division }: SmfFile): string {
  return division.kind === 'metrical'
    ? say('performance.ticksPerQuarterTicksPerQuarterNote', { ticksPerQuarter: division.ticksPerQuarter })
    : say('performance.sMPTEFramesPerSecondFramesASecond', {
        framesPerSecond: division.framesPerSecond === 29 ? '29.97' : division.framesPerSecond,
        ticksPerFrame: division.ticksPerFrame,
      });
}

function exclusiveMessages({ tracks }: SmfFile): number {
  return tracks.reduce(
    (sum, track) =>
      sum +
      track.events.filter(
        (event) => event.kind === 'sysex' || (event.kind === 'meta' && event.type === Meta.sequencerSpecific),
      ).length,
    0,
  );
}

/** Text events (meta types 1–15) with a byte above 127. */
function hasForeignText({ tracks }: SmfFile): boolean {
  return tracks.some((track) =>
    track.events.some(
      (event) => event.kind === 'meta' && event.type >= 1 && event.type <= 15 && event.data.some((byte) => byte > 0x7f),
    ),
  );
}

/** A last release this much into a new bar does not open it. */
const LATE_RELEASE: WrittenUnits = QUARTER / 16;

/** The bars of a performance, from 0 to the end of its last note. */
export function barsOfPerformance(performance: Performance): Bar[] {
  if (performance.bars) return [...performance.bars];
  const end = writtenUnits(performance.lastNoteEnd, performance.ticksPerQuarter);
  return layBars(performance.meters, Math.max(1, end - LATE_RELEASE), performance.numbering);
}
