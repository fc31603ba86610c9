import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { line, smfBytes } from '../testing/music';
import { EMPTY_LEDGER, enter } from '@/core/documents';
import {
  addOriginal,
  archiveOf,
  changeLedger,
  clearUnusedOriginals,
  createJob,
  importArchive,
  originalBytes,
} from './jobs';
import { database } from './schema';
import { goToVersion, takeVersion } from './versions';

const flute = (key: number, fileName = 'Flute.mid') => ({
  fileName,
  bytes: smfBytes([{ name: 'Flute', notes: line([key, 4]) }]),
});
const titled = (title: string) => enter(EMPTY_LEDGER, { kind: 'setTitle', title });

beforeEach(async () => {
  await Promise.all(database.tables.map((table) => table.clear()));
});

describe('versions of a job', () => {
  it('stand beside each other with what was decided about each, and nothing of them is let go', async () => {
    const { id, originals } = await createJob(flute(60));
    await addOriginal(id, flute(72, 'Oboe.mid'));
    await changeLedger(id, () => titled('one'));
    await takeVersion(id, { original: 0, file: flute(62, 'Flute 2.mid'), ledger: titled('two'), of: titled('one') });
    const job = (await database.jobs.get(id))!;
    expect(job.originals.map(({ fileName }) => fileName)).toEqual(['Flute 2.mid', 'Oboe.mid']);
    expect(job.ledger).toEqual(titled('two'));
    expect(job.versions).toMatchObject([{ ledger: titled('one'), originals: [{ fileName: 'Flute.mid' }, {}] }]);
    await clearUnusedOriginals(0);
    await clearUnusedOriginals(Date.now());
    expect(await originalBytes(originals[0]!.sha256)).toEqual(flute(60).bytes);
    await goToVersion(id, 0);
    const back = (await database.jobs.get(id))!;
    expect(back.ledger).toEqual(titled('one'));
    expect(back.versionAt).toBeUndefined();
    expect(back.versions).toMatchObject([{ ledger: titled('two'), at: job.versionAt }]);
    await goToVersion(id, 0);
    expect(await database.jobs.get(id)).toEqual({ ...job, changedAt: expect.any(Number) });
  });

  it('travel with the job’s archive', async () => {
    const { id } = await createJob(flute(60));
    await changeLedger(id, () => titled('one'));
    await takeVersion(id, { original: 0, file: flute(62, 'Flute 2.mid'), ledger: titled('two'), of: titled('one') });
    const { bytes, fileName } = await archiveOf(id);
    const { versions, versionAt, originals, ledger } = (await database.jobs.get(id))!;
    await Promise.all(database.tables.map((table) => table.clear()));
    const again = await importArchive({ fileName, bytes });
    expect(again).toMatchObject({ versions, versionAt, originals, ledger });
    await goToVersion(again.id, 0);
    const back = (await database.jobs.get(again.id))!;
    expect(back.ledger).toEqual(titled('one'));
    expect(await originalBytes(back.originals[0]!.sha256)).toEqual(flute(60).bytes);
  });

  it('are not taken over what another window decided meanwhile', async () => {
    const { id } = await createJob(flute(60));
    await changeLedger(id, () => titled('elsewhere'));
    const version = { original: 0, file: flute(62), ledger: titled('two'), of: EMPTY_LEDGER };
    await expect(takeVersion(id, version)).rejects.toThrow(/another window/);
    expect((await database.jobs.get(id))!.versions).toBeUndefined();
    await expect(takeVersion('nobody', version)).rejects.toThrow(/no longer/);
    await expect(goToVersion(id, 3)).rejects.toThrow(/no longer/);
  });
});
