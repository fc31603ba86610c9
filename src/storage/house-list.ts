import { database, type HouseRecord } from './schema';
import type { HouseEntry } from '@/core/documents';

export async function houseEntries(): Promise<HouseEntry[]> {
  return (await database.houseList.toArray()).map(withoutTime);
}

/** Adds what was learnt to what is known of the same names. */
export async function learn(lessons: readonly HouseEntry[]): Promise<void> {
  await database.transaction('rw', database.houseList, async () => {
    for (const lesson of lessons) {
      const known = await database.houseList.get(lesson.pattern);
      await database.houseList.put({ ...known, ...lesson, changedAt: Date.now() });
    }
  });
}

/** Puts an edited line in place of the one that had `before` as its pattern. */
export async function saveEntry(before: string, entry: HouseEntry): Promise<void> {
  await database.transaction('rw', database.houseList, async () => {
    if (entry.pattern !== before) await database.houseList.delete(before);
    await database.houseList.put({ ...entry, changedAt: Date.now() });
  });
}

export async function forget(pattern: string): Promise<void> {
  await database.houseList.delete(pattern);
}

export async function markHoused(job: string): Promise<void> {
  await database.jobs.update(job, { housed: true });
}

function withoutTime({ changedAt: _changedAt, ...entry }: HouseRecord): HouseEntry {
  return entry;
}
