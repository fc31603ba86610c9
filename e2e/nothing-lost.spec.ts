import { readFileSync } from 'node:fs';
import { expect, inFull, test } from './window';
import { DEMO_FILE, DEMO_NAME, goTo, openDemo } from './help';

/* What people decide, and what they drop, is not lost. */

test('two windows on one job: each hears of the other, and both decisions stay', async ({ page, context }) => {
  await openDemo(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.locator('g.note').first()).toBeVisible({ timeout: 60_000 });

  await page.getByText('They could be repeat signs').click();
  await page.getByRole('button', { name: 'Write out' }).click();
  await expect(page.getByText('Ledger (1)')).toBeVisible();
  await expect(other.getByText('Ledger (1)')).toBeVisible();
  await expect(other.getByText('Another window has changed this job.')).toBeVisible();

  await other.getByText('has no notes and is left out').click();
  await other.getByRole('button', { name: 'Leave it out' }).click();
  await expect(other.getByText('Ledger (2)')).toBeVisible();
  await expect(page.getByText('Ledger (2)')).toBeVisible();
  await page.reload();
  await expect(page.getByText('Ledger (2)')).toBeVisible({ timeout: 60_000 });
});

test('decisions the storage refuses stay in sight, are said, and are stored when there is room', async ({ page }) => {
  await openDemo(page);
  // The storage is full from now on.
  await page.evaluate(() => {
    const put = IDBObjectStore.prototype.put;
    Object.assign(window, { giveRoom: () => (IDBObjectStore.prototype.put = put) });
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await page.getByText('has no notes and is left out').click();
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await expect(page.getByText('Your last decisions are not stored: This browser’s storage is full.')).toBeVisible();
  await expect(page.getByText('Ledger (1)')).toBeVisible();
  const archive = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save archive' }).click();
  expect((await archive).suggestedFilename()).toMatch(/\.dragoman\.zip$/);
  await page.evaluate(() => (window as unknown as { giveRoom: () => void }).giveRoom());
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByText('Your last decisions are not stored')).toHaveCount(0);
  await page.reload();
  await expect(page.getByText('Ledger (1)')).toBeVisible({ timeout: 60_000 });
});

test('an engine that vanishes without a word is started again, and nothing is lost', async ({ page }) => {
  await openDemo(page);
  // A worker that closes itself ends as one does that the browser takes away: no event says so.
  const vanish = async () => {
    for (const worker of page.workers())
      await worker.evaluate(async () => {
        const there = async () => (await navigator.locks.query()).held?.some((lock) => lock.name?.endsWith(self.name));
        if (!self.name.startsWith('engine-')) return;
        while (!(await there()));
        self.close();
      });
  };
  await vanish();
  await page.getByText('has no notes and is left out').click();
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await expect(page.getByText('Ledger (1)')).toBeVisible();
  await expect(page.getByText('has no notes and is left out')).toHaveCount(0, { timeout: 20_000 });
  // While something is being made.
  await page.getByText('They could be repeat signs').click();
  await page.getByRole('button', { name: 'Write out' }).click();
  await vanish();
  await expect(page.getByText('Ledger (2)')).toBeVisible();
  // It is asked once more, and answers.
  await expect(page.getByText('They could be repeat signs')).toHaveCount(0, { timeout: 20_000 });
  await expect(page.getByText('The engine broke down')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Ledger (1)')).toBeVisible();
  await expect(page.locator('g.note').first()).toBeVisible();
  // While bars are walked.
  const drawing = page.getByLabel(/^Bars \d+ to \d+ as written/);
  const before = (await drawing.getAttribute('aria-label'))!;
  await vanish();
  await page.getByRole('button', { name: 'Next bar' }).click();
  await expect(drawing).not.toHaveAttribute('aria-label', before, { timeout: 20_000 });
  await expect(page.getByText('could not be drawn')).toHaveCount(0);
});

test('no script runs inside a page but the application’s own', async ({ page }) => {
  const ran = await page.evaluate(() => {
    const script = document.createElement('script');
    script.textContent = 'window.stranger = true';
    document.body.append(script);
    return 'stranger' in window;
  });
  expect(ran).toBe(false);
});

test('of several files each becomes a job, and those that cannot be read are named', async ({ page }) => {
  await expect(page.getByText(DEMO_NAME)).toBeVisible();
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles([
      { name: 'clockmakers-goose-cue-3.mid', mimeType: 'audio/midi', buffer: readFileSync(DEMO_FILE) },
      { name: 'Broken.mid', mimeType: 'audio/midi', buffer: Buffer.from('nothing at all') },
      { name: 'Empty.xml', mimeType: 'text/xml', buffer: Buffer.from('<nothing/>') },
    ]);
  await page.getByText('One job per file').click();
  await page.getByRole('button', { name: 'Continue' }).click();
  await expect(page.getByText('1 job made')).toBeVisible();
  await expect(page.getByText(/Broken\.mid: .*Empty\.xml: /)).toBeVisible();
  await expect(page.getByRole('link', { name: 'clockmakers-goose-cue-3' })).toBeVisible();
});

test('a file dropped beside its area is taken all the same, and leaves nobody outside the application', async ({
  page,
}) => {
  await expect(page.getByText(DEMO_NAME)).toBeVisible();
  const taken = await page.evaluate(() => {
    const transfer = new DataTransfer();
    transfer.items.add(new File(['nothing at all'], 'Beside.mid'));
    const drop = new DragEvent('drop', { bubbles: true, cancelable: true, dataTransfer: transfer });
    document.querySelector('h1')!.dispatchEvent(drop);
    return drop.defaultPrevented;
  });
  expect(taken).toBe(true);
  await expect(page.getByText(/Beside\.mid: /)).toBeVisible();
});

test('stations change without the server, and what is decided there is kept', async ({ page, context }) => {
  await openDemo(page);
  await context.setOffline(true);
  for (const station of ['Intake', 'Casting', 'Page', 'Dispatch', 'Rhythm']) {
    await goTo(page, station);
    await expect(page.getByRole('main', { name: station.toLowerCase() })).toBeVisible();
    expect(page.url()).toMatch(new RegExp(`/${station.toLowerCase()}$`));
  }
  await page.goBack();
  await expect(page.getByRole('main', { name: 'dispatch' })).toBeVisible();
  await goTo(page, 'Intake');
  await page.getByText('has no notes and is left out').click();
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await expect(page.getByText('Ledger (1)')).toBeVisible();
  await context.setOffline(false);
  await page.reload();
  await expect(page.getByText('Ledger (1)')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('main', { name: 'intake' })).toBeVisible();
});

test('a copy of each job is kept in a folder and opens again', async ({ page }) => {
  // The browser's own private folder stands for one that a person chooses.
  await page.evaluate(() => {
    Object.assign(window, { showDirectoryPicker: () => navigator.storage.getDirectory() });
  });
  await expect(page.getByText(DEMO_NAME)).toBeVisible();
  await page.getByRole('button', { name: 'Keep a copy of each job in a folder …' }).click();
  await expect(page.getByText('Each job is copied into the folder')).toBeVisible();
  const names = () =>
    page.evaluate(async () => {
      const found: string[] = [];
      const folder = await navigator.storage.getDirectory();
      // The types of the browser know nothing of it yet.
      const keys = (folder as unknown as { keys: () => AsyncIterable<string> }).keys();
      for await (const name of keys) found.push(name);
      return found;
    });
  await expect.poll(names).toEqual([expect.stringMatching(/^The Clockmakers Goose cue 3 [0-9a-f]{8}\.dragoman\.zip$/)]);
  await page.getByRole('button', { name: `Rename ${DEMO_NAME}` }).click();
  await page.getByRole('textbox', { name: 'Name of the job' }).fill('Goose '.repeat(60));
  await page.keyboard.press('Enter');
  await expect.poll(names).toHaveLength(2);
  const copy = await page.evaluate(async () => {
    const folder = await navigator.storage.getDirectory();
    const keys = (folder as unknown as { keys: () => AsyncIterable<string> }).keys();
    for await (const name of keys)
      if (name.startsWith('Goose'))
        return [...new Uint8Array(await (await (await folder.getFileHandle(name)).getFile()).arrayBuffer())];
    return [];
  });
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({ name: 'copy.zip', mimeType: 'application/zip', buffer: Buffer.from(copy) });
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
});

test('reloaded at any moment after a drop, the list has whole jobs only', async ({ page }) => {
  const buffer = readFileSync(DEMO_FILE);
  for (const [i, moment] of (inFull ? [0, 40, 120, 400, 1200] : [40, 1200]).entries()) {
    await page.goto('/');
    await expect(page.getByRole('link', { name: DEMO_NAME })).toBeVisible();
    await page
      .locator('input[type=file]')
      .first()
      .setInputFiles({ name: `Drop ${i}.mid`, mimeType: 'audio/midi', buffer });
    await page.waitForTimeout(moment);
    await page.reload();
  }
  await page.goto('/');
  await expect(page.getByRole('link', { name: DEMO_NAME })).toBeVisible();
  const jobs = await page
    .getByRole('link', { name: /^Drop \d$/ })
    .evaluateAll((links) => links.map((link) => link.getAttribute('href')!));
  // The last was dropped more than a second before.
  expect(jobs.length).toBeGreaterThan(0);
  for (const job of jobs) {
    await page.goto(job);
    await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
  }
});
