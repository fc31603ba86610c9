import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strFromU8, unzipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../demo/make';

const folder = mkdtempSync(join(tmpdir(), 'dragoman-cli-'));
const demo = join(folder, 'demo.mid');
writeFileSync(demo, demoOriginal());

function dragoman(...args: string[]) {
  const { status, stdout, stderr } = spawnSync('node', ['--import', 'tsx', 'src/cli/main.ts', ...args], { encoding: 'utf8', maxBuffer: 1 << 26 });
  return { status, stdout, stderr };
}

describe('command line', () => {
  it('inspects a file as JSON', () => {
    const { status, stdout } = dragoman('inspect', demo);
    expect(status).toBe(0);
    const facts = JSON.parse(stdout);
    expect(facts).toMatchObject({ kind: 'midi', format: 1, ticksPerQuarter: 480, bars: 28 });
    expect(facts.tracks).toHaveLength(14);
    expect(facts.tracks[8]).toMatchObject({ index: 8, name: 'VLN 1 leg close', channels: [7], programs: [49], notes: 50, maxAtOnce: 2, technique: 'legato', state: 'music', instrument: { id: 'violin' } });
    expect(facts.tracks[13].state).toBe('empty');
    for (const key of ['tempos', 'meters', 'keys', 'markers', 'warnings', 'durationSeconds']) expect(facts).toHaveProperty(key);
  });

  it('writes MusicXML, plain and compressed, with a report, by the decisions of a job', () => {
    const plain = join(folder, 'out.musicxml');
    const packed = join(folder, 'out.mxl');
    const report = join(folder, 'report.json');
    expect(dragoman('to-score', demo, '-o', plain, '--report', report).status).toBe(0);
    expect(readFileSync(plain, 'utf8')).toContain('<part-name>Bassoon</part-name>');
    expect(JSON.parse(readFileSync(report, 'utf8')).parts.map((part: { name: string }) => part.name)).toHaveLength(12);
    const job = join(folder, 'job.json');
    const decisions = [{ kind: 'leaveOut', tracks: ['t3'] }, { kind: 'renamePart', part: 't1', name: 'Traverso' }];
    writeFileSync(job, JSON.stringify({ format: 'dragoman-job', version: 1, name: 'x', originals: [], ledger: { decisions, position: 2 } }));
    expect(dragoman('to-score', demo, '-o', packed, '--job', job).status).toBe(0);
    const text = strFromU8(unzipSync(readFileSync(packed))['score.musicxml']!);
    expect(text).toContain('Traverso');
    expect(text).not.toContain('Bassoon');
  });

  const wrong: [string, string[], number, RegExp][] = [
    ['no command', [], 2, /^Usage/],
    ['an unknown command', ['dance'], 2, /no command “dance”/],
    ['an unknown option', ['inspect', '--loud', demo], 2, /loud/],
    ['no output', ['to-score', demo], 2, /^Usage/],
    ['an output of another kind', ['to-score', demo, '-o', 'x.pdf'], 2, /musicxml or .mxl/],
    ['a file that is not there', ['inspect', join(folder, 'nothing.mid')], 1, /there is no such file/],
    ['a file of another kind', ['inspect', 'package.json'], 1, /not a Standard MIDI File/],
  ];
  it.each(wrong)('ends well on %s', (_, args, code, words) => {
    const { status, stderr, stdout } = dragoman(...args);
    expect(status).toBe(code);
    expect(stderr).toMatch(words);
    expect(stderr).not.toMatch(/\n\s+at /);
    if (code === 1) expect(stderr.trim().split('\n')).toHaveLength(1);
    expect(stdout).toBe('');
  });

  it('refuses a job made for another file', () => {
    const job = join(folder, 'other.json');
    writeFileSync(job, JSON.stringify({ format: 'dragoman-job', version: 1, name: 'x', originals: [], ledger: { decisions: [{ kind: 'leaveOut', tracks: ['t99'] }], position: 1 } }));
    const { status, stderr } = dragoman('to-score', demo, '-o', join(folder, 'x.mxl'), '--job', job);
    expect(status).toBe(1);
    expect(stderr).toMatch(/track t99/);
  });
});
