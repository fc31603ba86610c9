import { expect, test, type Page } from './window';
import { line, smfBytes } from '../src/testing/music';
import { readParts } from './read-musicxml';
import { dropFile, exportedXml, goTo, settled } from './help';

const TUNE = line([72, 1], [74, 1], [76, 1], [77, 1], [79, 2], [72, 2], [74, 4], [76, 4]);

async function openTune(page: Page): Promise<void> {
  const buffer = Buffer.from(
    smfBytes([
      { name: 'Flute', notes: TUNE },
      { name: 'Oboe', notes: line([67, 4], [65, 4], [64, 4], [62, 4]) },
    ]),
  );
  await dropFile(page, { name: 'tune.mid', mimeType: 'audio/midi', buffer });
  await goTo(page, 'Rhythm');
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
}

/** Start in quarters and key of every note of a part, as it goes out. */
async function outgoing(page: Page, part = 0): Promise<[number, number][]> {
  const parts = readParts(await exportedXml(page));
  return parts[part]!.notes.map(({ start, key }) => [start / 10080, key]);
}

const spoken = (page: Page) => page.getByRole('status', { name: 'Selected note' });
const ledger = (page: Page, lines: number) =>
  expect(page.getByRole('button', { name: `Ledger (${lines})` })).toBeVisible();
/** The middle of a note's head. */
async function head(page: Page, n: number): Promise<{ x: number; y: number }> {
  await settled(page);
  const box = (await page.locator('g.note g.notehead').nth(n).boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}
async function pick(page: Page, n: number): Promise<void> {
  const { x, y } = await head(page, n);
  await page.mouse.click(x, y);
  await expect(spoken(page)).not.toBeEmpty();
}
async function decided(page: Page, lines: number): Promise<void> {
  await ledger(page, lines);
  await settled(page);
}

test('notes are walked by arrow keys and heard in words', async ({ page }) => {
  await openTune(page);
  await page.getByRole('group', { name: /arrow keys walk the notes/ }).focus();
  await page.keyboard.press('Enter');
  await expect(spoken(page)).toHaveText('Flute, bar 1, beat 1: C5, quarter');
  await page.keyboard.press('ArrowRight');
  await expect(spoken(page)).toHaveText('Flute, bar 1, beat 2: D5, quarter');
  await page.keyboard.press('ArrowDown');
  await expect(spoken(page)).toHaveText('Oboe, bar 1, beat 1: G4, whole note');
});

test('notes are changed by keys, undone, redone, and go out as they are seen', async ({ page }) => {
  await openTune(page);
  const before = await outgoing(page);
  await pick(page, 1);
  await page.keyboard.press('Shift+ArrowUp');
  await decided(page, 1);
  await expect(spoken(page)).toContainText(/[DE][♯♭]5/);
  await page.keyboard.press('[');
  await decided(page, 2);
  await expect(spoken(page)).toContainText(/dotted eighth|eighth/);
  await page.keyboard.press('Delete');
  await decided(page, 3);
  expect(await outgoing(page)).toEqual(before.filter((_, i) => i !== 1));
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await decided(page, 1);
  expect(await outgoing(page)).toEqual(before.map(([at, key], i) => [at, i === 1 ? 75 : key]));
  await page.keyboard.press('Control+Shift+z');
  await page.keyboard.press('Control+Shift+z');
  await decided(page, 3);
  expect(await outgoing(page)).toHaveLength(before.length - 1);
});

test('notes are dragged, boxed and put in by mouse, shown while it is done', async ({ page }) => {
  await openTune(page);
  const before = await outgoing(page);
  const staff = (await page.locator('g.staff').first().boundingBox())!;
  const { x, y } = await head(page, 0);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y - 6);
  await page.mouse.move(x + 1, y - 12, { steps: 4 });
  await expect(page.getByText(/C5 becomes [DEFG]5/)).toBeVisible();
  await page.mouse.up();
  await decided(page, 1);
  expect((await outgoing(page))[0]![1]).toBeGreaterThan(72);
  await page.keyboard.press('Control+z');
  await decided(page, 0);

  // A box around the first bar.
  const first = await head(page, 0);
  const fourth = await head(page, 3);
  await page.mouse.move(first.x - 8, staff.y - 14);
  await page.mouse.down();
  await page.mouse.move(fourth.x + 10, staff.y + staff.height + 10, { steps: 5 });
  await page.mouse.up();
  await expect(page.getByRole('toolbar', { name: 'Selected notes' })).toContainText('4 notes of Flute');

  // An empty place: bar 2 of the oboe holds one long note, so its later beats are free of heads.
  const { x: from } = await head(page, 4);
  await page.mouse.click(from + 14, staff.y + 12, { button: 'right' });
  await page.getByRole('menuitem', { name: /Insert a note here/ }).click();
  await decided(page, 1);
  expect(await outgoing(page)).toHaveLength(before.length + 1);
});

test('a box around two parts picks both, and what is done is done in both', async ({ page }) => {
  await openTune(page);
  // The first of the flute’s four notes in bar 1, and the oboe’s one below it.
  const [above, below] = [await head(page, 0), await head(page, 4)];
  await page.mouse.move(above.x - 12, above.y - 30);
  await page.mouse.down();
  await page.mouse.move(above.x + 8, below.y + 30, { steps: 8 });
  await page.mouse.up();
  await expect(page.getByRole('toolbar', { name: 'Selected notes' })).toContainText('2 notes of 2 parts');
  await page.keyboard.press('Shift+ArrowDown');
  await decided(page, 1);
  expect((await outgoing(page))[0]).toEqual([0, 71]);
  expect((await outgoing(page, 1))[0]).toEqual([0, 66]);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await outgoing(page, 1))[0]).toEqual([0, 67]);
});

test('the menu gives notes to another part, copies them, and puts signs on them', async ({ page }) => {
  await openTune(page);
  const [flute, oboe] = [await outgoing(page), await outgoing(page, 1)];
  const menu = async (n: number, ...path: string[]) => {
    const { x, y } = await head(page, n);
    await page.mouse.click(x, y, { button: 'right' });
    for (const name of path.slice(0, -1)) await page.getByRole('menuitem', { name }).hover();
    await page.getByRole('menuitem', { name: path.at(-1)! }).click();
  };
  await menu(0, 'Move to part', 'Oboe');
  await decided(page, 1);
  expect(await outgoing(page)).toHaveLength(flute.length - 1);
  expect(await outgoing(page, 1)).toHaveLength(oboe.length + 1);
  await page.keyboard.press('Control+z');
  await decided(page, 0);
  // The ledger is there before the music is drawn: the given note stands first again.
  await expect(async () => {
    await pick(page, 0);
    await expect(spoken(page)).toContainText('Flute, bar 1, beat 1', { timeout: 500 });
  }).toPass();

  await menu(1, 'Markings', 'accent');
  await decided(page, 1);
  await expect(page.locator('g.artic')).toHaveCount(1);
  await pick(page, 1);
  await page.keyboard.press('Control+c');
  await pick(page, 2);
  await expect(spoken(page)).toContainText('beat 3');
  await page.keyboard.press('Control+Shift+v');
  await decided(page, 2);
  await expect(page.locator('g.artic')).toHaveCount(2);
  expect((await exportedXml(page)).match(/<accent/g)).toHaveLength(2);
});

test('resting on a note tells why it is written so', async ({ page }) => {
  await openTune(page);
  const { x, y } = await head(page, 2);
  await page.mouse.move(x, y);
  await expect(page.getByRole('status', { name: 'Why it is written so' })).toContainText(/exactly here|Played/);
});
