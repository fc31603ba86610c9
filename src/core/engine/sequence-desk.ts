/* A job on the way to a sequencer. What is special to scores and to MIDI files stands in score-sequencing.ts and midi-sequencing.ts. */
import type { PartId } from '../base';
import { barsOfPerformance, performanceFromSmf, type Performance } from '../performance';
import {
  agreementOf,
  asDecided,
  playingDecisions,
  type PlayingContext,
  changesBetweenFiles,
  type Agreement,
  type Passage,
  type Changes,
  type SoundingMusic,
} from '../proof';
import type { HearingMusic } from '../hearing';
import type { JobSettings } from '../settings';
import type { SmfFile } from '../smf';
import type { ArrangingReport, CleaningReport, SequenceProgress, SequenceReport } from '../to-sequencer';
import type { StudioTimeLine } from '../studio';
import { writtenUnits, type WrittenUnits } from '../time';
import type { ControllerPair } from './controllers';
import type { SequenceSummary } from './sequence-summary';
import { Desk, type Version } from './desk';
import { summariseTimeLine, timeLineOfScore, type TimeLineSummary } from './studio';
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

export abstract class SequenceDesk extends Desk<SequenceSummary> {
  protected readonly clockVersion = 'delivered';
  /** What is asked about what goes out. */
  private asked: SequenceSummary['queries'] = [];
  /** A second desk with the same originals, on which decisions are tried out. */
  private trial: SequenceDesk | null = null;

  *steps(settings: JobSettings): Generator<SequenceProgress, SequenceSummary> {
    const summary = yield* this.making(settings);
    this.asked = summary.queries;
    return summary;
  }

  *trying(settings: JobSettings): Generator<SequenceProgress, Changes> {
    const before = { file: this.outgoingFile(), queries: this.asked };
    this.trial ??= this.another();
    const { queries } = yield* this.trial.steps(settings);
    return changesBetweenFiles(before, { file: this.trial.outgoingFile(), queries });
  }

  /** The desk that shows a version: what was tried out last has one of its own. */
  private deskOf(version: Version | undefined): SequenceDesk {
    return (version === 'tried' && this.trial) || this;
  }

  protected abstract making(settings: JobSettings): Generator<SequenceProgress, SequenceSummary>;

  /** A desk with the same originals. */
  protected abstract another(): SequenceDesk;

  /** Every file as the settings want them. */
  abstract files(settings: JobSettings): SequenceFiles;

  passage(parts: PartId[], from: number, to: number, which?: Version): Passage {
    return this.deskOf(which).writtenPassage(parts, from, to);
  }

  protected abstract writtenPassage(parts: PartId[], from: number, to: number): Passage;

  /** Controllers of one track chunk as received and as they go out, by bar position. */
  abstract controllersOf(track: number): ControllerPair[];

  /** Notes of a part of a MIDI file between two places. */
  playedNotes(part: PartId, from: WrittenUnits, to: WrittenUnits, which?: Version): PlayedNotes {
    return this.deskOf(which).notesBetween(part, from, to);
  }

  protected notesBetween(_part: PartId, _from: WrittenUnits, _to: WrittenUnits): PlayedNotes {
    return { received: [], outgoing: [] };
  }

  /** The whole as it goes out. @throws Error when nothing was sequenced */
  protected abstract outgoingFile(): SmfFile;
  protected abstract originalMusic(): HearingMusic;
  protected abstract deliveredMusic(): HearingMusic;
  /** Plainly, as nobody has set anything; at the tempo that was decided. */
  protected abstract override original(): SoundingMusic;
  /** What was decided about how it is played, with the original's bars. */
  protected abstract decidedPlaying(): PlayingContext;

  soundingBy(settings: JobSettings): SoundingMusic {
    const desk = this.another();
    desk.make(settings);
    return desk.sounding();
  }

  /** As the score is written or the file arrived, or as delivered. */
  protected heardMusic(version: HearingVersion): HearingMusic {
    return version === 'delivered' ? this.deliveredMusic() : this.originalMusic();
  }

  timeLine(): TimeLineSummary {
    const performance = this.comparedPerformance();
    const onsets = performance.tracks.flatMap(({ notes }) =>
      notes.map(({ start }) => writtenUnits(start, performance.ticksPerQuarter)),
    );
    return summariseTimeLine(this.studioLine(), onsets);
  }

  protected ownAgreement(): Agreement {
    const context = this.decidedPlaying();
    return agreementOf(asDecided(this.original(), context), this.sounding(), {
      oneJob: true,
      explain: playingDecisions(context),
    });
  }

  protected comparedPerformance(): Performance {
    return performanceFromSmf({ file: this.outgoingFile(), warnings: [] });
  }
}

/** The time line of a MIDI file as it stands, with the bar numbers that were decided. */
export function timeLineOfMidi(file: SmfFile, numbering: Performance['numbering'] = []): StudioTimeLine {
  const performance = { ...performanceFromSmf({ file, warnings: [] }), numbering };
  return timeLineOfScore(performance, barsOfPerformance(performance));
}
