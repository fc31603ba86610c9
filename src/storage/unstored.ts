import { enter, readDecisions, type Ledger } from '@/core/documents';
import type { Decision } from '@/core/decisions';

/**
 * Decisions that are on their way to storage. Storing takes a moment, and a window can be closed in that moment: so they
 * are noted at once where a browser writes without waiting, and taken from there when their job is opened again.
 */
const PREFIX = 'dragoman-unstored:';

/** What was decided since a ledger was stored. */
interface Note {
  /** The stored ledger: how many decisions it has, and how many of them were in force. */
  base: { decisions: number; position: number };
  /** So many of its decisions were kept; `added` came behind them. */
  kept: number;
  added: Decision[];
  position: number;
}

/** This window, as long as it is open: others know by its lock that its decisions are still being stored by itself. */
const here = crypto.randomUUID();
const keyOf = (job: string, window = here) => `${PREFIX}${job}:${window}`;
const notes = (): Storage | null => (typeof localStorage === 'undefined' ? null : localStorage);

let held = false;

/** Holds a lock until this window is gone, however it goes. */
function holdWindow(): void {
  if (held || typeof navigator === 'undefined' || !navigator.locks) return;
  held = true;
  void navigator.locks.request(PREFIX + here, () => new Promise<never>(() => {}));
}

/** Notes what was decided since `base` was stored. Without room for it nothing is noted; storing goes on all the same. */
export function noteUnstored(job: string, base: Ledger, now: Ledger): void {
  const kept = sharedDecisions(base, now);
  const note: Note = {
    base: { decisions: base.decisions.length, position: base.position },
    kept,
    added: now.decisions.slice(kept),
    position: now.position,
  };
  holdWindow();
  try {
    notes()?.setItem(keyOf(job), JSON.stringify(note));
  } catch {
    // The browser gives notes little room; the decision itself is on its way.
  }
}

/** All of a job's decisions are stored. */
export function forgetUnstored(job: string, window = here): void {
  notes()?.removeItem(keyOf(job, window));
}

/**
 * What windows that are gone could not store of a job.
 *
 * @returns a change of the stored ledger for each of them, and what deletes its note
 */
export async function leftUnstored(job: string): Promise<{ change: (stored: Ledger) => Ledger; forget: () => void }[]> {
  const store = notes();
  if (!store) return [];
  const left = [];
  for (const key of Object.keys(store)) {
    const window = key.slice(keyOf(job, '').length);
    if (!key.startsWith(keyOf(job, '')) || window === here || !(await isGone(window))) continue;
    const note = readNote(store.getItem(key));
    const forget = () => forgetUnstored(job, window);
    if (note) left.push({ change: (stored: Ledger) => restored(stored, note), forget });
    else forget();
  }
  return left;
}

/** A window that is being closed may hold its lock a moment longer. */
const CLOSING_MS = 500;

function isGone(window: string): Promise<boolean> {
  if (typeof navigator === 'undefined' || !navigator.locks) return Promise.resolve(true);
  const signal = AbortSignal.timeout(CLOSING_MS);
  return navigator.locks.request(PREFIX + window, { signal }, () => true).catch(() => false);
}

function readNote(text: string | null): Note | null {
  try {
    const note: Note = JSON.parse(text ?? '');
    const numbers = [note.base.decisions, note.base.position, note.kept, note.position];
    return numbers.every(Number.isInteger) ? { ...note, added: readDecisions(note.added) } : null;
  } catch {
    return null;
  }
}

function sharedDecisions(a: Ledger, b: Ledger): number {
  const differs = a.decisions.findIndex((decision, i) => decision !== b.decisions[i]);
  return differs < 0 ? Math.min(a.decisions.length, b.decisions.length) : differs;
}

/** The same text for the same decisions, in whatever order their fields were written. */
function inWords(decisions: readonly Decision[]): string {
  return JSON.stringify(decisions, (_, value: unknown) =>
    value && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
      : value,
  );
}

/** The stored ledger as the window that is gone had it; what another window decided since then is kept. */
function restored(stored: Ledger, { base, kept, added, position }: Note): Ledger {
  const { decisions } = stored;
  const there = inWords(decisions.slice(kept)) === inWords(added);
  if (there && stored.position === position) return stored;
  if (decisions.length === base.decisions && stored.position === base.position)
    return { decisions: [...decisions.slice(0, kept), ...added], position };
  if (there) return stored;
  return added.slice(0, Math.max(0, position - kept)).reduce(enter, stored);
}
