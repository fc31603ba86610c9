import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { clearUnusedOriginals, createJob, deleteJob, restoreJob } from './jobs';
import { database } from './schema';
import { forgetBank, forgetReference, keepBank, keepReference, keptBank, moveReference, referenceOf } from './sounds';

const bytes = new Uint8Array([1, 2, 3]);
const DAY = 24 * 60 * 60 * 1000;

beforeEach(async () => {
  await database.delete();
  await database.open();
});

describe('sounds of the user’s', () => {
  it('a bank is kept, replaced and forgotten', async () => {
    expect(await keptBank()).toBeNull();
    await keepBank({ name: 'one.sf2', bytes });
    await keepBank({ name: 'two.sf3', bytes });
    expect((await keptBank())!.name).toBe('two.sf3');
    await forgetBank();
    expect(await keptBank()).toBeNull();
  });
  it('a recording lies beside its job, is moved, and taken away', async () => {
    await keepReference({ job: 'a', fileName: 'take.wav', bytes, offset: 0 });
    await moveReference('a', 1.25);
    expect(await referenceOf('a')).toMatchObject({ fileName: 'take.wav', offset: 1.25 });
    expect(await referenceOf('b')).toBeNull();
    await forgetReference('a');
    expect(await referenceOf('a')).toBeNull();
  });
  it('a recording outlives its job by a day, so that both can be brought back', async () => {
    const { id } = await createJob({ fileName: 'a.mid', bytes });
    await keepReference({ job: id, fileName: 'take.wav', bytes, offset: 0 });
    const job = await deleteJob(id);
    await clearUnusedOriginals(1000);
    await clearUnusedOriginals(1000 + DAY / 2);
    expect(await referenceOf(id)).not.toBeNull();
    await restoreJob(job!);
    await clearUnusedOriginals(1000 + 2 * DAY);
    expect(await referenceOf(id)).toMatchObject({ fileName: 'take.wav' });
    await deleteJob(id);
    await clearUnusedOriginals(3 * DAY);
    await clearUnusedOriginals(5 * DAY);
    expect(await referenceOf(id)).toBeNull();
  });
});
