import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { orchestraFile } from './large';

/* What leaves the house, timed: many files at once on the command line, a large parcel and a long list of jobs in the browser. */

export interface BatchTimes {
  files: number;
  notes: number;
  /** Seconds of the whole process. */
  seconds: number;
  /** The same again, when nothing has changed. */
  again: number;
}

/** A hundred files of about 5,000 notes each to MusicXML, as a process of its own on all cores. */
export function timeBatch(): BatchTimes {
  const folder = mkdtempSync(join(tmpdir(), 'dragoman-bench-'));
  const [input, output] = [join(folder, 'in'), join(folder, 'out')];
  mkdirSync(input);
  // Twelve and thirteen tracks have 4,892 and 5,384 notes.
  for (let i = 0; i < 100; i++)
    writeFileSync(join(input, `cue ${i + 1}.mid`), orchestraFile(i % 4 === 0 ? 13 : 12, 112));
  const run = () => {
    const began = performance.now();
    const command = ['scripts/dragoman.mjs', 'batch', input, '-o', output, '--recipe', 'Notation program'];
    spawnSync('node', command, { cwd: join(import.meta.dirname, '..') });
    return (performance.now() - began) / 1000;
  };
  const seconds = run();
  const again = run();
  const summary = JSON.parse(readFileSync(join(output, 'summary.json'), 'utf8')) as {
    unchanged: number;
    notes: number;
  };
  rmSync(folder, { recursive: true });
  return { files: summary.unchanged, notes: summary.notes, seconds, again };
}

export interface DispatchTimes {
  /** Seconds from the click to the parcel of 60 parts, and how long the page was blocked in milliseconds. */
  parcel: number;
  parcelBlocked: number;
  files: number;
  /** Milliseconds until a list of 10,000 jobs is shown, and until a search has found one. */
  list: number;
  search: number;
}

/** @param watch begins to watch how long the page is blocked */
export async function timeDispatch(page: Page, url: string, watch: string): Promise<DispatchTimes> {
  await page.goto(url);
  await page.getByText('demo', { exact: true }).waitFor();
  const buffer = Buffer.from(orchestraFile(60, 112));
  await page.locator('input[type=file]').first().setInputFiles({ name: 'sixty.mid', mimeType: 'audio/midi', buffer });
  await page.waitForURL(/\/job\//);
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: 'Dispatch' })
    .click({ timeout: 60_000 });
  const recipe = page
    .getByRole('navigation', { name: 'Recipes' })
    .getByRole('button', { name: 'Orchestrator’s parcel' });
  await recipe.click({ timeout: 60_000 });
  await page.getByText('Each part', { exact: true }).first().click();
  await page.getByRole('switch', { name: 'Sound' }).click();
  const make = page.getByRole('button', { name: /Make a parcel of \d+ files/ });
  await make.and(page.locator(':enabled')).waitFor({ timeout: 120_000 });
  const files = Number(/\d+/.exec((await make.textContent()) ?? '')?.[0] ?? 0);
  await page.evaluate(watch);
  const began = performance.now();
  const waiting = page.waitForEvent('download', { timeout: 180_000 });
  await make.click();
  await waiting;
  const parcel = (performance.now() - began) / 1000;
  const parcelBlocked = await page.evaluate<number>('window.longest');
  const { list, search } = await timeList(page, url);
  return { parcel, parcelBlocked, files, list, search };
}

const JOBS = 10_000;

async function timeList(page: Page, url: string): Promise<{ list: number; search: number }> {
  await page.evaluate(
    (jobs) =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('dragoman');
        opening.onerror = () => reject(new Error('no database'));
        opening.onsuccess = () => {
          const transaction = opening.result.transaction('jobs', 'readwrite');
          const store = transaction.objectStore('jobs');
          for (let n = 0; n < jobs; n++) {
            const originals = [{ sha256: String(n), fileName: `file ${n}.mid`, size: 9 }];
            const ledger = { decisions: [], position: 0 };
            store.put({
              id: `job ${n}`,
              name: `Piece ${n}`,
              createdAt: n,
              changedAt: n,
              originals,
              ledger,
              openQueries: null,
            });
          }
          transaction.oncomplete = () => {
            opening.result.close();
            resolve();
          };
        };
      }),
    JOBS,
  );
  let began = performance.now();
  await page.goto(url);
  await page.getByRole('link', { name: `Piece ${JOBS - 1}` }).waitFor();
  const list = performance.now() - began;
  began = performance.now();
  await page.getByLabel('Find a job').fill('Piece 17 ');
  await page.getByLabel('Find a job').fill('file 4321.mid');
  await page.getByRole('link', { name: 'Piece 4321' }).waitFor();
  return { list, search: performance.now() - began };
}
