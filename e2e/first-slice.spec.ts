import { readFileSync } from 'node:fs';
import { LONG, expect, test } from './window';
import { strFromU8, unzipSync } from 'fflate';
import { DEMO_FILE, DEMO_NAME, dropFile, goTo, openDemo, truth } from './help';
import { readParts } from './read-musicxml';

/** What is asked of opensheetmusicdisplay. */
interface Display {
  load: (musicXml: string) => Promise<unknown>;
  Sheet: {
    SourceMeasures: unknown[];
    Instruments: { Name: string; Voices: { VoiceEntries: { Notes: DisplayedNote[] }[] }[] }[];
  };
}

interface DisplayedNote {
  isRest: () => boolean;
  NoteTie?: { StartNote: DisplayedNote };
  halfTone: number;
}

test('a dropped MIDI file becomes a score, and the downloaded MusicXML has every true note', async ({ page }) => {
  await expect(page.getByText(DEMO_NAME)).toBeVisible();
  await dropFile(page, DEMO_FILE);
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('Bars 1–4')).toBeVisible();

  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'MusicXML' }).click();
  const download = await waiting;
  expect(download.suggestedFilename()).toBe('clockmakers-goose-cue-3.musicxml');
  const parts = readParts(readFileSync(await download.path(), 'utf8'));

  const { parts: wanted } = truth();
  expect(parts).toHaveLength(wanted.length);
  wanted.forEach((part, p) => {
    const unpitched = part.instrument === 'drum-kit';
    const words = (note: { start: number; end: number; key: number; staff: number }) =>
      `${note.start}${unpitched ? '' : `–${note.end}`} key ${note.key} staff ${note.staff}`;
    const sorted = [...part.notes].sort((a, b) => a.start - b.start || a.key - b.key);
    expect(parts[p]!.notes.map(words), part.name).toEqual(sorted.map(words));
  });
});

test('the compressed export holds the same score', { tag: LONG }, async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Dispatch');
  const files: Record<string, string> = {};
  for (const name of ['.musicxml', '.mxl, compressed']) {
    await page.getByText(name, { exact: true }).click();
    const make = page.getByRole('button', { name: 'Export the file' });
    await expect(make).toBeEnabled();
    const waiting = page.waitForEvent('download');
    await make.click();
    const bytes = readFileSync(await (await waiting).path());
    files[name] = name === '.musicxml' ? bytes.toString('utf8') : strFromU8(unzipSync(bytes)['score.musicxml']!);
  }
  expect(files['.mxl, compressed']).toBe(files['.musicxml']);
});

test(
  'a second reader opens the export and finds the same parts, bars and sounding pitches',
  { tag: LONG },
  async ({ page }) => {
    await openDemo(page);
    const waiting = page.waitForEvent('download');
    await page.getByRole('button', { name: 'MusicXML' }).click();
    const xml = readFileSync(await (await waiting).path(), 'utf8');
    await page.goto('about:blank');
    await page.setContent('<div id="sheet" style="width:1200px"></div>');
    await page.addScriptTag({ path: 'node_modules/opensheetmusicdisplay/build/opensheetmusicdisplay.min.js' });
    const seen = await page.evaluate(async (text) => {
      // The npm package opensheetmusicdisplay, as an independent reader.
      const { OpenSheetMusicDisplay } = (
        window as unknown as { opensheetmusicdisplay: { OpenSheetMusicDisplay: new (id: string) => Display } }
      ).opensheetmusicdisplay;
      const display = new OpenSheetMusicDisplay('sheet');
      await display.load(text);
      const { Instruments, SourceMeasures } = display.Sheet;
      return {
        names: Instruments.map((instrument) => instrument.Name),
        bars: SourceMeasures.length,
        notes: Instruments.map(({ Voices }) =>
          Voices.flatMap(({ VoiceEntries }) => VoiceEntries.flatMap(({ Notes }) => Notes))
            .filter((note) => !note.isRest() && (!note.NoteTie || note.NoteTie.StartNote === note))
            .map((note) => note.halfTone + 12),
        ),
      };
    }, xml);
    const parts = readParts(xml);
    expect(seen.names).toEqual(parts.map((part) => part.name));
    expect(seen.bars).toBe(28);
    parts.forEach((part, p) => {
      expect(seen.notes[p], part.name).toHaveLength(part.notes.length);
    });
    // Flute: a part at concert pitch, so that written and sounding keys are the same for every reader.
    expect(seen.notes[0]).toEqual(parts[0]!.notes.map((note) => note.key));
  },
);

test('a note under the pointer lights its other half, both ways', async ({ page }) => {
  await openDemo(page);
  const lit = page.locator('g.note.lit');
  await expect(lit).toHaveCount(0);
  await page.locator('[data-played]').nth(3).locator('rect').first().hover();
  await expect(lit).toHaveCount(1);
  await page.mouse.move(5, 5);
  await expect(lit).toHaveCount(0);
  await page.locator('g.note g.notehead').nth(2).hover({ force: true });
  await expect(lit).toHaveCount(1);
});

test('bars scroll and zoom, parts come into view and go', async ({ page }) => {
  await openDemo(page);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Bars 2–5')).toBeVisible();
  await page.keyboard.press('+');
  await expect(page.getByText('Bars 2–4')).toBeVisible();
  await expect(page.locator('g.measure')).toHaveCount(3);
  const staves = page.locator('g.measure >> nth=0 >> g.staff');
  await expect(staves).toHaveCount(4);
  await page.getByRole('checkbox', { name: 'Piano' }).check();
  await expect(staves).toHaveCount(6);
  await page.getByRole('button', { name: 'none' }).click();
  await expect(page.getByText('Tick a part on the left')).toBeVisible();
});

test('decisions stand in the ledger, can be undone and redone, and are there after a reload', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Intake');
  await page.getByRole('checkbox', { name: 'Glsp in the score' }).uncheck();
  await expect(page.getByRole('button', { name: 'Ledger (1)' })).toBeVisible();
  await goTo(page, 'Casting');
  await expect(page.getByText('become 11 parts')).toBeVisible();

  await page.getByRole('combobox', { name: 'Instrument of Flute' }).click();
  await page.keyboard.type('hautbois');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Ledger (2)' })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Name of the part Oboe' })).toBeVisible();

  await goTo(page, 'Rhythm');
  await page.getByRole('button', { name: 'Rhythm settings of Bassoon' }).click();
  await page.getByRole('tooltip').getByRole('combobox').first().click();
  await page.getByTitle('quarter notes', { exact: true }).click();
  await expect(page.getByRole('button', { name: 'Ledger (3)' })).toBeVisible();
  await page.keyboard.press('Escape');

  await page.reload();
  await expect(page.getByRole('button', { name: 'Ledger (3)' })).toBeVisible();
  await page.getByRole('button', { name: 'Ledger (3)' }).click();
  for (const words of ['Glsp: left out', 'Oboe: written for Oboe', 'Bassoon: grid pinned to quarter notes'])
    await expect(page.getByText(words)).toBeVisible();
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await goTo(page, 'Casting');
  await expect(page.getByText('become 12 parts')).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Name of the part Flute' })).toBeVisible();
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(page.getByText('become 11 parts')).toBeVisible();
});

test('a lead can be set by hand and changes the score', { tag: LONG }, async ({ page }) => {
  await openDemo(page);
  await page.getByRole('button', { name: 'Rhythm settings of Viola' }).click();
  const field = page.getByRole('spinbutton', { name: 'Milliseconds Viola was played ahead' });
  await expect(field).toHaveValue('138');
  await field.fill('0');
  await field.press('Enter');
  await expect(page.getByRole('button', { name: 'Ledger (1)' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Parts' }).getByText('138 ms early')).toHaveCount(0);
  await page.getByRole('button', { name: 'Ledger (1)' }).click();
  await expect(page.getByText('Viola: no lead removed')).toBeVisible();
});

test('queries are listed, lead to their place and can be settled by keyboard', { tag: LONG }, async ({ page }) => {
  await openDemo(page);
  const queries = page.getByRole('complementary', { name: 'Queries' });
  await expect(queries.getByText('has no notes and is left out')).toBeVisible();
  // A wrong instrument makes doubts with places: the horn’s notes on a piccolo.
  await goTo(page, 'Casting');
  await page.getByRole('combobox', { name: 'Instrument of Horn in F' }).click();
  await page.keyboard.type('ottavino');
  await page.keyboard.press('Enter');
  await expect(queries.getByText('Perhaps this is another instrument').first()).toBeVisible();
  await goTo(page, 'Rhythm');
  await page.locator('main').click({ position: { x: 400, y: 700 } });
  // What matters most to the players comes first.
  await page.keyboard.press('n');
  await expect(queries.locator('[aria-expanded=true]')).toContainText('Piccolo');
  await expect(page.getByRole('button', { name: /^Query \d+$/ }).first()).toBeVisible();
  await expect(queries.getByRole('button', { name: 'Write it for Horn in F' })).toBeVisible();
  const before = await queries.locator('li').count();
  await page.keyboard.press('d');
  await expect(queries.locator('li')).toHaveCount(before - 1);
  await page.keyboard.press('Control+z');
  await expect(queries.locator('li')).toHaveCount(before);
});

test('jobs can be renamed, found, deleted and brought back', async ({ page }) => {
  await expect(page.getByRole('link', { name: DEMO_NAME })).toBeVisible();
  await page.getByRole('button', { name: `Rename ${DEMO_NAME}` }).click();
  await page.getByRole('textbox', { name: 'Name of the job' }).fill('Goose for Friday');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: 'Goose for Friday' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Find a job' }).fill('zebra');
  await expect(page.getByText('No matches')).toBeVisible();
  await page.getByRole('textbox', { name: 'Find a job' }).fill('friday');
  await page.getByRole('button', { name: 'Delete Goose for Friday' }).click();
  await expect(page.getByRole('link', { name: 'Goose for Friday' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'Goose for Friday' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('link', { name: 'Goose for Friday' })).toBeVisible();
});

test.describe('bad input', () => {
  const demo = readFileSync(DEMO_FILE);
  const changed = (at: number, ...bytes: number[]) => {
    const copy = Buffer.from(demo);
    bytes.forEach((byte, i) => copy.writeUInt8(byte, at + i));
    return copy;
  };
  const files: [string, Buffer, RegExp][] = [
    ['empty.mid', Buffer.alloc(0), /is empty/],
    ['letter.mid', Buffer.from('Dear all, the cue is in the other mail.'), /not a Standard MIDI File/],
    ['no-ticks.mid', changed(12, 0, 0), /0 ticks per quarter/],
    ['patterns.mid', changed(9, 2), /type 2 file: 14 separate patterns/],
  ];
  test('is refused with one sentence, and the jobs that are there stay', async ({ page }) => {
    await expect(page.getByText(DEMO_NAME)).toBeVisible();
    for (const [name, buffer, words] of files) {
      await dropFile(page, { name, mimeType: 'audio/midi', buffer });
      await expect(page.getByRole('main').getByRole('alert')).toContainText(name);
      await expect(page.getByRole('main').getByRole('alert')).toContainText(words);
      await expect(page.getByText('Your other jobs are untouched.')).toBeVisible();
      await expect(page.locator('tbody').getByRole('link')).toHaveCount(1);
    }
  });

  test('that can be mended is read, and what was odd is a query', async ({ page }) => {
    await expect(page.getByText(DEMO_NAME)).toBeVisible();
    await dropFile(page, { name: 'cut.mid', mimeType: 'audio/midi', buffer: demo.subarray(0, 4000) });
    await expect(
      page.getByRole('complementary', { name: 'Queries' }).getByText('everything up to there was read'),
    ).toBeVisible({ timeout: 60_000 });
    await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
  });
});
