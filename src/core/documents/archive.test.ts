import { trackId } from '../base';
import { createHash } from 'node:crypto';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { enter, EMPTY_LEDGER, JobError, packArchive, unpackArchive, type ArchivedJob } from './index';

const sha256 = async (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');
const bytes = demoOriginal();
const hash = createHash('sha256').update(bytes).digest('hex');
const job: ArchivedJob = {
  name: 'Goose for Friday',
  originals: [{ fileName: 'goose.mid', sha256: hash, size: bytes.length, bytes }],
  ledger: enter(enter(EMPTY_LEDGER, { kind: 'leaveOut', tracks: [trackId('t2')] }), {
    kind: 'setTitle',
    title: 'Gans',
  }),
};
const document = (change: (plain: Record<string, unknown>) => void = () => {}) => {
  const plain = {
    format: 'dragoman-job',
    version: 1,
    name: 'x',
    originals: [{ fileName: 'goose.mid', sha256: hash, size: bytes.length }],
    ledger: { decisions: [], position: 0 },
  } as Record<string, unknown>;
  change(plain);
  return strToU8(JSON.stringify(plain));
};
const open = (zip: Uint8Array) => unpackArchive(zip, 'x.dragoman.zip', sha256);

describe('job archives', () => {
  it('come back with the same name, decisions and bytes, and pack to the same bytes', async () => {
    const packed = packArchive(job);
    expect(await open(packed)).toEqual(job);
    expect(packArchive(job)).toEqual(packed);
  });

  it('carry the versions that stand beside the one that is worked on', async () => {
    const older = strToU8('an older file');
    const versions = [
      {
        originals: [{ fileName: 'goose 1.mid', sha256: await sha256(older), size: older.length, bytes: older }],
        ledger: EMPTY_LEDGER,
      },
      { originals: job.originals, ledger: job.ledger, at: 1_700_000_000_000 },
    ];
    const whole: ArchivedJob = { ...job, versionAt: 1_800_000_000_000, versions };
    expect(await open(packArchive(whole))).toEqual(whole);
    // The same file is there once, however many versions have it.
    expect(Object.keys(unzipSync(packArchive(whole)))).toHaveLength(3);
    const damaged = document((plain) => {
      plain.versions = [{ originals: plain.originals, ledger: { decisions: [], position: 1 } }];
    });
    await expect(open(zipSync({ 'job.json': damaged, [`originals/${hash}`]: bytes }))).rejects.toThrow(
      /ledger stands at line 1 of 0/,
    );
  });

  const bad: [string, Uint8Array, RegExp][] = [
    ['no zip', strToU8('hello'), /not a job archive/],
    ['an empty file', new Uint8Array(), /not a job archive/],
    ['a zip without a job', zipSync({ 'readme.txt': strToU8('x') }), /not a job archive/],
    ['a zip cut short', packArchive(job).slice(0, 2000), /not a job archive/],
    ['a missing original', zipSync({ 'job.json': document() }), /lacks an original/],
    [
      'a changed original',
      zipSync({ 'job.json': document(), [`originals/${hash}`]: bytes.map((byte) => byte ^ 1) }),
      /is not the file/,
    ],
    [
      'a path that climbs out',
      zipSync({ 'job.json': document(), [`../originals/${hash}`]: bytes }),
      /lacks an original/,
    ],
    [
      'an unknown version',
      zipSync({ 'job.json': document((plain) => (plain.version = 2)), [`originals/${hash}`]: bytes }),
      /version 2/,
    ],
    ['no original at all', zipSync({ 'job.json': document((plain) => (plain.originals = [])) }), /has no original/],
  ];
  it.each(bad)('are refused with one sentence: %s', async (_, zip, words) => {
    await expect(open(zip)).rejects.toThrow(JobError);
    await expect(open(zip)).rejects.toThrow(words);
  });

  it('do not unpack to more than the limit, whatever they hold', async () => {
    const zeros = new Uint8Array(3 << 20);
    const entries = Object.fromEntries(['a', 'b', 'c'].map((letter) => [`originals/${letter.repeat(64)}`, zeros]));
    const bomb = zipSync({ 'job.json': document(), ...entries }, { level: 1 });
    expect(bomb.length).toBeLessThan(1 << 17);
    await expect(unpackArchive(bomb, 'bomb.zip', sha256, 8 << 20)).rejects.toThrow(/more than 8 MiB/);
  });
});
