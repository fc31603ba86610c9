/*
 * One window a worker, which all its tests share: the application is loaded once, its engine and its engraver stay warm.
 * Before each test the window is emptied and stands at the list of jobs, where the application makes the demo job as at a
 * first visit.
 */
import { readFileSync } from 'node:fs';
import { test as base, expect, type BrowserContext, type Page } from '@playwright/test';

export { expect };
export type { Page };

/** Tag of what `npm run test:long` has beside the journeys of `npm test`: what the core's own tests hold as well. */
export const LONG = '@long';
/** Everything is tried in full. */
export const inFull = process.env.DRAGOMAN_TESTS === 'long';

export const DEMO_NAME = 'The Clockmaker’s Goose, cue 3';

const DEXIE = readFileSync('node_modules/dexie/dist/dexie.min.js', 'utf8');

interface Shared {
  context: BrowserContext;
  page: Page;
}

export const test = base.extend<object, { shared: Shared }>({
  shared: [
    async ({ browser }, give, { project }) => {
      const { baseURL, viewport } = project.use;
      const context = await browser.newContext({ baseURL, viewport });
      const page = await context.newPage();
      await page.goto('/');
      await expect(page.getByRole('link', { name: DEMO_NAME })).toBeVisible();
      await give({ context, page });
      await context.close();
    },
    { scope: 'worker' },
  ],
  context: async ({ shared }, give) => give(shared.context),
  page: async ({ shared: { context, page } }, give) => {
    for (const other of context.pages()) if (other !== page) await other.close();
    await empty(page);
    await give(page);
  },
});

/** Nothing is kept any more, and the list of jobs is on the screen as at a first visit. */
async function empty(page: Page): Promise<void> {
  if (!page.url().startsWith('http')) await page.goto('/');
  // Through a Dexie of its own, so that the application's hears of it.
  await page.evaluate(`if (!globalThis.Dexie) {\n${DEXIE}\n}`);
  await page.evaluate(async () => {
    const { Dexie } = globalThis as unknown as {
      Dexie: new (name: string) => {
        open: () => Promise<{ tables: { clear: () => Promise<void> }[]; close: () => void }>;
      };
    };
    const database = await new Dexie('dragoman').open();
    await Promise.all(database.tables.map((table) => table.clear()));
    database.close();
    localStorage.clear();
    sessionStorage.clear();
  });
  const home = page.locator('header').getByRole('link', { name: 'Dragoman' });
  // Clicked by script: a drawer that a test left open may lie over it.
  if (await home.isVisible()) await home.evaluate((link: HTMLElement) => link.click());
  else await page.goto('/');
  await expect(page.getByRole('link', { name: DEMO_NAME })).toBeVisible();
}
