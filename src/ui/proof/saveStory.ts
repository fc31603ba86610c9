import { fileNameOf, inForce } from '@/core/documents';
import { storyOf } from '@/core/engine';
import type { Agreement } from '@/core/proof';
import { madeOnDesk, nameOf, openQueries, useWorkspace } from '../job/workspace';
import { download } from '../shared/download';

/** What arrived, what was decided, what came of it and what is open, as a text to be kept or sent. */
export function saveStory(agreement: Agreement): void {
  const state = useWorkspace.getState();
  const { job, ledger, direction, summary, opened, sequence } = state;
  if (!job || !ledger) return;
  const text = storyOf({
    name: job.name,
    direction,
    originals: job.originals,
    decisions: inForce(ledger),
    nameOf: (id) => nameOf(summary, opened, id, sequence),
    open: openQueries(madeOnDesk(state), ledger).map((query) => query.message),
    agreement,
  });
  download(text, `${fileNameOf(job.name)} - story.md`, 'text/markdown');
}
