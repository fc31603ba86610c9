import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { DEMO_NAME, expect, type Page } from './window';
import { instrumentById } from '../src/core/instruments';

export const DEMO_FILE = join(import.meta.dirname, '../public/demo/clockmakers-goose-cue-3.mid');
export { DEMO_NAME };

export interface Truth {
  parts: { name: string; instrument: string; notes: { start: number; end: number; key: number; staff: number }[] }[];
}

/** The true parts in score order. */
export function truth(): Truth {
  const read = JSON.parse(
    readFileSync(join(import.meta.dirname, '../demo/clockmakers-goose-cue-3.truth.json'), 'utf8'),
  ) as Truth;
  const order = (part: Truth['parts'][number]) => instrumentById(part.instrument).scoreOrder;
  return { parts: read.parts.sort((a, b) => order(a) - order(b)) };
}

/** Hands a file to the drop area. */
export async function dropFile(
  page: Page,
  file: string | { name: string; mimeType: string; buffer: Buffer },
): Promise<void> {
  await page.locator('input[type=file]').first().setInputFiles(file);
}

/** Opens the demo job that is ready at the first visit and waits for engraved notes. */
export async function openDemo(page: Page): Promise<void> {
  if (!page.url().startsWith('http')) await page.goto('/');
  await page.getByRole('link', { name: DEMO_NAME }).click();
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
}

export async function goTo(page: Page, station: string): Promise<void> {
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: station }).click();
}

/** Waits until what is shown is what was decided: nothing is converted or drawn any more, and nothing moves. */
export async function settled(page: Page): Promise<void> {
  await expect(page.locator('[aria-busy=true]')).toHaveCount(0);
  await still(page);
}

/** Waits until nothing changes its place or colour any more; what turns for ever may turn. */
export async function still(page: Page): Promise<void> {
  const moving = () =>
    document
      .getAnimations()
      .filter(({ playState, effect }) => playState === 'running' && effect?.getComputedTiming().iterations !== Infinity)
      .length;
  await expect.poll(() => page.evaluate(moving)).toBe(0);
}

/** What the button in the header gives, read back. */
export async function exportedXml(page: Page): Promise<string> {
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'MusicXML' }).click();
  return readFileSync(await (await waiting).path(), 'utf8');
}
