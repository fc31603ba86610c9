import { guarded } from './guarded';
import { database, type JobFacts, type JobRecord, type ShowRecord } from './schema';

/* Shows: jobs that belong together, as cues in an order. */

export async function createShow(name: string, jobs: readonly string[], recipe: string): Promise<ShowRecord> {
  const now = Date.now();
  const show: ShowRecord = { id: crypto.randomUUID(), name, recipe, createdAt: now, changedAt: now };
  await guarded(() =>
    database.transaction('rw', database.shows, database.jobs, async () => {
      await database.shows.add(show);
      for (const job of jobs) await database.jobs.update(job, { show: show.id });
    }),
  );
  return show;
}

/** The last changed first. */
export async function shows(): Promise<(ShowRecord & { cues: number })[]> {
  const all = await database.shows.orderBy('changedAt').reverse().toArray();
  return Promise.all(
    all.map(async (show) => ({ ...show, cues: await database.jobs.where('show').equals(show.id).count() })),
  );
}

/** Cues in the order of their names, numbers as numbers. */
export async function cuesOf(show: string): Promise<JobRecord[]> {
  const cues = await database.jobs.where('show').equals(show).toArray();
  return cues.sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }));
}

export async function addCues(show: string, jobs: readonly string[]): Promise<void> {
  await guarded(() =>
    database.transaction('rw', database.shows, database.jobs, async () => {
      for (const job of jobs) await database.jobs.update(job, { show });
      await database.shows.update(show, { changedAt: Date.now() });
    }),
  );
}

/** The job stays, for itself. */
export async function takeOutCue(job: string): Promise<void> {
  await database.jobs.update(job, { show: undefined });
}

export async function changeShow(id: string, change: Partial<Pick<ShowRecord, 'name' | 'recipe'>>): Promise<void> {
  await guarded(() => database.shows.update(id, { ...change, changedAt: Date.now() }));
}

/** The cues stay, as jobs for themselves. */
export async function dissolveShow(id: string): Promise<void> {
  await database.transaction('rw', database.shows, database.jobs, async () => {
    await database.jobs.where('show').equals(id).modify({ show: undefined });
    await database.shows.delete(id);
  });
}

/** What was found out about a job without opening it; the job itself is not changed. */
export async function saveFacts(job: string, facts: JobFacts): Promise<void> {
  await guarded(() => database.jobs.update(job, { facts, openQueries: facts.openQueries }));
}
