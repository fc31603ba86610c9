import type { Ledger } from '@/core/documents';
import { changeLedger, watchJob } from '@/storage/jobs';
import type { JobRecord } from '@/storage/schema';
import { forgetUnstored, leftUnstored, noteUnstored } from '@/storage/unstored';
import { sentence } from '../../shared/receive';
import type { Slice } from './workspace';

type Change = (ledger: Ledger) => Ledger;

/** What becomes of decisions: they are stored, whatever other windows do, or it is said that they are not. */
export interface KeepingSlice {
  /** Why the last decisions are not stored yet; it stays until they are. */
  unsaved: string | null;
  /** Another window has changed this job. */
  changedElsewhere: boolean;
  /** Changes the ledger here at once, and then as it is stored. */
  keep: (change: Change) => void;
  /** Tries to store again what could not be. */
  saveAgain: () => Promise<void>;
  /** A job's ledger with what could not be stored of it before it was closed. */
  withUnsaved: (job: JobRecord) => Ledger;
  /** Takes in what windows that are gone could not store of a job. */
  recover: (job: JobRecord) => Promise<void>;
  /** Follows what other windows do to the open job, and stores what is still to be stored of it. */
  watch: () => void;
  noticed: () => void;
}

const same = (a: Ledger, b: Ledger) =>
  a.position === b.position &&
  a.decisions.length === b.decisions.length &&
  (a.decisions === b.decisions || JSON.stringify(a.decisions) === JSON.stringify(b.decisions));

export const keepingSlice: Slice<KeepingSlice> = (set, get) => {
  /** Changes that are not stored yet, oldest first, and the job they belong to. */
  let pending: { job: string; change: Change; stored?: () => void }[] = [];
  /** The open job's ledger as it was stored before them. */
  let base: Ledger | null = null;
  let endWatching: (() => void) | null = null;

  let saving: Promise<void> | null = null;

  const of = (job: string | undefined) => pending.filter((one) => one.job === job);
  const applied = (changes: typeof pending, ledger: Ledger) => changes.reduce((now, { change }) => change(now), ledger);

  /** One save at a time: a change that is on its way is not stored twice. */
  function save(): Promise<void> {
    saving ??= saveAll().finally(() => (saving = null));
    return saving;
  }

  async function saveAll(): Promise<void> {
    for (;;) {
      const job = get().job?.id;
      const mine = of(job);
      if (!job || mine.length === 0) return;
      try {
        const stored = await changeLedger(job, (ledger) => applied(mine, ledger));
        pending = pending.filter((one) => !mine.includes(one));
        for (const { stored: done } of mine) done?.();
        if (of(job).length === 0) forgetUnstored(job);
        if (get().job?.id !== job) continue;
        base = stored;
        set({ unsaved: null });
        // More was decided meanwhile: what is stored comes with that.
        if (of(job).length === 0) adopt(stored);
      } catch (error) {
        if (get().job?.id === job) set({ unsaved: sentence(error) });
        return;
      }
    }
  }

  /** Shows the ledger as it is stored, when it is another than the one here. */
  function adopt(stored: Ledger): void {
    const { ledger } = get();
    if (!ledger || same(ledger, stored)) return;
    set({ ledger: stored, changedElsewhere: true });
    void get().compute();
  }

  return {
    unsaved: null,
    changedElsewhere: false,
    keep: (change) => {
      const { job, ledger } = get();
      if (!job || !ledger) return;
      const next = change(ledger);
      if (next === ledger || (next.position === ledger.position && next.decisions === ledger.decisions)) return;
      set({ ledger: next });
      if (of(job.id).length === 0) base = ledger;
      pending.push({ job: job.id, change });
      noteUnstored(job.id, base ?? ledger, next);
      void save();
      void get().compute();
    },
    saveAgain: save,
    withUnsaved: ({ id, ledger }) => applied(of(id), ledger),
    recover: async ({ id, ledger }) => {
      const left = await leftUnstored(id);
      if (left.length > 0) base = ledger;
      pending.push(...left.map(({ change, forget }) => ({ job: id, change, stored: forget })));
    },
    watch: () => {
      endWatching?.();
      const id = get().job?.id;
      endWatching = id
        ? watchJob(id, (stored) => {
            // Not what this window is about to store itself, nor a job that was closed.
            if (stored && get().job?.id === id && of(id).length === 0) {
              adopt(stored.ledger);
              if (stored.name !== get().job!.name) set({ job: { ...get().job!, name: stored.name } });
            }
          })
        : null;
      void save();
    },
    noticed: () => set({ changedElsewhere: false }),
  };
};
