import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Piscina } from 'piscina';
import type { Outcome, Task } from './work';
import { say } from '@/core/words';

/** Limits of one request; the longest honest one, an hour of music for a hundred parts, stays far below them. */
const LIMITS = { seconds: 120, megabytes: 2048, waiting: 16 };

/** Why a task was not done, with the status it is answered by. */
export class TaskError extends Error {
  override readonly name = 'TaskError';
  constructor(
    message: string,
    readonly status: number,
  ) {
    super(message);
  }
}

let pool: Piscina<Task, Outcome> | null = null;
/** Tasks at work or waiting. */
let taken = 0;

function thePool(): Piscina<Task, Outcome> {
  pool ??= new Piscina<Task, Outcome>({
    filename: join(process.cwd(), 'dist/server-work.mjs'),
    minThreads: 0,
    maxThreads: Math.max(1, availableParallelism() - 1),
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: LIMITS.megabytes },
  });
  return pool;
}

/**
 * Computes in a thread of its own.
 *
 * @throws TaskError with one sentence: refused (422), too many at once (503), too long or too large (422)
 */
export async function compute(task: Task, seconds = LIMITS.seconds): Promise<Uint8Array> {
  if (taken >= LIMITS.waiting) throw new TaskError(say('server.tooMany'), 503);
  const stop = AbortSignal.timeout(seconds * 1000);
  let outcome: Outcome;
  taken++;
  try {
    outcome = await thePool().run(task, { signal: stop });
  } catch (error) {
    if (stop.aborted) throw new TaskError(say('server.tookLonger', { seconds }), 422);
    if (error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY')
      throw new TaskError(say('server.moreMemory'), 422);
    throw error;
  } finally {
    taken--;
  }
  if ('refused' in outcome) throw new TaskError(outcome.refused, 422);
  return outcome.bytes;
}

/** Ends all threads. */
export async function closePool(): Promise<void> {
  await pool?.destroy();
  pool = null;
}
