import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { expect, inFull, test, type Page } from './window';
import { DEMO_FILE, goTo, openDemo, still } from './help';

/** What a page has against it, in words. */
async function faults(page: Page, where: string): Promise<string[]> {
  await still(page);
  const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'] });
  // Thousands of paths and dots of engraved music are looked at in full only.
  if (!inFull) axe.exclude('[class*=engraved]');
  const { violations } = await axe.analyze();
  return violations.map(
    ({ id, nodes }) => `${where}: ${id} at ${nodes.map(({ target }) => target.join(' ')).join(', ')}`,
  );
}

/** The window is as the next test expects it. */
const light = (page: Page) => page.getByRole('button', { name: 'Switch to the light theme' }).click();

for (const mode of ['light', 'dark'] as const)
  test(`nothing keeps anybody out, in the ${mode} theme`, async ({ page }) => {
    if (mode === 'dark') {
      await page.getByRole('button', { name: 'Switch to the dark theme' }).click();
      // What the button says of itself goes with the pointer.
      await page.mouse.move(5, 700);
      await expect(page.locator('.ant-tooltip:not(.ant-tooltip-hidden)')).toHaveCount(0);
    }
    // Colours are judged, not what lies between two of them while a button becomes ready.
    await page.addStyleTag({ content: '*, *::before, *::after { transition: none !important }' });
    await expect(page.getByRole('link', { name: /Goose/ })).toBeVisible();
    const found = await faults(page, 'home');
    await openDemo(page);
    // Each way in one theme; in full both in both.
    const own = mode === 'light' ? 'To score' : 'To sequencer';
    for (const way of inFull ? ['To score', 'To sequencer'] : [own]) {
      await page.getByText(way, { exact: true }).click();
      const ofScores = page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Page' });
      await expect(ofScores).toHaveCount(way === 'To score' ? 1 : 0);
      const stations = await page.getByRole('navigation', { name: 'Stations' }).getByRole('link').allTextContents();
      for (const station of stations.map((name) => name.replace(/\d+$/, ''))) {
        await goTo(page, station);
        await expect(page).toHaveTitle(new RegExp(`${station} · Dragoman$`));
        await expect(page.locator('.ant-spin-spinning')).toHaveCount(0);
        found.push(...(await faults(page, `${way}, ${station}`)));
      }
    }
    // Everything a recipe can ask for is open once.
    for (const wish of ['MusicXML', 'Studio map', 'Lists', 'Pages', 'Sound'])
      await page.getByRole('switch', { name: wish, exact: true }).click();
    // While it is worked out what will be there, the paragraph before is dimmed.
    await expect(page.getByRole('button', { name: /Make a parcel of \d+ files/ })).toBeEnabled();
    found.push(...(await faults(page, 'all wishes')));
    await page.getByRole('link', { name: 'Dragoman' }).click();
    await expect(page.getByRole('link', { name: /Goose/ })).toBeVisible();
    if (mode === 'dark' && !inFull) return light(page).then(() => expect(found).toEqual([]));
    const files = ['cue 1.mid', 'cue 2.mid'].map((name) => ({
      name,
      mimeType: 'audio/midi',
      buffer: readFileSync(DEMO_FILE),
    }));
    await page.locator('input[type=file]').first().setInputFiles(files);
    await expect(page.getByText('What should 2 files become?')).toBeVisible();
    found.push(...(await faults(page, 'several files')));
    await page.getByRole('button', { name: 'Continue' }).click();
    await expect(page.getByRole('row').filter({ hasText: '28 bars' })).toHaveCount(2, { timeout: 60_000 });
    await expect(page.getByRole('button', { name: 'One parcel of 2 cues' })).toBeEnabled();
    found.push(...(await faults(page, 'show')));
    await page.getByRole('link', { name: 'Dragoman' }).click();
    if (mode === 'dark') await light(page);
    expect(found).toEqual([]);
  });

test('the music is reached by keyboard in a few stops, and rows of Casting are opened by it', async ({ page }) => {
  await openDemo(page);
  let stops = 0;
  const there = () => page.evaluate(() => document.activeElement?.id === 'music');
  while (!(await there()) && stops < 60) {
    await page.keyboard.press('Tab');
    stops++;
  }
  expect(stops).toBeLessThan(40);
  await goTo(page, 'Casting');
  const row = page.locator('.ant-table-row', { hasText: 'Viola' }).first();
  await row.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Divide among players …' })).toBeVisible();
  await row.focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(page.getByRole('button', { name: 'Ledger (1)' })).toBeVisible();
});
