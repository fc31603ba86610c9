import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { afterAll, describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { filesOfZip, verifyParcel } from '../../core/verify';
import { HOUSE_RECIPES, writeRecipe } from '../../core/documents';
import { smfBytes } from '../../testing/music';
import { isInShard, namesOnList } from './names';
import type { BatchSummary } from './summary';

/* The command as people call it: a process of its own, on folders of files of which some are broken. */

const root = mkdtempSync(join(tmpdir(), 'dragoman-batch-'));
afterAll(() => rmSync(root, { recursive: true }));

const cue = (n: number) =>
  smfBytes([
    { name: 'Flute', notes: Array.from({ length: 8 }, (_, i) => ({ key: 72 + ((i * n) % 7), at: i, length: 1 })) },
    { name: 'Violoncello', notes: Array.from({ length: 4 }, (_, i) => ({ key: 48 + n, at: 2 * i, length: 2 })) },
  ]);

function folderOf(name: string, files: Record<string, Uint8Array | string>): string {
  const folder = join(root, name);
  for (const [file, content] of Object.entries(files)) {
    mkdirSync(join(folder, file, '..'), { recursive: true });
    writeFileSync(join(folder, file), content);
  }
  return folder;
}

const COMMAND = ['dist/dragoman.mjs', 'batch'];
const SCORES = ['--recipe', 'Notation program', '--date', '2026-03-31'];

function batch(args: string[], input = '') {
  const { status, stdout, stderr } = spawnSync('node', [...COMMAND, ...args], { encoding: 'utf8', input });
  return { status, stdout, stderr };
}

const summaryIn = (output: string, file = 'summary.json') =>
  JSON.parse(readFileSync(join(output, file), 'utf8')) as BatchSummary;

/** Every file that was made, with its hash; what is only known to the batch is left away. */
function hashesIn(folder: string, under = ''): Record<string, string> {
  return Object.fromEntries(
    readdirSync(join(folder, under), { withFileTypes: true }).flatMap((entry): [string, string][] => {
      const path = under ? `${under}/${entry.name}` : entry.name;
      if (entry.name === '.dragoman' || entry.name.startsWith('summary')) return [];
      if (entry.isDirectory()) return Object.entries(hashesIn(folder, path));
      return [
        [
          path,
          createHash('sha256')
            .update(readFileSync(join(folder, path)))
            .digest('hex'),
        ],
      ];
    }),
  );
}

const mixed = folderOf('mixed', {
  'act 1/cue 1.mid': cue(1),
  'act 1/cue 2.mid': cue(2),
  'act 2/cue 1.mid': cue(3),
  'cue 4.mid': 'MThd and nothing more',
  'cue 5.musicxml': '<score-partwise>',
  'notes.txt': 'not music',
  '.hidden.mid': cue(1),
});

describe('a batch', () => {
  it('works on every file, whatever happens to some, and says what became of each', () => {
    const output = join(root, 'mixed out');
    const { status, stdout, stderr } = batch([mixed, '-o', output, ...SCORES]);
    expect(status).toBe(1);
    const summary = summaryIn(output);
    expect(summary).toMatchObject({ files: 5, done: 3, unchanged: 0, failed: 2, notes: 36 });
    expect(Object.keys(hashesIn(output))).toEqual([
      'act 1/cue 1 Score v1.musicxml',
      'act 1/cue 2 Score v1.musicxml',
      'act 2/cue 1 Score v1.musicxml',
    ]);
    const of = (name: string) => summary.outcomes.find((one) => one.name === name)!;
    expect(of('act 1/cue 1.mid')).toMatchObject({ state: 'done', parts: 2, bars: 2, notes: 12, findings: [] });
    expect(of('act 1/cue 1.mid').agreement).toMatch(/12 notes/);
    expect(of('cue 4.mid')).toMatchObject({ state: 'failed', files: [] });
    expect(of('cue 5.musicxml').why).toMatch(/\.$/);
    expect(stderr).toMatch(/^cue 4\.mid: .+$/m);
    expect(stdout).toMatch(/^cue 5\.musicxml +failed/m);
    expect(stdout).toContain('5 files: 3 done, 0 unchanged, 2 failed; 36 notes');

    // Again: what is done and unchanged is not done again; what was changed or lost is.
    const made = (name: string) => statSync(join(output, `${name} Score v1.musicxml`)).mtimeMs;
    const before = made('act 1/cue 1');
    rmSync(join(output, 'act 1/cue 2 Score v1.musicxml'));
    writeFileSync(join(mixed, 'act 2/cue 1.mid'), cue(4));
    expect(batch([mixed, '-o', output, ...SCORES]).status).toBe(1);
    expect(summaryIn(output)).toMatchObject({ done: 2, unchanged: 1, failed: 2, notes: 36 });
    expect(made('act 1/cue 1')).toBe(before);
    // Another recipe makes something else.
    expect(batch([mixed, '-o', output, '--recipe', 'Sequencer']).status).toBe(1);
    expect(summaryIn(output)).toMatchObject({ done: 3, unchanged: 0 });
  });

  it('is shared between four processes on one folder: together they do what one does, and nothing twice', async () => {
    const files = Object.fromEntries(Array.from({ length: 12 }, (_, n) => [`cue ${n}.mid`, cue(n)]));
    const folder = folderOf('shared', files);
    const [alone, together] = [join(root, 'alone'), join(root, 'together')];
    expect(batch([folder, '-o', alone, ...SCORES]).status).toBe(0);
    const codes = await Promise.all(
      [1, 2, 3, 4].map(
        (i) =>
          new Promise((resolve) =>
            spawn('node', [...COMMAND, folder, '-o', together, '--shard', `${i}/4`, '--jobs', '1', ...SCORES]).on(
              'close',
              resolve,
            ),
          ),
      ),
    );
    expect(codes).toEqual([0, 0, 0, 0]);
    expect(hashesIn(together)).toEqual(hashesIn(alone));
    const names = [1, 2, 3, 4].flatMap((i) =>
      summaryIn(together, `summary ${i} of 4.json`).outcomes.map(({ name, state }) => `${name} ${state}`),
    );
    expect(names.sort()).toEqual(
      Object.keys(files)
        .map((name) => `${name} done`)
        .sort(),
    );
  });

  it('overwrites nothing that it has not made, and tells files of one name apart', () => {
    const folder = folderOf('alike', { 'cue.mid': cue(1), 'cue.MIDI': cue(2), 'solo.mid': cue(3) });
    const output = join(root, 'alike out');
    mkdirSync(output);
    writeFileSync(join(output, 'solo Score v1.musicxml'), 'mine');
    const { status, stderr } = batch([folder, '-o', output, ...SCORES]);
    expect(status).toBe(1);
    expect(stderr).toContain('solo.mid: “solo Score v1.musicxml” already exists and was not made by this batch');
    expect(readFileSync(join(output, 'solo Score v1.musicxml'), 'utf8')).toBe('mine');
    expect(Object.keys(hashesIn(output))).toEqual([
      'cue MIDI Score v1.musicxml',
      'cue mid Score v1.musicxml',
      'solo Score v1.musicxml',
    ]);
  });

  it('takes names from a list, makes parcels, and follows the house list', async () => {
    const gander = smfBytes([{ name: 'Gander', notes: [{ key: 84, at: 0, length: 4 }] }]);
    const folder = folderOf('listed', { 'goose.mid': demoOriginal(), 'other.mid': cue(1), 'own.mid': gander });
    const output = join(root, 'listed out');
    const recipe = join(root, 'mine.json');
    const wanted = { ...HOUSE_RECIPES[3]!, sound: null, name: 'Mine', pattern: '{cue} {part}' };
    writeFileSync(recipe, writeRecipe(wanted));
    const house = join(root, 'house.json');
    const entries = [{ pattern: 'gander', instrument: 'piccolo' }];
    writeFileSync(house, JSON.stringify({ format: 'dragoman-house-list', version: 1, entries }));
    const args = [folder, '-o', output, '--recipe', recipe, '--list', '--parcel', '--house-list', house];
    const { status, stderr } = batch(args, 'goose.mid\n\nmissing.mid\nown.mid\n');
    expect(stderr).toMatch(/^missing\.mid: There is no such file\.$/m);
    expect(status).toBe(1);
    const parcel = unzipSync(readFileSync(join(output, 'goose.zip')));
    expect(Object.keys(parcel)).toEqual([
      'Contents.txt',
      'claims.json',
      'SHA256SUMS.txt',
      'Score/goose Score.musicxml',
      'MIDI/goose.mid',
      'Studio/goose Studio map.mid',
      'Lists/goose Tracks.csv',
      'Lists/goose Times.csv',
      'Lists/goose Queries.txt',
      'Originals/goose.mid',
    ]);
    expect(Buffer.from(parcel['Originals/goose.mid']!).equals(demoOriginal())).toBe(true);
    const verdicts = await verifyParcel(filesOfZip(new Uint8Array(readFileSync(join(output, 'goose.zip')))));
    expect(verdicts.length).toBeGreaterThan(8);
    expect(verdicts.filter(({ ok }) => !ok)).toEqual([]);
    const own = unzipSync(readFileSync(join(output, 'own.zip')));
    expect(Buffer.from(own['Lists/own Tracks.csv']!).toString()).toMatch(/Gander,Piccolo/);
  });

  it('makes pages and sound as well', () => {
    const folder = folderOf('small', { 'cue.mid': cue(1) });
    const recipe = join(root, 'paper.json');
    const [, , , parcel, , print] = HOUSE_RECIPES;
    writeFileSync(recipe, writeRecipe({ ...print!, sound: { ...parcel!.sound!, stems: true, sampleRate: 44100 } }));
    const output = join(root, 'small out');
    expect(batch([folder, '-o', output, '--recipe', recipe])).toMatchObject({ status: 0 });
    const made = Object.keys(hashesIn(output));
    expect(made).toEqual([
      'cue/Pages/cue Flute v1.pdf',
      'cue/Pages/cue Score v1.pdf',
      'cue/Pages/cue Violoncello v1.pdf',
      'cue/Sound/cue Flute v1.wav',
      'cue/Sound/cue Mix v1.wav',
      'cue/Sound/cue Violoncello v1.wav',
    ]);
    const read = (path: string) => readFileSync(join(output, path));
    expect(read(made[0]!).toString('latin1')).toMatch(/^%PDF-[\s\S]*\/Type \/Page\b/);
    const [flute, mix, cello] = made.slice(3).map((path) => samplesOf(read(path)));
    // Stems are turned down as the mix is: together they are the mix, to a few steps of 16 bits for each.
    const apart = mix!.map((x, i) => Math.abs(x - flute![i]! - cello![i]!));
    const most = (list: readonly number[]) => list.reduce((loudest, x) => Math.max(loudest, Math.abs(x)), 0);
    expect(most(mix!)).toBeGreaterThan(1000);
    expect(most(apart)).toBeLessThan(most(mix!) / 20);
  });

  it.each([
    ['no recipe', [mixed, '-o', 'x'], 2, /^Usage/],
    ['a recipe nobody knows', [mixed, '-o', 'x', '--recipe', 'Concert'], 2, /one of “Notation program”/],
    ['its own folder to write into', [mixed, '-o', join(mixed, '.'), ...SCORES], 2, /another folder than/],
    ['a share that is none', [mixed, '-o', 'x', ...SCORES, '--shard', '5/4'], 2, /a share such as 3\/16/],
    ['a day that is none', [mixed, '-o', 'x', '--recipe', 'Print', '--date', 'today'], 2, /as 2026-03-31/],
    [
      'a folder that is not there',
      [join(root, 'nowhere'), '-o', join(root, 'x'), ...SCORES],
      1,
      /there is no such folder/,
    ],
  ] as const)('ends well on %s', (_, args, code, words) => {
    const { status, stderr } = batch([...args]);
    expect(status).toBe(code);
    expect(stderr).toMatch(words);
    expect(stderr).not.toMatch(/\n\s+at /);
  });
});

describe('names of a batch', () => {
  it('fall into exactly one share each, and evenly', () => {
    const names = Array.from({ length: 16_000 }, (_, i) => `library/${i % 97}/file ${i}.mid`);
    const shares = Array.from({ length: 16 }, (_, i) =>
      names.filter((name) => isInShard(name, { index: i + 1, of: 16 })),
    );
    expect(shares.flat().sort()).toEqual([...names].sort());
    for (const share of shares) expect(Math.abs(share.length - 1000)).toBeLessThan(150);
  });
  it('stay inside their folder', () => {
    expect(namesOnList('a.mid\r\nb/c.mid\n\na.mid\n')).toEqual(['a.mid', 'b/c.mid']);
    for (const strange of ['../x.mid', '/etc/passwd', 'a/../../b.mid'])
      expect(() => namesOnList(strange)).toThrow(/not inside the folder/);
  });
});

/** The left side of a WAV file of 16 bits in stereo. */
function samplesOf(wav: Buffer): number[] {
  const data = wav.indexOf('data') + 8;
  return Array.from({ length: Math.floor((wav.length - data) / 4) }, (_, i) => wav.readInt16LE(data + 4 * i));
}
