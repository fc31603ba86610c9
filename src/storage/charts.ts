import { database } from './schema';
import type { TechniqueChart } from '@/core/settings';

export async function ownCharts(): Promise<TechniqueChart[]> {
  return (await database.charts.orderBy('name').toArray()).map(({ name, entries }) => ({ name, entries }));
}

/** A chart of the same name is replaced. */
export async function saveChart({ name, entries }: TechniqueChart): Promise<void> {
  await database.charts.put({ name, entries, changedAt: Date.now() });
}

export async function forgetChart(name: string): Promise<void> {
  await database.charts.delete(name);
}
