'use client';

import { create } from 'zustand';
import {
  answersFor,
  dismissedQueries,
  enter,
  isScoreFile,
  lessonsOf,
  moveTo,
  redo,
  settingsOf,
  undo,
  type Decision,
  type Ledger,
} from '@/core/job';
import type { Articulation, PartId } from '@/core/score';
import type { Bar } from '@/core/time';
import type { Progress } from '@/core/to-score';
import { houseEntries, learn, markHoused } from '@/storage/house-list';
import { originalBytes, saveDirection, saveLedger, saveOpenQueries } from '@/storage/jobs';
import { database, type Direction, type JobRecord } from '@/storage/schema';
import {
  asCallback,
  engineWorker,
  type Opened,
  type OpenQuery,
  type SequenceSummary,
  type Summary,
} from '@/workers/engine-client';
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
  direction: Direction;
  /** What the job's original is: a MIDI file can go both ways. */
  original: 'midi' | 'score';
  opened: Opened | null;
  summary: Summary | null;
  /** What would go to a sequencer; only in that direction. */
  sequence: SequenceSummary | null;
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
  /** Works on the same original in the other direction. */
  turn: (direction: Direction) => Promise<void>;
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
    const answers = answersFor(
      await houseEntries(),
      opened.survey.tracks.filter((track) => track.notes > 0),
    );
    await markHoused(job.id);
    if (!answers || ledger.decisions.length > 0) return;
    const next = enter(ledger, answers);
    set({ ledger: next });
    await saveLedger(job.id, next);
  }

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
      set((state) => ({
        summary,
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
    job: null,
    ledger: null,
    direction: 'to-score',
    original: 'midi',
    opened: null,
    summary: null,
    sequence: null,
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
      if (!again && get().job?.id === id && (get().summary || get().sequence)) return;
      set({
        job: null,
        ledger: null,
        opened: null,
        summary: null,
        sequence: null,
        progress: null,
        failure: null,
        query: null,
        picked: null,
        comparing: false,
        passage: { from: 0, bars: FIRST_BARS, parts: [] },
      });
      try {
        const job = await database.jobs.get(id);
        if (!job) {
          set({ failure: 'This job is not in this browser. It may have been deleted, or made in another one.' });
          return;
        }
        const files = await Promise.all(job.originals.map((original) => originalBytes(original.sha256)));
        const original = isScoreFile(files[0]!) ? 'score' : 'midi';
        const direction = original === 'score' ? 'to-sequencer' : (job.direction ?? 'to-score');
        if (direction === 'to-sequencer') {
          await engineWorker().openSequence(files[0]!);
          set({ job, ledger: job.ledger, original, direction });
          await convert();
          return;
        }
        const began = performance.now();
        const opened = await engineWorker().open(files, settingsOf(job.ledger));
        // Shown in the browser's own performance tools; the benchmark reads it.
        performance.measure('dragoman: read and survey', { start: began });
        set({ job, ledger: job.ledger, opened, original, direction });
        await askHouseList();
        await convert();
      } catch (error) {
        set({ failure: sentence(error) });
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
        const last = Math.max(0, barsOnDesk(state).length - 1);
        return { passage: { ...next, from: Math.max(0, Math.min(next.from, last)) } };
      }),

    pick: (part, notes, more = false) =>
      set(({ picked }) => {
        if (part === null) return { picked: null };
        if (!more || picked?.part !== part) return { picked: { part, notes } };
        const there = notes.every((note) => picked.notes.includes(note));
        const next = there
          ? picked.notes.filter((note) => !notes.includes(note))
          : [...new Set([...picked.notes, ...notes])];
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
        const parts =
          query.part && partsOnDesk(state).some((part) => part.id === query.part) && !passage.parts.includes(query.part)
            ? [query.part, ...passage.parts]
            : passage.parts;
        return {
          query: query.id,
          passage: {
            ...passage,
            parts,
            from: visible ? passage.from : Math.max(0, bar - Math.floor((passage.bars - 1) / 2)),
          },
        };
      }),
  };
});

/** The passage as far as it exists; the first parts where none of its own is left. */
function passageWithin(passage: Passage, bars: number, known: readonly PartId[]): Passage {
  const parts = passage.parts.filter((id) => known.includes(id));
  return {
    ...passage,
    from: Math.min(passage.from, Math.max(0, bars - 1)),
    parts: parts.length > 0 ? parts : known.slice(0, FIRST_PARTS),
  };
}

type OnDesk = Pick<Workspace, 'direction' | 'summary' | 'sequence'>;

/** What the job's direction has made, once it has. */
export function madeOnDesk({ direction, summary, sequence }: OnDesk): Summary | SequenceSummary | null {
  return direction === 'to-sequencer' ? sequence : summary;
}

export function barsOnDesk(state: OnDesk): readonly Bar[] {
  const made = madeOnDesk(state);
  return made && 'bars' in made && typeof made.bars !== 'number' ? made.bars : NO_BARS;
}

export function partsOnDesk(state: OnDesk): readonly { id: PartId; name: string }[] {
  const made = madeOnDesk(state);
  return made && 'parts' in made ? made.parts : NO_PARTS;
}

const NO_BARS: readonly Bar[] = [];
const NO_PARTS: readonly { id: PartId; name: string }[] = [];

/** Queries nobody has answered or set aside. */
export function openQueries(summary: { queries: readonly OpenQuery[] } | null, ledger: Ledger | null): OpenQuery[] {
  if (!summary || !ledger) return [];
  const dismissed = dismissedQueries(ledger);
  return summary.queries.filter((query) => !dismissed.has(query.id));
}

/** How people know a track: by its part's name, or by its own. */
export function nameOfTrack(
  summary: Summary | null,
  opened: Opened | null,
  track: string,
  sequence: SequenceSummary | null = null,
): string {
  const played = sequence?.kind === 'score' ? sequence.parts.find((one) => one.id === track) : undefined;
  if (played) return played.name;
  // A further player dealt out of a track (“t3p2”) is a part of its own.
  const part =
    summary?.parts.find((candidate) => candidate.id === track) ??
    summary?.parts.find((candidate) => candidate.tracks.includes(track));
  if (part) return part.name;
  const [, dealt, player] = /^(.+)p(\d+)$/.exec(track) ?? [];
  if (dealt && player) return `${nameOfTrack(summary, opened, dealt, sequence)} ${player}`;
  const survey = opened?.survey.tracks.find((candidate) => candidate.id === track);
  return survey?.name || (survey ? `Track ${survey.index + 1}` : track);
}
