import { inForce } from '@/core/documents';
import { storyOf } from '@/core/engine';
import type { Agreement } from '@/core/proof';
import { madeOnDesk, nameOf, openQueries, useWorkspace } from '../workspace/workspace';

/** What arrived, what was decided, what came of it and what is open, as Markdown; null while no job is open. */
export function storyInWords(agreement: Agreement): string | null {
  const state = useWorkspace.getState();
  const { job, ledger, direction, summary, opened, sequence } = state;
  if (!job || !ledger) return null;
  return storyOf({
    name: job.name,
    direction,
    originals: job.originals,
    decisions: inForce(ledger),
    nameOf: (id) => nameOf(summary, opened, id, sequence),
    open: openQueries(madeOnDesk(state), ledger).map((query) => query.message),
    agreement,
  });
}
