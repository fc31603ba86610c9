import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { line, smfBytes } from '../testing/music';
import { trackId } from '@/core/base';
import { enter } from '@/core/documents';
import { forget, houseEntries, learn, saveEntry } from './house-list';
import {
  addOriginal,
  archiveOf,
  archiveWith,
  changeLedger,
  clearUnusedOriginals,
  createJob,
  deleteJob,
  duplicateJob,
  importArchive,
  originalBytes,
  renameJob,
  restoreJob,
  saveOpenQueries,
} from './jobs';
import { database } from './schema';

const flute = { fileName: 'Flute.mid', bytes: smfBytes([{ name: 'Flute', notes: line([60, 4]) }]) };
const oboe = { fileName: 'Oboe.mid', bytes: smfBytes([{ name: 'Oboe', notes: line([62, 4]) }]) };

beforeEach(async () => {
  await Promise.all(database.tables.map((table) => table.clear()));
});

describe('jobs in the browser', () => {
  it('keep their original byte for byte, once, however many jobs hold it', async () => {
    const job = await createJob(flute);
    await createJob({ ...flute, fileName: 'The same.mid' });
    expect(job.name).toBe('Flute');
    expect(await originalBytes(job.originals[0]!.sha256)).toEqual(flute.bytes);
    expect([await database.jobs.count(), await database.originals.count()]).toEqual([2, 1]);
  });
  it('keep name, ledger and the number of open queries', async () => {
    const { id, ledger } = await createJob(flute);
    const left = enter(ledger, { kind: 'leaveOut', tracks: [trackId('t1')] });
    expect(await changeLedger(id, () => left)).toEqual(left);
    await renameJob(id, 'Cue 3');
    await saveOpenQueries(id, 7);
    expect(await database.jobs.get(id)).toMatchObject({ name: 'Cue 3', ledger: left, openQueries: 7 });
  });
  it('can be brought back with their originals for a day after they were deleted', async () => {
    const job = await createJob(flute);
    const hash = job.originals[0]!.sha256;
    const hours = (n: number) => 1_000_000 + n * 3_600_000;
    const deleted = await deleteJob(job.id);
    // The list of jobs is opened, and opened again in another window.
    await clearUnusedOriginals(hours(0));
    await clearUnusedOriginals(hours(20));
    await restoreJob(deleted!);
    await clearUnusedOriginals(hours(30));
    expect(await originalBytes(hash)).toEqual(flute.bytes);
    await deleteJob(job.id);
    await clearUnusedOriginals(hours(40));
    await clearUnusedOriginals(hours(60));
    expect(await originalBytes(hash)).toEqual(flute.bytes);
    await clearUnusedOriginals(hours(65));
    await expect(originalBytes(job.originals[0]!.sha256)).rejects.toThrow(/Drop the file again/);
  });
  it('take further originals, and copies of them stand by themselves', async () => {
    const job = await createJob(flute, { demo: true });
    await addOriginal(job.id, oboe);
    const copy = await duplicateJob(job.id);
    expect(copy.originals.map(({ fileName }) => fileName)).toEqual(['Flute.mid', 'Oboe.mid']);
    expect(copy).not.toHaveProperty('demo');
    await deleteJob(job.id);
    await clearUnusedOriginals();
    expect(await originalBytes(copy.originals[1]!.sha256)).toEqual(oboe.bytes);
    await expect(duplicateJob(job.id)).rejects.toThrow(/no longer in this browser/);
  });
  it('keep what two windows decide, one after the other', async () => {
    const { id } = await createJob(flute);
    const decided = (title: string) => changeLedger(id, (ledger) => enter(ledger, { kind: 'setTitle', title }));
    await Promise.all([decided('one'), decided('two'), decided('three')]);
    const { decisions } = (await database.jobs.get(id))!.ledger;
    expect(decisions.map((one) => one.kind === 'setTitle' && one.title)).toEqual(['one', 'two', 'three']);
    await deleteJob(id);
    await expect(decided('four')).rejects.toThrow(/deleted in another window/);
  });
  it('give an archive of decisions that are not stored', async () => {
    const job = await createJob(flute);
    const { bytes } = await archiveWith(job, enter(job.ledger, { kind: 'setTitle', title: 'Unsaved' }));
    const arrived = await importArchive({ fileName: 'x.zip', bytes });
    expect(arrived.ledger.decisions).toMatchObject([{ title: 'Unsaved' }]);
  });
  it('travel as archives and arrive as they left', async () => {
    const job = await createJob(flute);
    await addOriginal(job.id, oboe);
    await changeLedger(job.id, (ledger) => enter(ledger, { kind: 'setTitle', title: 'Goose' }));
    const archive = await archiveOf(job.id);
    expect(archive.fileName).toBe('Flute.dragoman.zip');
    await Promise.all(database.tables.map((table) => table.clear()));
    const arrived = await importArchive(archive);
    expect(arrived).not.toHaveProperty('direction');
    expect(arrived).toMatchObject({ name: 'Flute', ledger: { position: 1, decisions: [{ title: 'Goose' }] } });
    expect(await originalBytes(arrived.originals[1]!.sha256)).toEqual(oboe.bytes);
  });
  it('with a name of any length travel too', async () => {
    const job = await createJob({ ...flute, fileName: `${'Goose '.repeat(80)}.mid` });
    await renameJob(job.id, 'Gänse '.repeat(200));
    const archive = await archiveOf(job.id);
    expect(archive.fileName.length).toBeLessThan(100);
    expect((await importArchive(archive)).name).toMatch(/^(?:Gänse )+/);
  });
  it('know their direction again', async () => {
    const job = await createJob(flute, { direction: 'to-sequencer' });
    expect(await importArchive(await archiveOf(job.id))).toMatchObject({ direction: 'to-sequencer' });
  });
  it('store nothing of a bad archive', async () => {
    await expect(importArchive({ fileName: 'x.zip', bytes: flute.bytes })).rejects.toThrow(/not a job archive/);
    expect(await database.jobs.count()).toBe(0);
  });
  it('say when the storage is full, and keep what there was', async () => {
    const job = await createJob(flute);
    const full = vi.spyOn(database.jobs, 'update').mockRejectedValue(new Dexie.QuotaExceededError());
    await expect(changeLedger(job.id, (ledger) => ledger)).rejects.toThrow(/storage is full/);
    // As the reason of a transaction that was called off.
    full.mockRejectedValue(Object.assign(new Error('aborted'), { inner: new Dexie.QuotaExceededError() }));
    await expect(renameJob(job.id, 'x')).rejects.toThrow(/storage is full/);
    full.mockRejectedValue(new TypeError('no'));
    await expect(renameJob(job.id, 'x')).rejects.toThrow(TypeError);
    full.mockRestore();
    expect((await database.jobs.get(job.id))!.name).toBe('Flute');
  });
});

describe('the house list in the browser', () => {
  it('adds what it learns to what it knows of a name', async () => {
    await learn([{ pattern: 'vln 1', instrument: 'violin' }]);
    await learn([{ pattern: 'vln 1', partName: 'Violin I' }]);
    expect(await houseEntries()).toEqual([{ pattern: 'vln 1', instrument: 'violin', partName: 'Violin I' }]);
  });
  it('lets lines be changed, named anew and forgotten', async () => {
    await learn([{ pattern: 'vln 1', instrument: 'violin' }]);
    await saveEntry('vln 1', { pattern: 'vln *', instrument: 'viola' });
    expect(await houseEntries()).toEqual([{ pattern: 'vln *', instrument: 'viola' }]);
    await forget('vln *');
    expect(await houseEntries()).toEqual([]);
  });
});
