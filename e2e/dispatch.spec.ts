import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { LONG, expect, test, type Page } from './window';
import tone from '@tonejs/midi';
import { strFromU8, unzipSync } from 'fflate';
import { smfBytes, type HandTrack } from '../src/testing/music';
import { DEMO_FILE, DEMO_NAME, goTo, openDemo } from './help';
import { readParts } from './read-musicxml';

/* Export and send: by a recipe, as a parcel, into a folder; a show of several cues at once. */

async function zipOf(page: Page, button: RegExp | string): Promise<Buffer> {
  const make = page.getByRole('button', { name: button });
  await expect(make).toBeEnabled();
  const waiting = page.waitForEvent('download', { timeout: 60_000 });
  await make.click();
  return readFileSync(await (await waiting).path());
}

const parcelOf = async (page: Page, button: RegExp | string): Promise<Record<string, Uint8Array>> =>
  unzipSync(await zipOf(page, button));

/** Every sum is right; hashed by Node. */
function expectSums(files: Record<string, Uint8Array>): void {
  const lines = strFromU8(files['SHA256SUMS.txt']!).trim().split('\n');
  expect(lines).toHaveLength(Object.keys(files).length - 1);
  for (const line of lines) {
    const [hash, path] = line.split('  ');
    expect(createHash('sha256').update(files[path!]!).digest('hex'), path).toBe(hash);
  }
}

test('a parcel holds what the paragraph says, the original untouched, and sums that are right', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Dispatch');
  await page.getByRole('button', { name: 'Orchestrator’s parcel' }).click();
  await page.getByRole('switch', { name: 'Sound' }).click();
  await expect(page.getByRole('region', { name: 'What you send' })).toContainText(
    'MIDI: type 1, 480 ticks per quarter, no mixer data, 12 tracks with notes',
  );
  const files = await parcelOf(page, 'Make a parcel of 7 files');
  expectSums(files);
  const name = 'The Clockmakers Goose cue 3';
  expect(Buffer.from(files['Originals/clockmakers-goose-cue-3.mid']!).equals(readFileSync(DEMO_FILE))).toBe(true);
  const parts = readParts(strFromU8(files[`Score/${name} Score v1.musicxml`]!));
  expect(parts).toHaveLength(12);
  // Every suggestion goes along: slurs nobody has taken are there.
  expect(strFromU8(files[`Score/${name} Score v1.musicxml`]!)).toContain('<slur');
  const midi = new tone.Midi(files[`MIDI/${name} v1.mid`]);
  expect(midi.tracks.reduce((sum, track) => sum + track.notes.length, 0)).toBe(1223);
  const map = new tone.Midi(files[`Studio/${name} Studio map v1.mid`]);
  expect(map.header.tempos).toHaveLength(midi.header.tempos.length);
  expect(strFromU8(files['Contents.txt']!)).toContain('by the recipe “Orchestrator’s parcel”');
  await expect(page.getByRole('region', { name: 'Delivery check' })).toContainText('no problems in 3 files');

  // It is remembered: the recipe comes first, the next version is the second.
  await expect(page.getByLabel('Version', { exact: true })).toHaveValue('2');
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Orchestrator’s parcel' })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/Last sent .*: version 1 by “Orchestrator’s parcel”/)).toBeVisible();
  const zip = await zipOf(page, 'Make a parcel of 7 files');
  expect(Object.keys(unzipSync(zip))).toContain(`MIDI/${name} v2.mid`);

  // Whoever has the parcel can verify it, without a job.
  await page.getByRole('link', { name: 'Dragoman' }).click();
  const verify = page.locator('input[type=file][accept=".zip"]');
  await verify.setInputFiles({ name: 'parcel.zip', mimeType: 'application/zip', buffer: zip });
  const found = page.getByRole('dialog', { name: /^Parcel parcel/ });
  await expect(found.getByRole('status')).toContainText(/^\d+ claims of the contents sheet found again/);
  await expect(found.getByRole('row', { name: /notes played and .* written have the same key/ })).toContainText(
    'Found',
  );
  await page.keyboard.press('Escape');
  await verify.setInputFiles({ name: 'damaged.zip', mimeType: 'application/zip', buffer: zip.subarray(0, 400) });
  await expect(page.locator('.ant-alert')).toContainText('damaged.zip: This zip cannot be unpacked');
});

test('recipes are copied, changed, saved as JSON, brought in again, and put back', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Dispatch');
  await page.getByRole('button', { name: 'Duplicate' }).click();
  await expect(page.getByRole('heading', { name: 'Notation program, ours' })).toBeVisible();
  await page.getByLabel('Name of the recipe').fill('Stands');
  await page.getByLabel('Name of the recipe').press('Enter');
  await expect(page.getByRole('heading', { name: 'Stands' })).toBeVisible();
  await page.getByLabel('File names', { exact: true }).fill('{part} {colour}');
  await expect(page.getByText(/“\{colour\}” says nothing/)).toBeVisible();
  await page.getByLabel('File names', { exact: true }).fill('{number} {part}');
  await page.getByText('Each part', { exact: true }).click();
  const files = await parcelOf(page, 'Make a parcel of 13 files');
  expect(Object.keys(files)).toEqual(
    expect.arrayContaining(['Score/Score.musicxml', 'Parts/02 Clarinet in Bb.musicxml']),
  );
  // A change is this job's until it is kept in the recipe.
  await expect(page.getByText('Changed for this job only.')).toBeVisible();
  await page.getByRole('button', { name: 'Save in the recipe' }).click();
  await expect(page.getByText('Changed for this job only.')).toHaveCount(0);
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as JSON' }).click();
  const saved = readFileSync(await (await saving).path());
  const nav = page.getByRole('navigation', { name: 'Recipes' });
  await nav.locator('input[type=file]').setInputFiles({ name: 'r.json', mimeType: 'application/json', buffer: saved });
  await expect(page.getByRole('heading', { name: 'Stands 2' })).toBeVisible();
  await nav
    .locator('input[type=file]')
    .setInputFiles({ name: 'odd.json', mimeType: 'application/json', buffer: Buffer.from('{}') });
  await expect(page.getByText(/“odd.json” is not a recipe: .*nothing was changed/)).toBeVisible();
  await nav.getByRole('button', { name: 'Delete' }).click();
  await expect(nav.getByRole('button', { name: 'Stands 2' })).toHaveCount(0);
  // One of the house is changed and put back.
  await nav.getByRole('button', { name: 'Studio', exact: true }).click();
  await page.getByRole('switch', { name: 'Studio map' }).click();
  await page.getByRole('switch', { name: 'Lists' }).click();
  await expect(page.getByText('The recipe is empty; choose what to export.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Export the file' })).toBeDisabled();
  await page.getByRole('button', { name: 'Reset to the recipe' }).click();
  await expect(page.getByText(/Studio map: tempo, meters, keys and markers/)).toBeVisible();
  await page.getByRole('link', { name: 'Dragoman' }).click();
  await page.getByRole('link', { name: DEMO_NAME }).click();
  await goTo(page, 'Dispatch');
  await nav.getByRole('button', { name: 'Studio', exact: true }).click();
  await expect(page.getByText(/Studio map: tempo, meters, keys and markers/)).toBeVisible({ timeout: 60_000 });
});

test('files go into a folder, and none that is there is overwritten', async ({ page }) => {
  await page.evaluate(() => {
    // A folder in memory, as far as the page asks for one.
    const written: Record<string, number> = { 'Score/mine.txt': 1 };
    const folder = (path: string): object => ({
      name: 'Stands',
      getDirectoryHandle: (name: string) => Promise.resolve(folder(`${path}${name}/`)),
      getFileHandle: (name: string, options?: { create: boolean }) =>
        options?.create || written[path + name]
          ? Promise.resolve({
              createWritable: () =>
                Promise.resolve({
                  write: (bytes: Uint8Array) => {
                    written[path + name] = bytes.length;
                    return Promise.resolve();
                  },
                  close: () => Promise.resolve(),
                }),
            })
          : Promise.reject(new DOMException('none', 'NotFoundError')),
    });
    Object.assign(window, { written, showDirectoryPicker: () => Promise.resolve(folder('')) });
  });
  await openDemo(page);
  await goTo(page, 'Dispatch');
  const into = page.getByRole('button', { name: 'Save to folder …' });
  await page.getByLabel('File names', { exact: true }).fill('{part}');
  await expect(page.getByRole('button', { name: 'Export the file' })).toBeEnabled();
  await into.click();
  await expect(page.getByText('1 file written into “Stands”')).toBeVisible();
  await into.click();
  await expect(page.getByText('1 name existed and got a number')).toBeVisible();
  const written = await page.evaluate(() => (window as unknown as { written: Record<string, number> }).written);
  expect(Object.keys(written)).toEqual(['Score/mine.txt', 'Score/Score.musicxml', 'Score/Score (2).musicxml']);
});

test('pages are made for the stands: every part, with its paper', { tag: LONG }, async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Dispatch');
  await page.getByRole('navigation', { name: 'Recipes' }).getByRole('button', { name: 'Print' }).click();
  await page.getByText('The score', { exact: true }).click();
  await page.getByText('Each part', { exact: true }).click();
  await page.getByText('All parts in one file', { exact: true }).click();
  await page.getByLabel('Paper', { exact: true }).click();
  await page.locator('.ant-select-dropdown:visible').getByText('9 × 12 in', { exact: true }).click();
  await page.getByLabel('Text of a cover').fill('Friday, with the bell');
  const make = page.getByRole('button', { name: 'Export the file' });
  await expect(page.getByText(/PDF on 9 × 12 in: all parts in one file/)).toBeVisible();
  await expect(make).toBeEnabled();
  const waiting = page.waitForEvent('download', { timeout: 60_000 });
  await make.click();
  const text = readFileSync(await (await waiting).path()).toString('latin1');
  // Twelve parts of a page or more, and the cover; 9 × 12 inches of 72 points.
  expect(text.match(/\/MediaBox \[0 0 648 864\]/g)!.length).toBeGreaterThanOrEqual(13);
});

const line = (name: string, key: number): HandTrack => ({
  name,
  notes: Array.from({ length: 8 }, (_, i) => ({ key: key + (i % 3), at: i, length: 1 })),
});
const cue = (name: string, tracks: HandTrack[]) => ({
  name,
  mimeType: 'audio/midi',
  buffer: Buffer.from(smfBytes(tracks)),
});

test('three cues become a show: one recipe, names held against each other, one parcel of all', async ({ page }) => {
  await expect(page.getByText(DEMO_NAME)).toBeVisible();
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles([
      cue('Lantern cue 1.mid', [line('Flute', 76), line('Violoncello', 50)]),
      cue('Lantern cue 2.mid', [line('Flute', 74), line('Violoncello', 52)]),
      cue('Lantern cue 10.mid', [line('Flute', 72), line('Violoncello', 48)]),
      { name: 'Lantern broken.mid', mimeType: 'audio/midi', buffer: Buffer.from('nothing') },
    ]);
  await expect(page.getByLabel('Name of the show')).toHaveValue('Lantern');
  await page.getByRole('button', { name: 'Continue' }).click();
  await page.waitForURL(/\/show\//);
  const rows = page.getByRole('row').filter({ has: page.getByRole('link') });
  await expect(rows).toHaveCount(3);
  // In the order of their numbers.
  await expect(rows.nth(2)).toContainText('Lantern cue 10');
  await expect(rows.filter({ hasText: 'bars' })).toHaveCount(3, { timeout: 60_000 });
  await expect(page.getByText('Every player has the same name in every cue.')).toBeVisible();

  // In one cue the cello is called otherwise: it is asked, and can be made the same.
  await rows.nth(1).getByRole('link').click();
  await page.waitForURL(/\/job\//);
  await goTo(page, 'Casting');
  const name = page.getByRole('textbox', { name: 'Name of the part Violoncello' });
  await name.fill('Cello solo');
  await name.press('Enter');
  await expect(page.getByText(/Ledger \([1-9]/)).toBeVisible();
  await page.goBack();
  await page.goBack();
  await page.waitForURL(/\/show\//);
  await expect(page.getByText('Lantern cue 2 has Cello solo where other cues have Violoncello.')).toBeVisible({
    timeout: 60_000,
  });
  await page.getByRole('button', { name: 'Use the same name' }).click();
  await expect(page.getByText('Every player has the same name in every cue.')).toBeVisible({ timeout: 60_000 });

  const files = await parcelOf(page, /One parcel of 3 cues/);
  expectSums(files);
  const scores = Object.keys(files).filter((path) => path.endsWith('.musicxml'));
  expect(scores).toEqual([1, 2, 10].map((n) => `Lantern cue ${n}/Score/Lantern cue ${n} Score v1.musicxml`));
  for (const path of scores)
    expect(readParts(strFromU8(files[path]!)).map(({ name }) => name)).toEqual(['Flute', 'Violoncello']);
  expect(strFromU8(files['Contents.txt']!)).toContain('Lantern cue 10, version 1: ');
  await expect(rows.nth(0)).toContainText('version 1');
  await expect(rows.nth(0)).toContainText('sent as it is');

  // At the front door the show stands by itself, and its cues do not crowd the list.
  await page.getByRole('link', { name: 'Dragoman' }).click();
  await expect(page.getByRole('region', { name: 'Shows' })).toContainText('3 cues');
  await expect(page.getByRole('region', { name: 'Jobs' }).getByRole('row')).toHaveCount(2);
  await page.getByLabel('Find a job').fill('cue 10');
  await expect(page.getByRole('link', { name: 'Lantern cue 10' })).toBeVisible();
});

test('several files become one job, one after the other', async ({ page }) => {
  await expect(page.getByText(DEMO_NAME)).toBeVisible();
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles([cue('a.mid', [line('Flute', 76)]), cue('b.mid', [line('Flute', 74)])]);
  await page.getByText('One job: one after the other').click();
  await page.getByRole('button', { name: 'Continue' }).click();
  await page.waitForURL(/\/job\//);
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
  await goTo(page, 'Dispatch');
  // Two bars and two more.
  await expect(page.getByRole('region', { name: 'What you send' })).toContainText(/^4 bars/, { timeout: 20_000 });
});
