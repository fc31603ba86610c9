import { readFileSync } from 'node:fs';
import { LONG, expect, test, type Page } from './window';
import { parseMidi } from 'midi-file';
import { unzipSync } from 'fflate';
import { demoMechanical } from '../demo/make';
import { compressMusicXml, writeMusicXml } from '../src/core/musicxml';
import { performanceFromSmf } from '../src/core/performance';
import { readSmf } from '../src/core/smf';
import { toScore } from '../src/core/to-score';
import { DEMO_FILE, dropFile, goTo, openDemo, truth } from './help';
import { NO_SETTINGS, type MarkRule } from '../src/core/settings';
import { meter, smfBytes, tempo } from '../src/testing/music';

const performance = performanceFromSmf(readSmf(demoMechanical()));
const marks = Object.fromEntries(
  performance.tracks.map((track) => [
    track.id,
    ['dynamics', 'hairpins'].map((mark): MarkRule => ({ mark: mark as 'dynamics', use: 'on', strength: 'usual' })),
  ]),
);
const demoScore = writeMusicXml(toScore(performance, { ...NO_SETTINGS, marks }).printed);
const file = (name: string, content: string | Uint8Array) => ({
  name,
  mimeType: 'application/octet-stream',
  buffer: Buffer.from(content),
});

async function openScore(page: Page, name = 'goose.musicxml', content: string | Uint8Array = demoScore): Promise<void> {
  await dropFile(page, file(name, content));
  await expect(page.getByRole('heading', { name: /Goose/ })).toBeVisible({ timeout: 60_000 });
}

async function exported(page: Page): Promise<Buffer> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('banner').getByRole('button', { name: 'MIDI' }).click(),
  ]);
  return readFileSync(await download.path());
}

async function choose(page: Page, label: string, option: string): Promise<void> {
  await page.getByLabel(label, { exact: true }).click();
  await page.locator('.ant-select-dropdown:visible').getByText(option, { exact: true }).click();
}

const controllers = (bytes: Buffer) =>
  new Set<string | number>(
    parseMidi(bytes).tracks.flatMap((track) =>
      track.flatMap((event): (string | number)[] => {
        if (event.type === 'controller') return [event.controllerType];
        return event.type === 'programChange' ? ['program'] : [];
      }),
    ),
  );

test('a score dropped in becomes clean MIDI with every true note', async ({ page }) => {
  await openScore(page);
  const bytes = await exported(page);
  expect(controllers(bytes)).toEqual(new Set());
  const { tracks } = performanceFromSmf(readSmf(new Uint8Array(bytes)));
  for (const part of truth().parts) {
    const track = tracks.find((one) => one.name.startsWith(part.name.replace('Violin', 'Violin 1')))!;
    const words = (notes: { start: number; key: number }[], perQuarter: number) =>
      notes.map(({ start, key }) => `${start / perQuarter} ${key}`).sort();
    expect(words(track.notes, 480), part.name).toEqual(words(part.notes, 10080));
  }
});

test(
  'compressed scores work too, and the written line stands above the played one',
  { tag: LONG },
  async ({ page }) => {
    await openScore(page, 'goose.mxl', compressMusicXml(demoScore));
    await goTo(page, 'Rhythm');
    await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
    await expect(page.getByRole('group', { name: 'Audition' })).toBeVisible();
    await page.getByText('Dynamics', { exact: true }).click();
    await expect(page.locator('figure', { hasText: 'Flute' }).locator('path.recharts-line-curve')).toBeVisible();
  },
);

test('dynamics, split, sounds and a selection are decided, undone, and reach the file', async ({ page }) => {
  await openScore(page);
  await goTo(page, 'Rhythm');
  await page.getByLabel('Dynamics go to', { exact: true }).click();
  await page.locator('.ant-select-dropdown:visible').getByText('controller 11', { exact: true }).click();
  await page.keyboard.press('Escape');
  await expect.poll(async () => [...controllers(await exported(page))]).toEqual([11]);
  await goTo(page, 'Casting');
  await page.getByText('Keep expression').click();
  await choose(page, 'Divide Piano', 'by hand');
  await expect(page.getByText(/Piano right hand \(ch 6/)).toBeVisible();
  const rich = parseMidi(await exported(page));
  expect(
    rich.tracks
      .map((track) => track.find((event) => event.type === 'trackName'))
      .map((event) => (event?.type === 'trackName' ? event.text : '')),
  ).toContain('Piano left hand');
  await goTo(page, 'Timeline');
  await page.getByText('Playing order').click();
  await page.getByLabel('First bar wanted').fill('9');
  await page.getByLabel('First bar wanted').press('Enter');
  await choose(page, 'Files', 'one per section');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('banner').getByRole('button', { name: 'MIDI' }).click(),
  ]);
  expect(Object.keys(unzipSync(readFileSync(await download.path())))).toEqual([
    '01 Goose waltz.mid',
    '02 The clock again.mid',
  ]);
  await page.getByRole('button', { name: /Ledger/ }).click();
  await expect(page.getByText('Piano: a track for each hand')).toBeVisible();
  await expect(page.getByText('20 bars only')).toBeVisible();
});

test('drum keys and technique charts are set for a part', { tag: LONG }, async ({ page }) => {
  await openScore(page);
  await goTo(page, 'Casting');
  await page.getByRole('button', { name: 'Drums, as written …' }).click();
  await choose(page, 'Key for Bass Drum 1', '35 Acoustic Bass Drum');
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect
    .poll(async () =>
      new Set(
        parseMidi(await exported(page)).tracks.flatMap((track) =>
          track.flatMap((event) => (event.type === 'noteOn' && event.channel === 9 ? [event.noteNumber] : [])),
        ),
      ).has(35),
    )
    .toBe(true);
  await page.locator('.ant-table-row', { hasText: 'Double Bass' }).getByRole('button', { name: 'none …' }).click();
  await page.getByLabel('Name of the chart').fill('Pit strings');
  await page.getByRole('button', { name: 'Save as own' }).click();
  await page.getByRole('button', { name: 'Use this chart' }).click();
  await expect(page.getByRole('button', { name: 'Pit strings …' })).toBeVisible();
});

test('a MIDI file is cleaned: the mixer data goes, the notes stay', async ({ page }) => {
  await openDemo(page);
  await page.getByText('To sequencer', { exact: true }).click();
  await expect(page.getByRole('heading', { name: 'What to include' })).toBeVisible();
  const original = readFileSync(DEMO_FILE);
  const strikes = (bytes: Buffer) =>
    parseMidi(bytes).tracks.map((track) => track.filter((event) => event.type === 'noteOn').length);
  const bare = await exported(page);
  expect(controllers(bare)).toEqual(new Set());
  expect(strikes(bare)).toEqual(strikes(original));
  await page.getByText('Everything', { exact: true }).click();
  await expect.poll(async () => controllers(await exported(page)).has(91)).toBe(true);
  await page.getByLabel('Action for pan (10)').getByText('convert').click();
  await expect
    .poll(async () =>
      parseMidi(await exported(page))
        .tracks.flatMap((track) =>
          track.flatMap((event) => (event.type === 'controller' && event.controllerType === 10 ? [event.value] : [])),
        )
        .every((value) => value === 64),
    )
    .toBe(true);
  await page.getByText('To score', { exact: true }).click();
  await expect(page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Page' })).toBeVisible({
    timeout: 60_000,
  });
});

test('harmful scores are refused with one sentence', async ({ page }) => {
  await dropFile(page, file('bad.musicxml', '<!DOCTYPE x [<!ENTITY a "b">]><score-partwise>&a;</score-partwise>'));
  await expect(page.getByRole('main').getByRole('alert')).toContainText(
    'bad.musicxml: The file declares XML entities of its own',
  );
});

test('scripts on this machine convert in both directions', async ({ request }) => {
  const midi = await request.post('/api/convert', {
    multipart: { direction: 'to-midi', carry: 'expression', file: file('goose.musicxml', demoScore) },
  });
  expect(midi.status()).toBe(200);
  expect(midi.headers()['content-disposition']).toContain('goose.mid');
  expect(parseMidi(await midi.body()).tracks).toHaveLength(13);
  const map = await request.post('/api/convert', {
    multipart: { direction: 'tempo-map', click: 'yes', countIn: '1', file: file('goose.musicxml', demoScore) },
  });
  expect(readSmf(new Uint8Array(await map.body())).file.tracks).toHaveLength(2);
  const score = await request.post('/api/convert', {
    multipart: { direction: 'to-score', file: file('cue.mid', readFileSync(DEMO_FILE)) },
  });
  expect((await score.text()).slice(0, 200)).toContain('score-partwise');
  for (const [form, status, words] of [
    [{ direction: 'to-score', file: file('x.mid', 'hello') }, 422, /x\.mid: This is not a Standard MIDI File/],
    [{ direction: 'sideways', file: file('x.mid', 'hello') }, 400, /direction/],
    [{ direction: 'to-score' }, 400, /no file/],
    [{ direction: 'to-score', file: file('x.musicxml', demoScore) }, 422, /is a score already/],
  ] as const) {
    const answer = await request.post('/api/convert', { multipart: { ...form } });
    expect(answer.status()).toBe(status);
    expect((await answer.json()).error).toMatch(words);
  }
});

test('a note of a score is changed by hand and goes out so', async ({ page }) => {
  await openScore(page);
  await goTo(page, 'Rhythm');
  const keysOf = async () =>
    performanceFromSmf(readSmf(new Uint8Array(await exported(page)))).tracks.map(({ notes }) =>
      notes.map(({ key }) => key),
    );
  const before = await keysOf();
  await page.locator('g.note g.notehead').first().click();
  const bar = page.getByRole('toolbar', { name: 'Selected notes' });
  await bar.getByRole('button', { name: 'Up', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Ledger (1)' })).toBeVisible();
  const after = await keysOf();
  const changed = after.flatMap((keys, t) =>
    keys.flatMap((key, n) => (key === before[t]![n] ? [] : [key - before[t]![n]!])),
  );
  expect(changed).toEqual([1]);
  await page.keyboard.press('Delete');
  await expect(page.getByRole('button', { name: 'Ledger (2)' })).toBeVisible();
  expect((await keysOf()).flat()).toHaveLength(before.flat().length - 1);
});

test('a note of a MIDI file that was mended on the page goes out mended', { tag: LONG }, async ({ page }) => {
  const line = [60, 62, 64, 65, 67, 69, 71, 72].map((key, i) => ({ key, at: i, length: 1 }));
  await dropFile(page, file('tune.mid', smfBytes([{ name: 'Flute', notes: line }], [tempo(0, 100), meter(0, 4, 4)])));
  await goTo(page, 'Rhythm');
  await page.locator('g.note g.notehead').nth(1).click();
  await page
    .getByRole('toolbar', { name: 'Selected notes' })
    .getByRole('button', { name: 'Down', exact: true })
    .click();
  await expect(page.getByRole('button', { name: 'Ledger (1)' })).toBeVisible();
  await page.getByText('To sequencer').click();
  await goTo(page, 'Rhythm');
  await expect(page.getByText('1 note changed by hand is exported with these edits.')).toBeVisible();
  const keys = async () =>
    performanceFromSmf(readSmf(new Uint8Array(await exported(page)))).tracks[1]!.notes.map(({ key }) => key);
  expect(await keys()).toEqual([60, 61, 64, 65, 67, 69, 71, 72]);
  await choose(page, 'What was changed by hand', 'nothing');
  await expect.poll(keys).toEqual([60, 62, 64, 65, 67, 69, 71, 72]);
});
