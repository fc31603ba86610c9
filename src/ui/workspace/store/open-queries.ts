import { openQueriesIn, type Ledger } from '@/core/documents';
import type { OpenQuery } from '@/core/engine';

/** Queries nobody has answered or set aside. */
export function openQueries(summary: { queries: readonly OpenQuery[] } | null, ledger: Ledger | null): OpenQuery[] {
  return summary && ledger ? openQueriesIn(summary.queries, ledger) : [];
}
