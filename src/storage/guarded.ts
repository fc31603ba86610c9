import { say } from '@/core/words';
import Dexie from 'dexie';

/** Something the browser's storage refused, in a sentence for people. */
export class StorageError extends Error {
  override readonly name = 'StorageError';
}

/** A full quota may reach us as the reason of an aborted transaction. */
function isQuotaError(error: unknown): boolean {
  if (error instanceof Dexie.QuotaExceededError) return true;
  if (typeof error !== 'object' || error === null) return false;
  if ('name' in error && error.name === 'QuotaExceededError') return true;
  return 'inner' in error && error.inner !== error && isQuotaError(error.inner);
}

/** Says in a sentence when the browser's storage is full. @throws StorageError */
export async function guarded<T>(work: () => PromiseLike<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (isQuotaError(error)) {
      throw new StorageError(say('storage.thisBrowsersStorageIsFullNothing'));
    }
    throw error;
  }
}
