import { settingsOf } from '@/core/documents';
import type { Opened, SequenceSummary, Summary } from '@/core/engine';
import type { Progress } from '@/core/to-score';
import { saveOpenQueries } from '@/storage/jobs';
import { asCallback, engineWorker } from '@/workers/engine-client';
import { sentence } from '../../shared/receive';
import { openQueries } from './open-queries';
import { passageWithin } from './view-slice';
import type { Slice } from './workspace';

/** What the engine makes of the job. */
export interface ConversionSlice {
  opened: Opened | null;
  summary: Summary | null;
  /** How long the last conversion took. */
  milliseconds: number;
  /** What would go to a sequencer; only in that direction. */
  sequence: SequenceSummary | null;
  /** Grows with each finished conversion, so that views know when to draw again. */
  edition: number;
  progress: Progress | null;
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
  milliseconds: 0,
  sequence: null,
  progress: null,
  failure: null,
} satisfies Partial<ConversionSlice>;

export const conversionSlice: Slice<ConversionSlice> = (set, get) => {
  async function sequence(): Promise<void> {
    const { job, ledger } = get();
    if (!job || !ledger) return;
    set({ progress: { stage: 'casting', done: 0 }, stale: false });
    try {
      const next = await engineWorker().sequence(settingsOf(ledger).sequencing);
      if (get().job?.id !== job.id) return;
      set((state) => ({
        sequence: next,
        progress: null,
        failure: null,
        edition: state.edition + 1,
        passage:
          next.kind === 'score'
            ? passageWithin(
                state.passage,
                next.bars.length,
                next.parts.map((part) => part.id),
              )
            : state.passage,
      }));
      void saveOpenQueries(job.id, openQueries(next, ledger).length);
    } catch (error) {
      set({ progress: null, failure: sentence(error) });
    }
  }

  async function convert(): Promise<void> {
    const { job, ledger, direction } = get();
    if (!job || !ledger) return;
    if (direction === 'to-sequencer') return sequence();
    set({ progress: { stage: 'casting', done: 0 }, stale: false });
    const began = performance.now();
    let running = true;
    try {
      const converted = await engineWorker().convert(
        settingsOf(ledger),
        asCallback((progress: Progress) => {
          // Progress travels on a channel of its own and may arrive after the result.
          if (running && get().job?.id === job.id) set({ progress });
        }),
      );
      running = false;
      performance.measure('dragoman: convert', { start: began });
      // A newer run has taken over.
      if (!converted || get().job?.id !== job.id) return;
      const { summary, milliseconds } = converted;
      set((state) => ({
        summary,
        milliseconds,
        opened: summary.opened,
        progress: null,
        failure: null,
        comparing: false,
        edition: state.edition + 1,
        passage: passageWithin(
          state.passage,
          summary.bars.length,
          summary.parts.map((part) => part.id),
        ),
      }));
      void saveOpenQueries(job.id, openQueries(summary, ledger).length);
    } catch (error) {
      running = false;
      set({ progress: null, failure: sentence(error) });
    }
  }

  return {
    ...NOTHING_MADE,
    edition: 0,
    stale: false,
    compute: convert,
    cancel: () => {
      void engineWorker().cancel();
      set({ progress: null, stale: true });
    },
  };
};
