import { say, spokenLanguage } from '@/core/words';
import { asOne, type Decision } from '@/core/decisions';
import { EMPTY_LEDGER, enter, lessonsOf, moveTo, redo, settingsOf, undo, type Ledger } from '@/core/documents';
import { isScoreFile, type FileKind } from '@/core/engine';
import { learn } from '@/storage/house-list';
import { originalBytes, saveDirection } from '@/storage/jobs';
import { database, type Direction, type JobRecord } from '@/storage/schema';
import { engineGeneration, engineWorker } from '@/workers/engine-client';
import { sentence } from '../../shared/receive';
import { withHouseList } from '../withHouseList';
import { NOTHING_MADE } from './conversion-slice';
import { NO_QUERY } from './query-slice';
import { NOTHING_IN_VIEW } from './view-slice';
import type { Slice } from './workspace';

/** The job and what was decided about it. */
export interface JobSlice {
  job: JobRecord | null;
  ledger: Ledger | null;
  direction: Direction;
  /** A score where any of the originals is one: MIDI beside it says how it was played. */
  original: FileKind;
  /** @param again even when it is open: its originals have changed */
  open: (id: string, again?: boolean) => Promise<void>;
  /** Has the job's originals on the engine's desk; they are laid out again after it was started again. */
  layOut: () => Promise<void>;
  /** Whether the engine that runs now has this job on its desk. */
  isLaidOut: () => boolean;
  /** Works on the same original in the other direction. */
  turn: (direction: Direction) => Promise<void>;
  /** Several decisions are one step: one line of the ledger. */
  decide: (...decisions: Decision[]) => void;
  undo: () => void;
  redo: () => void;
  moveTo: (position: number) => void;
}

const filesOf = (job: JobRecord) => Promise.all(job.originals.map((original) => originalBytes(original.sha256)));

export const jobSlice: Slice<JobSlice> = (set, get) => {
  /** What lies on the engine's desk; the engine may have been started again since. */
  let laidOut: { job: string; direction: Direction; generation: number; language: string } | null = null;

  async function layOutFiles(job: JobRecord, ledger: Ledger, direction: Direction, files: Uint8Array[]): Promise<void> {
    const began = performance.now();
    const generation = engineGeneration();
    const language = spokenLanguage();
    const opened = await engineWorker().open(direction, files, settingsOf(ledger), job.originals[0]?.fileName);
    if (opened) set({ opened });
    // Shown in the browser's own performance tools; the benchmark reads it.
    performance.measure('dragoman: read and survey', { start: began });
    laidOut = { job: job.id, direction, generation, language };
  }

  async function layOut(): Promise<void> {
    const { job, ledger, direction } = get();
    if (!job || !ledger) return;
    const there = laidOut?.job === job.id && laidOut.direction === direction;
    // What the engine says of the files it said in the language of that time.
    if (there && laidOut!.language === spokenLanguage() && laidOut!.generation === engineGeneration()) return;
    await layOutFiles(job, ledger, direction, await filesOf(job));
  }

  /** What the house list knows of a new job's tracks becomes the ledger's first line. */
  async function askHouseList(): Promise<void> {
    const { job, ledger, opened } = get();
    if (!job || !ledger || !opened || job.housed) return;
    const asked = await withHouseList(
      { id: job.id, ledger },
      opened.survey.tracks.filter((track) => track.notes > 0),
    );
    if (asked) set({ ledger: asked });
  }

  return {
    job: null,
    ledger: null,
    direction: 'to-score',
    original: 'midi',
    layOut,
    isLaidOut: () => laidOut?.job === get().job?.id && laidOut?.generation === engineGeneration(),

    open: async (id, again = false) => {
      if (!again && get().job?.id === id && (get().summary || get().sequence)) {
        if (laidOut?.language !== spokenLanguage()) await get().compute();
        return;
      }
      set({
        job: null,
        ledger: null,
        unsaved: null,
        changedElsewhere: false,
        ...NOTHING_MADE,
        ...NOTHING_IN_VIEW,
        ...NO_QUERY,
      });
      // What is known of the job when something fails: it can be turned, undone and saved all the same.
      let known: Partial<JobSlice> = {};
      try {
        const job = await database.jobs.get(id);
        if (!job) {
          set({ failure: say('workspace.thisJobIsNotInThisBrowserItMayHave') });
          return;
        }
        const files = await filesOf(job);
        set({ reading: files.reduce((sum, bytes) => sum + bytes.length, 0) });
        const original = files.some(isScoreFile) ? 'score' : 'midi';
        const direction = job.direction ?? (isScoreFile(files[0]!) ? 'to-sequencer' : 'to-score');
        await get().recover(job);
        const ledger = get().withUnsaved(job);
        known = { job, ledger, original, direction };
        await layOutFiles(job, ledger, direction, files);
        set({ ...known, reading: null });
        get().watch();
        void get().readHabits();
        if (direction === 'to-score') await askHouseList();
        await get().compute();
      } catch (error) {
        set({ ...known, failure: sentence(error), reading: null });
      }
    },

    turn: async (direction) => {
      const { job } = get();
      if (!job) return;
      await saveDirection(job.id, direction);
      await get().open(job.id, true);
    },

    decide: (...decisions) => {
      const names = new Map(get().opened?.survey.tracks.map((track) => [track.id, track.name]));
      const lessons = decisions.flatMap((decision) => lessonsOf(decision, (track) => names.get(track) ?? ''));
      if (lessons.length > 0) learn(lessons).catch((error) => set({ failure: sentence(error) }));
      if (decisions.length > 0) get().keep((ledger) => enter(ledger, asOne(decisions)));
    },
    undo: () => {
      const { position } = get().ledger ?? EMPTY_LEDGER;
      get().unlearn(position - 1);
      return get().keep(undo);
    },
    redo: () => get().keep(redo),
    moveTo: (position) => {
      get().unlearn(position);
      return get().keep((ledger) => moveTo(ledger, position));
    },
  };
};
