import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { chromium, type Browser, type Page } from '@playwright/test';
import { timeDispatch, type DispatchTimes } from './dispatch';

const PORT = '3219';

/** As text: the script runner would put helpers into a function that the page does not have. */
const WATCH = `
  window.longest = 0;
  let last = performance.now();
  setInterval(() => {
    const now = performance.now();
    window.longest = Math.max(window.longest, now - last);
    last = now;
  }, 4);
  window.watchAnew = () => {
    last = performance.now();
    window.longest = 0;
  };
`;

export interface BrowserTimes {
  /** Reading and surveying in the engine worker, message passing included. */
  open: number;
  /** Longest time the page's own thread was blocked meanwhile. */
  blocked: number;
  /** The whole way from tracks to score in the built engine worker, and how long the page was blocked meanwhile. */
  convert: number;
  convertBlocked: number;
  /** In the demo: one setting of one part changed, computed, and drawn in the interlinear view. */
  change: number;
  redraw: number;
  dispatch: DispatchTimes;
}

/**
 * Drops two files on the built application in headless Chromium and reads the page's own measurements.
 *
 * @returns null when there is no Chromium or no build
 */
export async function timeInBrowser(file: Uint8Array, orchestra: Uint8Array): Promise<BrowserTimes | null> {
  const root = join(import.meta.dirname, '..');
  const server = spawn('node', ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', PORT], {
    cwd: root,
    stdio: 'ignore',
  });
  let browser: Browser | null = null;
  try {
    await new Promise((resolve) => setTimeout(resolve, 3000));
    browser = await chromium.launch({
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: ['--no-sandbox'],
    });
    const page = await browser.newPage();
    const [open, blocked] = await dropAndTime(page, file, 'dragoman: read and survey');
    const [convert, convertBlocked] = await dropAndTime(page, orchestra, 'dragoman: convert');

    await page.goto(`http://127.0.0.1:${PORT}/`);
    await page.getByRole('row', { name: /demo/ }).getByRole('link').first().click();
    await page.locator('g.note').first().waitFor();
    const changes: number[] = [];
    const redraws: number[] = [];
    for (const value of ['up to quarter notes', 'not meant as rests', 'up to eighth notes', 'not meant as rests']) {
      await page.evaluate('performance.clearMeasures()');
      await page.getByRole('button', { name: 'Rhythm settings of Bassoon' }).click();
      await page.getByRole('tooltip').getByRole('combobox').nth(1).click();
      await page.locator('.ant-select-item-option', { hasText: value }).last().click();
      await page.waitForFunction(() => performance.getEntriesByName('dragoman: draw passage').length > 0);
      const [change, redraw] = await page.evaluate<[number, number]>(
        `['dragoman: convert', 'dragoman: draw passage'].map((name) => performance.getEntriesByName(name).at(-1).duration)`,
      );
      changes.push(change);
      redraws.push(redraw);
      await page.keyboard.press('Escape');
      await page.mouse.click(600, 760);
    }
    const middle = (list: number[]) => list.sort((a, b) => a - b)[list.length >> 1]!;
    const dispatch = await timeDispatch(page, `http://127.0.0.1:${PORT}/`, WATCH);
    return { open, blocked, convert, convertBlocked, change: middle(changes), redraw: middle(redraws), dispatch };
  } catch (error) {
    console.error(`No measurement in the browser: ${(error as Error).message.split('\n')[0]}`);
    return null;
  } finally {
    await browser?.close();
    server.kill();
  }
}

/**
 * Drops a file on the first page and waits for a measurement.
 * @returns it, and how long the page was blocked meanwhile
 */
async function dropAndTime(
  page: Page,
  file: Uint8Array,
  measurement: string,
): Promise<[measured: number, blocked: number]> {
  await page.goto(`http://127.0.0.1:${PORT}/`);
  await page.getByText('demo', { exact: true }).waitFor();
  await page.evaluate(WATCH);
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({ name: 'dropped.mid', mimeType: 'audio/midi', buffer: Buffer.from(file) });
  // Handing the file over blocks the page too, but that is the test driver's doing.
  await page.evaluate('window.watchAnew()');
  const measured = await page.waitForFunction((name) => performance.getEntriesByName(name)[0]?.duration, measurement, {
    timeout: 60_000,
  });
  return [
    (await measured.jsonValue()) ?? 0,
    await page.evaluate(() => (window as unknown as { longest: number }).longest),
  ];
}
