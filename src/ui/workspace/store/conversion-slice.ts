import { settingsOf, type Ledger } from '@/core/documents';
import type { Made, Opened, SequenceSummary, Summary, Working } from '@/core/engine';
import { saveOpenQueries } from '@/storage/jobs';
import { asCallback, EngineStopped, engineWorker, stopEngine } from '@/workers/engine-client';
import { sentence } from '../../shared/receive';
import { openQueries } from './open-queries';
import { firstPassage, passageWithin } from './view-slice';
import type { Slice, Workspace } from './workspace';

/** What the engine makes of the job. */
export interface ConversionSlice {
  opened: Opened | null;
  summary: Summary | null;
  /** What would go to a sequencer; only in that direction. */
  sequence: SequenceSummary | null;
  /** Grows with each finished conversion, so that views know when to draw again. */
  edition: number;
  progress: Working | null;
  /** Bytes of the originals that are being read; null before and after. */
  reading: number | null;
  failure: string | null;
  /** The work was stopped: what is shown is older than the ledger. */
  stale: boolean;
  /** Converts, or sequences, with the ledger as it stands. */
  compute: () => Promise<void>;
  cancel: () => void;
}

/** What was made takes the place of what there was, and the bars looked at stay. */
function shown(
  { passage, summary }: Pick<Workspace, 'passage' | 'summary'>,
  made: Made,
): Partial<Pick<Workspace, 'summary' | 'sequence' | 'opened' | 'passage' | 'comparing' | 'tried'>> {
  const within = passageWithin(
    passage,
    made.bars.length,
    made.parts.map(({ id }) => id),
  );
  if (made.kind !== 'to-score') return { sequence: made, passage: within };
  const first = summary === null && passage.parts.length === 0;
  return {
    summary: made,
    opened: made.opened,
    comparing: false,
    tried: null,
    passage: first ? firstPassage(passage, made.bars, made.parts) : within,
  };
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
  async function run(ledger: Ledger): Promise<Made | null> {
    const { job } = get();
    set({ progress: { stage: 'casting', done: 0 }, stale: false });
    const began = performance.now();
    let running = true;
    try {
      const onProgress = asCallback((progress: Working) => {
        // Progress travels on a channel of its own and may arrive after the result.
        if (running && get().job?.id === job?.id) set({ progress });
      });
      const make = async () => {
        await get().layOut();
        return engineWorker().make(settingsOf(ledger), onProgress);
      };
      // What broke down may have been the memory of a moment: once more, with a new worker.
      const made = await make().catch((error) => {
        if (error instanceof EngineStopped && !error.asked) return make();
        throw error;
      });
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

  /** The list of jobs says how many queries are open. A number that could not be kept is counted again next time. */
  async function keepCount(job: string, count: number): Promise<void> {
    await saveOpenQueries(job, count).catch(() => {});
  }

  return {
    ...NOTHING_MADE,
    edition: 0,
    compute: async () => {
      const { job, ledger } = get();
      const made = job && ledger && (await run(ledger));
      if (!made) return;
      set((state) => ({ ...shown(state, made), progress: null, failure: null, edition: state.edition + 1 }));
      await keepCount(job.id, openQueries(made, ledger).length);
    },
    cancel: () => {
      void stopEngine();
      set({ progress: null, stale: true });
    },
  };
};
