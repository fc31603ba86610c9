import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { readSmf, writeSmf } from '../src/core/smf';
import { DEMO_FILE, goTo, openDemo } from './help';

/* Station Proof: whether score and playback agree. */

/** The demo with every thirtieth note-on of a track gone. */
function withoutSomeNotes(): Buffer {
  const { file } = readSmf(new Uint8Array(readFileSync(DEMO_FILE)));
  let count = 0;
  const tracks = file.tracks.map((track) => ({
    ...track,
    events: track.events.filter((event) => {
      const on = event.kind === 'channel' && (event.status & 0xf0) === 0x90 && event.data2 > 0;
      return !on || ++count % 30 !== 0;
    }),
  }));
  return Buffer.from(writeSmf({ ...file, tracks }));
}

test('the score, played, agrees with the original; a cell opens its bar; the story can be kept', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Proof');
  await expect(page.getByLabel('Verdict')).toContainText('Every one of 1,223 notes is there');
  await expect(page.getByText('Nobody decided (0)')).toBeVisible();
  const map = page.getByRole('region', { name: 'Map' });
  await expect(map.getByRole('button', { name: /^Bassoon, bar 11: nothing is played/ })).toBeVisible();

  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the job’s story' }).click();
  const story = readFileSync(await (await waiting).path(), 'utf8');
  expect(story).toMatch(/^# The Clockmaker’s Goose, cue 3/);
  expect(story).toContain('Nothing yet: everything is as the engine found it.');

  await map.getByRole('button', { name: /^Piano, bar 20:/ }).click();
  await expect(page).toHaveURL(/rhythm$/);
  await expect(page.getByText('Bars 19–22')).toBeVisible();
  await expect(page.getByRole('checkbox', { name: 'Piano' })).toBeChecked();
});

test('a file that came back is held against the original, note by note', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Proof');
  await expect(page.getByLabel('Verdict')).toBeVisible();
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'came back.mid', mimeType: 'audio/midi', buffer: withoutSomeNotes() });
  await expect(page.getByLabel('Verdict')).toContainText('1,183 of 1,223 notes are there');
  await expect(page.getByText('Nobody decided (40)')).toBeVisible();
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'broken.mid', mimeType: 'audio/midi', buffer: Buffer.from('nothing') });
  await expect(page.getByText(/This is not a Standard MIDI File/)).toBeVisible();
  await page.getByText('The score, played').click();
  await expect(page.getByLabel('Verdict')).toContainText('Every one of 1,223 notes is there');
});

test('the job is heard as received and as written, and the playhead runs through the bars', async ({ page }) => {
  await openDemo(page);
  const audition = page.getByRole('group', { name: 'Audition' });
  await page.keyboard.press('Space');
  await expect(audition.getByRole('button', { name: 'Stop' })).toBeVisible();
  await expect(audition.getByText('bar 1', { exact: true })).toBeVisible();
  const playhead = page.locator('[class*=playhead]');
  const x = async () => (await playhead.boundingBox())?.x ?? 0;
  const before = await x();
  await expect.poll(x).toBeGreaterThan(before + 20);
  await audition.getByText('as received').click();
  await expect(audition.getByRole('button', { name: 'Stop' })).toBeVisible();
  // It goes on where it was.
  expect(await x()).toBeGreaterThan(before);
  await page.keyboard.press('Space');
  await expect(audition.getByRole('button', { name: 'Hear' })).toBeVisible();
  await expect(playhead).toHaveCount(0);
});
