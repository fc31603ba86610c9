import { LONG, expect, test } from './window';
import { line, meta, smfBytes, tempo, type HandNote } from '../src/testing/music';
import { Meta } from '../src/core/smf';
import { dropFile, exportedXml, goTo } from './help';
import { readParts } from './read-musicxml';

const QUARTER = 10080;
const horn = (): HandNote[] => Array.from({ length: 16 }, (_, i) => ({ key: 60 + (i % 3), at: i + 0.5, length: 0.5 }));
const file = (tracks: Parameters<typeof smfBytes>[0]) => ({
  name: 'exact.mid',
  mimeType: 'audio/midi',
  buffer: Buffer.from(smfBytes(tracks, [tempo(0, 100)])),
});

test('what a file has exactly stays where it is, and the audit says so', async ({ page }) => {
  await dropFile(
    page,
    file([
      { name: 'Horn in F', notes: horn() },
      { name: 'Tuba', notes: line(...Array.from({ length: 16 }, (): [number, number] => [36, 1])) },
    ]),
  );
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('All 32 notes are written exactly where they were played.')).toBeVisible();
  const parts = readParts(await exportedXml(page));
  expect(parts[0]!.notes.map((note) => note.start)).toEqual(horn().map((note) => note.at * QUARTER));
});

test('short notes are written as they read, or as long as they were played', { tag: LONG }, async ({ page }) => {
  await dropFile(
    page,
    file([
      {
        name: 'Trumpet in C',
        notes: Array.from({ length: 32 }, (_, i): HandNote => ({ key: 67 + (i % 4), at: i / 2, length: 0.25 })),
      },
    ]),
  );
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
  const exported = async () => readParts(await exportedXml(page))[0]!.notes[0]!;
  const first = await exported();
  expect(first.end - first.start).toBe(QUARTER / 2);
  await page.getByRole('button', { name: /Rhythm settings of Trumpet/ }).click();
  await page.getByLabel(/Short notes of Trumpet/).click();
  await page.getByTitle('as long as played').click();
  await expect(page.getByRole('button', { name: 'Ledger (1)' })).toBeVisible();
  const kept = await exported();
  expect(kept.end - kept.start).toBe(QUARTER / 4);
});

test('a note says why it is written so, and is written otherwise from there', async ({ page }) => {
  await dropFile(
    page,
    file([
      {
        name: 'Trumpet in C',
        notes: Array.from({ length: 32 }, (_, i): HandNote => ({ key: 67 + (i % 4), at: i / 2, length: 0.25 })),
      },
    ]),
  );
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
  await page.locator('g.note .notehead').nth(10).click();
  const why = page.getByRole('status', { name: 'Why it is written so' });
  await expect(why).toContainText('The file has it exactly here.');
  await expect(why).toContainText('Sounds 150 ms, written as 300 ms with a dot');
  await why.getByRole('button', { name: 'As played in this bar' }).click();
  await expect(page.getByRole('button', { name: 'Ledger (1)' })).toBeVisible();
  await expect(why).toContainText('Its value is the file’s.');
  const { notes } = readParts(await exportedXml(page))[0]!;
  expect(notes.map(({ start, end }) => end - start)).toEqual(
    notes.map((_, i) => (i >= 8 && i < 16 ? QUARTER / 4 : QUARTER / 2)),
  );
});

test('percussion of many hands gets a line for each instrument', { tag: LONG }, async ({ page }) => {
  const strikes = [
    [62, 0],
    [64, 1],
    [56, 0.5],
    [70, 1.5],
    [75, 2],
    [54, 3],
  ] as const;
  const notes = Array.from({ length: 8 }, (_, bar) =>
    strikes.map(([key, at]): HandNote => ({ key, at: bar * 4 + at, length: 0.1, channel: 10 })),
  ).flat();
  await dropFile(
    page,
    file([
      { name: 'Perc', notes },
      { name: 'Tuba', notes: line([36, 32]) },
    ]),
  );
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
  await page.getByText('Each could have a line of its own').click();
  await page.getByRole('button', { name: 'Write a line for each' }).click();
  await expect(page.getByRole('button', { name: 'Ledger (1)' })).toBeVisible();
  await expect(page.getByText('Cowbell').first()).toBeVisible();
  const xml = await exportedXml(page);
  expect([...xml.matchAll(/<part-name>([^<]*)</g)].map(([, name]) => name).sort()).toEqual([
    'Claves',
    'Congas',
    'Cowbell',
    'Maracas',
    'Tambourine',
    'Tuba',
  ]);
  expect(xml.match(/<unpitched>/g)).toHaveLength(48);
});

test('names in another encoding are read again as somebody says', { tag: LONG }, async ({ page }) => {
  await dropFile(
    page,
    file([
      {
        name: '',
        notes: line([60, 4], [62, 4]),
        extra: [meta(0, Meta.trackName, [0x53, 0x70, 0xe5, 0x72, 0x20, 0x31])],
      },
    ]),
  );
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
  await goTo(page, 'Intake');
  await expect(page.getByText('Spår 1').first()).toBeVisible();
  await page.getByText('The file', { exact: true }).click();
  await page.getByLabel('Encoding of names and texts').click();
  await page.getByTitle('Cyrillic').click();
  await page.getByText('Tracks', { exact: true }).click();
  await expect(page.getByText('Spеr 1').first()).toBeVisible();
});
