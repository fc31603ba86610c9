import { readFileSync } from 'node:fs';
import { LONG, expect, test, type Page } from './window';
import { parseMidi } from 'midi-file';
import { SIGN_CASES } from '../src/testing/score-signs';
import { notationProgramsMidi, sequencersScore } from '../src/testing/unkind-sources';
import { DEMO_FILE, dropFile, goTo } from './help';
import { readParts } from './read-musicxml';

const file = (name: string, content: Uint8Array) => ({
  name,
  mimeType: 'application/octet-stream',
  buffer: Buffer.from(content),
});
const fromSequencer = file('from a sequencer.musicxml', sequencersScore());
const fromNotation = file('from a notation program.mid', notationProgramsMidi());

async function open(page: Page, dropped: typeof fromSequencer, direction: 'To score' | 'To sequencer'): Promise<void> {
  await dropFile(page, dropped);
  await expect(page.getByRole('navigation', { name: 'Stations' })).toBeVisible({ timeout: 60_000 });
  await page.getByLabel('Direction').getByText(direction, { exact: true }).click();
  await expect(
    page.getByRole('banner').getByRole('button', { name: direction === 'To score' ? 'MusicXML' : 'MIDI' }),
  ).toBeEnabled({
    timeout: 60_000,
  });
}

async function downloaded(page: Page, button: string): Promise<Buffer> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('banner').getByRole('button', { name: button }).click(),
  ]);
  return readFileSync(await download.path());
}

/** Takes the first remedy of each of some queries, in their order. */
async function takeFirst(page: Page, ...words: RegExp[]): Promise<void> {
  for (const one of words) {
    const query = page.getByRole('complementary', { name: 'Queries' }).getByRole('listitem').filter({ hasText: one });
    await query.getByRole('button').first().click();
    // Behind the query itself come its remedies, the likeliest first.
    await query.getByRole('button').nth(1).click();
    await expect(query).toBeHidden({ timeout: 20_000 });
  }
}

const trackNames = (bytes: Buffer) =>
  parseMidi(bytes).tracks.flatMap((track) =>
    track.flatMap((event) => (event.type === 'trackName' ? [event.text] : [])),
  );

test('a sequencer’s score becomes one that players can read, by three decisions', async ({ page }) => {
  await open(page, fromSequencer, 'To score');
  await takeFirst(page, /no key signature/, /at concert pitch/, /written with pitches/);
  const parts = readParts((await downloaded(page, 'MusicXML')).toString('utf8'));
  expect(parts.map(({ name }) => name)).toEqual(expect.arrayContaining(['Flute', 'Clarinet in B♭', 'Drum Kit']));
  await page.getByRole('button', { name: /Ledger \(3\)/ }).click();
  await expect(page.getByText('Drum Kit: drums rewritten')).toBeVisible();
});

test(
  'the same score goes to a sequencer, with what was decided on its way to a score',
  { tag: LONG },
  async ({ page }) => {
    await open(page, fromSequencer, 'To score');
    await goTo(page, 'Casting');
    const name = page.getByLabel('Name of the part Flute').or(page.getByRole('textbox', { name: /Flute/ }).first());
    await name.first().fill('Traverso');
    await name.first().press('Enter');
    await page.getByLabel('Direction').getByText('To sequencer', { exact: true }).click();
    await expect(page.getByRole('banner').getByRole('button', { name: 'MIDI' })).toBeEnabled({ timeout: 60_000 });
    expect(trackNames(await downloaded(page, 'MIDI'))).toContain('Traverso');
  },
);

test('a notation program’s MIDI is put right for a sequencer, by three remedies', { tag: LONG }, async ({ page }) => {
  await open(page, fromNotation, 'To sequencer');
  await takeFirst(page, /another sound than the name says/, /General MIDI has no drum on key 24/, /have velocity 80/);
  const { tracks } = parseMidi(await downloaded(page, 'MIDI'));
  const trombone = tracks.find((track) =>
    track.some((event) => event.type === 'trackName' && event.text === 'Trombone 1'),
  )!;
  expect(trombone.flatMap((event) => (event.type === 'programChange' ? [event.programNumber] : []))).toEqual([57]);
  expect(tracks.flat().filter((event) => event.type === 'controller')).toEqual([]);
  const strikes = tracks.flat().flatMap((event) => (event.type === 'noteOn' && event.velocity > 0 ? [event] : []));
  expect(strikes.filter(({ noteNumber }) => noteNumber === 24)).toEqual([]);
  expect(new Set(strikes.map(({ velocity }) => velocity)).size).toBeGreaterThan(8);
});

test(
  'on the way to a sequencer a remedy says what it would change before it is taken',
  { tag: LONG },
  async ({ page }) => {
    await open(page, fromNotation, 'To sequencer');
    await page.getByText(/have velocity 80/).click();
    await page.getByRole('button', { name: 'Add accents by beat and some variation' }).hover();
    await expect(page.getByText(/notes change in Flute, .* 1 query answered\./)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Ledger (0)' })).toBeVisible();
  },
);

test('the same MIDI becomes a score', { tag: LONG }, async ({ page }) => {
  await open(page, fromNotation, 'To score');
  const parts = readParts((await downloaded(page, 'MusicXML')).toString('utf8'));
  expect(parts.map(({ name }) => name)).toEqual(expect.arrayContaining(['Flute', 'Trombone 1', 'Violin 1']));
});

test('only drums and bass leave a MIDI file in three clicks, and treated notes are seen and taken back', async ({
  page,
}) => {
  await open(page, fromNotation, 'To sequencer');
  await goTo(page, 'Timeline');
  await page.getByText('Playing order', { exact: true }).click();
  await page.getByRole('button', { name: 'Drums and bass only' }).click();
  const names = trackNames(await downloaded(page, 'MIDI'));
  expect(names.slice(1)).toEqual(['Drum Kit', 'Double Bass']);
  await goTo(page, 'Rhythm');
  await page.getByRole('button', { name: 'Apply', exact: true }).click();
  await expect(page.getByRole('list', { name: 'Applied processing' }).getByRole('listitem')).toHaveText(
    /all: quantized to sixteenth notes/,
  );
  await expect(page.getByRole('img', { name: /Flute: \d+ notes in the original/ })).toBeVisible();
  await page.getByRole('button', { name: 'Delete step 1' }).click();
  await expect(page.getByRole('list', { name: 'Applied processing' })).toBeHidden();
});

test('what a score says beyond the stations is listed, and goes out as it came', async ({ page }) => {
  const signs = ['<stopped/>', '<harp-pedals>', 'slur: dashed'].map((sign) =>
    SIGN_CASES.find(({ name }) => name.includes(sign))!,
  );
  for (const { musicXml, kept } of signs) {
    await page.goto('/');
    await open(page, file('owl.musicxml', Buffer.from(musicXml)), 'To score');
    await expect(page.getByRole('region', { name: 'Signs that cannot be changed here' })).toContainText('(bar 1)');
    expect((await downloaded(page, 'MusicXML')).toString('utf8')).toMatch(kept);
  }
  await page.getByLabel('Direction').getByText('To sequencer', { exact: true }).click();
  await expect(page.getByText('nothing that is played depends on them')).toBeVisible();
});

test('a score and the cue as it was played are one job, in both directions', async ({ page }) => {
  await open(page, fromSequencer, 'To score');
  await goTo(page, 'Intake');
  await page.locator('input[type=file]').first().setInputFiles(DEMO_FILE);
  await expect(
    page.getByText(/^1223 of 1223 notes found; played back, half of them begin within \d+ ms of the playing/),
  ).toBeVisible({ timeout: 60_000 });
  const score = (await downloaded(page, 'MusicXML')).toString('utf8');
  // The cue has its own tempo for the waltz; the score had it too, and keeps its values.
  expect(readParts(score)[0]!.notes).toHaveLength(123);
  await page.getByLabel('Direction').getByText('To sequencer', { exact: true }).click();
  await expect(page.getByText(/^1223 of 1223 notes found/)).toBeVisible({ timeout: 60_000 });
  const strikes = parseMidi(await downloaded(page, 'MIDI'))
    .tracks.flat()
    .flatMap((event) => (event.type === 'noteOn' && event.velocity > 0 ? [event.velocity] : []));
  // The score says no dynamics at all: the strengths are the player's.
  expect(new Set(strikes).size).toBeGreaterThan(20);
});
