import type { QueryId } from '../base';
import { apply, inOneGo, singles, type Decision } from '../decisions';
import { NO_JOB_SETTINGS, type JobSettings } from '../settings';

/**
 * The ordered list of all decisions of a job. Undo and redo move `position` along it; a new decision made after an undo
 * takes the place of what was undone. Values are never changed, a new ledger is returned.
 */
export interface Ledger {
  readonly decisions: readonly Decision[];
  /** Decisions in force, counted from the first. */
  readonly position: number;
}

export const EMPTY_LEDGER: Ledger = { decisions: [], position: 0 };

export function enter(ledger: Ledger, decision: Decision): Ledger {
  const decisions = [...ledger.decisions.slice(0, ledger.position), decision];
  return { decisions, position: decisions.length };
}

export function undo(ledger: Ledger): Ledger {
  return { ...ledger, position: Math.max(0, ledger.position - 1) };
}

export function redo(ledger: Ledger): Ledger {
  return { ...ledger, position: Math.min(ledger.decisions.length, ledger.position + 1) };
}

/** @param position decisions to keep in force; 0 goes back to the original */
export function moveTo(ledger: Ledger, position: number): Ledger {
  return { ...ledger, position: Math.max(0, Math.min(ledger.decisions.length, position)) };
}

export function inForce(ledger: Ledger): readonly Decision[] {
  return ledger.decisions.slice(0, ledger.position);
}

/** Ledgers are never changed: each is replayed once. */
const replayed = new WeakMap<Ledger, JobSettings>();

/** Replays the decisions in force into settings for the engine. @returns the same object for the same ledger */
export function settingsOf(ledger: Ledger): JobSettings {
  const known = replayed.get(ledger);
  if (known) return known;
  const settings = inOneGo(() => inForce(ledger).reduce(apply, NO_JOB_SETTINGS));
  replayed.set(ledger, settings);
  return settings;
}

/** Ids of the queries that were dismissed. */
export function dismissedQueries(ledger: Ledger): Set<QueryId> {
  return new Set(
    inForce(ledger)
      .flatMap(singles)
      .flatMap((decision) => (decision.kind === 'dismissQuery' ? [decision.query] : [])),
  );
}

/** Queries nobody has answered or set aside. */
export function openQueriesIn<Q extends { id: QueryId }>(queries: readonly Q[], ledger: Ledger): Q[] {
  const dismissed = dismissedQueries(ledger);
  return queries.filter(({ id }) => !dismissed.has(id));
}
