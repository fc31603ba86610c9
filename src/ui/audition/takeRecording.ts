import { keepReference, referenceOf } from '@/storage/sounds';
import { useWorkspace } from '../workspace/workspace';

export const RECORDINGS = 'audio/*,.wav,.mp3,.ogg,.oga,.opus,.flac,.m4a';

/** Lays a recording beside the job, where the one before lay. @throws StorageError when there is no room for it */
export async function takeRecording(file: File): Promise<void> {
  const { job } = useWorkspace.getState();
  if (!job) return;
  const before = await referenceOf(job.id);
  const bytes = new Uint8Array(await file.arrayBuffer());
  await keepReference({ job: job.id, fileName: file.name, bytes, offset: before?.offset ?? 0 });
}
