import { fileNameOf } from '@/core/job';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../job/workspace';
import { download } from '../shared/download';

const TYPES = {
  musicxml: 'application/vnd.recordare.musicxml+xml',
  mxl: 'application/vnd.recordare.musicxml',
} as const;

/** Writes the score as it stands and hands it to the browser. @param concert at sounding pitch, octaves aside */
export async function exportScore(format: keyof typeof TYPES, concert = false): Promise<string> {
  const { job } = useWorkspace.getState();
  const bytes = await engineWorker().export(format, new Date().toISOString().slice(0, 10), concert);
  const fileName = `${fileNameOf(job?.name ?? 'score')}${concert ? ', concert pitch' : ''}.${format}`;
  download(bytes, fileName, TYPES[format]);
  return fileName;
}
