import { say } from '@/core/words';
import { querySheetText, sheetLine, type OpenQuery, type SheetLine } from '@/core/engine';
import { engineWorker } from '@/workers/engine-client';
import { engraveWorker } from '@/workers/engrave-client';
import { barsOnDesk, kindOnDesk, partsOnDesk, useWorkspace } from '../workspace/workspace';
import { answerOf } from '@/workers/ask';
import { download } from '../shared/download';

/* A sheet of queries leaves the house: as text, or as a PDF with the bars engraved. */

const STAFF_HEIGHT = 30;
const SYSTEM_WIDTH = 560;

function lineOf(query: OpenQuery): SheetLine {
  const state = useWorkspace.getState();
  const parts = partsOnDesk(state);
  return sheetLine(query, barsOnDesk(state), (id) => parts.find((part) => part.id === id)?.name ?? id);
}

const jobName = () => useWorkspace.getState().job?.name ?? say('queries.queries');

export function downloadText(queries: readonly OpenQuery[]): void {
  const text = querySheetText(jobName(), queries.map(lineOf));
  download(new TextEncoder().encode(text), say('queries.jobNameQueriesTxt', { jobName: jobName() }), 'text/plain');
}

/** @param onDone after each engraved query @throws Error with one sentence */
export async function downloadPdf(queries: readonly OpenQuery[], onDone: (count: number) => void): Promise<void> {
  const entries: { where: string; question: string; drawing: Drawing | null }[] = [];
  for (const [i, query] of queries.entries()) {
    const { where, question } = lineOf(query);
    entries.push({ where: `${i + 1}   ${where}`, question, drawing: await drawingOf(query) });
    onDone(i + 1);
  }
  const title = say('queries.jobNameQueries', { jobName: jobName() }).slice(0, 300);
  const otherwise = say('queries.thePDFCouldNotBeMadeSaveTheSheetAs');
  const bytes = await answerOf('/api/query-sheet', { title, entries }, otherwise);
  download(bytes, say('queries.jobNameQueriesPdf', { jobName: jobName() }), 'application/pdf');
}

interface Drawing {
  svg: string;
  width: number;
  height: number;
}

/** The bar of a query and the one after it, of its part; null where it has none, or no written bars. */
async function drawingOf({ part, bar }: OpenQuery): Promise<Drawing | null> {
  const state = useWorkspace.getState();
  if (part === undefined || bar === undefined || !partsOnDesk(state).some(({ id }) => id === part)) return null;
  if (kindOnDesk(state) === 'midi') return null;
  const to = Math.min(barsOnDesk(state).length, bar + 2);
  const { mei } = await engineWorker().passage([part], bar, to);
  return engraveWorker().system(mei, { width: SYSTEM_WIDTH, staffHeight: STAFF_HEIGHT, laneHeight: 4 });
}
