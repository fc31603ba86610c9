import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { line, smfBytes } from '../../testing/music';
import { engine, exposed } from '../../testing/engine';
import { partId, trackId } from '@/core/base';
import { houseEntries } from '@/storage/house-list';
import { enter } from '@/core/documents';
import { changeLedger, createJob } from '@/storage/jobs';
import { database } from '@/storage/schema';
import { barsOnDesk, madeOnDesk, nameOf, openQueries, partsOnDesk, useWorkspace } from './workspace';

const generation = vi.hoisted(() => ({ of: 0 }));
vi.mock('comlink', () => ({ expose: exposed }));
vi.mock('@/workers/engine-client', async () => {
  const api = await engine();
  return {
    engineWorker: () => api,
    engineGeneration: () => generation.of,
    stopEngine: () => Promise.resolve(api.cancel()),
    asCallback: <T>(callback: T) => callback,
  };
});

const space = () => useWorkspace.getState();
const settled = () => vi.waitFor(() => expect(space().progress).toBeNull(), { timeout: 20_000, interval: 20 });
const decided = async (...decisions: Parameters<ReturnType<typeof space>['decide']>) => {
  space().decide(...decisions);
  await settled();
};
let demo: string;

beforeAll(async () => {
  demo = (await createJob({ fileName: 'Goose.mid', bytes: demoOriginal() })).id;
});
beforeEach(async () => {
  await database.jobs.update(demo, { ledger: { decisions: [], position: 0 }, direction: 'to-score' });
  await space().open(demo, true);
});

describe('the store behind a job', () => {
  it('opens a job and shows its first parts', () => {
    expect(space()).toMatchObject({ direction: 'to-score', original: 'midi', failure: null, progress: null });
    expect(space().passage).toMatchObject({ from: 0, bars: 4, parts: ['t1', 't2', 't3', 't4'] });
    expect([barsOnDesk(space()).length, partsOnDesk(space()).length]).toEqual([28, 12]);
  });
  it('says when a job is not in this browser', async () => {
    await space().open('nothing');
    expect(space().failure).toMatch(/not in this browser/);
    expect(space().job).toBeNull();
  });
  it('enters decisions, stores them, converts, and takes them back', async () => {
    const { edition } = space();
    await decided({ kind: 'setTitle', title: 'Another' });
    expect([space().summary!.title, space().edition]).toEqual(['Another', edition + 1]);
    expect((await database.jobs.get(demo))!.ledger.decisions).toHaveLength(1);
    space().undo();
    await settled();
    expect(space().summary!.title).toBe('The Clockmaker’s Goose, cue 3');
    space().redo();
    await settled();
    space().moveTo(0);
    await settled();
    expect(space().ledger).toMatchObject({ position: 0, decisions: [{ kind: 'setTitle' }] });
    // Nothing to take back: nothing is computed.
    const before = space().edition;
    space().undo();
    expect(space().edition).toBe(before);
  });
  it('learns track names and answers for the next job that has them', async () => {
    await decided({ kind: 'renamePart', part: partId('t1'), name: 'Flute of the house' });
    expect(await houseEntries()).toEqual([{ pattern: 'flt 1 leg', partName: 'Flute of the house' }]);
    const next = await createJob({
      fileName: 'Next.mid',
      bytes: smfBytes([{ name: 'Flt 1 leg', notes: line([84, 4]) }]),
    });
    await space().open(next.id);
    expect(space().ledger!.decisions).toMatchObject([{ kind: 'useHouseList', answers: [{ track: 't1' }] }]);
    expect(space().summary!.parts[0]!.name).toBe('Flute of the house');
    await database.houseList.clear();
  });
  it('goes to a query with its bar and its part in view, and counts those left', async () => {
    const queries = openQueries(madeOnDesk(space()), space().ledger);
    const repeats = queries.find(({ kind }) => kind === 'bar-repeats')!;
    space().point(repeats);
    expect(space().query).toBe(repeats.id);
    expect(space().passage.parts[0]).toBe('t6');
    await decided({ kind: 'dismissQuery', query: repeats.id, reason: '' });
    expect(openQueries(madeOnDesk(space()), space().ledger)).toHaveLength(queries.length - 1);
    expect((await database.jobs.get(demo))!.openQueries).toBe(queries.length - 1);
    space().point(null);
    expect(space().query).toBeNull();
  });
  it('shows no bar beyond the last, nor before the first', () => {
    space().show({ from: 999 });
    expect(space().passage.from).toBe(27);
    space().show({ from: -3, bars: 2 });
    expect(space().passage).toMatchObject({ from: 0, bars: 2 });
  });
  it('picks notes, more of them, of other parts too, and lets go', () => {
    const [flute, horn] = [partId('t1'), partId('t4')];
    space().pick(flute, [1]);
    space().pick(flute, [2], true);
    expect(space().picked).toEqual({ part: flute, notes: [1, 2], beside: [] });
    space().pick(flute, [1], true);
    expect(space().picked).toEqual({ part: flute, notes: [2], beside: [] });
    space().pick(horn, [9], true);
    expect(space().picked).toEqual({ part: flute, notes: [2], beside: [{ part: horn, notes: [9] }] });
    space().pick(flute, [2], true);
    expect(space().picked).toEqual({ part: horn, notes: [9], beside: [] });
    space().pick(horn, [9], true);
    expect(space().picked).toBeNull();
  });
  it('turns the other way with the same original, and back', async () => {
    await space().turn('to-sequencer');
    expect(space().sequence).toMatchObject({ kind: 'midi' });
    expect(barsOnDesk(space())).toHaveLength(28);
    await space().turn('to-score');
    expect(space().summary!.parts).toHaveLength(12);
  });
  it('stops when told to, and says that what is shown is older', async () => {
    space().decide({ kind: 'setTitle', title: 'Stopped' });
    space().cancel();
    expect(space()).toMatchObject({ stale: true, progress: null });
    await space().compute();
    expect(space()).toMatchObject({ stale: false, summary: { title: 'Stopped' } });
  });
  it('puts what it decides on top of what another window decided, and says so', async () => {
    await changeLedger(demo, (ledger) => enter(ledger, { kind: 'setComposer', composer: 'Elsewhere' }));
    await vi.waitFor(() => expect(space().changedElsewhere).toBe(true));
    await settled();
    await decided({ kind: 'setTitle', title: 'Here' });
    const stored = (await database.jobs.get(demo))!.ledger.decisions.map(({ kind }) => kind);
    expect(stored).toEqual(['setComposer', 'setTitle']);
    expect(space().summary!.title).toBe('Here');
    space().noticed();
    expect(space().changedElsewhere).toBe(false);
  });
  it('stores decisions made in one breath once each, in order', async () => {
    space().decide({ kind: 'setTitle', title: 'One' });
    space().decide({ kind: 'setComposer', composer: 'Two' });
    space().decide({ kind: 'setTitle', title: 'Three' });
    await settled();
    await space().saveAgain();
    const stored = (await database.jobs.get(demo))!.ledger;
    expect(stored.decisions.map(({ kind }) => kind)).toEqual(['setTitle', 'setComposer', 'setTitle']);
    expect(space().ledger).toEqual(stored);
    expect(space().changedElsewhere).toBe(false);
  });
  it('still has what could not be stored when the job is opened again', async () => {
    const full = vi.spyOn(database.jobs, 'update').mockRejectedValue(new Dexie.QuotaExceededError());
    await decided({ kind: 'setTitle', title: 'Kept' });
    await space().open(demo, true);
    expect(space().summary!.title).toBe('Kept');
    await vi.waitFor(() => expect(space().unsaved).toMatch(/storage is full/));
    full.mockRestore();
    await space().saveAgain();
    expect((await database.jobs.get(demo))!.ledger.decisions).toMatchObject([{ title: 'Kept' }]);
    expect(space()).toMatchObject({ unsaved: null, changedElsewhere: false });
  });
  it('keeps what could not be stored, says so until it is, and stores all of it', async () => {
    const full = vi.spyOn(database.jobs, 'update').mockRejectedValue(new Dexie.QuotaExceededError());
    await decided({ kind: 'setTitle', title: 'One' });
    await decided({ kind: 'setComposer', composer: 'Two' });
    await vi.waitFor(() => expect(space().unsaved).toMatch(/storage is full/));
    expect(space().ledger!.decisions).toHaveLength(2);
    expect((await database.jobs.get(demo))!.ledger.decisions).toEqual([]);
    full.mockRestore();
    await space().saveAgain();
    expect(space().unsaved).toBeNull();
    expect((await database.jobs.get(demo))!.ledger.decisions).toMatchObject([{ title: 'One' }, { composer: 'Two' }]);
  });
  it('lays the originals out again when the engine was started again', async () => {
    generation.of++;
    const { edition } = space();
    await decided({ kind: 'setTitle', title: 'After' });
    expect(space()).toMatchObject({ failure: null, edition: edition + 1, summary: { title: 'After' } });
  });
  it('names tracks and parts as people know them', async () => {
    const name = (id: string) => nameOf(space().summary, space().opened, partId(id), space().sequence);
    expect([name('t1'), name('t13'), name('t99')]).toEqual(['Flute', space().opened!.survey.tracks[13]!.name, 't99']);
    // A player that is not dealt out any more.
    expect(name('t8p2')).toBe('Violin 1 2');
    await decided({
      kind: 'dealOut',
      track: trackId('t4'),
      deal: { to: 'players', players: 2, spare: 'double', lines: 'smooth', order: 'straight' },
    });
    expect([name('t4'), name('t4p2')]).toEqual(['Horn in F 1', 'Horn in F 2']);
  });
});
