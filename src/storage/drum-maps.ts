import { database } from './schema';
import type { NamedDrumMap } from '@/core/documents';

export async function ownDrumMaps(): Promise<NamedDrumMap[]> {
  return (await database.drumMaps.orderBy('name').toArray()).map(({ name, sounds }) => ({ name, sounds }));
}

/** A map of the same name is replaced. */
export async function saveDrumMap({ name, sounds }: NamedDrumMap): Promise<void> {
  await database.drumMaps.put({ name, sounds, changedAt: Date.now() });
}

export async function forgetDrumMap(name: string): Promise<void> {
  await database.drumMaps.delete(name);
}
