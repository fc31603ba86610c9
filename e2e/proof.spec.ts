import { readFileSync } from 'node:fs';
import { LONG, expect, test } from './window';
import { readSmf, writeSmf } from '../src/core/smf';
import { DEMO_FILE, goTo, openDemo } from './help';

/* Station Proof: whether score and playback agree. */

/** The demo with every thirtieth note-on of a track gone. */
function withoutSomeNotes(): Buffer {
  const { file } = readSmf(new Uint8Array(readFileSync(DEMO_FILE)));
  let count = 0;
  const tracks = file.tracks.map((track) => ({
    ...track,
    events: track.events.filter((event) => {
      const on = event.kind === 'channel' && (event.status & 0xf0) === 0x90 && event.data2 > 0;
      return !on || ++count % 30 !== 0;
    }),
  }));
  return Buffer.from(writeSmf({ ...file, tracks }));
}

test('the score, played, agrees with the original; a cell opens its bar; the story can be kept', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Proof');
  await expect(page.getByLabel('Verdict')).toContainText('Every one of 1,223 notes is there');
  await expect(page.getByText('Unexplained (0)')).toBeVisible();
  const map = page.getByRole('region', { name: 'Map' });
  const inRow = async (part: string, bar: number) => {
    const row = map.getByRole('slider', { name: part });
    await row.focus();
    for (let b = 1; b < bar; b++) await page.keyboard.press('ArrowRight');
    return row;
  };
  await expect(await inRow('Bassoon', 11)).toHaveAttribute('aria-valuetext', 'bar 11: nothing is played');
  await expect(await inRow('Piano', 20)).toHaveAttribute('aria-valuetext', /^bar 20:/);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/rhythm$/);
  await expect(page.getByText('Bars 19–22')).toBeVisible();
  await expect(page.getByRole('checkbox', { name: 'Piano' })).toBeChecked();

  await goTo(page, 'Proof');
  await page.getByText('The job’s story').click();
  const story = page.getByRole('article', { name: 'The job’s story' });
  await expect(story.getByRole('heading', { name: 'What was decided' })).toBeVisible();
  await expect(story.getByRole('row', { name: /^Flute 123/ })).toBeVisible();
  const waiting = page.waitForEvent('download');
  await story.getByRole('button', { name: 'Markdown' }).click();
  const kept = readFileSync(await (await waiting).path(), 'utf8');
  expect(kept).toMatch(/^# The Clockmaker’s Goose, cue 3/);
  expect(kept).toContain('No decisions yet.');
});

test('a file that came back is held against the original, note by note', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Proof');
  await expect(page.getByLabel('Verdict')).toBeVisible();
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'came back.mid', mimeType: 'audio/midi', buffer: withoutSomeNotes() });
  await expect(page.getByLabel('Verdict')).toContainText('1,183 of 1,223 notes are there');
  await expect(page.getByText('Unexplained (40)')).toBeVisible();
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'broken.mid', mimeType: 'audio/midi', buffer: Buffer.from('nothing') });
  await expect(page.getByText(/This is not a Standard MIDI File/)).toBeVisible();
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'came back.mid', mimeType: 'audio/midi', buffer: withoutSomeNotes() });
  await expect(page.getByText('Unexplained (40)')).toBeVisible();
  // A row opens its place wherever it is clicked, and the comparison is still there afterwards.
  await page
    .getByRole('region', { name: 'Differences' })
    .getByText(/is missing/)
    .first()
    .click();
  await expect(page).toHaveURL(/rhythm$/);
  await goTo(page, 'Proof');
  await expect(page.getByText('Unexplained (40)')).toBeVisible();
  await page.getByText('Score, played').click();
  await expect(page.getByLabel('Verdict')).toContainText('Every one of 1,223 notes is there');
});

test('the original and the score are heard, and the playhead runs through the bars', async ({ page }) => {
  await openDemo(page);
  const audition = page.getByRole('group', { name: 'Audition' });
  await page.keyboard.press('Space');
  await expect(audition.getByRole('button', { name: 'Stop' })).toBeVisible();
  await expect(audition.getByText('bar 1', { exact: true })).toBeVisible();
  const playhead = page.locator('[class*=playhead]');
  const x = async () => (await playhead.boundingBox())?.x ?? 0;
  const before = await x();
  await expect.poll(x).toBeGreaterThan(before + 20);
  await audition.getByText('Original').click();
  await expect(audition.getByRole('button', { name: 'Stop' })).toBeVisible();
  // It goes on where it was.
  expect(await x()).toBeGreaterThan(before);
  await page.keyboard.press('Space');
  await expect(audition.getByRole('button', { name: 'Play' })).toBeVisible();
  await expect(playhead).toHaveCount(0);
});

test('bars are heard again and again, with a click, one part alone, slower, and on the page', async ({ page }) => {
  await openDemo(page);
  const audition = page.getByRole('group', { name: 'Audition' });
  await audition.getByRole('checkbox', { name: 'click' }).check();
  await audition.getByRole('button', { name: 'Loop' }).click();
  await page.getByLabel('Loop start').fill('3');
  await page.getByLabel('Loop start').press('Enter');
  await page.getByLabel('Loop end').fill('3');
  await page.getByLabel('Loop end').press('Enter');
  await page.keyboard.press('Escape');
  await audition.getByRole('button', { name: 'Play' }).click();
  await expect(audition.getByText('bar 3', { exact: true })).toBeVisible();
  // The playhead goes back to where it began, and it is still the same bar.
  const playhead = page.locator('[class*=playhead]');
  await expect(playhead).toBeVisible();
  const x = async () => (await playhead.boundingBox())?.x ?? 0;
  let before = await x();
  await expect
    .poll(async () => {
      const now = await x();
      const back = now < before - 20;
      before = now;
      return back;
    })
    .toBe(true);
  await expect(audition.getByText('bar 3', { exact: true })).toBeVisible();
  await audition.getByRole('button', { name: 'Stop' }).click();

  await goTo(page, 'Page');
  await page.getByTitle('Score', { exact: true }).click();
  await expect(page.getByRole('img', { name: 'Score, page 1' })).toBeVisible();
  await audition.getByRole('button', { name: 'Play' }).click();
  await expect(page.locator('[class*=sheetPlayhead]')).toBeVisible();
  await audition.getByRole('button', { name: 'Stop' }).click();
});

/** Loudest sample of a 16-bit WAV, and its length in seconds. */
function wavFacts(bytes: Buffer) {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const rate = view.getUint32(24, true);
  const samples = new Int16Array(
    bytes.buffer.slice(bytes.byteOffset + 44, bytes.byteOffset + bytes.length - (bytes.length % 2)),
  );
  return {
    rate,
    peak: samples.reduce((most, x) => Math.max(most, Math.abs(x)), 0),
    seconds: samples.length / 2 / rate,
  };
}

test(
  'the job becomes sound files; one laid beside the job fits itself to the bars and is heard',
  { tag: LONG },
  async ({ page }) => {
    await openDemo(page);
    await goTo(page, 'Dispatch');
    await page.getByRole('switch', { name: 'MusicXML' }).click();
    await page.getByRole('switch', { name: 'Sound' }).click();
    const make = page.getByRole('button', { name: 'Export the file' });
    await expect(page.getByText(/Sound of the export: the mix, WAV at 48 kHz/)).toBeVisible();
    const waiting = page.waitForEvent('download', { timeout: 90_000 });
    await make.click();
    const download = await waiting;
    expect(download.suggestedFilename()).toBe('The Clockmakers Goose cue 3 Mix v1.wav');
    const mix = readFileSync(await download.path());
    expect(mix.subarray(0, 4).toString()).toBe('RIFF');
    const facts = wavFacts(mix);
    expect(facts.rate).toBe(48000);
    expect(facts.peak).toBeGreaterThan(8000);
    expect(facts.peak).toBeLessThanOrEqual(32767);
    expect(Math.abs(facts.seconds - 59)).toBeLessThan(1);

    await page.getByText('Mix and stems', { exact: true }).click();
    const parcel = page.getByRole('button', { name: 'Make a parcel of 13 files' });
    await parcel.click({ timeout: 20_000 });
    await expect(page.getByText(/Sound: Mix …/)).toBeVisible({ timeout: 60_000 });
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(parcel).toBeVisible();

    await goTo(page, 'Proof');
    await page.getByText('Recording', { exact: true }).click();
    await page.locator('input[type=file]').setInputFiles({ name: 'rough mix.wav', mimeType: 'audio/wav', buffer: mix });
    // Our own files begin where their first bar does.
    await page.getByLabel('Offset of the recording').fill('500');
    await page.getByLabel('Offset of the recording').press('Enter');
    await page.getByRole('button', { name: 'Align with the bars' }).click();
    await expect(page.getByLabel('Offset of the recording')).toHaveValue(/^-?(\d|10)$/, { timeout: 60_000 });
    const audition = page.getByRole('group', { name: 'Audition' });
    await audition.getByText('recording').click();
    await audition.getByRole('button', { name: 'Play' }).click();
    await expect(page.locator('[class*=wavePlayhead]')).toBeVisible();
    await audition.getByRole('button', { name: 'Stop' }).click();

    await page.getByText('All parts', { exact: true }).click();
    await expect(page.getByLabel('Onsets of all parts').getByText('Flute')).toBeVisible();
    await expect(page.getByRole('region', { name: 'Compass' }).getByRole('row', { name: /^Piano/ })).toContainText('6');
  },
);

test(
  'a sound bank of one’s own is kept; one that is none is refused with a sentence',
  { tag: LONG },
  async ({ page }) => {
    await openDemo(page);
    const audition = page.getByRole('group', { name: 'Audition' });
    await audition.getByRole('button', { name: 'Sounds' }).click();
    const bank = page.getByRole('region', { name: 'Sound bank' });
    await bank.locator('input[type=file]').setInputFiles({
      name: 'broken.sf2',
      mimeType: 'audio/x-soundfont',
      buffer: Buffer.from('RIFF and nothing else'),
    });
    await expect(page.getByText(/“broken.sf2” is not a readable sound bank/)).toBeVisible();
    await bank.locator('input[type=file]').setInputFiles('public/sounds/general-midi.sf2');
    await expect(bank.getByText('general-midi.sf2')).toBeVisible();
    await page.reload();
    await page.getByRole('group', { name: 'Audition' }).getByRole('button', { name: 'Sounds' }).click();
    await expect(bank.getByText('general-midi.sf2')).toBeVisible();
    await bank.getByRole('button', { name: 'Built-in bank' }).click();
    await expect(bank.getByText(/^Built-in bank:/)).toBeVisible();
  },
);
