import { database, type HabitRecord } from './schema';

/** Answered so often alike in a row, a query offers the answer first. */
const A_HABIT = 2;

/** How each kind of query is usually answered in this house. */
export async function habits(): Promise<ReadonlyMap<string, string>> {
  const kept = await database.habits.toArray();
  return new Map(kept.filter(({ times }) => times >= A_HABIT).map(({ kind, like }) => [kind, like]));
}

export async function keptHabits(): Promise<HabitRecord[]> {
  return database.habits.orderBy('kind').toArray();
}

/** Remembers how a query was answered; another answer begins anew. */
export async function rememberHabit(kind: string, like: string): Promise<void> {
  await database.transaction('rw', database.habits, async () => {
    const known = await database.habits.get(kind);
    const times = known?.like === like ? known.times + 1 : 1;
    await database.habits.put({ kind, like, times, changedAt: Date.now() });
  });
}

/** An answer that was undone is no habit, nor the beginning of one. */
export async function unlearnHabit(kind: string, like: string): Promise<void> {
  await database.transaction('rw', database.habits, async () => {
    const known = await database.habits.get(kind);
    if (known?.like !== like) return;
    if (known.times <= 1) await database.habits.delete(kind);
    else await database.habits.put({ ...known, times: known.times - 1 });
  });
}

export async function forgetHabit(kind: string): Promise<void> {
  await database.habits.delete(kind);
}
