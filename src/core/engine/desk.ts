/*
 * A job laid out in one direction, from its originals to what leaves the house: open → make → passage, heard, agreement.
 * Worker, recipes, command line, route and tests all go through here. What only one direction has stands on its own desk:
 * score-desk.ts, sequence-desk.ts.
 */
import { toEnd, type PartId } from '../base';
import { hear, type BarClock, type HearingMusic, type Stretch, type StretchRequest } from '../hearing';
import type { Performance } from '../performance';
import { agreementOf, type Agreement, type Changes, type Overlay, type Passage, type SoundingMusic } from '../proof';
import type { JobSettings } from '../settings';
import type { Numbering, StudioMapSettings, StudioTimeLine } from '../studio';
import type { Progress } from '../to-score';
import type { SequenceProgress } from '../to-sequencer';
import { notesOf, numberingAgainst } from './numbering';
import type { Summary } from './score-summary';
import type { SequenceSummary } from './sequence-summary';
import { soundingFile } from './sounding-file';
import { exportStudio, soundLayout, type SoundLayout, type StudioExport, type TimeLineSummary } from './studio';
import type { HearingVersion } from './versions';

/** How far a run is, in either direction. */
export type Working = Progress | SequenceProgress;

/** What a desk has made, without its notes. Its `kind` says which way: to a score, or a score or MIDI to a sequencer. */
export type Made = Summary | SequenceSummary;

/** Which run is looked at: the last, the one before it, or what was tried out beside it. */
export type Version = 'now' | 'before' | 'tried';

export abstract class Desk<M extends Made = Made> {
  /**
   * Makes it step by step: it yields before each one, so that a caller can show progress, let other work in, or stop.
   * What was made before stays until the last step is done.
   */
  abstract steps(settings: JobSettings): Generator<Working, M>;

  /** Makes it beside what is there, to see what a decision would do. @throws Error when nothing was made yet */
  abstract trying(settings: JobSettings): Generator<Working, Changes>;

  /**
   * Some written bars of some parts, and what is played of them.
   *
   * @param suggestionColour of marks only suggested
   * @throws Error where there is nothing written: of a MIDI file on its way to a sequencer
   */
  abstract passage(parts: PartId[], from: number, to: number, which?: Version, suggestionColour?: string): Passage;

  /** All parts laid over each other: what is played against what is written. @throws Error where there is nothing written */
  abstract overlay(): Overlay;

  /** Bars as they are played, tempo, meters, keys and markers, with their times. */
  abstract timeLine(): TimeLineSummary;

  /** What was made, played by ourselves. */
  abstract sounding(): SoundingMusic;

  /** The same, as other settings make it: what was delivered. */
  abstract soundingBy(settings: JobSettings): SoundingMusic;

  protected abstract studioLine(): StudioTimeLine;
  /** The notes that another file's bars are found by. */
  protected abstract comparedPerformance(): Performance;
  protected abstract heardMusic(version: HearingVersion): HearingMusic;
  /** The version whose bars a recording is laid beside. */
  protected abstract readonly clockVersion: HearingVersion;
  /** What a returned file is compared with. */
  protected abstract original(): SoundingMusic;
  /** What was made against what came in, with who decided what differs. */
  protected abstract ownAgreement(): Agreement;

  /** Makes it to the end. */
  make(settings: JobSettings): M {
    return toEnd(this.steps(settings));
  }

  /** Some bars to be heard in one of the versions. */
  hear(version: HearingVersion, request: StretchRequest): Stretch {
    return hear(this.heardMusic(version), request);
  }

  /** When the bars begin. */
  barClock(): BarClock {
    const { bars, end } = this.heardMusic(this.clockVersion);
    return { bars, end };
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
    return numberingAgainst({ line: this.studioLine(), notes: notesOf(this.comparedPerformance()) }, other);
  }

  /**
   * What was made against what came in, note by note.
   *
   * @param other a file to compare instead: one that came back from elsewhere
   * @param base what is compared with, where that is not the original
   * @throws SmfError or MusicXmlError when that cannot be read
   */
  agreement(other?: Uint8Array, base?: SoundingMusic): Agreement {
    if (other) return agreementOf(base ?? this.original(), soundingFile(other));
    if (base) return agreementOf(base, this.sounding(), { oneJob: true });
    return this.ownAgreement();
  }
}
