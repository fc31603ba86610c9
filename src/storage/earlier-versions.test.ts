import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../demo/make';
import { ScoreDesk } from '@/core/engine';
import { parseJob, settingsOf, type Ledger } from '@/core/documents';
import { openDatabase, type JobRecord } from './schema';
import stored from './fixtures/decisions-by-version.json';

/*
 * Jobs as each version of the storage kept them. The fixture holds the decisions that were new with each, as they were
 * written then; ids of notes and tracks are those of the demo.
 */

const STORES: Record<string, string>[] = [
  { jobs: 'id, changedAt', originals: 'sha256' },
  { houseList: 'pattern' },
  { drumMaps: 'name' },
  { charts: 'name' },
];
const SHA = 'a'.repeat(64);

/** As the first version wrote it: no direction, no house list asked. */
const record = (ledger: Ledger) => ({
  id: 'job-1',
  name: 'Goose',
  createdAt: 1,
  changedAt: 2,
  originals: [{ sha256: SHA, fileName: 'goose.mid', size: 10 }],
  ledger,
  openQueries: null,
});

// Checked where they are read.
const ledgerOf = (decisions: unknown[]) => ({ decisions, position: decisions.length }) as unknown as Ledger;

describe.each(stored)('what version $database kept', ({ database: version, decisions }) => {
  it(`opens, and its ${decisions.length} kinds of decision still count`, async () => {
    const name = `kept-by-${version}-${decisions.length}`;
    const old = new Dexie(name);
    STORES.slice(0, version).forEach((stores, i) => old.version(i + 1).stores(stores));
    await old.table('jobs').add(record(ledgerOf(decisions)));
    await old.table('originals').add({ sha256: SHA, bytes: demoOriginal() });
    old.close();
    const now = openDatabase(name);
    const job: JobRecord = (await now.jobs.get('job-1'))!;
    const { bytes } = (await now.originals.get(SHA))!;
    now.close();
    const settings = settingsOf(job.ledger);
    const { score } = ScoreDesk.open([bytes], settings).convert(settings);
    expect(score.bars.length).toBeGreaterThan(20);
    expect(settings).not.toEqual(settingsOf(ledgerOf([])));
  });
  it('is taken as a job file too', () => {
    const { id: _id, createdAt: _c, changedAt: _d, openQueries: _o, ...job } = record(ledgerOf(decisions));
    const text = JSON.stringify({ format: 'dragoman-job', version: 1, ...job });
    expect(parseJob(text, 'job.json').ledger.decisions).toEqual(decisions);
  });
});
