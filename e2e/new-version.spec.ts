import { readFileSync } from 'node:fs';
import { expect, test } from './window';
import { sentAgain } from '../src/testing/sent-again';
import { DEMO_FILE, exportedXml, goTo, openDemo } from './help';

const again = () => Buffer.from(sentAgain(new Uint8Array(readFileSync(DEMO_FILE))));

test('a new version of the file takes over what was decided, and the one before stays', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Casting');
  const name = page.getByLabel('Name of the part Violin 1', { exact: true });
  await name.fill('Fiddle');
  await name.press('Enter');
  await expect(page.getByRole('button', { name: 'Ledger (1)' })).toBeVisible();
  await goTo(page, 'Intake');
  await page
    .locator('.ant-upload', { hasText: 'New version of this file' })
    .locator('input[type=file]')
    .setInputFiles({ name: 'goose again.mid', mimeType: 'audio/midi', buffer: again() });
  const offer = page.getByRole('dialog', { name: 'goose again.mid: a new version' });
  await expect(offer.getByText(/1 decision carried over\./)).toBeVisible({ timeout: 60_000 });
  await expect(offer.getByRole('row', { name: /5–6 all added/ })).toBeVisible();
  await expect(offer.getByRole('row', { name: /Glsp no longer there/ })).toBeVisible();
  await offer.getByRole('button', { name: 'Use this version' }).click();
  await expect(offer).toBeHidden();
  await expect(page.getByText(/goose again\.mid: type 1.* 30 bars/)).toBeVisible({ timeout: 60_000 });
  const xml = await exportedXml(page);
  expect(xml).toContain('<part-name>Fiddle</part-name>');
  expect(xml).not.toContain('Glockenspiel');
  await page.getByRole('button', { name: 'What changed' }).click();
  await page.getByRole('button', { name: '5–6' }).click();
  await expect(page).toHaveURL(/rhythm/);
  await goTo(page, 'Intake');
  await page.getByRole('button', { name: 'Other version' }).hover();
  await page.getByRole('menuitem', { name: /the first/ }).click();
  await expect(page.getByText(/type 1.* 28 bars/)).toBeVisible({ timeout: 60_000 });
  expect(await exportedXml(page)).toContain('Glockenspiel');
});
