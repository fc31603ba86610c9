'use client';

import { create } from 'zustand';
import { answersFor, dismissedQueries, enter, lessonsOf, moveTo, redo, settingsOf, undo, type Decision, type Ledger } from '@/core/job';
import type { Articulation, PartId } from '@/core/score';
import type { Progress } from '@/core/to-score';
import { houseEntries, learn, markHoused } from '@/storage/house-list';
import { originalBytes, saveLedger, saveOpenQueries } from '@/storage/jobs';
import { database, type JobRecord } from '@/storage/schema';
import { asCallback, engineWorker, type Opened, type OpenQuery, type Summary } from '@/workers/engine-client';
import { sentence } from '../shared/receive';

/** Which bars and parts the interlinear view shows. */
export interface Passage {
  from: number;
  bars: number;
  /** Empty until a job is converted: then the first parts. */
  parts: PartId[];
}

/** Written places by played note, and the marks taken there. */
export type WrittenPlaces = ReadonlyMap<number, { start: number; end: number; articulations: readonly Articulation[] }>;

interface Workspace {
  job: JobRecord | null;
  ledger: Ledger | null;
  opened: Opened | null;
  summary: Summary | null;
  /** Grows with each finished conversion, so that views know when to draw again. */
  edition: number;
  progress: Progress | null;
  failure: string | null;
  /** The work was stopped: what is shown is older than the ledger. */
  stale: boolean;
  passage: Passage;
  query: string | null;
  /** Played notes of one part that were picked in the interlinear view. */
  picked: { part: PartId; notes: readonly number[] } | null;
  /** Of the notes in view. */
  written: WrittenPlaces;
  /** The music as it was before the last change is shown. */
  comparing: boolean;
  /** @param again even when it is open: its originals have changed */
  open: (id: string, again?: boolean) => Promise<void>;
  decide: (...decisions: Decision[]) => void;
  undo: () => void;
  redo: () => void;
  moveTo: (position: number) => void;
  cancel: () => void;
  compute: () => void;
  show: (passage: Partial<Passage>) => void;
  point: (query: OpenQuery | null) => void;
  /** @param more adds to what is picked in the same part, or takes it away again */
  pick: (part: PartId | null, notes: readonly number[], more?: boolean) => void;
  compare: (on: boolean) => void;
  see: (written: WrittenPlaces) => void;
}

const FIRST_PARTS = 4;
const FIRST_BARS = 4;

export const useWorkspace = create<Workspace>((set, get) => {
  function go(change: (ledger: Ledger) => Ledger): void {
    const { job, ledger } = get();
    if (!job || !ledger) return;
    const next = change(ledger);
    if (next === ledger || (next.position === ledger.position && next.decisions === ledger.decisions)) return;
    set({ ledger: next });
    saveLedger(job.id, next).catch((error) => set({ failure: sentence(error) }));
    void convert();
  }

  /** What the house list knows of a new job's tracks becomes the ledger's first line. */
  async function askHouseList(): Promise<void> {
    const { job, ledger, opened } = get();
    if (!job || !ledger || !opened || job.housed) return;
    const answers = answersFor(await houseEntries(), opened.survey.tracks.filter((track) => track.notes > 0));
    await markHoused(job.id);
    if (!answers || ledger.decisions.length > 0) return;
    const next = enter(ledger, answers);
    set({ ledger: next });
    await saveLedger(job.id, next);
  }

  async function convert(): Promise<void> {
    const { job, ledger } = get();
    if (!job || !ledger) return;
    set({ progress: { stage: 'casting', done: 0 }, stale: false });
    const began = performance.now();
    let running = true;
    try {
      const summary = await engineWorker().convert(
        settingsOf(ledger),
        asCallback((progress: Progress) => {
          // Progress travels on a channel of its own and may arrive after the result.
          if (running && get().job?.id === job.id) set({ progress });
        }),
      );
      running = false;
      performance.measure('dragoman: convert', { start: began });
      // A newer run has taken over.
      if (!summary || get().job?.id !== job.id) return;
      const parts = get().passage.parts.filter((id) => summary.parts.some((part) => part.id === id));
      set((state) => ({
        summary,
        opened: summary.opened,
        progress: null,
        failure: null,
        comparing: false,
        edition: state.edition + 1,
        passage: {
          ...state.passage,
          from: Math.min(state.passage.from, Math.max(0, summary.bars.length - 1)),
          parts: parts.length > 0 ? parts : summary.parts.slice(0, FIRST_PARTS).map((part) => part.id),
        },
      }));
      void saveOpenQueries(job.id, openQueries(summary, ledger).length);
    } catch (error) {
      running = false;
      set({ progress: null, failure: sentence(error) });
    }
  }

  return {
    job: null,
    ledger: null,
    opened: null,
    summary: null,
    edition: 0,
    progress: null,
    failure: null,
    stale: false,
    passage: { from: 0, bars: FIRST_BARS, parts: [] },
    query: null,
    picked: null,
    written: new Map(),
    comparing: false,

    open: async (id, again = false) => {
      if (!again && get().job?.id === id && get().summary) return;
      set({ job: null, ledger: null, opened: null, summary: null, progress: null, failure: null, query: null, picked: null, comparing: false, passage: { from: 0, bars: FIRST_BARS, parts: [] } });
      try {
        const job = await database.jobs.get(id);
        if (!job) {
          set({ failure: 'This job is not in this browser. It may have been deleted, or made in another one.' });
          return;
        }
        const files = await Promise.all(job.originals.map((original) => originalBytes(original.sha256)));
        const began = performance.now();
        const opened = await engineWorker().open(files, settingsOf(job.ledger));
        // Shown in the browser's own performance tools; the benchmark reads it.
        performance.measure('dragoman: read and survey', { start: began });
        set({ job, ledger: job.ledger, opened });
        await askHouseList();
        await convert();
      } catch (error) {
        set({ failure: sentence(error) });
      }
    },

    decide: (...decisions) => {
      const names = new Map(get().opened?.survey.tracks.map((track) => [track.id, track.name]));
      const lessons = decisions.flatMap((decision) => lessonsOf(decision, (track) => names.get(track) ?? ''));
      if (lessons.length > 0) learn(lessons).catch((error) => set({ failure: sentence(error) }));
      go((ledger) => decisions.reduce(enter, ledger));
    },
    undo: () => go(undo),
    redo: () => go(redo),
    moveTo: (position) => go((ledger) => moveTo(ledger, position)),

    cancel: () => {
      void engineWorker().cancel();
      set({ progress: null, stale: true });
    },
    compute: () => void convert(),

    show: (passage) =>
      set((state) => {
        const next = { ...state.passage, ...passage };
        const last = Math.max(0, (state.summary?.bars.length ?? 1) - 1);
        return { passage: { ...next, from: Math.max(0, Math.min(next.from, last)) } };
      }),

    pick: (part, notes, more = false) =>
      set(({ picked }) => {
        if (part === null) return { picked: null };
        if (!more || picked?.part !== part) return { picked: { part, notes } };
        const there = notes.every((note) => picked.notes.includes(note));
        const next = there ? picked.notes.filter((note) => !notes.includes(note)) : [...new Set([...picked.notes, ...notes])];
        return { picked: next.length > 0 ? { part, notes: next } : null };
      }),

    compare: (on) => set({ comparing: on }),
    see: (written) => set({ written }),

    point: (query) =>
      set((state) => {
        if (!query) return { query: null };
        const { passage } = state;
        const bar = query.bar;
        const visible = bar === undefined || (bar >= passage.from && bar < passage.from + passage.bars);
        const parts = query.part && state.summary?.parts.some((part) => part.id === query.part) && !passage.parts.includes(query.part) ? [query.part, ...passage.parts] : passage.parts;
        return { query: query.id, passage: { ...passage, parts, from: visible ? passage.from : Math.max(0, bar - Math.floor((passage.bars - 1) / 2)) } };
      }),
  };
});

/** Queries nobody has answered or set aside. */
export function openQueries(summary: Summary | null, ledger: Ledger | null): OpenQuery[] {
  if (!summary || !ledger) return [];
  const dismissed = dismissedQueries(ledger);
  return summary.queries.filter((query) => !dismissed.has(query.id));
}

/** How people know a track: by its part's name, or by its own. */
export function nameOfTrack(summary: Summary | null, opened: Opened | null, track: string): string {
  const part = summary?.parts.find((candidate) => candidate.tracks.includes(track));
  if (part) return part.name;
  const survey = opened?.survey.tracks.find((candidate) => candidate.id === track);
  return survey?.name || (survey ? `Track ${survey.index + 1}` : track);
}
