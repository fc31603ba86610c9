import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { chromium, type Browser } from '@playwright/test';

const PORT = '3219';

export interface BrowserTimes {
  /** Reading and surveying in the engine worker, message passing included. */
  open: number;
  /** Longest time the page's own thread was blocked meanwhile. */
  blocked: number;
}

/**
 * Drops a file on the built application in headless Chromium and reads the page's own measurements.
 *
 * @returns null when there is no Chromium or no build
 */
export async function timeInBrowser(file: Uint8Array): Promise<BrowserTimes | null> {
  const root = join(import.meta.dirname, '..');
  const server = spawn('node', ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', PORT], { cwd: root, stdio: 'ignore' });
  let browser: Browser | null = null;
  try {
    await new Promise((resolve) => setTimeout(resolve, 3000));
    browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: ['--no-sandbox'] });
    const page = await browser.newPage();
    await page.goto(`http://127.0.0.1:${PORT}/`);
    await page.getByText('demo', { exact: true }).waitFor();
    // As text: the script runner would put helpers into a function that the page does not have.
    await page.evaluate(`
      window.longest = 0;
      let last = performance.now();
      setInterval(() => {
        const now = performance.now();
        window.longest = Math.max(window.longest, now - last);
        last = now;
      }, 4);
    `);
    await page.locator('input[type=file]').first().setInputFiles({ name: 'large.mid', mimeType: 'audio/midi', buffer: Buffer.from(file) });
    // Handing the file over blocks the page too, but that is the test driver's doing.
    await page.evaluate('window.longest = 0');
    const measured = await page.waitForFunction(() => performance.getEntriesByName('dragoman: read and survey')[0]?.duration, undefined, { timeout: 60_000 });
    const open = (await measured.jsonValue()) ?? 0;
    const blocked = await page.evaluate(() => (window as unknown as { longest: number }).longest);
    return { open, blocked };
  } catch (error) {
    console.error(`No measurement in the browser: ${(error as Error).message.split('\n')[0]}`);
    return null;
  } finally {
    await browser?.close();
    server.kill();
  }
}
