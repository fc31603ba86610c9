/*
 * A job on the way to a sequencer, from its original to what leaves the house: a score to be played, or a MIDI file to
 * be cleaned. open → sequence → passage, heard → files. Worker, command line, route and tests all go through here.
 */
import { Memo, toEnd, type PartId } from '../base';
import { readMusicXml, type MusicXmlReading } from '../musicxml';
import { barsOfPerformance, performanceFromSmf } from '../performance';
import {
  agreementOf,
  musicOfPerformance,
  musicOfSequence,
  overlayOf,
  sequencePassage,
  type Agreement,
  type Overlay,
  type Passage,
  type SoundingMusic,
} from '../proof';
import { hear, type BarClock, type HearingMusic, type Stretch, type StretchRequest } from '../hearing';
import type { Score } from '../score';
import { USUAL_SEQUENCING, type CleaningPlan, type DirectionB } from '../settings';
import { assertOneTimeLine, readSmf, writeSmf, type SmfFile, type SmfReading } from '../smf';
import {
  cleanSmf,
  mendedScore,
  clockOf,
  PRESET_PLANS,
  sequenceScore,
  toSequencer,
  type Cleaned,
  type CleaningReport,
  type SequencedFile,
  type SequenceProgress,
  type SequenceReport,
} from '../to-sequencer';
import {
  compareNumbering,
  type Numbering,
  type StudioMapSettings,
  type StudioTimeLine,
  type TableSettings,
} from '../studio';
import { barIndexAt, writtenUnits } from '../time';
import { soundingFile } from './sounding-file';
import { controllersIn, type ControllerPair } from './controllers';
import { isScoreFile } from './file-kind';
import { midiSummary, scoreSummary, type SequenceSummary } from './sequence-summary';
import {
  exportStudio,
  summariseTimeLine,
  timeLineOfFile,
  timeLineOfScore,
  timeLineOfSequence,
  type StudioExport,
  type TimeLineSummary,
} from './studio';
import { fileMusic, sequencedMusic, writtenMusic, type HearingVersion } from './versions';

/** What leaves the house, and what became of it. */
export interface SequenceFiles {
  files: { label: string; bytes: Uint8Array }[];
  report:
    | { kind: 'score'; warnings: string[]; files: SequenceReport[] }
    | { kind: 'midi'; warnings: string[]; cleaning: CleaningReport };
}

export class SequenceDesk {
  private constructor(
    private readonly score: MusicXmlReading | null,
    private readonly midi: SmfReading | null,
  ) {}

  /** The score played as one whole, whatever is exported in the end. */
  private whole: SequencedFile | null = null;
  private cleaned: Cleaned | null = null;
  private mending: { by: string; score: Score } | null = null;
  /** Of the runs with this score. */
  private readonly memo = new Memo();
  /** What was heard of the original, and of what goes out. */
  private heardOriginal: HearingMusic | null = null;
  private heardOutgoing: { of: SequencedFile | Cleaned; music: HearingMusic } | null = null;

  /** @throws SmfError or MusicXmlError with one sentence */
  static open(bytes: Uint8Array): SequenceDesk {
    if (isScoreFile(bytes)) return new SequenceDesk(readMusicXml(bytes), null);
    const reading = readSmf(bytes);
    assertOneTimeLine(reading.file);
    return new SequenceDesk(null, reading);
  }

  /**
   * Sequences, or cleans, step by step: it yields before each part, so that a caller can show progress, let other work
   * in, or stop.
   */
  *steps(settings: DirectionB): Generator<SequenceProgress, SequenceSummary> {
    if (this.midi) {
      this.cleaned = clean(this.midi.file, settings);
      return midiSummary(this.midi, planOf(settings), this.cleaned.report, this.barCount());
    }
    const score = this.mended(settings);
    const [whole] = yield* sequenceScore(score, { ...settings, files: 'one' }, this.memo);
    const files = settings.files === 'one' ? [whole!] : yield* sequenceScore(score, settings, this.memo);
    this.whole = whole!;
    return scoreSummary({ ...this.score!, score }, whole!, files, settings);
  }

  /** Sequences, or cleans, to the end. */
  sequence(settings: DirectionB): SequenceSummary {
    return toEnd(this.steps(settings));
  }

  /** Every file as the settings want them. */
  files(settings: DirectionB): SequenceFiles {
    const write = (file: SmfFile) => writeSmf(file, { runningStatus: settings.runningStatus });
    if (this.midi) {
      const { file, report } = clean(this.midi.file, settings);
      const warnings = [...this.midi.warnings.map((warning) => warning.message), ...report.warnings];
      return { files: [{ label: '', bytes: write(file) }], report: { kind: 'midi', warnings, cleaning: report } };
    }
    const { warnings } = this.score!;
    const files = toSequencer(this.mended(settings), settings);
    return {
      files: files.map(({ label, file }) => ({ label, bytes: write(file) })),
      report: {
        kind: 'score',
        warnings: warnings.map((warning) => warning.message),
        files: files.map((file) => file.report),
      },
    };
  }

  /** Some written bars of some parts, and what is played of them. @throws Error when no score was sequenced */
  passage(parts: PartId[], from: number, to: number): Passage {
    const { score, whole } = this.sequenced();
    return sequencePassage(score, whole, parts, from, to);
  }

  /** Some bars to be heard: as the score is written or the file arrived, or as delivered. */
  hear(version: HearingVersion, request: StretchRequest): Stretch {
    return hear(version === 'delivered' ? this.deliveredMusic() : this.originalMusic(), request);
  }

  /** All parts laid over each other, as they go out against what is written. @throws Error when no score was sequenced */
  overlay(): Overlay {
    const { score, whole } = this.sequenced();
    const clock = clockOf(whole);
    const begins = new Map<number, number>();
    for (const { bar, start } of whole.line.bars) if (!begins.has(bar)) begins.set(bar, start);
    const starts = score.bars.map((bar) => bar.start);
    const placed = (written: number) => {
      const bar = barIndexAt(starts, written);
      return (begins.get(bar) ?? starts[bar]!) + written - starts[bar]!;
    };
    const outgoing = new Map<string, number>();
    for (const { part, notes } of whole.tracks)
      for (const { sound, start } of notes) {
        const slot = `${part}/${sound.written}/${sound.key}`;
        if (!outgoing.has(slot)) outgoing.set(slot, start);
      }
    return overlayOf({
      score,
      writtenAt: (place) => clock(placed(place)),
      playedAt: (part, { start, key }) => {
        const at = outgoing.get(`${part}/${start}/${key}`);
        return at === undefined ? null : clock(at);
      },
    });
  }

  /** Bars as they are played, tempo, meters, keys and markers, with their times. */
  timeLine(): TimeLineSummary {
    const { file } = this.midi ? this.cleaned! : this.sequenced().whole;
    const performance = performanceFromSmf({ file, warnings: [] });
    const onsets = performance.tracks.flatMap(({ notes }) =>
      notes.map(({ start }) => writtenUnits(start, performance.ticksPerQuarter)),
    );
    return summariseTimeLine(this.studioLine(), onsets);
  }

  /** A map for the studio. */
  studio(map: StudioMapSettings, table: TableSettings): StudioExport {
    return exportStudio(this.studioLine(), map, table);
  }

  /** Another file's bars against the job's. @throws SmfError or MusicXmlError */
  numbering(other: Uint8Array): Numbering {
    return compareNumbering(this.studioLine(), timeLineOfFile(other));
  }

  private studioLine(): StudioTimeLine {
    if (!this.midi) {
      const { score, whole } = this.sequenced();
      return timeLineOfSequence(score, whole);
    }
    const performance = performanceFromSmf({ file: this.cleaned?.file ?? this.midi.file, warnings: [] });
    return timeLineOfScore(performance, barsOfPerformance(performance));
  }

  /** When the bars begin, as they are delivered. */
  barClock(): BarClock {
    const { bars, end } = this.deliveredMusic();
    return { bars, end };
  }

  private originalMusic(): HearingMusic {
    return (this.heardOriginal ??= this.midi ? fileMusic(this.midi.file) : writtenMusic(this.score!.score));
  }

  private deliveredMusic(): HearingMusic {
    const of = this.midi ? this.cleaned : this.whole;
    if (!of) throw new Error('Nothing has been made of the file yet.');
    if (this.heardOutgoing?.of !== of)
      this.heardOutgoing = {
        of,
        music: 'line' in of ? sequencedMusic(this.sequenced().score, of) : fileMusic(of.file),
      };
    return this.heardOutgoing.music;
  }

  /**
   * What goes out against what came in: a score as it is written, a MIDI file as it arrived.
   *
   * @param other a file to hold against it instead @throws SmfError or MusicXmlError when that cannot be read
   */
  agreement(other?: Uint8Array): Agreement {
    const original = this.original();
    if (other) return agreementOf(original, soundingFile(other));
    return agreementOf(original, this.outgoing(), { oneJob: true, decidedBy: () => 'as it was set' });
  }

  /** Plainly, as nobody has set anything. */
  private original(): SoundingMusic {
    if (this.midi) return musicOfPerformance(performanceFromSmf(this.midi));
    const { score } = this.score!;
    return musicOfSequence(score, toSequencer(score, USUAL_SEQUENCING)[0]!);
  }

  private outgoing(): SoundingMusic {
    if (this.midi) {
      if (!this.cleaned) throw new Error('The file has not been cleaned yet.');
      // Under the chunks they had: those that were left out are missing.
      const { file, kept } = this.cleaned;
      const { parts, bars } = musicOfPerformance(performanceFromSmf({ file, warnings: [] }));
      const chunkOf = (id: string) => id.replace(/^t(\d+)/, (_, chunk: string) => `t${kept[Number(chunk)] ?? chunk}`);
      return { bars, parts: parts.map((part) => ({ ...part, id: chunkOf(part.id) })) };
    }
    const { score, whole } = this.sequenced();
    return musicOfSequence(score, whole);
  }

  /** Controllers of one track chunk before and after cleaning, by bar position. */
  controllersOf(track: number): ControllerPair[] {
    if (!this.midi) return [];
    const before = controllersIn(this.midi.file, track);
    const place = this.cleaned?.kept.indexOf(track) ?? -1;
    const now = this.cleaned && place >= 0 ? controllersIn(this.cleaned.file, place) : new Map<number, []>();
    return [...new Set([...before.keys(), ...now.keys()])]
      .sort((a, b) => a - b)
      .map((controller) => ({ controller, before: before.get(controller) ?? [], after: now.get(controller) ?? [] }));
  }

  private sequenced() {
    if (!this.score || !this.whole) throw new Error('There is no score on the desk.');
    return { score: this.mending?.score ?? this.score.score, whole: this.whole };
  }

  /** The score as its time line was mended; the same object as long as nothing more is. */
  private mended({ timeLine }: DirectionB): Score {
    const by = JSON.stringify(timeLine);
    if (this.mending?.by !== by) this.mending = { by, score: mendedScore(this.score!.score, timeLine) };
    return this.mending.score;
  }

  private barCount(): number {
    return this.midi ? barsOfPerformance(performanceFromSmf({ file: this.midi.file, warnings: [] })).length : 0;
  }
}

function planOf(settings: DirectionB): CleaningPlan {
  return { ...PRESET_PLANS[settings.preset], ...settings.carry };
}

function clean(file: SmfFile, settings: DirectionB): Cleaned {
  return cleanSmf(file, {
    plan: planOf(settings),
    tracks: settings.carryTracks,
    leftOut: settings.leftOutTracks,
    neutralVolume: settings.neutralVolume,
  });
}
