import { dismissedQueries, type Ledger } from '@/core/documents';
import type { OpenQuery } from '@/core/engine';

/** Queries nobody has answered or set aside. */
export function openQueries(summary: { queries: readonly OpenQuery[] } | null, ledger: Ledger | null): OpenQuery[] {
  if (!summary || !ledger) return [];
  const dismissed = dismissedQueries(ledger);
  return summary.queries.filter((query) => !dismissed.has(query.id));
}
