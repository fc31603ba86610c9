export interface StorageSpace {
  /** Bytes this application holds in the browser. */
  used: number;
  /** Bytes the browser would give it. */
  available: number;
  /** The browser promised not to clear it by itself. */
  persistent: boolean;
}

/** How much of the browser's storage is in use; null where the browser does not tell. */
export async function storageSpace(): Promise<StorageSpace | null> {
  if (!navigator.storage?.estimate) return null;
  const { usage = 0, quota = 0 } = await navigator.storage.estimate();
  return { used: usage, available: quota, persistent: (await navigator.storage.persisted?.()) ?? false };
}

/** Asks the browser not to clear the jobs when space gets short. @returns whether it agreed */
export async function askToKeep(): Promise<boolean> {
  return (await navigator.storage?.persist?.()) ?? false;
}
