import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { performanceFromSmf } from '../src/core/performance';
import { readSmf } from '../src/core/smf';
import { DEMO_FILE, goTo, openDemo } from './help';

/* Station Timeline: tempo, meters, markers, bar numbers, the studio's map. */

test('a meter is changed, bar 1 is set, and the studio’s map with its click says the same', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Timeline');
  await expect(page.getByLabel('Tempo and density')).toContainText('28 bars');

  await page.getByLabel('From bar').fill('21');
  await page.getByLabel('From bar').press('Enter');
  await page.getByLabel('Meters in turn').fill('2/4');
  await page.getByLabel('Meters in turn').press('Enter');
  await expect(page.getByLabel('Tempo and density')).toContainText('36 bars');
  await page.getByLabel('From bar').fill('3');
  await page.getByLabel('From bar').press('Enter');
  await page.getByRole('button', { name: 'this is bar 1' }).click();
  await expect(page.getByLabel('Marker at bar 7', { exact: true })).toHaveValue('Goose waltz');

  await page.getByText('For the studio').click();
  await page.getByText('a click track').click();
  await page.getByLabel('Count-in').fill('1');
  await page.getByLabel('Count-in').press('Enter');
  await page.getByLabel('Time code of the first bar').fill('10:00:00:00');
  await page.getByLabel('Time code of the first bar').press('Enter');
  await expect(page.getByLabel('Drift check')).toContainText('no bar of the map begins more than 0.00 ms');

  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Map (.mid)' }).click();
  const { file } = readSmf(new Uint8Array(readFileSync(await (await waiting).path())));
  const map = performanceFromSmf({ file, warnings: [] });
  expect(map.meters.map(({ beats, beatType }) => `${beats}/${beatType}`)).toEqual(['4/4', '3/4', '2/4']);
  // A bar counted in, twenty bars as they were, then half bars.
  expect(map.meters[2]!.at / 10_080).toBe(4 + 8 * 4 + 12 * 3);
  const click = map.tracks.find(({ notes }) => notes.length > 0)!;
  expect(click.notes.slice(0, 5).map(({ key }) => key)).toEqual([76, 77, 77, 77, 76]);

  const table = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Table (.csv)' }).click();
  const csv = readFileSync(await (await table).path(), 'utf8').split('\r\n');
  expect(csv[1]).toMatch(/^-1,1,0:00\.000,0,10:00:00:00,/);
  expect(csv.find((row) => row.startsWith('7,1,'))).toContain('Goose waltz; 3/4; 138 quarters a minute');

  // The original counts from 1, the job from its third bar.
  await page.locator('input[type=file]').setInputFiles(DEMO_FILE);
  await expect(page.getByLabel('Numbering', { exact: true })).toContainText('Our bar 19 is their bar 21');
});

test('tempo and markers are set, moved and taken away, and undone; only the page is thinned', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Timeline');
  const changes = page.getByRole('region', { name: 'Changes' });
  await changes.getByLabel('Place of what is added').fill('5|3');
  await changes.getByLabel('Value that is added').fill('104');
  await changes.getByRole('button', { name: 'Add' }).click();
  await expect(changes.getByLabel('Tempo at bar 5', { exact: true })).toHaveValue('104');
  await changes.getByLabel('Place of 104 quarters a minute').fill('6|1');
  await changes.getByLabel('Place of 104 quarters a minute').press('Enter');
  await expect(changes.getByLabel('Tempo at bar 6', { exact: true })).toHaveValue('104');
  await changes.getByLabel('Marker at bar 9', { exact: true }).fill('Geese');
  await changes.getByLabel('Marker at bar 9', { exact: true }).press('Enter');
  await expect(page.getByLabel('Tempo and density')).toContainText('Geese');
  await changes.getByRole('button', { name: 'Take away the tempo at bar 6' }).click();
  await expect(changes.getByLabel('Tempo at bar 6', { exact: true })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(changes.getByLabel('Tempo at bar 6', { exact: true })).toHaveValue('104');

  await page.getByLabel('Metronome marks').click();
  await page.getByText('no metronome marks').last().click();
  await expect(page.getByText(/^0 of 8 tempo changes are printed/)).toBeVisible();
});

test('on the way to a sequencer the time line is mended too', async ({ page }) => {
  await openDemo(page);
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'MusicXML' }).click();
  const score = readFileSync(await (await waiting).path());
  await page.goto('/');
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({ name: 'goose.musicxml', mimeType: 'application/xml', buffer: score });
  await page.waitForURL(/intake$/);
  await goTo(page, 'Timeline');
  const changes = page.getByRole('region', { name: 'Changes' });
  await changes.getByLabel('Tempo at bar 9', { exact: true }).fill('150');
  await changes.getByLabel('Tempo at bar 9', { exact: true }).press('Enter');
  await expect(changes.getByLabel('Tempo at bar 9', { exact: true })).toHaveValue('150');
  await goTo(page, 'Dispatch');
  const midi = page.waitForEvent('download');
  await page.getByRole('button', { name: '.mid', exact: false }).first().click();
  const { file } = readSmf(new Uint8Array(readFileSync(await (await midi).path())));
  const { tempo } = performanceFromSmf({ file, warnings: [] });
  expect(tempo.events.map(({ microsecondsPerQuarter }) => microsecondsPerQuarter)).toContain(400_000);
});
