import { serve } from './alive';
import type { NoteId, PartId, TrackId } from '@/core/base';
import {
  checkFile,
  openDesk,
  passedOver,
  renew,
  ScoreDesk,
  SequenceDesk,
  type ControllerPair,
  type DealPreview,
  type Desk,
  type FileKind,
  type HearingVersion,
  type Made,
  type Opened,
  type PlayedNotes,
  type Renewal,
  type ScoreExport,
  type ScoreFormat,
  type StudioExport,
  type TimeLineSummary,
  type Version,
  type Working,
} from '@/core/engine';
import type { TrackDetail } from '@/core/performance';
import type { Direction, Ledger } from '@/core/documents';
import {
  listedAgreement,
  type Changes,
  type ListedAgreement,
  type Overlay,
  type Passage,
  type Reason,
} from '@/core/proof';
import type { BarClock, Stretch, StretchRequest } from '@/core/hearing';
import type { Numbering, StudioMapSettings } from '@/core/studio';
import { NO_JOB_SETTINGS, type Deal, type JobSettings } from '@/core/settings';

/* The engine behind messages: one job at a time lies on the desk; opening another clears it. */

let laidOut: Desk | null = null;
/** Number of the latest run; an earlier one that finds it changed stops. */
let run = 0;
/** The same of what was tried out beside it. */
let attempt = 0;

/** So long the worker computes before it lets messages in: a cancel, a newer run. */
const BREATH_MS = 30;

type OnProgress = (progress: Working) => void;

/** Runs a generator to its end with breaths between its steps; `null` when something newer has taken over. */
async function drive<T>(
  steps: Generator<Working, T>,
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

const api = {
  /** @throws SmfError or MusicXmlError when the file can be used in neither direction */
  check: (bytes: Uint8Array, fileName = ''): FileKind => checkFile(bytes, fileName),

  /** What becomes of what was decided when originals come again. @throws SmfError or MusicXmlError */
  renew: (before: Uint8Array[], after: Uint8Array[], ledger: Ledger): Renewal => renew(before, after, ledger),

  /** What scores say beyond what can be changed here, in words. */
  passedOver: (files: Uint8Array[]): string[] => passedOver(files),

  /** What is in originals that are not laid out. @throws SmfError or MusicXmlError */
  survey: (files: Uint8Array[]): Opened => ScoreDesk.open(files, NO_JOB_SETTINGS).opened,

  /** Lays originals out. On the way to a score it says at once what is in them. @throws SmfError or MusicXmlError */
  open(direction: Direction, files: Uint8Array[], settings: JobSettings, fileName = ''): Opened | null {
    laidOut = null;
    laidOut = openDesk(direction, files, settings, fileName);
    return laidOut instanceof ScoreDesk ? laidOut.opened : null;
  },

  /** Converts, or sequences, what lies on the desk. A later call, or `cancel`, stops an earlier one, which then gives `null`. */
  make(settings: JobSettings, onProgress?: OnProgress): Promise<Made | null> {
    const mine = ++run;
    return drive(desk().steps(settings), () => mine === run, onProgress);
  },

  /** What a decision would change; it can be looked at with `passage`. A later call or a `make` stops it: `null`. */
  tryOut(settings: JobSettings): Promise<Changes | null> {
    const [mine, of] = [++attempt, run];
    return drive(desk().trying(settings), () => mine === attempt && of === run);
  },

  cancel(): void {
    run++;
  },

  passage: (parts: PartId[], from: number, to: number, which?: Version, suggestionColour?: string): Passage =>
    desk().passage(parts, from, to, which, suggestionColour),
  /** All parts laid over each other. */
  overlay: (): Overlay => desk().overlay(),
  /** Some bars to be heard. */
  hear: (version: HearingVersion, request: StretchRequest): Stretch => desk().hear(version, request),
  /** When each bar of the job begins, and the last one ends. */
  barClock: (): BarClock => desk().barClock(),
  /** Bars, tempo, meters, keys and markers of the job, with their times. */
  timeLine: (): TimeLineSummary => desk().timeLine(),
  studio: (settings: StudioMapSettings, everyBar: boolean): StudioExport => desk().studio(settings, everyBar),
  /** @throws SmfError or MusicXmlError when the other file cannot be read */
  numbering: (other: Uint8Array): Numbering => desk().numbering(other),
  /**
   * @param other a file to compare; none for what the job makes
   * @param base what it is compared with: the original, what is made now, or what was made by the settings of a delivery
   * @throws SmfError or MusicXmlError
   */
  agreement(other?: Uint8Array, base: 'original' | 'made' | JobSettings = 'original'): ListedAgreement {
    const current = desk();
    const sounding = (by: 'made' | JobSettings) => (by === 'made' ? current.sounding() : current.soundingBy(by));
    // Hundreds of thousands of differences would stop the page while they are handed over.
    return listedAgreement(current.agreement(other, base === 'original' ? undefined : sounding(base)));
  },

  // On the way to a score only.
  track: (id: TrackId): TrackDetail => scoreDesk().track(id),
  previewDeal: (track: TrackId, deal: Deal | null): DealPreview => scoreDesk().previewDeal(track, deal),
  reasons: (part: PartId, note: NoteId): Reason[] => scoreDesk().reasons(part, note),
  sheet: (part: PartId | null, concert: boolean): string => scoreDesk().sheet(part, concert),
  /** What is struck together. */
  onsets: () => scoreDesk().onsets(),
  export: (format: ScoreFormat, how: ScoreExport): Uint8Array => scoreDesk().export(format, how),

  // On the way to a sequencer only.
  playedNotes: (part: PartId, from: number, to: number, which?: Version): PlayedNotes =>
    sequenceDesk().playedNotes(part, from, to, which),
  controllersOf: (track: number): ControllerPair[] => sequenceDesk().controllersOf(track),
  sequenceFiles: (settings: JobSettings): { label: string; bytes: Uint8Array }[] =>
    sequenceDesk().files(settings).files,
};

export type EngineApi = typeof api;

function desk(): Desk {
  if (!laidOut) throw new Error('No job is open.');
  return laidOut;
}

function scoreDesk(): ScoreDesk {
  if (laidOut instanceof ScoreDesk) return laidOut;
  throw new Error('No job is open on its way to a score.');
}

function sequenceDesk(): SequenceDesk {
  if (laidOut instanceof SequenceDesk) return laidOut;
  throw new Error('No job is open on its way to a sequencer.');
}

serve(api);
