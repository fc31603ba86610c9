import * as Comlink from 'comlink';
import type { NoteId, PartId, TrackId } from '@/core/base';
import {
  checkFile,
  openSequence,
  renew,
  ScoreDesk,
  type SequenceDesk,
  type ControllerPair,
  type DealPreview,
  type FileKind,
  type HearingVersion,
  type Opened,
  type PlayedNotes,
  type Renewal,
  type ScoreExport,
  type ScoreFormat,
  type SequenceSummary,
  type StudioExport,
  type Summary,
  type TimeLineSummary,
  type Version,
} from '@/core/engine';
import type { TrackDetail } from '@/core/performance';
import type { Direction, Ledger } from '@/core/documents';
import type { Agreement, Changes, Overlay, Passage, Reason } from '@/core/proof';
import type { BarClock, Stretch, StretchRequest } from '@/core/hearing';
import type { Numbering, StudioMapSettings } from '@/core/studio';
import type { ConversionSettings, Deal, JobSettings } from '@/core/settings';
import type { Progress } from '@/core/to-score';
import type { SequenceProgress } from '@/core/to-sequencer';

/* The engine behind messages: one job at a time lies on the desk; opening another clears it. */

let desk: ScoreDesk | null = null;
let sequenceDesk: SequenceDesk | null = null;
/** Number of the latest conversion; an earlier one that finds it changed stops. */
let run = 0;
/** The same of what was tried out beside it. */
let attempt = 0;

export type AnyProgress = Progress | SequenceProgress;

/** So long the worker computes before it lets messages in: a cancel, a newer run. */
const BREATH_MS = 30;

type OnProgress = (progress: AnyProgress) => void;

/** Runs a generator to its end with breaths between its steps; `null` when something newer has taken over. */
async function drive<T>(
  steps: Generator<AnyProgress, T>,
  isLatest: () => boolean,
  onProgress?: OnProgress,
): Promise<T | null> {
  let rested = performance.now();
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (performance.now() - rested > BREATH_MS) {
      onProgress?.(step.value);
      await new Promise((resolve) => setTimeout(resolve, 0));
      rested = performance.now();
    }
    if (!isLatest()) return null;
  }
}

/** A conversion: it stops an earlier one. */
function converting<T>(steps: Generator<AnyProgress, T>, onProgress?: OnProgress): Promise<T | null> {
  const mine = ++run;
  return drive(steps, () => mine === run, onProgress);
}

/** Beside the conversion: stopped by a later attempt and by any conversion. */
function tryingOut<T>(steps: Generator<AnyProgress, T>): Promise<T | null> {
  const [mine, of] = [++attempt, run];
  return drive(steps, () => mine === attempt && of === run);
}

const api = {
  /** @throws SmfError or MusicXmlError when the file can be used in neither direction */
  check: (bytes: Uint8Array, fileName = ''): FileKind => checkFile(bytes, fileName),

  /** What becomes of what was decided when originals come again. @throws SmfError or MusicXmlError */
  renew: (before: Uint8Array[], after: Uint8Array[], ledger: Ledger): Renewal => renew(before, after, ledger),

  /** Lays originals out for a score. @throws SmfError */
  open(files: Uint8Array[], settings: ConversionSettings, fileName = ''): Opened {
    desk = null;
    desk = ScoreDesk.open(files, settings, fileName);
    return desk.opened;
  },

  /** Converts what lies on the desk. A later call, or `cancel`, stops an earlier one, which then gives `null`. */
  async convert(settings: ConversionSettings, onProgress?: OnProgress): Promise<Summary | null> {
    const current = onDesk();
    return (await converting(current.steps(settings), onProgress)) && current.summary();
  },

  /** What a decision would change; it can be looked at with `passage`. A later call or a conversion stops it: `null`. */
  tryOut: (settings: ConversionSettings): Promise<Changes | null> => tryingOut(onDesk().trying(settings)),

  cancel(): void {
    run++;
  },

  track: (id: TrackId): TrackDetail => onDesk().track(id),
  previewDeal: (track: TrackId, deal: Deal | null): DealPreview => onDesk().previewDeal(track, deal),
  passage: (parts: PartId[], from: number, to: number, which?: Version, suggestionColour?: string): Passage =>
    onDesk().passage(parts, from, to, which, suggestionColour),
  reasons: (part: PartId, note: NoteId): Reason[] => onDesk().reasons(part, note),
  sheet: (part: PartId | null, concert: boolean): string => onDesk().sheet(part, concert),
  export: (format: ScoreFormat, how: ScoreExport): Uint8Array => onDesk().export(format, how),

  /** Lays originals out for a sequencer. @throws SmfError or MusicXmlError */
  openSequence(files: Uint8Array[]): void {
    sequenceDesk = null;
    sequenceDesk = openSequence(files);
  },

  /** As `convert`, on the way to a sequencer. */
  sequence: (settings: JobSettings, onProgress?: OnProgress): Promise<SequenceSummary | null> =>
    converting(onSequenceDesk().steps(settings), onProgress),
  /** As `tryOut`, on the way to a sequencer. */
  tryOutSequence: (settings: JobSettings): Promise<Changes | null> => tryingOut(onSequenceDesk().trying(settings)),
  /** @param which as it is, or as what was tried out would have it */
  sequencePassage: (parts: PartId[], from: number, to: number, which?: Version): Passage =>
    versionOf(which).passage(parts, from, to),
  /** Some bars to be heard. */
  hear: (direction: Direction, version: HearingVersion, request: StretchRequest): Stretch =>
    deskOf(direction).hear(version, request),
  /** Bars, tempo, meters, keys and markers of the job, with their times. */
  timeLine: (direction: Direction): TimeLineSummary => deskOf(direction).timeLine(),
  /** What is struck together in a job on its way to a score. */
  onsets: () => onDesk().onsets(),
  studio: (direction: Direction, settings: StudioMapSettings, everyBar: boolean): StudioExport =>
    deskOf(direction).studio(settings, everyBar),
  /** @throws SmfError or MusicXmlError when the other file cannot be read */
  numbering: (direction: Direction, other: Uint8Array): Numbering => deskOf(direction).numbering(other),
  /** All parts laid over each other. */
  overlay: (direction: Direction): Overlay => deskOf(direction).overlay(),
  /** When each bar of the job begins, and the last one ends. */
  barClock: (direction: Direction): BarClock => deskOf(direction).barClock(),
  playedNotes: (part: PartId, from: number, to: number, which?: Version): PlayedNotes =>
    versionOf(which).playedNotes(part, from, to),
  controllersOf: (track: number): ControllerPair[] => onSequenceDesk().controllersOf(track),
  /**
   * @param other a file to compare; none for what the job makes
   * @param base what it is compared with: the original, what is made now, or what was made by the settings of a delivery
   * @throws SmfError or MusicXmlError
   */
  agreement(direction: Direction, other?: Uint8Array, base: 'original' | 'made' | JobSettings = 'original'): Agreement {
    const current = deskOf(direction);
    if (base === 'original') return current.agreement(other);
    return current.agreement(other, base === 'made' ? current.sounding() : current.soundingBy(base));
  },
  sequenceFiles: (settings: JobSettings): { label: string; bytes: Uint8Array }[] =>
    onSequenceDesk().files(settings).files,
};

export type EngineApi = typeof api;

const deskOf = (direction: Direction) => (direction === 'to-score' ? onDesk() : onSequenceDesk());

const versionOf = (which: Version | undefined) => (which === 'tried' ? onSequenceDesk().tried() : onSequenceDesk());

function onSequenceDesk(): SequenceDesk {
  if (!sequenceDesk) throw new Error('No job is open.');
  return sequenceDesk;
}

function onDesk(): ScoreDesk {
  if (!desk) throw new Error('No job is open.');
  return desk;
}

Comlink.expose(api);
