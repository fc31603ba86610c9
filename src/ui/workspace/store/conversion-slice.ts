import { settingsOf } from '@/core/documents';
import type { Opened, SequenceSummary, Summary } from '@/core/engine';
import { saveOpenQueries } from '@/storage/jobs';
import { asCallback, engineWorker, stopEngine, type AnyProgress } from '@/workers/engine-client';
import { sentence } from '../../shared/receive';
import { openQueries } from './open-queries';
import { firstPassage, passageWithin } from './view-slice';
import type { Slice } from './workspace';

/** What the engine makes of the job. */
export interface ConversionSlice {
  opened: Opened | null;
  summary: Summary | null;
  /** What would go to a sequencer; only in that direction. */
  sequence: SequenceSummary | null;
  /** Grows with each finished conversion, so that views know when to draw again. */
  edition: number;
  progress: AnyProgress | null;
  /** Bytes of the originals that are being read; null before and after. */
  reading: number | null;
  failure: string | null;
  /** The work was stopped: what is shown is older than the ledger. */
  stale: boolean;
  /** Converts, or sequences, with the ledger as it stands. */
  compute: () => Promise<void>;
  cancel: () => void;
}

/** Nothing converted yet. */
export const NOTHING_MADE = {
  opened: null,
  summary: null,
  sequence: null,
  progress: null,
  reading: null,
  stale: false,
  failure: null,
} satisfies Partial<ConversionSlice>;

export const conversionSlice: Slice<ConversionSlice> = (set, get) => {
  /** Runs the engine and shows its progress; `null` when the job was closed or a newer run has taken over. */
  async function run<T>(work: (onProgress: (progress: AnyProgress) => void) => Promise<T | null>): Promise<T | null> {
    const { job } = get();
    set({ progress: { stage: 'casting', done: 0 }, stale: false });
    const began = performance.now();
    let running = true;
    try {
      await get().layOut();
      const made = await work(
        asCallback((progress: AnyProgress) => {
          // Progress travels on a channel of its own and may arrive after the result.
          if (running && get().job?.id === job?.id) set({ progress });
        }),
      );
      performance.measure('dragoman: convert', { start: began });
      return get().job?.id === job?.id ? made : null;
    } catch (error) {
      // Stopped by somebody: that is said already.
      if (get().job?.id === job?.id && !get().stale) set({ progress: null, failure: sentence(error) });
      return null;
    } finally {
      running = false;
    }
  }

  async function sequence(): Promise<void> {
    const { job, ledger } = get();
    const made = await run<SequenceSummary>(async (onProgress) =>
      engineWorker().sequence(settingsOf(ledger!), onProgress),
    );
    if (!made) return;
    set((state) => ({
      ...finished(state),
      sequence: made,
      passage: passageWithin(
        state.passage,
        made.bars.length,
        made.parts.map((part) => part.id),
      ),
    }));
    await keepCount(job!.id, openQueries(made, ledger).length);
  }

  async function convert(): Promise<void> {
    const { job, ledger } = get();
    const summary = await run((onProgress) => engineWorker().convert(settingsOf(ledger!), onProgress));
    if (!summary) return;
    set((state) => ({
      ...finished(state),
      summary,
      opened: summary.opened,
      comparing: false,
      tried: null,
      passage:
        state.summary === null && state.passage.parts.length === 0
          ? firstPassage(state.passage, summary.bars, summary.parts)
          : passageWithin(
              state.passage,
              summary.bars.length,
              summary.parts.map((part) => part.id),
            ),
    }));
    await keepCount(job!.id, openQueries(summary, ledger).length);
  }

  const finished = ({ edition }: ConversionSlice) => ({ progress: null, failure: null, edition: edition + 1 });

  /** The list of jobs says how many queries are open. A number that could not be kept is counted again next time. */
  async function keepCount(job: string, count: number): Promise<void> {
    await saveOpenQueries(job, count).catch(() => {});
  }

  return {
    ...NOTHING_MADE,
    edition: 0,
    compute: async () => {
      const { job, ledger, direction } = get();
      if (job && ledger) await (direction === 'to-sequencer' ? sequence() : convert());
    },
    cancel: () => {
      void stopEngine();
      set({ progress: null, stale: true });
    },
  };
};
