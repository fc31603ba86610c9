import { say } from '@/core/words';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../workspace/workspace';
import { download } from '../shared/download';
import { fileNameOf } from '@/core/documents';
import { SCORE_FORMATS, type ScoreExport, type ScoreFormat } from '@/core/engine';

/** Writes the score as it stands and hands it to the browser. */
export async function exportScore(format: ScoreFormat, { concert, version }: ScoreExport): Promise<string> {
  const { job } = useWorkspace.getState();
  const date = new Date().toISOString().slice(0, 10);
  const bytes = await engineWorker().export(format, { date, concert, version });
  const name = fileNameOf(job?.name ?? 'score');
  const fileName = `${concert ? say('dispatch.atConcertPitch', { name }) : name}.${format}`;
  download(bytes, fileName, SCORE_FORMATS[format].mediaType);
  return fileName;
}
