/*
 * The performed tracks as a Standard MIDI File: conductor track first and named, then a track for each.
 */
import { groupBy } from '../../base';
import type { TechniqueId } from '../../instruments';
import { chordText, type Lyric, type Part, type PartId, type Score } from '../../score';
import { conductorName } from '../../performance';
import { encodeText, Message, Meta, type SmfEvent, type SmfFile, type SmfTrack } from '../../smf';
import { QUARTER, tempoInFile, type Ticks, type WrittenUnits } from '../../time';
import { bendsOf, bendValue, USUAL_RANGE } from './bends';
import { inTrackOrder } from './event-order';
import { curveSteps, loudnessAt, type CurvePoint } from '../dynamics/loudness-curve';
import type { PerformedNote } from '../playing/perform';
import { isLoose } from '../loosening/loosen';
import type { PlayedTempo } from '../timeline/tempo';
import type { TimeLine } from '../timeline/time-line';
import type { SequencerTrack } from './tracks';
import { partSettings, type DynamicCarrier, type SequencerSettings, type TechniqueSwitch } from '../../settings';

const CONTROLLER: Record<Exclude<DynamicCarrier, 'velocity'>, number> = { expression: 11, modulation: 1, volume: 7 };
const SUSTAIN = 64;
const VOLUME = 7;
const PAN = 10;

export interface Sequence {
  score: Score;
  parts: readonly Part[];
  line: TimeLine;
  tempos: readonly PlayedTempo[];
  tracks: readonly SequencerTrack[];
  settings: SequencerSettings;
  carriersOf: (part: PartId) => readonly DynamicCarrier[];
  curveOf: (part: PartId) => readonly CurvePoint[];
}

export function writeSequence(sequence: Sequence): { file: SmfFile; betweenTicks: number; largestShiftMs: number } {
  const { settings, tracks, line, tempos } = sequence;
  const { ticksPerQuarter } = settings;
  let betweenTicks = 0;
  let largestShiftMs = 0;
  const tick = (units: number): Ticks => Math.round((units * ticksPerQuarter) / QUARTER);
  const endTick = tick(line.end);
  const measured = (units: number): Ticks => {
    const exact = (units * ticksPerQuarter) / QUARTER;
    const away = Math.abs(exact - Math.round(exact));
    if (away > 1e-6) {
      betweenTicks++;
      const bpm = tempos.findLast((tempo) => tempo.at <= units)?.bpm ?? 120;
      largestShiftMs = Math.max(largestShiftMs, (away / ticksPerQuarter) * (60_000 / bpm));
    }
    return Math.round(exact);
  };
  // Loosening moves notes on purpose: only what is written is measured.
  const place = isLoose(settings.loosening) ? tick : measured;
  const conductor = conductorTrack(sequence, tick, endTick);
  const ports = new Set(tracks.map((track) => track.port)).size > 1;
  const played = tracks.map((track) => playedTrack(track, sequence, tick, place, endTick, ports));
  const division = { kind: 'metrical', ticksPerQuarter } as const;
  if (settings.format === 0) {
    const events = inTrackOrder(
      [conductor, ...played].flatMap((track) =>
        track.events.filter(
          (event, i) => track === conductor || !(event.kind === 'meta' && event.type === Meta.trackName && i === 0),
        ),
      ),
    );
    return {
      file: {
        format: 0,
        division,
        headerExtra: new Uint8Array(),
        tracks: [{ events, endTick: Math.max(endTick, ...played.map((track) => track.endTick)) }],
        unknownChunks: [],
      },
      betweenTicks,
      largestShiftMs,
    };
  }
  return {
    file: { format: 1, division, headerExtra: new Uint8Array(), tracks: [conductor, ...played], unknownChunks: [] },
    betweenTicks,
    largestShiftMs,
  };
}

const meta = (tick: Ticks, type: number, data: ArrayLike<number>): SmfEvent => ({
  kind: 'meta',
  tick,
  type,
  data: Uint8Array.from(data),
});

function conductorTrack({ score, line, tempos }: Sequence, tick: (units: number) => Ticks, endTick: Ticks): SmfTrack {
  const events: SmfEvent[] = [meta(0, Meta.trackName, encodeText(conductorName(score.title)))];
  if (score.rights) events.push(meta(0, Meta.copyright, encodeText(score.rights)));
  for (const { at, bpm } of tempos) {
    const microseconds = tempoInFile(60_000_000 / bpm);
    events.push(
      meta(tick(at), Meta.tempo, [(microseconds >> 16) & 0xff, (microseconds >> 8) & 0xff, microseconds & 0xff]),
    );
  }
  let meterNow = '';
  let keyNow = '';
  line.bars.forEach(({ bar, start, silence, joins }, i) => {
    const written = score.bars[bar]!;
    const at = tick(i === 0 ? 0 : start - silence);
    const [beats, beatType] = meterOf(written, silence > 0 || joins || line.bars[i + 1]?.joins === true);
    if (!joins && `${beats}/${beatType}` !== meterNow) {
      events.push(meta(at, Meta.timeSignature, [beats, Math.log2(beatType), clocksAClick(beats, beatType), 8]));
      meterNow = `${beats}/${beatType}`;
    }
    const key = score.keys.findLast((one) => one.bar <= bar);
    if (key && `${key.fifths}${key.mode}` !== keyNow) {
      events.push(meta(at, Meta.keySignature, [key.fifths & 0xff, key.mode === 'minor' ? 1 : 0]));
      keyNow = `${key.fifths}${key.mode}`;
    }
    for (const marker of score.markers)
      if (marker.at >= written.start && marker.at < written.start + written.length)
        events.push(meta(tick(start + marker.at - written.start), Meta.marker, encodeText(marker.text)));
  });
  return { events: inTrackOrder(events), endTick };
}

/** A bar shorter or longer than its meter is stated by its own length, so that bars after it still fall right. */
function meterOf({ meter, implicit, length }: Score['bars'][number], filled: boolean): [number, number] {
  if (!implicit || filled) return [meter.beats, meter.beatType];
  for (const beatType of [meter.beatType, 8, 16, 32, 64]) {
    const beats = (length * beatType) / (4 * QUARTER);
    if (Number.isInteger(beats) && beats >= 1 && beats <= 255) return [beats, beatType];
  }
  return [meter.beats, meter.beatType];
}

function clocksAClick(beats: number, beatType: number): number {
  const compound = beatType >= 8 && beats % 3 === 0;
  return Math.max(1, Math.round((96 / beatType) * (compound ? 3 : 1)));
}

function playedTrack(
  track: SequencerTrack,
  sequence: Sequence,
  tick: (units: number) => Ticks,
  place: (units: number) => Ticks,
  endTick: Ticks,
  ports: boolean,
): SmfTrack {
  const { settings } = sequence;
  const part = sequence.parts.find((one) => one.id === track.part)!;
  const channel = track.channel - 1;
  const events: SmfEvent[] = [meta(0, Meta.trackName, encodeText(track.name))];
  const send = (at: Ticks, message: number, data1: number, data2 = 0, on = channel) =>
    events.push({ kind: 'channel', tick: Math.max(0, at), status: message | on, data1, data2 });
  if (ports) events.push(meta(0, Meta.port, [track.port]));
  const rich = settings.preset !== 'bare';
  if (rich && track.program !== null && !track.unpitched) send(0, Message.programChange, track.program - 1);
  if (settings.neutralVolume !== null && rich && !sequence.carriersOf(part.id).includes('volume'))
    send(0, Message.controlChange, VOLUME, settings.neutralVolume);
  if (settings.preset === 'everything') send(0, Message.controlChange, PAN, 64);
  if (rich) programChanges();
  for (const carrier of sequence.carriersOf(part.id)) if (carrier !== 'velocity') controllerCurve(CONTROLLER[carrier]);
  if (rich && !track.unpitched) pedals();
  words();
  switches();
  if (rich && !track.unpitched) bends();
  for (const note of track.notes) {
    const on = place(note.start);
    send(on, Message.noteOn, note.key, note.velocity, channelOf(note));
    send(Math.max(on + 1, place(note.end)), Message.noteOff, note.key, 0, channelOf(note));
  }
  const last = track.notes.reduce((latest, note) => Math.max(latest, tick(note.end)), 0);
  return { events: inTrackOrder(events), endTick: Math.max(endTick, last) };

  function programChanges(): void {
    for (const { at, program } of part.programChanges ?? [])
      for (const start of placesOf(sequence, at)) send(tick(start), Message.programChange, program - 1);
    doublings();
  }

  /** Another instrument is sounded from its first note on; where two play at once, the one that played already goes on. */
  function doublings(): void {
    const { doublings: further } = part;
    if (!further || track.unpitched || track.program === null) return;
    let now: number | null = track.program;
    for (const [, together] of groupBy(track.notes, (note) => note.sound.start)) {
      const playing = new Set(together.map(({ sound }) => sound.doubling));
      const [doubling] = playing;
      const program = doubling === undefined ? track.program : (further[doubling]?.program ?? null);
      if (playing.size > 1 || program === null || program === now) continue;
      now = program;
      send(Math.min(...together.map(({ start }) => tick(start))), Message.programChange, program - 1);
    }
  }

  function pedals(): void {
    for (const { start, end } of part.lines.pedals)
      for (const from of placesOf(sequence, start)) {
        send(tick(from), Message.controlChange, SUSTAIN, 127);
        send(tick(from + end - start), Message.controlChange, SUSTAIN, 0);
      }
  }

  /** The wheel is told how far it reaches (RPN 0) where that is more than usual. */
  function bends(): void {
    const bent = bendsOf(track.notes, settings.ornaments ? settings.glides : 'none');
    if (!bent) return;
    const { range, points } = bent;
    if (range > USUAL_RANGE)
      for (const [controller, value] of [
        [101, 0],
        [100, 0],
        [6, range],
        [38, 0],
        [101, 127],
        [100, 127],
      ] as const)
        send(0, Message.controlChange, controller, value);
    for (const { at, by } of points) {
      const value = bendValue(by, range);
      send(tick(at), Message.pitchBend, value & 0x7f, value >> 7);
    }
  }

  function controllerCurve(controller: number): void {
    const curve = sequence.curveOf(part.id);
    let now = -1;
    for (const { bar, start, length } of sequence.line.bars) {
      const written = sequence.score.bars[bar]!;
      for (const at of curveSteps(curve, written.start, written.start + length, settings.rampStep)) {
        const value = Math.round(loudnessAt(curve, at));
        if (value !== now) send(tick(start + at - written.start), Message.controlChange, controller, value);
        now = value;
      }
    }
  }

  /** Lyrics always go along; chord symbols travel as text, where text does. */
  function words(): void {
    for (const { bar, start, time } of sequence.line.bars) {
      const written = sequence.score.bars[bar]!;
      for (const voice of part.bars[bar]?.voices ?? [])
        for (const symbol of voice.symbols) {
          const text = sungText(symbol.marks?.lyrics ?? [], time);
          if (text) events.push(meta(tick(start + symbol.at), Meta.lyric, encodeText(text)));
        }
      for (const harmony of rich ? (part.harmonies ?? []) : [])
        if (harmony.at >= written.start && harmony.at < written.start + written.length)
          events.push(meta(tick(start + harmony.at - written.start), Meta.text, encodeText(chordText(harmony))));
    }
  }

  /** What a technique chart wants before the first note of another way of playing. */
  function switches(): void {
    const chart = partSettings(settings, part.id).chart;
    if (!chart) return;
    let now: string | null = null;
    for (const note of track.notes) {
      const technique: TechniqueId | 'ordinary' = note.sound.technique ?? 'ordinary';
      if (technique === now) continue;
      now = technique;
      const entry = chart.entries.find((one) => one.technique === technique);
      if (entry)
        sendSwitch(entry, Math.max(0, tick(note.start) - Math.max(1, Math.round(settings.ticksPerQuarter / 32))));
    }
  }

  function sendSwitch({ by }: TechniqueSwitch, at: Ticks): void {
    if (by.kind === 'key') {
      send(at, Message.noteOn, by.key, 64);
      send(at + Math.max(1, Math.round(settings.ticksPerQuarter / 16)), Message.noteOff, by.key, 0);
    } else if (by.kind === 'program') send(at, Message.programChange, by.program - 1);
    else if (by.kind === 'controller') send(at, Message.controlChange, by.controller, by.value);
  }

  function channelOf(note: PerformedNote): number {
    const chart = partSettings(settings, part.id).chart;
    const entry = chart?.entries.find((one) => one.technique === (note.sound.technique ?? 'ordinary'));
    return entry?.by.kind === 'channel' ? entry.by.channel - 1 : channel;
  }
}

function placesOf({ line, score }: Sequence, at: WrittenUnits): WrittenUnits[] {
  return line.bars.flatMap(({ bar, start }) => {
    const written = score.bars[bar]!;
    return at >= written.start && at < written.start + written.length ? [start + at - written.start] : [];
  });
}

/** The verse of this playing, else the last one there is; what is sung on one note together. */
function sungText(lyrics: readonly Lyric[], time: number): string {
  const lyric = lyrics.find(({ verse }) => verse === time) ?? lyrics.at(-1);
  if (!lyric) return '';
  const syllables = [lyric, ...(lyric.elided ?? [])];
  return syllables
    .map(({ text, syllabic }) => (syllabic === 'begin' || syllabic === 'middle' ? `${text}-` : text))
    .join(' ');
}
