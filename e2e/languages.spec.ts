import { test as base, expect, type Page } from '@playwright/test';
import { say, speak } from '../src/core/words';
import { exportedXml } from './help';
import { readParts } from './read-musicxml';

/* The whole application in German: found by role and by the catalogue's own texts. */

const test = base.extend({ locale: 'de-DE' });

test.beforeAll(() => speak('de'));

async function openDemo(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name: /Goose, cue 3/ }).click();
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
}

/** Words that German sentences have none of; names of the demo's own are put aside. */
const ENGLISH = /\b(the|of|with|is|are|bars?|notes|tracks?|quer(?:y|ies))\b/;
const OWN = /The Clockmaker’s Goose, cue 3|The clock (?:runs|again)|Goose waltz|Running Status/g;

async function englishIn(page: Page): Promise<string[]> {
  const texts = await page.evaluate(() => {
    const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    const found: string[] = [];
    while (walk.nextNode()) {
      const { parentElement, textContent } = walk.currentNode;
      if (!parentElement?.closest('script, style, svg')) found.push(textContent?.trim() ?? '');
    }
    return found;
  });
  return [...new Set(texts)].filter((text) => ENGLISH.test(text.replace(OWN, '')));
}

const STATIONS = ['intake', 'casting', 'rhythm', 'page', 'timeline', 'proof', 'dispatch'];

test('is there at once in a German browser, at every station and both ways', async ({ page }) => {
  await openDemo(page);
  await expect(page.locator('html')).toHaveAttribute('lang', 'de');
  const english: Record<string, string[]> = {};
  const visit = async (station: string, way: string) => {
    await page.locator(`nav a[href*="/${station}"]`).click();
    await expect(page.locator('[aria-busy=true]')).toHaveCount(0);
    const found = await englishIn(page);
    if (found.length > 0) english[`${way} ${station}`] = found;
  };
  for (const station of STATIONS) await visit(station, 'to-score');
  await page.getByText(say('job.toSequencer'), { exact: true }).click();
  await page.getByRole('button', { name: 'MIDI' }).waitFor();
  for (const station of STATIONS.filter((one) => one !== 'page')) await visit(station, 'to-sequencer');
  expect(english).toEqual({});
});

test('names the parts of a new job, and can be left in place', async ({ page }) => {
  await openDemo(page);
  const parts = readParts(await exportedXml(page));
  expect(parts.map(({ name }) => name).slice(0, 3)).toEqual(['Flöte', 'Klarinette in B', 'Fagott']);

  // Another bar is looked at, and still is when another language is chosen.
  await page.getByRole('button', { name: say('interlinear.nextBar') }).click();
  await page.getByRole('button', { name: say('shared.language') }).click();
  await page.getByRole('menuitem', { name: 'English' }).click();
  await expect(page.getByRole('link', { name: 'Rhythm' })).toBeVisible();
  await expect(page.getByText('Bars 2–5 of 28')).toBeVisible();
  await expect(page.getByText('Tpt muted (spare)').first()).toBeVisible();
  await expect(page.getByText(/has no notes and is left out/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('link', { name: 'Rhythm' })).toBeVisible();
  await expect(page.locator('html')).toHaveAttribute('lang', 'en');
});

test('has its manual where one stands, and the trouble that a query comes of', async ({ page }) => {
  await openDemo(page);
  await page.keyboard.press('?');
  const manual = page.getByRole('dialog', { name: say('manual.manual') });
  await expect(manual.getByRole('heading', { level: 1 })).toHaveText(/^Rhythmus: /);
  const picture = manual.locator('img').first();
  await expect(picture).toHaveJSProperty('naturalWidth', 1280);
  // It is read while one works: the keys of the job go on.
  await page.keyboard.press('n');
  await manual.getByRole('button', { name: 'Schließen' }).click();
  await page.getByRole('button', { name: say('manual.whyThisIsAsked') }).click();
  await expect(manual.locator('h2[aria-current]')).toHaveText(/^18\. /);
  await expect(manual.locator('h2[aria-current]')).toBeInViewport();
});
