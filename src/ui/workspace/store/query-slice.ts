import { say } from '@/core/words';
import { leadingTrack, type QueryId } from '@/core/base';
import { asOne } from '@/core/decisions';
import { enter, settingsOf } from '@/core/documents';
import { asideOf, likeOf, stepOf, type OpenQuery, type Remedy } from '@/core/queries';
import { instrumentById } from '@/core/instruments';
import type { Changes } from '@/core/proof';
import { habits, rememberHabit, unlearnHabit } from '@/storage/habits';
import { engineWorker } from '@/workers/engine-client';
import { goToStation } from '../goToStation';
import { stationOf } from '../stations';
import { madeOnDesk, partsOnDesk } from './on-desk';
import { openQueries } from './open-queries';
import { passageShowing } from './view-slice';
import type { Slice, Workspace } from './workspace';

/** A remedy that is looked at before it is taken. */
export interface TriedRemedy {
  query: QueryId;
  /** Which of the query's remedies. */
  remedy: number;
  /** Null until it is computed. */
  changes: Changes | null;
}

/** Queries that can be answered in the same way. */
export interface Alike {
  reach: 'family' | 'job';
  /** "in the strings", "in the job" */
  where: string;
  answers: { query: OpenQuery; remedy: Remedy }[];
}

/** The doubtful places: which one is looked at, walking on, answering, trying out. */
export interface QuerySlice {
  query: QueryId | null;
  /** All that were open when the chosen one was chosen, in order: walking goes on from there when it is answered. */
  walked: readonly QueryId[];
  tried: TriedRemedy | null;
  /** The list of queries is folded away; null as long as nobody has said, then it is open while there are queries. */
  folded: boolean | null;
  /** How each kind of query is usually answered in this house. */
  habits: ReadonlyMap<string, string>;
  /** Shows a query and its place. */
  point: (query: OpenQuery | null) => void;
  /** @param step +1 the next open query after the one looked at, −1 the one before */
  walk: (step: 1 | -1) => void;
  /** Takes a remedy of a query, and of others that are alike. */
  take: (query: OpenQuery, remedy: Remedy, alike?: Alike) => void;
  setAside: (query: OpenQuery, reason: string) => void;
  /** @param remedy null ends the preview */
  tryOut: (query: OpenQuery, remedy: number | null) => void;
  fold: (folded: boolean) => void;
  /** Answers that were learnt from since the job was opened, with the ledger's position after each. */
  learnt: readonly { position: number; kind: OpenQuery['kind']; like: string }[];
  /** What was undone, back to a position of the ledger, is no habit. */
  unlearn: (position: number) => void;
  /** Reads how queries are usually answered. */
  readHabits: () => Promise<void>;
}

/** No query looked at. */
export const NO_QUERY = { query: null, walked: [], tried: null } satisfies Partial<QuerySlice>;

const queriesOf = (state: Workspace) => openQueries(madeOnDesk(state), state.ledger);

/** The query that is looked at, as long as it is open. */
export function queryHere(state: Workspace): OpenQuery | undefined {
  return queriesOf(state).find(({ id }) => id === state.query);
}

/** In a window narrower than this the music needs the room until somebody asks for a query, in CSS pixels. */
const NARROW = 1100;

/** Open while there are queries, unless somebody said otherwise. */
export function isFolded(state: Workspace): boolean {
  if (state.folded !== null) return state.folded;
  const narrow = typeof window !== 'undefined' && window.innerWidth < NARROW;
  return madeOnDesk(state) !== null && (queriesOf(state).length === 0 || (narrow && state.query === null));
}

/** The remedy that is likeliest to be taken: what is tried out, what the house usually does, the first. */
export function markedRemedy({ tried, habits: usual }: Workspace, { id, kind, remedies }: OpenQuery): number {
  if (tried?.query === id) return tried.remedy;
  const habit = remedies.findIndex((remedy) => !remedy.lastResort && likeOf(remedy) === usual.get(kind));
  return Math.max(0, habit);
}

export const querySlice: Slice<QuerySlice> = (set, get) => ({
  ...NO_QUERY,
  folded: null,
  habits: new Map(),
  learnt: [],

  point: (query) => {
    if (!query) return set(NO_QUERY);
    set((state) => ({
      query: query.id,
      walked: queriesOf(state).map(({ id }) => id),
      tried: null,
      passage: passageShowing(state, query),
    }));
    const { job, direction } = get();
    if (job) goToStation(job.id, stationOf(query.kind, direction));
  },

  walk: (step) => {
    const next = nextQuery(get(), step);
    if (next) get().point(next);
  },

  take: (query, remedy, alike) => {
    const answers = [{ query, remedy }, ...(alike?.answers ?? [])];
    set({ tried: null });
    get().decide(asOne(answers.map((one) => stepOf(one.query, one.remedy))));
    if (remedy.lastResort) return;
    const learnt = { position: get().ledger?.position ?? 0, kind: query.kind, like: likeOf(remedy) };
    set((state) => ({ learnt: [...state.learnt, learnt] }));
    // A habit is a help, not a decision: one that could not be kept is formed next time.
    void rememberHabit(query.kind, likeOf(remedy))
      .then(() => get().readHabits())
      .catch(() => {});
  },

  unlearn: (position) => {
    const undone = get().learnt.filter((one) => one.position > position);
    if (undone.length === 0) return;
    set((state) => ({ learnt: state.learnt.filter((one) => one.position <= position) }));
    void Promise.all(undone.map(({ kind, like }) => unlearnHabit(kind, like)))
      .then(() => get().readHabits())
      .catch(() => {});
  },

  setAside: (query, reason) => {
    set({ tried: null });
    get().decide(asideOf(query, reason));
  },

  tryOut: (query, remedy) => {
    const { tried, ledger } = get();
    if (remedy === null) {
      if (tried) set({ tried: null });
      return;
    }
    if ((tried?.query === query.id && tried.remedy === remedy) || !ledger) return;
    const wanted: TriedRemedy = { query: query.id, remedy, changes: null };
    set({ tried: wanted });
    const settings = settingsOf(enter(ledger, stepOf(query, query.remedies[remedy]!)));
    engineWorker()
      .tryOut(settings)
      .then((changes) => {
        if (changes && get().tried === wanted) set({ tried: { ...wanted, changes } });
      })
      // What cannot be tried out can still be decided; a failure is said there.
      .catch(() => {});
  },

  fold: (folded) => set({ folded }),
  readHabits: async () => set({ habits: await habits() }),
});

/** From the one looked at, also when it is answered by now; behind the last comes the first. */
function nextQuery(state: Workspace, step: 1 | -1): OpenQuery | undefined {
  const open = queriesOf(state);
  if (state.query === null) return step > 0 ? open[0] : open.at(-1);
  const at = open.findIndex(({ id }) => id === state.query);
  // It goes round as long as any is open.
  if (at >= 0) return open.length > 1 ? open[(at + step + open.length) % open.length] : undefined;
  // The first open one that stood after it, or before it.
  const was = state.walked.indexOf(state.query);
  const beyond = step > 0 ? state.walked.slice(was + 1) : state.walked.slice(0, Math.max(0, was)).reverse();
  const ids = new Set(open.map(({ id }) => id));
  const next = beyond.find((id) => ids.has(id));
  // What is asked since then stands at the end.
  if (next) return open.find(({ id }) => id === next);
  return open.find(({ id }) => !state.walked.includes(id)) ?? (step > 0 ? open[0] : open.at(-1));
}

/** Other open queries that offer the same step: in the instrument's family, where those are not all, and in the job. */
export function alikeOf(state: Workspace, query: OpenQuery, remedy: Remedy): Alike[] {
  const answers = queriesOf(state).flatMap((other) => {
    const same = other.remedies.find((one) => likeOf(one) === likeOf(remedy));
    return other.kind === query.kind && other.id !== query.id && same ? [{ query: other, remedy: same }] : [];
  });
  if (answers.length === 0) return [];
  const family = familyOf(state, query);
  const near = answers.filter((answer) => family !== null && familyOf(state, answer.query) === family);
  const all: Alike = { reach: 'job', where: say('workspace.inTheJob'), answers };
  return near.length > 0 && near.length < answers.length
    ? [{ reach: 'family', where: say('workspace.inTheFamily', { family: family ?? '' }), answers: near }, all]
    : [all];
}

function familyOf(state: Workspace, { part, track }: OpenQuery): string | null {
  const of = partsOnDesk(state).find(({ id }) => id === part || (track !== undefined && leadingTrack(id) === track));
  return of?.instrument ? instrumentById(of.instrument).family : null;
}
