import { isScoreFile, type DirectionB } from '@/core/job';
import { instrumentById } from '@/core/instruments';
import { readMusicXml, type MusicXmlReading } from '@/core/musicxml';
import { keyName, type Part, type PartId, type Query, type Score } from '@/core/score';
import { barsOfPerformance, performanceFromSmf, PERCUSSION_CHANNEL } from '@/core/performance';
import { Message, assertOneTimeLine, readSmf, writeSmf, type SmfFile, type SmfReading } from '@/core/smf';
import { buildTempoMap, secondsAtTick, ticksFromUnits, type Bar } from '@/core/time';
import {
  cleanSmf,
  inventoryOf,
  loudnessCurve,
  PRESET_PLANS,
  switchKeysOf,
  toSequencer,
  type CleaningPlan,
  type CleaningReport,
  type CurvePoint,
  type SequencedFile,
  type SequenceReport,
  type TrackInventory,
} from '@/core/to-sequencer';

/* What lies on the engine's desk for direction B: a score to be played, or a MIDI file to be cleaned. */

export interface ScorePartSummary {
  id: PartId;
  name: string;
  instrument: string;
  instrumentName: string;
  unpitched: boolean;
  notes: number;
  lowest: number | null;
  highest: number | null;
  staves: number;
  voices: number;
  dynamics: number;
  hairpins: number;
  slurs: number;
  program: number | null;
  techniques: string[];
  struck: Part['struck'];
  curve: CurvePoint[];
}

export interface SequenceTrackSummary {
  part: PartId;
  name: string;
  channel: number;
  port: number;
  program: number | null;
  notes: number;
  technique: string | null;
}

/** A score as it would go to a sequencer. */
export interface ScoreSequence {
  kind: 'score';
  title: string;
  composer: string;
  bars: Bar[];
  /** Written bars in the order they are played. */
  order: number[];
  tempos: Score['tempos'];
  markers: Score['markers'];
  keys: string[];
  signs: number;
  parts: ScorePartSummary[];
  tracks: SequenceTrackSummary[];
  files: { label: string; report: SequenceReport }[];
  seconds: number;
  queries: (Query & { remedies: [] })[];
}

/** A MIDI file and what cleaning makes of it. */
export interface MidiSequence {
  kind: 'midi';
  format: number;
  ticksPerQuarter: number;
  inventory: TrackInventory[];
  bars: number;
  plan: CleaningPlan;
  report: CleaningReport;
  queries: (Query & { remedies: [] })[];
}

export type SequenceSummary = ScoreSequence | MidiSequence;

/** A note to be heard: seconds from the start of what is played. */
export interface HeardNote {
  key: number;
  velocity: number;
  start: number;
  duration: number;
  drum: boolean;
  program: number | null;
}

export interface ControllerPoint {
  /** Quarter notes from the start. */
  at: number;
  value: number;
}

export interface ControllerPair {
  controller: number;
  before: ControllerPoint[];
  after: ControllerPoint[];
}

export class SequenceDesk {
  private constructor(
    private readonly score: MusicXmlReading | null,
    private readonly midi: SmfReading | null,
  ) {}

  private sequenced: SequencedFile[] = [];
  /** The file as it leaves, and which track of the original each of its tracks is. */
  private cleaned: { file: SmfFile; kept: readonly number[] } | null = null;

  /** @throws SmfError or MusicXmlError with one sentence */
  static open(bytes: Uint8Array): SequenceDesk {
    if (isScoreFile(bytes)) return new SequenceDesk(readMusicXml(bytes), null);
    const reading = readSmf(bytes);
    assertOneTimeLine(reading.file);
    return new SequenceDesk(null, reading);
  }

  sequence(settings: DirectionB): SequenceSummary {
    return this.score ? this.play(this.score, settings) : this.clean(this.midi!, settings);
  }

  private play({ score, warnings }: MusicXmlReading, settings: DirectionB): ScoreSequence {
    // Shown as one whole, whatever is exported in the end.
    this.sequenced = toSequencer(score, { ...settings, files: 'one' });
    const [whole] = this.sequenced as [SequencedFile];
    const files = settings.files === 'one' ? this.sequenced : toSequencer(score, settings);
    return {
      kind: 'score',
      title: score.title,
      composer: score.composer,
      bars: score.bars,
      order: whole.line.bars.map((played) => played.bar),
      tempos: score.tempos,
      markers: score.markers,
      keys: score.keys.map((key) => keyName(key)),
      signs: Object.keys(score.signs).length,
      parts: score.parts.map((part) => partSummary(part, whole, settings)),
      tracks: whole.tracks.map(({ part, name, channel, port, program, notes, technique }) => ({
        part,
        name,
        channel,
        port,
        program,
        notes: notes.length,
        technique,
      })),
      files: files.map(({ label, report }) => ({ label, report })),
      seconds: lengthOf(whole),
      queries: warnings.map((warning, i) => {
        const part = score.parts.find((one) => one.id === warning.part);
        const bar = warning.bar === undefined ? undefined : score.bars[warning.bar];
        const place = [part?.name, bar && `bar ${bar.number}`].filter(Boolean).join(', ');
        return {
          id: `score-file/${i}/${warning.part ?? ''}/${warning.bar ?? ''}`,
          kind: 'file',
          message: `${place ? `${place}: ` : ''}${warning.message}.`,
          ...(part && { part: part.id }),
          ...(warning.bar !== undefined && bar && { bar: warning.bar, at: bar.start }),
          remedies: [],
        };
      }),
    };
  }

  private clean(reading: SmfReading, settings: DirectionB): MidiSequence {
    const plan = { ...PRESET_PLANS[settings.preset], ...settings.carry };
    const { file, report, kept } = cleanSmf(reading.file, {
      plan,
      tracks: settings.carryTracks,
      leftOut: settings.leftOutTracks,
      neutralVolume: settings.neutralVolume,
    });
    this.cleaned = { file, kept };
    const { division } = reading.file;
    return {
      kind: 'midi',
      format: reading.file.format,
      ticksPerQuarter: division.kind === 'metrical' ? division.ticksPerQuarter : 0,
      inventory: inventoryOf(reading.file, switchKeysOf(reading.file)),
      bars: this.barCount(),
      plan,
      report,
      queries: [...reading.warnings.map((warning) => warning.message), ...report.warnings].map((message, i) => ({
        id: `midi-file/${i}`,
        kind: 'file',
        message,
        remedies: [],
      })),
    };
  }

  /** The written score and its whole performance. @throws Error when a MIDI file lies on the desk */
  performance(): { score: Score; sequenced: SequencedFile } {
    if (!this.score || !this.sequenced[0]) throw new Error('There is no score on the desk.');
    return { score: this.score.score, sequenced: this.sequenced[0] };
  }

  /** Bytes of every file as the settings want them. */
  files(settings: DirectionB): { label: string; bytes: Uint8Array }[] {
    const write = (file: SmfFile) => writeSmf(file, { runningStatus: settings.runningStatus });
    if (this.score)
      return toSequencer(this.score.score, settings).map(({ label, file }) => ({ label, bytes: write(file) }));
    return [{ label: '', bytes: write(this.cleaned?.file ?? this.midi!.file) }];
  }

  /**
   * A MIDI file's bars as it arrived, or as it would leave: velocities scaled by the faders and expression of their
   * channels.
   */
  heardMidi(from: number, to: number, delivered: boolean): HeardNote[] {
    if (!this.midi) throw new Error('There is no MIDI file on the desk.');
    const performance = performanceFromSmf({
      file: delivered ? (this.cleaned?.file ?? this.midi.file) : this.midi.file,
      warnings: [],
    });
    const bars = barsOfPerformance(performance);
    const [first, last] = [bars[Math.min(from, bars.length - 1)]!, bars[Math.min(to, bars.length) - 1] ?? bars.at(-1)!];
    const tick = (units: number) => ticksFromUnits(units, performance.ticksPerQuarter);
    const [start, end] = [tick(first.start), tick(last.start + last.length)];
    const origin = secondsAtTick(performance.tempo, start);
    return performance.tracks.flatMap((track) =>
      track.notes
        .filter((note) => note.start >= start && note.start < end)
        .map((note): HeardNote => {
          const at = (controller: number, usual: number) =>
            track.controllers.findLast(
              (one) => one.controller === controller && one.channel === note.channel && one.tick <= note.start,
            )?.value ?? usual;
          const heard = secondsAtTick(performance.tempo, note.start) - origin;
          const program =
            track.programs.findLast((one) => one.channel === note.channel && one.tick <= note.start)?.program ?? null;
          return {
            key: note.key,
            velocity: Math.max(1, Math.round(note.velocity * Math.min(1.27, at(7, 100) / 100) * (at(11, 127) / 127))),
            start: heard,
            duration: secondsAtTick(performance.tempo, note.end) - origin - heard,
            drum: note.channel === PERCUSSION_CHANNEL,
            program,
          };
        }),
    );
  }

  /** Controllers of one track chunk before and after cleaning, by bar position. */
  controllersOf(track: number): ControllerPair[] {
    if (!this.midi) return [];
    const before = pointsOf(this.midi.file, track);
    const place = this.cleaned?.kept.indexOf(track) ?? -1;
    const now = this.cleaned && place >= 0 ? pointsOf(this.cleaned.file, place) : new Map<number, ControllerPoint[]>();
    return [...new Set([...before.keys(), ...now.keys()])]
      .sort((a, b) => a - b)
      .map((controller) => ({ controller, before: before.get(controller) ?? [], after: now.get(controller) ?? [] }));
  }

  barCount(): number {
    return this.midi ? barsOfPerformance(performanceFromSmf({ file: this.midi.file, warnings: [] })).length : 0;
  }

  /** What a stretch of written bars sounds like as delivered. @param parts none for all */
  heard(from: number, to: number, parts: readonly PartId[]): HeardNote[] {
    const { score, sequenced } = this.performance();
    const ticks = 10080;
    const map = buildTempoMap(
      sequenced.tempos.map(({ at, bpm }) => ({ tick: at, microsecondsPerQuarter: 60_000_000 / bpm })),
      ticks,
    );
    const bars = sequenced.line.bars.filter(
      (played, i, all) =>
        played.bar >= from && played.bar < to && all.findIndex((other) => other.bar === played.bar) === i,
    );
    if (bars.length === 0) return [];
    const [first, last] = [bars[0]!.start, bars.at(-1)!.start + bars.at(-1)!.length];
    const origin = secondsAtTick(map, first);
    return sequenced.tracks
      .filter((track) => parts.length === 0 || parts.includes(track.part))
      .flatMap((track) =>
        track.notes
          .filter((note) => note.start >= first - 1 && note.start < last)
          .map((note): HeardNote => {
            const start = secondsAtTick(map, note.start) - origin;
            return {
              key: note.key,
              velocity: note.velocity,
              start,
              duration: secondsAtTick(map, note.end) - origin - start,
              drum: track.unpitched,
              program: track.program ?? score.parts.find((part) => part.id === track.part)?.program ?? null,
            };
          }),
      );
  }
}

function pointsOf(file: SmfFile, track: number): Map<number, ControllerPoint[]> {
  const quarter = file.division.kind === 'metrical' ? file.division.ticksPerQuarter : 960;
  const points = new Map<number, ControllerPoint[]>();
  for (const event of file.tracks[track]?.events ?? []) {
    if (event.kind !== 'channel' || (event.status & 0xf0) !== Message.controlChange) continue;
    const list = points.get(event.data1) ?? [];
    points.set(event.data1, list);
    list.push({ at: event.tick / quarter, value: event.data2 });
  }
  return points;
}

function partSummary(part: Part, whole: SequencedFile, settings: DirectionB): ScorePartSummary {
  const notes = whole.tracks.filter((track) => track.part === part.id).flatMap((track) => track.notes);
  const keys = notes.map((note) => note.key);
  return {
    id: part.id,
    name: part.name,
    instrument: part.instrument,
    instrumentName: instrumentById(part.instrument).names.en,
    unpitched: part.unpitched,
    notes: notes.length,
    lowest: keys.length > 0 ? keys.reduce((a, b) => Math.min(a, b)) : null,
    highest: keys.length > 0 ? keys.reduce((a, b) => Math.max(a, b)) : null,
    staves: part.clefs.length,
    voices: new Set(part.bars.flatMap((bar) => bar.voices.map((voice) => voice.voice))).size,
    dynamics: part.lines.dynamics.length,
    hairpins: part.lines.hairpins.length,
    slurs: part.lines.slurs.length,
    program: part.program,
    techniques: [...new Set(notes.flatMap((note) => note.sound.technique ?? []))],
    struck: part.struck,
    curve: loudnessCurve(part, settings.levels),
  };
}

function lengthOf({ line, tempos }: SequencedFile): number {
  const map = buildTempoMap(
    tempos.map(({ at, bpm }) => ({ tick: at, microsecondsPerQuarter: 60_000_000 / bpm })),
    10080,
  );
  return secondsAtTick(map, line.end);
}
