import { readFileSync } from 'node:fs';
import { expect, inFull, test, type Page } from './window';
import { orchestraFile } from '../bench/large';
import { DEMO_FILE, DEMO_NAME, dropFile, goTo, openDemo } from './help';

/** Every twelfth is a glockenspiel. */
const TRACKS = inFull ? 120 : 48;

const row = (page: Page, name: string) => page.getByRole('checkbox', { name: `${name} in the score` });

test('a file of many tracks: filter, leave out three, reload, archive, delete, bring back from the archive', async ({
  page,
}) => {
  await expect(page.getByText(DEMO_NAME)).toBeVisible();
  await dropFile(page, { name: 'large.mid', mimeType: 'audio/midi', buffer: Buffer.from(orchestraFile(TRACKS, 28)) });
  await goTo(page, 'Intake');
  await expect(page.getByText(`${TRACKS + 1} of ${TRACKS + 1}`)).toBeVisible({ timeout: 60_000 });

  await page.getByRole('textbox', { name: 'Filter tracks' }).fill('glsp');
  await expect(page.getByText(`${TRACKS / 12} of ${TRACKS + 1}`)).toBeVisible();
  await page.locator('tbody, .ant-table-tbody').first().waitFor();
  const marks = page.locator('.ant-table-row .ant-table-selection-column input');
  for (const i of [0, 1, 2]) await marks.nth(i).check();
  await page.getByRole('button', { name: 'Leave out' }).click();
  await expect(row(page, 'Glsp 5')).not.toBeChecked();
  await expect(row(page, 'Glsp 41')).toBeChecked();
  await page.getByRole('combobox', { name: 'State' }).click();
  await page.getByTitle('Left out').click();
  await expect(page.getByText(`3 of ${TRACKS + 1}`)).toBeVisible();

  await page.reload();
  await expect(page.getByText(`${TRACKS + 1} of ${TRACKS + 1}`)).toBeVisible({ timeout: 60_000 });
  await page.getByRole('textbox', { name: 'Filter tracks' }).fill('glsp');
  for (const name of ['Glsp 5', 'Glsp 17', 'Glsp 29']) await expect(row(page, name)).not.toBeChecked();

  await page.getByRole('link', { name: 'Dragoman' }).click();
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save archive of large' }).click();
  const download = await waiting;
  expect(download.suggestedFilename()).toBe('large.dragoman.zip');
  const archive = readFileSync(await download.path());
  await page.getByRole('button', { name: 'Delete large' }).click();
  await expect(page.getByRole('link', { name: 'large' })).toHaveCount(0);

  await dropFile(page, { name: 'large.dragoman.zip', mimeType: 'application/zip', buffer: archive });
  await goTo(page, 'Intake');
  await expect(page.getByRole('button', { name: 'Ledger (1)' })).toBeVisible({ timeout: 60_000 });
  await page.getByRole('textbox', { name: 'Filter tracks' }).fill('glsp');
  for (const name of ['Glsp 5', 'Glsp 17', 'Glsp 29']) await expect(row(page, name)).not.toBeChecked();
  await expect(row(page, 'Glsp 41')).toBeChecked();
});

test('a damaged archive stores nothing', async ({ page }) => {
  await expect(page.getByText(DEMO_NAME)).toBeVisible();
  await dropFile(page, {
    name: 'broken.dragoman.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from('PK\u0003\u0004 nothing'),
  });
  await expect(page.getByRole('main').getByRole('alert')).toContainText('not a job archive');
  await expect(page.locator('tbody').getByRole('link')).toHaveCount(1);
});

test('a second original joins the job and begins where it is placed', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Intake');
  await page.locator('input[type=file]').first().setInputFiles(DEMO_FILE);
  await expect(page.getByText('28 of 28')).toBeVisible({ timeout: 60_000 });
  const place = page.getByRole('spinbutton', { name: /First bar of/ });
  await place.fill('29');
  await place.press('Enter');
  await expect(page.getByText(/, 56 bars,/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/, 28 bars,/)).toBeVisible();
});

test('a track shows its notes and controllers, the file its time lines', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Intake');
  await page.getByText('VLN 1 leg close').click();
  await expect(page.getByRole('img', { name: 'Piano roll with 50 notes' })).toBeVisible();
  await expect(page.getByText('channel volume')).toBeVisible();
  await page.getByText('The file', { exact: true }).click();
  await expect(page.getByText('probably nobody set it')).toBeVisible();
  await expect(page.getByText('Goose waltz (bar 9)')).toBeVisible();
});

test('a job can be duplicated', async ({ page }) => {
  await page.getByRole('button', { name: `Duplicate ${DEMO_NAME}` }).click();
  await expect(page.getByRole('link', { name: `${DEMO_NAME} (copy)` })).toBeVisible();
  await expect(page.getByText('Jobs stay in this browser')).toBeVisible();
});
