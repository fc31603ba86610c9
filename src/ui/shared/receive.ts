import { SmfError } from '@/core/smf';
import { createJob, type ReceivedFile } from '@/storage/jobs';
import type { JobRecord } from '@/storage/schema';
import { engineWorker } from '@/workers/engine-client';

/**
 * Takes a file in: the engine reads it first, and only what can be read becomes a job.
 *
 * @throws Error with one sentence for people
 */
export async function receive(file: ReceivedFile, options?: { demo?: boolean; name?: string }): Promise<JobRecord> {
  let kind: 'midi' | 'score';
  try {
    kind = await engineWorker().check(file.bytes, file.fileName);
  } catch (error) {
    throw new Error(`${file.fileName}: ${sentence(error)}`);
  }
  return createJob(file, { ...options, ...(kind === 'score' && { direction: 'to-sequencer' as const }) });
}

export function sentence(error: unknown): string {
  if (error instanceof SmfError) return error.message;
  return error instanceof Error ? error.message : String(error);
}

export async function receivedFile(file: File): Promise<ReceivedFile> {
  return { fileName: file.name, bytes: new Uint8Array(await file.arrayBuffer()) };
}
