import { readFileSync } from 'node:fs';
import { expect, inFull, test, type Page } from './window';
import { line, smfBytes, type HandNote, type HandTrack } from '../src/testing/music';
import { dropFile, goTo, openDemo } from './help';

const midi = (name: string, tracks: HandTrack[]) => ({
  name,
  mimeType: 'audio/midi',
  buffer: Buffer.from(smfBytes(tracks)),
});

/** Eight bars whose rhythm tells one track from another. */
function tune(from: number, which: number): HandNote[] {
  const steps = Array.from({ length: 16 }, (_, i): [number, number] => [
    from + ((i * (which + 3)) % 10),
    (i + which) % 3 === 0 ? 1 : 0.5,
  ]);
  return line(...steps);
}

/** Tracks nobody knows, some written an octave low, some with keyswitches, some that play in chords. */
function manyQueries(each: number): HandTrack[] {
  const of = (make: (n: number) => HandTrack) => Array.from({ length: each }, (_, n) => make(n));
  return [
    ...of((n) => ({ name: `Zz${'abcdefghij'[n]}`, notes: tune(60, n) })),
    ...of((n) => ({ name: `Oboe ${n + 1}`, notes: tune(50, n) })),
    ...of((n) => ({
      name: `Viola ${n + 1} KS`,
      notes: [...tune(60, n), { key: 24, at: 0, length: 0.5 }, { key: 26, at: 4, length: 0.5 }],
    })),
    ...of((n) => ({
      name: `Horns ${n + 1} a2`,
      notes: tune(55, n).flatMap((note) => [note, { ...note, key: note.key + 4 }, { ...note, key: note.key + 7 }]),
    })),
  ];
}

const queries = (page: Page) => page.getByRole('complementary', { name: 'Queries' });
const open = (page: Page) => queries(page).locator('ol > li').count();

async function ledgerLines(page: Page): Promise<number> {
  return Number(/\d+/.exec((await page.getByRole('button', { name: /^(book )?Ledger/ }).textContent())!)![0]);
}

test('many queries are settled by keyboard alone, with few keys and a line each', async ({ page }) => {
  const each = inFull ? 10 : 3;
  if (inFull) test.setTimeout(300_000);
  await dropFile(page, midi('many.mid', manyQueries(each)));
  await expect(page.locator('g.note, .ant-table-row').first()).toBeVisible({ timeout: 60_000 });
  await expect.poll(() => open(page), { timeout: 60_000 }).toBeGreaterThanOrEqual(4 * each);
  const asked = await open(page);
  let keys = 0;
  const press = async (key: string) => {
    keys++;
    await page.keyboard.press(key);
  };
  for (let left = asked; left > 0; left = await open(page)) {
    await press('n');
    await expect(queries(page).locator('[aria-expanded=true]')).toHaveCount(1);
    await press('a');
    await expect.poll(() => open(page)).not.toBe(left);
    if (keys > 3 * asked) break;
  }
  await expect(page.getByText('No open queries.')).toBeVisible();
  expect(keys).toBeLessThanOrEqual(2.5 * asked);
  expect(await ledgerLines(page)).toBeLessThanOrEqual(asked);
});

test('all queries alike are settled in one step, which is one line and one undo', async ({ page }) => {
  await dropFile(page, midi('low.mid', manyQueries(10).slice(10, 20)));
  await expect.poll(() => open(page), { timeout: 60_000 }).toBeGreaterThanOrEqual(10);
  const asked = await open(page);
  // Keys work wherever no text is typed: also while a switch of stations' looks has the focus.
  await page.getByRole('radiogroup').first().getByRole('radio').first().focus();
  await page.keyboard.press('n');
  await expect(queries(page).locator('[aria-expanded=true]')).toContainText('Oboe');
  await page.keyboard.press('Shift+A');
  await expect.poll(() => open(page)).toBeLessThanOrEqual(asked - 10);
  expect(await ledgerLines(page)).toBe(1);
  await page.keyboard.press('u');
  await expect.poll(() => open(page)).toBe(asked);
});

test('a remedy is tried out in the music before it is taken, and the keys work wherever the focus is', async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, 'Casting');
  await page.getByRole('combobox', { name: 'Instrument of Flute' }).click();
  await page.keyboard.type('tuba');
  await page.keyboard.press('Enter');
  await expect(
    queries(page)
      .getByText(/Tuba, bar/)
      .first(),
  ).toBeVisible();
  // The focus is still in the list of instruments.
  await page.keyboard.press('n');
  await expect(queries(page).locator('[aria-expanded=true]')).toContainText('Tuba');
  await page.keyboard.press('o');
  await expect(page).toHaveURL(/rhythm$/);
  await page.keyboard.press('p');
  await expect(page.getByRole('status').filter({ hasText: 'Preview:' })).toBeVisible();
  await expect(queries(page).getByText(/notes? changes? in|Changes/)).toBeVisible();
  expect(await ledgerLines(page)).toBe(1);
  // After a choice among a few, and not behind a drawer.
  await page.getByText('Timing', { exact: true }).click();
  await page.getByText('Music', { exact: true }).click();
  await page.getByRole('button', { name: /Ledger/ }).click();
  await expect(page.getByRole('dialog', { name: 'Ledger' })).toBeVisible();
  await page.keyboard.press('a');
  await expect(page.getByRole('button', { name: 'Ledger (1)' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Ledger' })).toBeHidden();
  await page.keyboard.press('a');
  await expect(page.getByRole('button', { name: 'Ledger (2)' })).toBeVisible();
});

test('the pane folds away by a key, and queries go to the composer as a sheet', async ({ page }) => {
  await openDemo(page);
  await page.keyboard.press('q');
  await expect(page.getByRole('button', { name: 'Show the queries' })).toBeVisible();
  await page.keyboard.press('q');
  await page.getByRole('button', { name: 'Query sheet' }).click();
  const sheet = page.getByRole('dialog', { name: 'Query sheet' });
  // How a part is written is nothing a composer can answer: it is ticked by hand.
  await expect(sheet.getByRole('checkbox').first()).not.toBeChecked();
  await sheet.getByRole('checkbox').first().check();
  const text = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'As text' }).click();
  const written = readFileSync(await (await text).path(), 'utf8');
  expect(written).toMatch(/1\. .*\n {3}.*\n\n {3}Answer: _+/);
  expect(written.match(/Answer:/g)).toHaveLength(await sheet.getByRole('checkbox', { checked: true }).count());
  const pdf = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'As PDF' }).click();
  const bytes = readFileSync(await (await pdf).path());
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  expect(bytes.length).toBeGreaterThan(10_000);
});

test('one field leads to bars, parts, queries and settings', async ({ page }) => {
  await openDemo(page);
  const jump = async (typed: string) => {
    await page.keyboard.press('/');
    await page.keyboard.type(typed);
    await expect(page.locator('.ant-select-item-option').first()).toBeVisible();
    await page.keyboard.press('Enter');
  };
  await jump('bsn 12');
  await expect(page.getByText(/Bars 12–15/)).toBeVisible();
  await expect(page.getByRole('checkbox', { name: 'Bassoon' })).toBeChecked();
  await jump('metronome');
  await expect(page).toHaveURL(/timeline$/);
  await jump('C major');
  await expect(page).toHaveURL(/page$/);
  await expect(queries(page).locator('[aria-expanded=true]')).toContainText('C major');
});
