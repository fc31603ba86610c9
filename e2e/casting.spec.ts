import { readFileSync } from 'node:fs';
import { LONG, expect, test, type Page } from './window';
import { line, meter, programAt, smfBytes, tempo, type HandNote } from '../src/testing/music';
import { dropFile, exportedXml, goTo, openDemo, settled } from './help';
import { readParts } from './read-musicxml';

const chord = (keys: number[], at: number, length: number): HandNote[] => keys.map((key) => ({ key, at, length }));
const later = (notes: HandNote[], by: number) => notes.map((note) => ({ ...note, at: note.at + by }));
const tune = (key: number) => line([key, 1], [key + 2, 1], [key + 4, 1], [key + 5, 1]);

/**
 * Four horns on one track, two techniques on two, a track with keyswitches, and one whose name says nothing to a
 * stranger.
 */
const messy = () =>
  Buffer.from(
    smfBytes([
      { name: 'Flt 1 leg', notes: tune(72) },
      { name: 'Slot warm', notes: tune(50) },
      {
        name: 'Hns a4',
        notes: [...chord([65, 60, 57, 53], 0, 2), ...chord([67, 62, 58, 55], 2, 2), ...chord([69, 65, 60, 53], 4, 4)],
      },
      { name: 'VLN 1 leg', notes: tune(76) },
      { name: 'VLN 1 pizz', notes: later(tune(72), 4) },
      {
        name: 'VLA KS',
        notes: [{ key: 24, at: 0, length: 0.2 }, ...tune(60), { key: 26, at: 4, length: 0.2 }, ...later(tune(62), 4)],
      },
    ]),
  );

const partNames = (page: Page) =>
  page
    .getByRole('textbox', { name: /^Name of the part/ })
    .evaluateAll((fields) => fields.map((field) => (field as HTMLInputElement).value));

async function open(page: Page, name: string): Promise<void> {
  await dropFile(page, { name, mimeType: 'audio/midi', buffer: messy() });
  await goTo(page, 'Casting');
  await expect(page.getByText(/6 tracks with notes/)).toBeVisible({ timeout: 60_000 });
}

test('the demo’s messy names come out as players in score order', { tag: LONG }, async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Casting');
  await expect
    .poll(() => partNames(page))
    .toEqual([
      'Flute',
      'Clarinet in B♭',
      'Bassoon',
      'Horn in F',
      'Glockenspiel',
      'Drum Kit',
      'Piano',
      'Classical Guitar',
      'Violin 1',
      'Viola',
      'Violoncello',
      'Double Bass',
    ]);
});

test('tracks become players: choose, deal out, gather, take out keyswitches; the house list does it next time', async ({
  page,
}) => {
  await open(page, 'first.mid');
  await expect.poll(() => partNames(page)).toEqual(['Flute', 'Horn in F', 'Violin 1', 'Viola', 'Slot warm']);

  // By keyboard: the chooser finds a name in any language.
  await page.getByRole('combobox', { name: 'Instrument of Slot warm' }).focus();
  await page.keyboard.type('fagott');
  await page.keyboard.press('Enter');
  await expect.poll(() => partNames(page)).toContain('Bassoon');

  await page.locator('.ant-table-cell', { hasText: 'Hns a4' }).first().click();
  await page.getByRole('button', { name: 'Divide among players …' }).click();
  await expect(page.getByText('At most 4 at once for 4 players')).toBeVisible();
  await expect(page.getByRole('img', { name: /Horn in F 1: 3 notes, Horn in F 2: 3 notes/ })).toBeVisible();
  await page.getByRole('dialog').getByRole('button', { name: 'Divide' }).click();
  await expect
    .poll(() => partNames(page))
    .toEqual(['Flute', 'Bassoon', 'Horn in F 1', 'Horn in F 2', 'Horn in F 3', 'Horn in F 4', 'Violin 1', 'Viola']);

  await page.locator('.ant-table-cell', { hasText: 'VLA KS' }).first().click();
  await page.getByRole('button', { name: /Delete keyswitches/ }).click();
  await settled(page);
  await page.getByRole('combobox', { name: 'Meaning of keyswitch D1' }).click();
  await page.locator('.ant-select-item-option', { hasText: 'pizz.' }).last().click();
  await expect(page.getByRole('button', { name: 'Ledger (4)' })).toBeVisible();
  await expect(page.getByText('No open queries.')).toBeVisible();

  const xml = await exportedXml(page);
  const parts = readParts(xml);
  expect(parts.map((part) => [part.name, part.notes.length])).toEqual([
    ['Flute', 4],
    ['Bassoon', 4],
    ['Horn in F 1', 3],
    ['Horn in F 2', 3],
    ['Horn in F 3', 3],
    ['Horn in F 4', 3],
    ['Violin 1', 8],
    ['Viola', 8],
  ]);
  expect(parts[2]!.notes.map((note) => note.key)).toEqual([65, 67, 69]);
  expect(parts[5]!.notes.map((note) => note.key)).toEqual([53, 55, 53]);
  expect(xml.match(/<words>pizz\.<\/words>/g)).toHaveLength(2);

  await page.getByRole('link', { name: 'Dragoman' }).click();
  await open(page, 'second.mid');
  await expect
    .poll(() => partNames(page))
    .toEqual(['Flute', 'Bassoon', 'Horn in F 1', 'Horn in F 2', 'Horn in F 3', 'Horn in F 4', 'Violin 1', 'Viola']);
  await expect(page.getByText('house list', { exact: true }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Ledger (1)' }).click();
  await expect(page.getByText(/From your house list: .*Bassoon/)).toBeVisible();
});

test('gathering by dragging, marked parts at once, order, undo, and the house list as a file', async ({ page }) => {
  await open(page, 'drag.mid');
  const chip = page.getByText('Slot warm').first();
  const target = page.getByText('Flt 1 leg').first();
  await settled(page);
  const [from, to] = [(await chip.boundingBox())!, (await target.boundingBox())!];
  await page.mouse.move(from.x + 20, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(from.x + 30, from.y - 20, { steps: 4 });
  await page.mouse.move(to.x + 20, to.y + 8, { steps: 8 });
  await page.mouse.up();
  await expect.poll(() => partNames(page)).toEqual(['Flute', 'Horn in F', 'Violin 1', 'Viola']);
  await page.keyboard.press('Control+z');
  await expect.poll(() => partNames(page)).toContain('Slot warm');

  await page.getByRole('textbox', { name: 'Abbreviation of Viola' }).fill('Br.');
  await page.keyboard.press('Enter');
  await page.locator('.ant-table-cell', { hasText: 'VLA KS' }).first().click();
  await page.getByRole('button', { name: 'Move up' }).click();
  await expect.poll(() => partNames(page)).toEqual(['Flute', 'Horn in F', 'Viola', 'Violin 1', 'Slot warm']);

  await page.locator('.ant-table-row', { hasText: 'Slot warm' }).getByRole('checkbox').check();
  await page.locator('.ant-table-row', { hasText: 'Flt 1 leg' }).getByRole('checkbox').check();
  await page.getByRole('combobox', { name: 'Instrument of the selected parts' }).focus();
  await page.keyboard.type('oboe');
  await page.keyboard.press('Enter');
  await expect.poll(() => partNames(page)).toEqual(['Oboe 1', 'Oboe 2', 'Horn in F', 'Viola', 'Violin 1']);
  expect(await exportedXml(page)).toContain('<part-abbreviation>Br.</part-abbreviation>');

  await page.getByRole('button', { name: 'House list' }).click();
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export' }).click();
  const list = JSON.parse(readFileSync(await (await waiting).path(), 'utf8'));
  expect(
    list.entries.map((entry: { pattern: string; instrument?: string }) => [entry.pattern, entry.instrument]),
  ).toEqual([
    ['flt 1 leg', 'oboe'],
    ['slot warm', 'oboe'],
  ]);
  await page.getByRole('button', { name: 'Forget slot warm' }).click();
  await expect(page.getByRole('textbox', { name: 'Track name slot warm' })).toHaveCount(0);
  await page.locator('.ant-drawer input[type=file]').setInputFiles({
    name: 'house.json',
    mimeType: 'application/json',
    buffer: Buffer.from(
      JSON.stringify({
        format: 'dragoman-house-list',
        version: 1,
        entries: [{ pattern: 'slot *', instrument: 'tuba' }],
      }),
    ),
  });
  await expect(page.getByRole('textbox', { name: 'Track name slot *' })).toBeVisible();
});

test('a player takes up another instrument: found by the programs, put down, taken up in other bars', async ({
  page,
}) => {
  const bars = (keys: number[], from: number) => keys.map((key, i) => ({ key, at: from + i, length: 1 }));
  const notes = [...bars([72, 74, 76, 77], 0), ...bars([84, 86, 88, 89], 8), ...bars([72, 74, 76, 77], 16)];
  const flute = { name: 'Flute', program: 74, notes, extra: [programAt(6, 73), programAt(14, 74)] };
  const file = smfBytes([flute], [tempo(0, 100), meter(0, 4, 4)]);
  await dropFile(page, { name: 'doubling.mid', mimeType: 'audio/midi', buffer: Buffer.from(file) });
  await goTo(page, 'Casting');
  await expect(page.getByText('also Piccolo')).toBeVisible();
  const xml = await exportedXml(page);
  expect(xml).toContain('<instrument-name>Piccolo</instrument-name>');
  expect([...xml.matchAll(/<words[^>]*>(.*?)<\/words>/g)].map(([, words]) => words)).toEqual([
    'to Piccolo',
    'Piccolo',
    'to Flute',
    'Flute',
  ]);
  await page.getByText('also Piccolo').click();
  const detail = page.getByRole('region', { name: 'Flute in detail' });
  await detail.getByRole('button', { name: 'bar 3' }).click();
  await expect(page.getByText('also Piccolo')).toBeHidden();
  expect(await exportedXml(page)).not.toContain('Piccolo');
  await detail.getByLabel('Instrument that Flute doubles on').fill('Alto Flute');
  await page.keyboard.press('Enter');
  await detail.getByLabel('First bar of the other instrument').fill('5');
  await detail.getByRole('button', { name: 'Add' }).click();
  await expect(page.getByText('also Alto Flute')).toBeVisible();
  expect(await exportedXml(page)).toContain('<chromatic>-5</chromatic>');
});
