import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { readSmf, writeSmf } from '../core/smf';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { strFromU8, unzipSync } from 'fflate';
import { describe, expect, it, vi } from 'vitest';
import { demoOriginal } from '../../demo/make';
import { packParcel, withContents } from '../core/dispatch';
import { run } from './run';

const folder = mkdtempSync(join(tmpdir(), 'dragoman-cli-'));
const demo = join(folder, 'demo.mid');
writeFileSync(demo, demoOriginal());

/** As a process of its own, the way people call it. */
function spawned(...args: string[]) {
  const { status, stdout, stderr } = spawnSync('node', ['dist/dragoman.mjs', ...args], {
    encoding: 'utf8',
    maxBuffer: 1 << 26,
  });
  return { status, stdout, stderr };
}

/** The same without starting a process each time. */
async function dragoman(...args: string[]) {
  const said = { stdout: '', stderr: '' };
  const out = vi.spyOn(console, 'log').mockImplementation((line: string) => void (said.stdout += `${line}\n`));
  const err = vi.spyOn(console, 'error').mockImplementation((line: string) => void (said.stderr += `${line}\n`));
  const status = await run(args);
  out.mockRestore();
  err.mockRestore();
  return { status, ...said };
}

function writeJob(fileName: string, decisions: unknown[], position = decisions.length): void {
  const ledger = { decisions, position };
  writeFileSync(fileName, JSON.stringify({ format: 'dragoman-job', version: 1, name: 'x', originals: [], ledger }));
}

describe('command line', () => {
  it('is a process that ends with a code and says what is wrong in a line', async () => {
    expect(spawned('inspect', demo)).toEqual(await dragoman('inspect', demo));
    const refused = spawned('inspect', join(folder, 'nothing-here.mid'));
    expect(refused).toEqual(await dragoman('inspect', join(folder, 'nothing-here.mid')));
    expect(refused.status).toBe(1);
    expect(spawned('dance').status).toBe(2);
  });
  it('inspects a file as JSON', async () => {
    const { status, stdout } = await dragoman('inspect', demo);
    expect(status).toBe(0);
    const facts = JSON.parse(stdout);
    expect(facts).toMatchObject({ kind: 'midi', format: 1, ticksPerQuarter: 480, bars: 28 });
    expect(facts.tracks).toHaveLength(14);
    expect(facts.tracks[8]).toMatchObject({
      index: 8,
      name: 'VLN 1 leg close',
      channels: [7],
      programs: [49],
      notes: 50,
      maxAtOnce: 2,
      technique: 'legato',
      state: 'music',
      instrument: { id: 'violin' },
    });
    expect(facts.tracks[13].state).toBe('empty');
    for (const key of ['tempos', 'meters', 'keys', 'markers', 'warnings', 'durationSeconds'])
      expect(facts).toHaveProperty(key);
  });

  it('inspects a score as well', async () => {
    const score = join(folder, 'inspected.mxl');
    expect((await dragoman('to-score', demo, '-o', score)).status).toBe(0);
    const facts = JSON.parse((await dragoman('inspect', score)).stdout);
    expect(facts).toMatchObject({ kind: 'score', bars: 28, barsAsPlayed: 28, warnings: [] });
    expect(facts.parts[0]).toMatchObject({ name: 'Flute', instrument: 'flute', notes: 123 });
  });

  it('writes MusicXML, plain and compressed, with a report, by the decisions of a job', async () => {
    const plain = join(folder, 'out.musicxml');
    const packed = join(folder, 'out.mxl');
    const report = join(folder, 'report.json');
    expect((await dragoman('to-score', demo, '-o', plain, '--report', report)).status).toBe(0);
    expect(readFileSync(plain, 'utf8')).toContain('<part-name>Bassoon</part-name>');
    expect(JSON.parse(readFileSync(report, 'utf8')).parts.map((part: { name: string }) => part.name)).toHaveLength(12);
    const job = join(folder, 'job.json');
    const decisions = [
      { kind: 'leaveOut', tracks: ['t3'] },
      { kind: 'renamePart', part: 't1', name: 'Traverso' },
      // Part ids of players that only a decision made.
      {
        kind: 'dealOut',
        track: 't4',
        deal: { to: 'players', players: 2, spare: 'double', lines: 'smooth', order: 'straight' },
      },
      { kind: 'renamePart', part: 't4p2', name: 'Second Horn' },
    ];
    writeJob(job, decisions, 2);
    expect((await dragoman('to-score', demo, '-o', packed, '--job', job)).status).toBe(0);
    const text = strFromU8(unzipSync(readFileSync(packed))['score.musicxml']!);
    expect(text).toContain('Traverso');
    expect(text).not.toContain('Bassoon');
  });

  it('turns a score into clean MIDI, and MIDI into cleaner MIDI', async () => {
    const xml = join(folder, 'score.musicxml');
    const midi = join(folder, 'score.mid');
    const report = join(folder, 'midi-report.json');
    expect((await dragoman('to-score', demo, '-o', xml)).status).toBe(0);
    expect(await dragoman('to-midi', xml, '-o', midi, '--report', report)).toMatchObject({ status: 0, stderr: '' });
    const facts = JSON.parse((await dragoman('inspect', midi)).stdout);
    expect(facts.tracks.map((track: { name: string }) => track.name).slice(1, 4)).toEqual([
      'Flute',
      'Clarinet in B♭',
      'Bassoon',
    ]);
    expect(
      facts.tracks.every(
        (track: { controllers: unknown[]; programs: unknown[] }) =>
          track.controllers.length === 0 && track.programs.length === 0,
      ),
    ).toBe(true);
    expect(JSON.parse(readFileSync(report, 'utf8'))).toMatchObject({
      kind: 'score',
      files: [{ tracks: 12, betweenTicks: 0 }],
    });
    const rich = join(folder, 'rich.mid');
    expect((await dragoman('to-midi', xml, '-o', rich, '--carry', 'expression')).status).toBe(0);
    expect(JSON.parse((await dragoman('inspect', rich)).stdout).tracks[1].programs).toEqual([74]);
    const cleaned = join(folder, 'cleaned.mid');
    expect((await dragoman('to-midi', demo, '-o', cleaned, '--report', report)).status).toBe(0);
    expect(JSON.parse(readFileSync(report, 'utf8'))).toMatchObject({
      kind: 'midi',
      cleaning: { after: { volume: 0, pan: 0, reverb: 0 } },
    });
    expect(
      JSON.parse((await dragoman('inspect', cleaned)).stdout).tracks.map((track: { notes: number }) => track.notes),
    ).toEqual(
      JSON.parse((await dragoman('inspect', demo)).stdout).tracks.map((track: { notes: number }) => track.notes),
    );
  });

  it('takes both kinds on both ways, with the decisions of a job', async () => {
    const score = join(folder, 'either.musicxml');
    const again = join(folder, 'either-again.musicxml');
    expect((await dragoman('to-score', demo, '-o', score)).status).toBe(0);
    expect(await dragoman('to-score', score, '-o', again)).toMatchObject({ status: 0, stderr: '' });
    expect(readFileSync(again, 'utf8')).toBe(readFileSync(score, 'utf8'));
    const job = join(folder, 'either.json');
    const decided = (...decisions: unknown[]) => writeJob(job, decisions);
    decided({ kind: 'renamePart', part: 't0', name: 'Traverso' });
    expect((await dragoman('to-score', score, '-o', again, '--job', job)).status).toBe(0);
    expect(readFileSync(again, 'utf8')).toContain('<part-name>Traverso</part-name>');
    // A name given on the way to a score is the track's on the way to a sequencer.
    const midi = join(folder, 'either.mid');
    expect((await dragoman('to-midi', score, '-o', midi, '--job', job)).status).toBe(0);
    const names = async (file: string) =>
      JSON.parse((await dragoman('inspect', file)).stdout).tracks.map((track: { name: string }) => track.name);
    expect(await names(midi)).toContain('Traverso');
    decided({ kind: 'setArranging', names: 'instrument', channels: 'by-part' });
    expect((await dragoman('to-midi', demo, '-o', midi, '--job', job)).status).toBe(0);
    expect(await names(midi)).toEqual(expect.arrayContaining(['Flute', 'Violoncello', 'Drum Kit']));
    // A score and the cue it came from: the values of the one, the times of the other.
    expect(await dragoman('to-score', score, demo, '-o', again)).toMatchObject({ status: 0, stderr: '' });
    expect(await dragoman('to-midi', score, demo, '-o', midi)).toMatchObject({ status: 0, stderr: '' });
    expect((await dragoman('to-score', score, 'package.json', '-o', again)).stderr).toMatch(/^package\.json: /);
  });

  const wrong: [string, string[], number, RegExp][] = [
    ['no command', [], 2, /^Usage/],
    ['an unknown command', ['dance'], 2, /no command “dance”/],
    ['an unknown option', ['inspect', '--loud', demo], 2, /loud/],
    ['no output', ['to-score', demo], 2, /^Usage/],
    ['an output of another kind', ['to-score', demo, '-o', 'x.pdf'], 2, /musicxml, .mxl or .mei/],
    ['a file that is not there', ['inspect', join(folder, 'nothing.mid')], 1, /there is no such file/],
    [
      'an output of another kind, in German',
      ['to-midi', demo, '-o', 'x.wav', '--language', 'de'],
      2,
      /auf \.mid enden/,
    ],
    ['an output of another kind for MIDI', ['to-midi', demo, '-o', 'x.wav'], 2, /must end in .mid/],
    ['a preset nobody knows', ['to-midi', demo, '-o', 'x.mid', '--carry', 'all'], 2, /--carry takes one of bare/],
    [
      'a file that is neither score nor MIDI',
      ['to-midi', 'package.json', '-o', join(folder, 'x.mid')],
      1,
      /not a Standard MIDI File/,
    ],
    ['a file of another kind', ['inspect', 'package.json'], 1, /not a Standard MIDI File/],
  ];
  it.each(wrong)('ends well on %s', async (_, args, code, words) => {
    const { status, stderr, stdout } = await dragoman(...args);
    expect(status).toBe(code);
    expect(stderr).toMatch(words);
    expect(stderr).not.toMatch(/\n\s+at /);
    if (code === 1) expect(stderr.trim().split('\n')).toHaveLength(1);
    expect(stdout).toBe('');
  });

  it('holds two files of any kind against each other', async () => {
    const score = join(folder, 'agree.musicxml');
    expect((await dragoman('to-score', demo, '-o', score)).status).toBe(0);
    const same = await dragoman('agree', demo, demo);
    expect(same).toMatchObject({ status: 0, stderr: '' });
    expect(same.stdout.trim()).toBe('Every one of 1,223 notes is there; 1,223 begin within 12 ms of where they were.');
    const { stdout, status } = await dragoman('agree', demo, score, '--json', '--within', '200');
    expect(status).toBe(1);
    const agreement = JSON.parse(stdout);
    expect(agreement.words).toMatch(/^Every one of 1,223 notes is there; 1,223 begin within 200 ms/);
    expect(agreement.parts).toHaveLength(12);
    const words = (await dragoman('agree', score, demo)).stdout.trim().split('\n');
    expect(words).toHaveLength(22);
    expect(words.join('\n')).toMatch(/bar 1: [A-G][♯♭]?\d /);
    expect(words.at(-1)).toMatch(/and \d+ more \(--json has all of them\)/);
    expect(await dragoman('agree', demo)).toMatchObject({ status: 2 });
    expect((await dragoman('agree', demo, score, '--within', 'x')).stderr).toMatch(/0 to 500 milliseconds/);
    writeFileSync(join(folder, 'nothing.mid'), 'nothing');
    expect(await dragoman('agree', demo, join(folder, 'nothing.mid'))).toMatchObject({
      status: 1,
      stderr: expect.stringContaining('nothing.mid: This is not a Standard MIDI File'),
    });
  });
  it('verifies a parcel, zipped or unpacked, and says what was changed', async () => {
    const unpacked = join(folder, 'parcel');
    const file = { path: 'MIDI/Goose.mid', bytes: new Uint8Array(readFileSync(demo)), bars: null, words: '' };
    const about = { title: 'Goose', recipe: 'Mine', date: '2026-03-31', words: [], open: [] };
    const files = await withContents({ ...about, files: [file] });
    writeFileSync(`${unpacked}.zip`, packParcel(files, about.date));
    for (const { path, bytes } of files) {
      mkdirSync(dirname(join(unpacked, path)), { recursive: true });
      writeFileSync(join(unpacked, path), bytes);
    }
    const good = await dragoman('verify', `${unpacked}.zip`);
    expect(good).toMatchObject({ status: 0, stderr: '' });
    expect(good.stdout).toMatch(/^ok {6}Goose\.mid: MIDI type 1, 480 ticks per quarter, \d+ tracks with 1,223 notes/m);
    expect(good.stdout).toMatch(/claims found as the contents sheet says\.$/m);
    writeFileSync(join(unpacked, 'MIDI/Goose.mid'), new Uint8Array(readFileSync(demo)).slice(0, -30));
    const bad = await dragoman('verify', unpacked);
    expect(bad.status).toBe(1);
    expect(bad.stdout).toMatch(/^FAILED .*\n +found: MIDI\/Goose\.mid was changed$/m);
    expect(await dragoman('verify', join(folder, 'nowhere'))).toMatchObject({
      status: 1,
      stderr: expect.stringContaining('There is no such file or folder.'),
    });
    expect(await dragoman('verify', demo)).toMatchObject({
      status: 1,
      stderr: expect.stringContaining('This is no zip.'),
    });
    expect(await dragoman('verify')).toMatchObject({ status: 2 });
  });
  it('writes the studio’s map of a file, with a click and a table', async () => {
    const map = join(folder, 'map.mid');
    const table = join(folder, 'map.csv');
    const args = ['--bar-one', '3', '--click', '--count-in', '2', '--table', table, '--tolerance', '5'];
    const { status, stdout } = await dragoman('tempo-map', demo, '-o', map, ...args);
    expect(status).toBe(0);
    expect(stdout).toMatch(
      /^Bars -1 to 26, \d of 7 tempo changes; read back, no bar begins more than \d\.\d\d ms from where it should\. Bar 1 is bar 5 of the map, 10\.000 s after it begins, time code 00:00:10:00 at 25\.$/m,
    );
    const { file } = readSmf(new Uint8Array(readFileSync(map)));
    expect(file.tracks).toHaveLength(2);
    expect(readFileSync(table, 'utf8').split('\r\n')[5]).toMatch(/^1,1,5,1,0:10\.000,10,/);
    expect(await dragoman('tempo-map', demo)).toMatchObject({ status: 2 });
    expect((await dragoman('tempo-map', demo, '-o', map, '--count-in', '99')).stderr).toMatch(
      /takes 0 to 16 bars, not “99”/,
    );
    expect((await dragoman('tempo-map', demo, '-o', map, '--bar-one', '99')).stderr).toMatch(/has 28 bars/);
  });
  it('carries a job over to a new version of its file', async () => {
    const [job, carried, again] = ['job.json', 'carried.json', 'again.mid'].map((name) =>
      join(folder, `renew-${name}`),
    );
    const { file } = readSmf(demoOriginal());
    writeFileSync(again!, writeSmf({ ...file, tracks: file.tracks.toSpliced(1, 1) }));
    writeJob(job!, [
      { kind: 'renamePart', part: 't8', name: 'Fiddle' },
      { kind: 'renamePart', part: 't1', name: 'Piccolo' },
    ]);
    const { status, stdout } = await dragoman('renew', demo, again!, '--job', job!, '-o', carried!);
    expect(status).toBe(0);
    expect(stdout).toMatch(/^Bars changed: 0\. Decisions carried over: 1; not: 1\.\nnot: .*: named “Piccolo”/);
    const score = join(folder, 'renewed.musicxml');
    expect((await dragoman('to-score', again!, '--job', carried!, '-o', score)).status).toBe(0);
    expect(readFileSync(score, 'utf8')).toContain('<part-name>Fiddle</part-name>');
    expect((await dragoman('renew', demo, '--job', job!, '-o', carried!)).status).toBe(2);
  });
  it('writes an extract instead of the score', async () => {
    const piano = join(folder, 'piano.musicxml');
    expect((await dragoman('to-score', demo, '-o', piano, '--extract', 'piano-reduction')).status).toBe(0);
    expect(readFileSync(piano, 'utf8').match(/<part-name>[^<]*/g)).toEqual(['<part-name>Piano reduction']);
    const { status, stderr } = await dragoman('to-score', demo, '-o', piano, '--extract', 'trombone');
    expect(status).toBe(2);
    expect(stderr).toContain('--extract takes one of lead-sheet, piano-reduction, not “trombone”.');
  });
  it('writes what is drawn as MEI', async () => {
    const output = join(folder, 'drawn.mei');
    expect(await dragoman('to-score', demo, '-o', output)).toMatchObject({ status: 0, stderr: '' });
    const drawn = readFileSync(output, 'utf8');
    expect(drawn).toContain('<mei xmlns="http://www.music-encoding.org/ns/mei" meiversion="5.1">');
    expect(drawn.match(/<measure /g)).toHaveLength(28);
  });
  it('refuses a job made for another file', async () => {
    const job = join(folder, 'other.json');
    writeJob(job, [{ kind: 'leaveOut', tracks: ['t99'] }]);
    const { status, stderr } = await dragoman('to-score', demo, '-o', join(folder, 'x.mxl'), '--job', job);
    expect(status).toBe(1);
    expect(stderr).toMatch(/track t99/);
  });
});
