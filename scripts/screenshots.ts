/*
 * Takes the pictures of docs/screenshots anew, from the demo cue, in the built application at 1280×800.
 *
 * usage: tsx scripts/screenshots.ts [NAME …]     # after npm run build
 */
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { sentAgain } from '../src/testing/sent-again';

const ROOT = join(import.meta.dirname, '..');
const DEMO = join(ROOT, 'public/demo/clockmakers-goose-cue-3.mid');
const PORT = 3229;
const SIZE = { width: 1280, height: 800 };

const goTo = (page: Page, station: string) =>
  page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: station }).click();

async function openDemo(page: Page): Promise<void> {
  await page.getByRole('link', { name: /Goose, cue 3/ }).click();
  await page.locator('g.note').first().waitFor();
}

type Lead = (page: Page) => Promise<void>;

/** Opens the demo, a station, and a view of it by its name. */
const demoAt =
  (station: string, view?: string): Lead =>
  async (page) => {
    await openDemo(page);
    await goTo(page, station);
    if (view) await page.getByText(view, { exact: true }).click();
  };

const sequencerAt =
  (station: string): Lead =>
  async (page) => {
    await openDemo(page);
    await page.getByText('To sequencer', { exact: true }).click();
    await page.getByRole('button', { name: 'MIDI' }).waitFor();
    await goTo(page, station);
  };

/** What leads to each picture, from the start page. */
const VIEWS: Readonly<Record<string, Lead>> = {
  home: async () => {},
  intake: demoAt('Intake', 'Flt 1 leg'),
  casting: demoAt('Casting'),
  'deal-out': async (page) => {
    await demoAt('Casting', 'Hn in F (sus)')(page);
    await page.getByRole('button', { name: 'Divide among players …' }).click();
    await page.getByLabel('Number of players').fill('2');
    await page.getByLabel('Number of players').press('Enter');
  },
  rhythm: demoAt('Rhythm'),
  timing: demoAt('Rhythm', 'Timing'),
  page: demoAt('Page'),
  extract: async (page) => {
    await demoAt('Page', 'Extract')(page);
    await page.getByText('Piano reduction').first().click();
    await page.locator('g.note').first().waitFor();
  },
  timeline: demoAt('Timeline'),
  studio: demoAt('Timeline', 'Studio'),
  proof: demoAt('Proof'),
  'all-parts': demoAt('Proof', 'All parts'),
  dispatch: demoAt('Dispatch'),
  'to-sequencer': sequencerAt('Rhythm'),
  cleaning: sequencerAt('Intake'),
  'midi-tracks': sequencerAt('Casting'),
  treatments: async (page) => {
    await sequencerAt('Rhythm')(page);
    await page.getByRole('button', { name: 'Apply', exact: true }).click();
    await page.getByRole('list', { name: 'Applied processing' }).waitFor();
  },
  'new-version': async (page) => {
    await demoAt('Intake')(page);
    await page
      .locator('.ant-upload', { hasText: 'New version of this file' })
      .locator('input[type=file]')
      .setInputFiles({
        name: 'goose-v2.mid',
        mimeType: 'audio/midi',
        buffer: Buffer.from(sentAgain(readFileSync(DEMO))),
      });
    await page
      .getByRole('dialog', { name: /a new version/ })
      .getByRole('row')
      .nth(2)
      .waitFor();
  },
  show: async (page) => {
    const bytes = readFileSync(DEMO);
    const cue = (n: number) => ({
      name: `The Clockmaker’s Goose, cue ${n}.mid`,
      mimeType: 'audio/midi',
      buffer: bytes,
    });
    await page.locator('input[type=file]').first().setInputFiles([1, 2, 3, 4, 5, 10].map(cue));
    await page.getByText('A show:').click();
    await page.getByLabel('Name of the show').fill('The Clockmaker’s Goose');
    await page.getByRole('button', { name: 'Continue' }).click();
    await page.getByText('5:41').waitFor();
  },
};

const server = spawn('node', ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(PORT)], {
  cwd: ROOT,
  stdio: 'ignore',
});
try {
  await new Promise((resolve) => setTimeout(resolve, 3000));
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox'],
  });
  const wanted = process.argv.slice(2);
  for (const [name, lead] of Object.entries(VIEWS)) {
    if (wanted.length > 0 && !wanted.includes(name)) continue;
    const context = await browser.newContext({ viewport: SIZE });
    const page = await context.newPage();
    page.setDefaultTimeout(60_000);
    await page.goto(`http://127.0.0.1:${PORT}/`);
    await page.getByRole('link', { name: /Goose, cue 3/ }).waitFor();
    await lead(page);
    await page.mouse.move(5, 795);
    await page.waitForFunction(() => document.querySelectorAll('[aria-busy=true]').length === 0);
    await page.getByText('Preparing …').waitFor({ state: 'hidden' });
    await page.waitForTimeout(1500);
    await page.screenshot({ path: join(ROOT, `docs/screenshots/${name}.png`) });
    console.log(name);
    await context.close();
  }
  await browser.close();
} finally {
  server.kill();
}
