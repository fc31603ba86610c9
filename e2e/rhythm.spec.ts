import { expect, test, type Page } from './window';
import { corpus } from '../bench/corpus';
import { playTake, TAKES } from '../bench/takes';
import { line, smfBytes, tempo, type HandNote } from '../src/testing/music';
import { dropFile, exportedXml, openDemo, truth } from './help';
import { readParts } from './read-musicxml';

const QUARTER = 10080;
const eighths = (keys: number[]): HandNote[] =>
  line(...keys.map((key): [number, number] => [key, 0.5])).map((note, i) => ({
    ...note,
    at: Math.max(0, note.at + 0.015 * Math.sin(2.7 * i)),
    length: 0.45,
  }));
const keys = (from: number) => Array.from({ length: 32 }, (_, i) => from + [0, 2, 4, 5, 7, 5, 4, 2][i % 8]!);

const exported = async (page: Page) => readParts(await exportedXml(page));

const ledger = (page: Page, lines: number) =>
  expect(page.getByRole('button', { name: `Ledger (${lines})` })).toBeVisible();

/**
 * A flute and a viola go together; the clarinet is a sixteenth late in one place and plays a figure that is hardly a
 * triplet.
 */
function band(): Buffer {
  const clarinet = eighths(keys(60)).map((note, i) => (i === 11 ? { ...note, at: note.at + 0.25, length: 0.2 } : note));
  return Buffer.from(
    smfBytes(
      [
        { name: 'Flute', notes: eighths(keys(72)) },
        { name: 'Clarinet', notes: clarinet },
        { name: 'Viola', notes: eighths(keys(60)) },
      ],
      [tempo(0, 100)],
    ),
  );
}

test('by keyboard alone: the note that leaves the others is walked to and put back', async ({ page }) => {
  await dropFile(page, { name: 'band.mid', mimeType: 'audio/midi', buffer: band() });
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/Clarinet in B♭, bar 2.*a sixteenth after Flute/)).toBeVisible();
  for (let i = 0; i < 8; i++) {
    await page.keyboard.press('n');
    if (await page.getByRole('button', { name: 'Write as in Flute' }).isVisible()) break;
  }
  await page.keyboard.press('a');
  await ledger(page, 1);
  await expect(page.getByText(/a sixteenth after Flute/)).toHaveCount(0);
  const [flute, clarinet] = await exported(page);
  expect(clarinet!.notes.map((note) => note.start)).toEqual(flute!.notes.map((note) => note.start));
});

test('by keyboard alone: a wrong triplet is written plain', async ({ page }) => {
  // Sixteenths in the clarinet, triplets only in the flute; 30 ms of jitter make one beat doubtful (seeded).
  const score = corpus(1)[18]!;
  const unsteady = TAKES.find((take) => take.name === 'jitter 30 ms')!;
  await dropFile(page, {
    name: 'unsteady.mid',
    mimeType: 'audio/midi',
    buffer: Buffer.from(playTake(score, unsteady, 118)),
  });
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
  const doubt = page.getByText('Clarinet in B♭, bar 6, beat 1: written as a triplet');
  await expect(doubt).toBeVisible();
  const plain = async () =>
    (await exported(page))[1]!.notes
      .filter((note) => note.start >= 20 * QUARTER && note.start < 24 * QUARTER)
      .every((note) => note.start % (QUARTER / 4) === 0);
  expect(await plain()).toBe(false);
  for (
    let i = 0;
    i < 12 && !(await page.getByRole('button', { name: 'Write plain values in this bar' }).isVisible());
    i++
  )
    await page.keyboard.press('n');
  await page.keyboard.press('a');
  await ledger(page, 1);
  await expect(doubt).toHaveCount(0);
  expect(await plain()).toBe(true);
});

test('early strings: a lead set wrongly and found again, by keyboard undo', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('checkbox', { name: 'Viola' }).check();
  await page.getByRole('button', { name: 'Rhythm settings of Viola' }).click();
  const lead = page.getByRole('spinbutton', { name: 'Milliseconds Viola was played ahead' });
  await expect(lead).toHaveValue('138');
  await lead.fill('0');
  await lead.press('Enter');
  await ledger(page, 1);
  const viola = truth().parts.find((part) => part.instrument === 'viola')!;
  const starts = async () =>
    (await exported(page)).find((part) => part.name === 'Viola')!.notes.map((note) => note.start);
  const wanted = [...viola.notes].sort((a, b) => a.start - b.start || a.key - b.key).map((note) => note.start);
  expect(await starts()).not.toEqual(wanted);
  await page.keyboard.press('Escape');
  await page.locator('main').click({ position: { x: 5, y: 5 } });
  await page.keyboard.press('Control+z');
  await ledger(page, 0);
  expect(await starts()).toEqual(wanted);
});

test('picked notes move, join and are struck again; before and after can be compared', async ({ page }) => {
  const notes = line([72, 1], [72, 1], [76, 1], [77, 1]);
  await dropFile(page, {
    name: 'four.mid',
    mimeType: 'audio/midi',
    buffer: Buffer.from(smfBytes([{ name: 'Flute', notes }])),
  });
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
  const mark = (i: number) => page.locator('g[data-played]').nth(i).locator('rect').first();
  const values = async () => (await exported(page))[0]!.notes.map((note) => [note.start / QUARTER, note.end / QUARTER]);

  await mark(2).click();
  await expect(page.getByText('1 note of Flute')).toBeVisible();
  await page.keyboard.press('.');
  await ledger(page, 1);
  expect(await values()).toEqual([
    [0, 1],
    [1, 2],
    [2.25, 3],
    [3, 4],
  ]);
  await page.keyboard.press('Control+z');
  await ledger(page, 0);

  await mark(0).click();
  await mark(1).click({ modifiers: ['Shift'] });
  await page.keyboard.press('j');
  await ledger(page, 1);
  expect(await values()).toEqual([
    [0, 2],
    [2, 3],
    [3, 4],
  ]);
  await page.getByRole('button', { name: 'Compare with before' }).click();
  await expect(page.locator('g.note')).toHaveCount(4);
  await page.keyboard.press('c');
  await expect(page.locator('g.note')).toHaveCount(3);

  await mark(3).click();
  await page.keyboard.press('k');
  await ledger(page, 2);
  expect(await values()).toEqual([
    [0, 2],
    [2, 3],
    [3, 3.5],
    [3.5, 4],
  ]);
});

test('a setting reaches a family, some bars, and says what it did', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('button', { name: 'Rhythm settings of Flute' }).click();
  await page.getByText('its family').click();
  await page.getByRole('checkbox', { name: 'only in bars 1–4' }).check();
  await page.getByRole('tooltip').getByRole('combobox').first().click();
  await page.locator('.ant-select-item-option', { hasText: 'quarter notes' }).first().click();
  // However many parts it reaches: one decision, one line.
  await ledger(page, 1);
  await page.keyboard.press('Escape');
  const parts = await exported(page);
  for (const part of parts.filter(({ name }) => /Flute|Clarinet|Bassoon/.test(name))) {
    const inside = part.notes.filter((note) => note.start < 16 * QUARTER);
    expect(
      inside.every((note) => note.start % QUARTER === 0),
      part.name,
    ).toBe(true);
    expect(
      part.notes.some((note) => note.start >= 16 * QUARTER && note.start % QUARTER !== 0),
      part.name,
    ).toBe(true);
  }
  await page.getByText('Timing', { exact: true }).click();
  await expect(page.getByText('milliseconds ahead of the beat')).toBeVisible();
});
