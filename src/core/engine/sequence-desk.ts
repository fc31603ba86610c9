/*
 * A job on the way to a sequencer, from its originals to what leaves the house: open → sequence → passage, heard → files.
 * Worker, command line, route and tests all go through here. What is special to scores and to MIDI files stands in
 * score-sequencing.ts and midi-sequencing.ts.
 */
import { toEnd, type PartId } from '../base';
import { barsOfPerformance, performanceFromSmf, type Performance } from '../performance';
import {
  agreementOf,
  asDecided,
  playingDecisions,
  type PlayingContext,
  changesBetweenFiles,
  type Agreement,
  type Changes,
  type Overlay,
  type Passage,
  type SoundingMusic,
} from '../proof';
import { hear, type BarClock, type HearingMusic, type Stretch, type StretchRequest } from '../hearing';
import type { JobSettings } from '../settings';
import type { SmfFile } from '../smf';
import type { ArrangingReport, CleaningReport, SequenceProgress, SequenceReport } from '../to-sequencer';
import type { Numbering, StudioMapSettings, StudioTimeLine } from '../studio';
import { writtenUnits, type WrittenUnits } from '../time';
import type { ControllerPair } from './controllers';
import type { SequenceSummary } from './sequence-summary';
import { soundingFile } from './sounding-file';
import {
  exportStudio,
  soundLayout,
  summariseTimeLine,
  timeLineOfScore,
  type SoundLayout,
  type StudioExport,
  type TimeLineSummary,
} from './studio';
import { notesOf, numberingAgainst } from './numbering';
import type { HearingVersion } from './versions';

/** What leaves the house, and what became of it. */
export interface SequenceFiles {
  files: { label: string; bytes: Uint8Array }[];
  report:
    | { kind: 'score'; warnings: string[]; files: SequenceReport[] }
    | { kind: 'midi'; warnings: string[]; cleaning: CleaningReport; files: ArrangingReport[] };
}

/** A note of a MIDI file, in written units. */
export interface NoteInView {
  start: number;
  end: number;
  key: number;
  velocity: number;
}

/** Some notes of a part as they were received and as they go out. */
export interface PlayedNotes {
  received: NoteInView[];
  outgoing: NoteInView[];
}

export abstract class SequenceDesk {
  /** What is asked about what goes out. */
  private asked: SequenceSummary['queries'] = [];
  /** A second desk with the same originals, on which decisions are tried out. */
  private trial: SequenceDesk | null = null;

  /**
   * Sequences step by step: it yields before each part, so that a caller can show progress, let other work in, or stop.
   */
  *steps(settings: JobSettings): Generator<SequenceProgress, SequenceSummary> {
    const summary = yield* this.making(settings);
    this.asked = summary.queries;
    return summary;
  }

  /** Sequences beside what is there, to see what a decision would do. @throws Error when nothing was sequenced */
  *trying(settings: JobSettings): Generator<SequenceProgress, Changes> {
    const before = { file: this.outgoingFile(), queries: this.asked };
    this.trial ??= this.another();
    const { queries } = yield* this.trial.steps(settings);
    return changesBetweenFiles(before, { file: this.trial.outgoingFile(), queries });
  }

  /** The desk on which the last decision was tried out; this one where none was. */
  tried(): SequenceDesk {
    return this.trial ?? this;
  }

  protected abstract making(settings: JobSettings): Generator<SequenceProgress, SequenceSummary>;

  /** A desk with the same originals. */
  protected abstract another(): SequenceDesk;

  /** Every file as the settings want them. */
  abstract files(settings: JobSettings): SequenceFiles;

  /** Some written bars of some parts, and what is played of them. @throws Error when no score was sequenced */
  abstract passage(parts: PartId[], from: number, to: number): Passage;

  /** All parts laid over each other, as they go out against what is written. @throws Error when no score was sequenced */
  abstract overlay(): Overlay;

  /** Controllers of one track chunk as received and as they go out, by bar position. */
  abstract controllersOf(track: number): ControllerPair[];

  /** Notes of a part of a MIDI file between two places. */
  playedNotes(_part: PartId, _from: WrittenUnits, _to: WrittenUnits): PlayedNotes {
    return { received: [], outgoing: [] };
  }

  /** The whole as it goes out. @throws Error when nothing was sequenced */
  protected abstract outgoingFile(): SmfFile;
  protected abstract studioLine(): StudioTimeLine;
  protected abstract originalMusic(): HearingMusic;
  protected abstract deliveredMusic(): HearingMusic;
  /** Plainly, as nobody has set anything; at the tempo that was decided. */
  protected abstract original(): SoundingMusic;
  /** What was decided about how it is played, with the original's bars. */
  protected abstract decidedPlaying(): PlayingContext;
  protected abstract outgoing(): SoundingMusic;

  /** Sequences to the end. */
  sequence(settings: JobSettings): SequenceSummary {
    return toEnd(this.steps(settings));
  }

  /** What goes out as it stands. */
  sounding(): SoundingMusic {
    return this.outgoing();
  }

  /** What goes out as other settings make it: what was delivered. */
  soundingBy(settings: JobSettings): SoundingMusic {
    const desk = this.another();
    desk.sequence(settings);
    return desk.outgoing();
  }

  /** Some bars to be heard: as the score is written or the file arrived, or as delivered. */
  hear(version: HearingVersion, request: StretchRequest): Stretch {
    return hear(version === 'delivered' ? this.deliveredMusic() : this.originalMusic(), request);
  }

  /** When the bars begin, as they are delivered. */
  barClock(): BarClock {
    const { bars, end } = this.deliveredMusic();
    return { bars, end };
  }

  /** Bars as they are played, tempo, meters, keys and markers, with their times. */
  timeLine(): TimeLineSummary {
    const performance = performanceFromSmf({ file: this.outgoingFile(), warnings: [] });
    const onsets = performance.tracks.flatMap(({ notes }) =>
      notes.map(({ start }) => writtenUnits(start, performance.ticksPerQuarter)),
    );
    return summariseTimeLine(this.studioLine(), onsets);
  }

  /** A map for the studio. */
  studio(settings: StudioMapSettings, everyBar = true): StudioExport {
    return exportStudio(this.studioLine(), settings, everyBar);
  }

  /** How sound files are laid beside the map. @param countIn bars */
  soundLayout(countIn: number): SoundLayout {
    return soundLayout(this.studioLine(), countIn);
  }

  /** Another file's bars against the job's. @throws SmfError or MusicXmlError */
  numbering(other: Uint8Array): Numbering {
    const performance = performanceFromSmf({ file: this.outgoingFile(), warnings: [] });
    return numberingAgainst({ line: this.studioLine(), notes: notesOf(performance) }, other);
  }

  /**
   * What goes out against what came in: a score as it is written, a MIDI file as it arrived.
   *
   * @param other a file to compare instead @param base what is compared with, where that is not the original
   * @throws SmfError or MusicXmlError when that cannot be read
   */
  agreement(other?: Uint8Array, base?: SoundingMusic): Agreement {
    const original = this.original();
    if (other) return agreementOf(base ?? original, soundingFile(other));
    if (base) return agreementOf(base, this.outgoing(), { oneJob: true });
    const context = this.decidedPlaying();
    return agreementOf(asDecided(original, context), this.outgoing(), {
      oneJob: true,
      explain: playingDecisions(context),
    });
  }
}

/** The time line of a MIDI file as it stands, with the bar numbers that were decided. */
export function timeLineOfMidi(file: SmfFile, numbering: Performance['numbering'] = []): StudioTimeLine {
  const performance = { ...performanceFromSmf({ file, warnings: [] }), numbering };
  return timeLineOfScore(performance, barsOfPerformance(performance));
}
