/*
 * A job as it is handed over: its originals and its ledger, converted and sequenced when a recipe asks for it. Both ways are
 * open whichever way the job goes: a score leaves a sequencer's file, and MIDI a score.
 */
import type { TrackId } from '../base';
import { openQueriesIn, settingsOf, type Direction, type Ledger } from '../documents';
import {
  openSequence,
  ScoreDesk,
  type OpenQuery,
  type SequenceDesk,
  type SequenceSummary,
  type Summary,
  type Working,
} from '../engine';
import { withSequencing, type JobSettings } from '../settings';
import type { MidiWish } from '../documents';

export interface JobToSend {
  name: string;
  direction: Direction;
  originals: readonly { fileName: string; bytes: Uint8Array }[];
  ledger: Ledger;
}

export type { Working };

interface ScoreMade {
  desk: ScoreDesk;
  summary: Summary;
}

interface SequenceMade {
  desk: SequenceDesk;
  summary: SequenceSummary;
}

export class DispatchDesk {
  private score: ScoreMade | null = null;
  private sequence: SequenceMade | null = null;
  readonly settings: JobSettings;

  constructor(readonly job: JobToSend) {
    this.settings = settingsOf(job.ledger);
  }

  /** The job as a score. @throws SmfError or MusicXmlError */
  *converted(): Generator<Working, ScoreMade> {
    if (!this.score) {
      const desk = ScoreDesk.open(this.bytes(), this.settings, this.job.originals[0]?.fileName);
      this.score = { desk, summary: yield* desk.steps(this.settings) };
    }
    return this.score;
  }

  /** The job as a sequencer gets it. @throws SmfError or MusicXmlError */
  *sequenced(): Generator<Working, SequenceMade> {
    if (!this.sequence) {
      const desk = openSequence(this.bytes());
      const summary = yield* desk.steps(this.wholeSettings());
      this.sequence = { desk, summary };
    }
    return this.sequence;
  }

  /** What the job's own way has made. */
  *made(): Generator<Working, ScoreMade | SequenceMade> {
    return this.job.direction === 'to-score' ? yield* this.converted() : yield* this.sequenced();
  }

  /** MIDI as a recipe wants it: one file, one for each part, or one for each section. */
  *midiFiles(
    wish: MidiWish,
    files: 'one' | 'parts' | 'sections',
  ): Generator<Working, { label: string; bytes: Uint8Array }[]> {
    const { desk } = yield* this.sequenced();
    return desk.files(this.settingsFor(wish, files)).files;
  }

  /** Tracks with notes of a job that was played in. @throws SmfError or MusicXmlError */
  tracks(): { id: TrackId; name: string }[] {
    const { opened } = this.score?.desk ?? ScoreDesk.open(this.bytes(), this.settings);
    return opened.survey.tracks.filter(({ notes }) => notes > 0).map(({ id, name }) => ({ id, name }));
  }

  /** Queries nobody has answered or set aside. */
  open(queries: readonly OpenQuery[]): OpenQuery[] {
    return openQueriesIn(queries, this.job.ledger);
  }

  private settingsFor(
    { carry, ticksPerQuarter, type, byInstrument }: MidiWish,
    files: 'one' | 'parts' | 'sections',
  ): JobSettings {
    const { arranging } = this.settings.sequencing;
    return withSequencing(
      {
        files,
        ...(carry !== null && { preset: carry }),
        ...(ticksPerQuarter !== null && { ticksPerQuarter }),
        ...(type !== null && { format: type }),
        arranging: {
          ...arranging,
          ...(ticksPerQuarter !== null && { ticksPerQuarter }),
          ...(type !== null && { type }),
          ...(byInstrument && { names: 'instrument', sounds: 'instrument', channels: 'by-part' }),
        },
      },
      this.settings,
    );
  }

  private wholeSettings(): JobSettings {
    return withSequencing({ files: 'one' }, this.settings);
  }

  private bytes(): Uint8Array[] {
    return this.job.originals.map(({ bytes }) => bytes);
  }
}
