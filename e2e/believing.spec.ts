import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { line, meta, smfBytes, tempo, type HandNote } from '../src/testing/music';
import { Meta } from '../src/core/smf';
import { dropFile, goTo } from './help';
import { readParts } from './read-musicxml';

const QUARTER = 10080;
const horn = (): HandNote[] => Array.from({ length: 16 }, (_, i) => ({ key: 60 + (i % 3), at: i + 0.5, length: 0.5 }));
const file = (tracks: Parameters<typeof smfBytes>[0]) => ({ name: 'exact.mid', mimeType: 'audio/midi', buffer: Buffer.from(smfBytes(tracks, [tempo(0, 100)])) });

test('what a file has exactly stays where it is, and the audit says so', async ({ page }) => {
  await page.goto('/');
  await dropFile(page, file([{ name: 'Horn in F', notes: horn() }, { name: 'Tuba', notes: line(...Array.from({ length: 16 }, (): [number, number] => [36, 1])) }]));
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText('All 32 notes are written exactly where they were played.')).toBeVisible();
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'MusicXML' }).click();
  const parts = readParts(readFileSync(await (await waiting).path(), 'utf8'));
  expect(parts[0]!.notes.map((note) => note.start)).toEqual(horn().map((note) => note.at * QUARTER));
});

test('short notes are written as they read, or as long as they were played', async ({ page }) => {
  await page.goto('/');
  await dropFile(page, file([{ name: 'Trumpet in C', notes: Array.from({ length: 32 }, (_, i): HandNote => ({ key: 67 + (i % 4), at: i / 2, length: 0.25 })) }]));
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 30_000 });
  const exported = async () => {
    const waiting = page.waitForEvent('download');
    await page.getByRole('button', { name: 'MusicXML' }).click();
    return readParts(readFileSync(await (await waiting).path(), 'utf8'))[0]!.notes[0]!;
  };
  const first = await exported();
  expect(first.end - first.start).toBe(QUARTER / 2);
  await page.getByRole('button', { name: /Rhythm settings of Trumpet/ }).click();
  await page.getByLabel(/Short notes of Trumpet/).click();
  await page.getByTitle('as long as played').click();
  await expect(page.getByRole('button', { name: 'Ledger (1)' })).toBeVisible();
  const kept = await exported();
  expect(kept.end - kept.start).toBe(QUARTER / 4);
});

test('names in another encoding are read again as somebody says', async ({ page }) => {
  await page.goto('/');
  await dropFile(page, file([{ name: '', notes: line([60, 4], [62, 4]), extra: [meta(0, Meta.trackName, [0x53, 0x70, 0xe5, 0x72, 0x20, 0x31])] }]));
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 30_000 });
  await goTo(page, 'Intake');
  await expect(page.getByText('Spår 1').first()).toBeVisible();
  await page.getByText('The file', { exact: true }).click();
  await page.getByLabel('Encoding of names and texts').click();
  await page.getByTitle('Cyrillic').click();
  await page.getByText('Tracks', { exact: true }).click();
  await expect(page.getByText('Spеr 1').first()).toBeVisible();
});
