/* Sounds that are the user's: a bank for every job, a recording for one. */
import { guarded } from './guarded';
import { database, type BankRecord, type ReferenceRecord } from './schema';

export async function keptBank(): Promise<BankRecord | null> {
  return (await database.banks.get('own')) ?? null;
}

export async function keepBank({ name, bytes }: Pick<BankRecord, 'name' | 'bytes'>): Promise<void> {
  await guarded(() => database.banks.put({ key: 'own', name, bytes }));
}

export async function forgetBank(): Promise<void> {
  await database.banks.delete('own');
}

/** The recording that lies beside a job. */
export async function referenceOf(job: string): Promise<ReferenceRecord | null> {
  return (await database.references.get(job)) ?? null;
}

export async function keepReference(reference: ReferenceRecord): Promise<void> {
  await guarded(() => database.references.put(reference));
}

/** @param offset seconds from the recording's beginning to the first bar's */
export async function moveReference(job: string, offset: number): Promise<void> {
  await database.references.update(job, { offset });
}

export async function forgetReference(job: string): Promise<void> {
  await database.references.delete(job);
}
