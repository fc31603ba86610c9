import { readFileSync } from 'node:fs';
import { LONG, expect, test, type Page } from './window';
import { performanceFromSmf } from '../src/core/performance';
import { readSmf, writeSmf, type SmfEvent } from '../src/core/smf';
import { danceNotes, quarterNotes } from '../src/testing/dances';
import { meter, smfBytes, tempo } from '../src/testing/music';
import { DEMO_FILE, dropFile, exportedXml, goTo, openDemo, settled } from './help';

/* Station Timeline: tempo, meters, markers, bar numbers, the studio's map. */

test('a meter is changed, bar 1 is set, and the studio’s map with its click says the same', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Timeline');
  await expect(page.getByLabel('Tempo and density')).toContainText('28 bars');

  await page.getByLabel('Starting at bar').fill('21');
  await page.getByLabel('Starting at bar').press('Enter');
  await page.getByLabel('Meter sequence').fill('2/4');
  await page.getByLabel('Meter sequence').press('Enter');
  await expect(page.getByLabel('Tempo and density')).toContainText('36 bars');
  await page.getByLabel('Starting at bar').fill('3');
  await page.getByLabel('Starting at bar').press('Enter');
  await page.getByRole('button', { name: 'Make this bar 1' }).click();
  await expect(page.getByLabel('Marker at bar 7', { exact: true })).toHaveValue('Goose waltz');

  await page.getByText('Studio').click();
  await page.getByText('Click track').click();
  await page.getByLabel('Count-in').fill('1');
  await page.getByLabel('Count-in').press('Enter');
  await page.getByLabel('Time code of bar 1').fill('10:00:00:00');
  await page.getByLabel('Time code of bar 1').press('Enter');
  await expect(page.getByLabel('Drift check')).toContainText('no bar begins more than 0.00 ms');

  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Map (.mid)' }).click();
  const { file } = readSmf(new Uint8Array(readFileSync(await (await waiting).path())));
  const map = performanceFromSmf({ file, warnings: [] });
  expect(map.meters.map(({ beats, beatType }) => `${beats}/${beatType}`)).toEqual(['4/4', '3/4', '2/4']);
  // A bar counted in, twenty bars as they were, then half bars.
  expect(map.meters[2]!.at / 10_080).toBe(4 + 8 * 4 + 12 * 3);
  const click = map.tracks.find(({ notes }) => notes.length > 0)!;
  expect(click.notes.slice(0, 5).map(({ key }) => key)).toEqual([76, 77, 77, 77, 76]);

  const table = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Table (.csv)' }).click();
  const csv = readFileSync(await (await table).path(), 'utf8').split('\r\n');
  expect(csv[1]).toMatch(/^count-in 1,1,1,1,0:00\.000,0,09:59:5\d:\d\d,/);
  expect(csv.find((row) => row.startsWith('1,1,4,1,'))).toContain('10:00:00:00');
  expect(csv.find((row) => row.startsWith('7,1,'))).toContain('Goose waltz; 3/4; 138 quarters per minute');

  // The original counts from 1, the job from its third bar.
  await page.locator('input[type=file]').setInputFiles(DEMO_FILE);
  await expect(page.getByLabel('Numbering', { exact: true })).toContainText('Our bar 1 is their bar 3; not everywhere');
});

test('tempo and markers are set, moved and taken away, and undone; only the page is thinned', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Timeline');
  const changes = page.getByRole('region', { name: 'Changes' });
  await changes.getByLabel('Place of the new change').fill('bar 5, beat 3');
  await changes.getByLabel('Value to add').fill('104');
  await changes.getByRole('button', { name: 'Add' }).click();
  await expect(changes.getByLabel('Tempo at bar 5', { exact: true })).toHaveValue('104');
  await changes.getByLabel('Place of 104 quarters per minute').fill('6');
  await changes.getByLabel('Place of 104 quarters per minute').press('Enter');
  await expect(changes.getByLabel('Tempo at bar 6', { exact: true })).toHaveValue('104');
  await changes.getByLabel('Marker at bar 9', { exact: true }).fill('Geese');
  await changes.getByLabel('Marker at bar 9', { exact: true }).press('Enter');
  await expect(page.getByLabel('Tempo and density')).toContainText('Geese');
  await changes.getByRole('button', { name: 'Delete the tempo at bar 6' }).click();
  await expect(changes.getByLabel('Tempo at bar 6', { exact: true })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(changes.getByLabel('Tempo at bar 6', { exact: true })).toHaveValue('104');

  // A list that opens while the music is made again is drawn anew under the pointer.
  await expect(page.getByText(/^[1-9] of 8 tempo changes are printed/)).toBeVisible();
  await page.getByLabel('Metronome marks').click();
  await page.locator('.ant-select-item-option', { hasText: /^none$/ }).click();
  await expect(page.getByText(/^0 of 8 tempo changes are printed/)).toBeVisible();
});

test('on the way to a sequencer the time line is mended too', { tag: LONG }, async ({ page }) => {
  await openDemo(page);
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'MusicXML' }).click();
  const score = readFileSync(await (await waiting).path());
  await page.getByRole('link', { name: 'Dragoman' }).click();
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({ name: 'goose.musicxml', mimeType: 'application/xml', buffer: score });
  await page.waitForURL(/intake$/);
  await goTo(page, 'Timeline');
  const changes = page.getByRole('region', { name: 'Changes' });
  await changes.getByLabel('Tempo at bar 9', { exact: true }).fill('150');
  await changes.getByLabel('Tempo at bar 9', { exact: true }).press('Enter');
  await expect(changes.getByLabel('Tempo at bar 9', { exact: true })).toHaveValue('150');
  await goTo(page, 'Dispatch');
  const midi = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export the file' }).click();
  const { file } = readSmf(new Uint8Array(readFileSync(await (await midi).path())));
  const { tempo } = performanceFromSmf({ file, warnings: [] });
  expect(tempo.events.map(({ microsecondsPerQuarter }) => microsecondsPerQuarter)).toContain(400_000);
});

/** Quarter notes on a bass and chords, four to a bar, that wander in tempo, in a file that knows nothing of it. */
function freeRecording(): Buffer {
  return freely(96, 1, (beat) => (beat % 4 === 0 ? [36 + ((beat / 4) % 3) * 5] : [60, 64, 67]));
}

/** Eighths in bars of seven: a bass and a chord on the first of two, two and three, a tune that runs through. */
function freeSeven(): Buffer {
  const deep = (bar: number) => 38 + (bar % 3) * 5;
  return freely(7 * 24, 0.6, (pulse) => {
    const [bar, place] = [Math.floor(pulse / 7), pulse % 7];
    const tune = 72 + ((pulse * 5 + bar) % 9);
    if (place === 0) return [deep(bar), tune];
    return place === 2 || place === 4 ? [deep(bar) + 12, deep(bar) + 16, tune] : [tune];
  });
}

/** @param length of one place, in quarters of the file @param keysAt what is struck at each */
function freely(places: number, length: number, keysAt: (place: number) => number[]): Buffer {
  const { file } = readSmf(new Uint8Array(readFileSync(DEMO_FILE)));
  if (file.division.kind !== 'metrical') throw new Error('unexpected division');
  const ppq = file.division.ticksPerQuarter;
  const events: SmfEvent[] = [];
  let at = ppq / 2;
  for (let place = 0; place < places; place++) {
    const lasts = ppq * length * (1 + 0.12 * Math.sin(place / 7) + 0.03 * Math.sin(place * 2.3));
    for (const key of keysAt(place)) {
      const velocity = key < 50 ? 100 : 70;
      events.push({ kind: 'channel', tick: Math.round(at), status: 0x90, data1: key, data2: velocity });
      events.push({ kind: 'channel', tick: Math.round(at + lasts * 0.9), status: 0x80, data1: key, data2: 64 });
    }
    at += lasts;
  }
  const tracks = [{ events: events.sort((a, b) => a.tick - b.tick), endTick: Math.round(at) }];
  return Buffer.from(writeSmf({ ...file, format: 0, tracks }));
}

/** Opens a recording that has no bars and has its beats found. */
async function findBeatsIn(page: Page, recording: Buffer): Promise<void> {
  const input = page.locator('input[type=file]').first();
  await input.setInputFiles({ name: 'free.mid', mimeType: 'audio/midi', buffer: recording });
  await page.waitForURL(/rhythm$/);
  await goTo(page, 'Timeline');
  await page.getByText('Free playing').click();
  await page.getByRole('button', { name: 'Find the beats' }).click();
}

test('a recording in seven is counted in eighths, until somebody says otherwise', { tag: LONG }, async ({ page }) => {
  await findBeatsIn(page, freeSeven());
  const found = page.getByLabel('Beats found');
  await expect(found).toContainText(/beats of an eighth, \d+ to \d+ a minute, 7 to a bar as 2 \+ 2 \+ 3/);
  await expect(page.getByLabel('Tempo and density')).toContainText('24 bars');
  await page.getByLabel('A beat is').click();
  await page.getByTitle('a quarter', { exact: true }).click();
  await expect(found).toContainText(/beats of a quarter/);
  await page.getByRole('button', { name: /undo/i }).click();
  await expect(found).toContainText(/7 to a bar as 2 \+ 2 \+ 3/);
});

test('a jig in a file that says 4/4 is asked about, and gets bars of 6/8', async ({ page }) => {
  const jig = smfBytes([{ name: 'Accordion', notes: danceNotes([3, 3]) }], [meter(0, 4, 4), tempo(0, 100)]);
  await dropFile(page, { name: 'jig.mid', mimeType: 'audio/midi', buffer: Buffer.from(jig) });
  await page.waitForURL(/rhythm$/);
  await goTo(page, 'Timeline');
  await expect(page.getByLabel('Tempo and density')).toContainText('18 bars');
  await page.getByText(/nobody set it.* say 6\/8/).click();
  await page.getByRole('button', { name: '6/8', exact: true }).click();
  await expect(page.getByLabel('Tempo and density')).toContainText('24 bars');
  await expect(page.getByText(/nobody set it/)).toHaveCount(0);
  const xml = await exportedXml(page);
  expect(xml.match(/<beats>6<\/beats>\s*<beat-type>8<\/beat-type>/)).not.toBeNull();
  expect(xml.match(/<measure /g)).toHaveLength(24);
  await page.getByRole('button', { name: /undo/i }).click();
  await expect(page.getByLabel('Tempo and density')).toContainText('18 bars');
});

test(
  'a cue whose bars change is asked about in one question, answered in one step',
  { tag: LONG },
  async ({ page }) => {
    // Sixteen bars of four, one of two that puts all after it beside the file’s barlines, fourteen of four.
    const lengths = [...Array<number>(16).fill(4), 2, ...Array<number>(14).fill(4)];
    const notes = quarterNotes(lengths, { leant: true, bars: lengths.length });
    const cue = smfBytes([{ name: 'Piano', notes }], [meter(0, 4, 4), tempo(0, 100)]);
    await dropFile(page, { name: 'cue.mid', mimeType: 'audio/midi', buffer: Buffer.from(cue) });
    await page.waitForURL(/rhythm$/);
    await goTo(page, 'Timeline');
    await page.getByText(/nobody set it/).click();
    await page.getByRole('button', { name: '4/4, 2/4 from bar 17, 4/4 from bar 18', exact: true }).click();
    await expect(page.getByLabel('Tempo and density')).toContainText('31 bars');
    const xml = await exportedXml(page);
    expect([...xml.matchAll(/<beats>(\d)<\/beats>/g)].map(([, beats]) => beats)).toEqual(['4', '2', '4']);
    expect(xml.match(/<measure [^>]*number="17"[^>]*>\s*<attributes>[^]*?<beats>2</)).not.toBeNull();
    await page.getByRole('button', { name: /undo/i }).click();
    await expect(page.getByText(/nobody set it/)).toBeVisible();
    await expect(page.getByLabel('Tempo and density')).toContainText('31 bars');
    await expect(page.getByLabel('Tempo and density')).not.toContainText('2/4');
  },
);

test('a meter is written as a sum, and leaves as one', { tag: LONG }, async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Timeline');
  await page.getByLabel('Starting at bar').fill('21');
  await page.getByLabel('Starting at bar').press('Enter');
  await page.getByLabel('Meter sequence').fill('2+3/8');
  await page.getByLabel('Meter sequence').press('Enter');
  await expect(page.getByLabel('Meter at bar 21', { exact: true })).toHaveValue('2+3/8');
  await expect(page.getByLabel('Tempo and density')).toContainText('2+3/8');
  expect(await exportedXml(page)).toMatch(/<beats>2\+3<\/beats>\s*<beat-type>8</);
});

test('a recording without bars gets bars, and every note keeps its second', async ({ page }) => {
  await findBeatsIn(page, freeRecording());
  await expect(page.getByLabel('Beats found')).toContainText(
    /^9[67] beats of a quarter, \d+ to \d+ a minute, 4 to a bar/,
  );
  await expect(page.getByLabel('Beats found')).toContainText(/No note is further than 0\.\d\d ms/);
  await expect(page.getByLabel('Tempo and density')).toContainText(/2[45] bars/);

  await page.getByLabel('Beats to a bar').click();
  await page.getByTitle('3', { exact: true }).click();
  await expect(page.getByLabel('Tempo and density')).toContainText(/3[234] bars/);
  await page.getByRole('button', { name: /undo/i }).click();
  await expect(page.getByLabel('Tempo and density')).toContainText(/2[45] bars/);
  // A beat is drawn to where it belongs, by hand and by key; what is known stays known.
  const beat = page.getByRole('slider', { name: 'Beat 6', exact: true });
  const at = async () => Number(await beat.getAttribute('aria-valuenow'));
  await settled(page);
  const before = await at();
  const box = (await beat.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 40);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 6, box.y + 40, { steps: 3 });
  await page.mouse.up();
  await expect(page.getByText('1 beat is corrected.')).toBeVisible();
  await expect.poll(at).toBeGreaterThan(before + 0.02);
  const drawn = await at();
  await beat.focus();
  await beat.press('ArrowRight');
  await expect.poll(at).toBeCloseTo(drawn + 0.01, 2);
  await expect(page.getByText('1 beat is corrected.')).toBeVisible();
  await page.getByRole('button', { name: 'Reset to the file’s bars' }).click();
  await expect(page.getByRole('button', { name: 'Find the beats' })).toBeVisible();
});
