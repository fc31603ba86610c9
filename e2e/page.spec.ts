import { readFileSync } from 'node:fs';
import { LONG, expect, test, type Page } from './window';
import { exportedXml, goTo, openDemo } from './help';

const side = (page: Page) => page.getByRole('complementary', { name: 'Page settings' });

async function openPage(page: Page): Promise<void> {
  await openDemo(page);
  await goTo(page, 'Page');
  await expect(side(page)).toBeVisible();
}

const partOf = (xml: string, name: string) => {
  const id = new RegExp(`<score-part id="(P\\d+)">\\s*<part-name>${name}`).exec(xml)![1]!;
  return xml.slice(xml.indexOf(`<part id="${id}">`), xml.indexOf('</part>', xml.indexOf(`<part id="${id}">`)));
};

async function choose(page: Page, label: string, option: string): Promise<void> {
  await page.getByLabel(label, { exact: true }).click();
  await page.locator('.ant-select-dropdown:visible').getByText(option, { exact: true }).click();
}

test('sharps become flats, and names, keys and clefs can be chosen', async ({ page }) => {
  await openPage(page);
  const first = await exportedXml(page);
  expect(first).toContain('<fifths>-4</fifths>');
  expect(partOf(first, 'Bassoon')).not.toContain('<alter>1</alter>');
  await page.getByText('Whole piece', { exact: true }).first().click();
  await page.getByLabel('Key of the whole piece').click();
  await page.keyboard.type('E major');
  await page.locator('.ant-select-dropdown:visible').getByText('E major', { exact: true }).click();
  await expect(page.getByText('bar 1: E major')).toBeVisible();
  expect(await exportedXml(page)).toContain('<fifths>4</fifths>');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('bar 1: A♭ major')).toBeVisible();
  await page.getByText('Parts', { exact: true }).click();
  await page.getByRole('button', { name: 'Bassoon', exact: true }).click();
  await choose(page, 'Clef of Bassoon', 'tenor');
  await expect
    .poll(async () => partOf(await exportedXml(page), 'Bassoon'))
    .toMatch(/<sign>C<\/sign>\s*<line>4<\/line>/);
});

test('marks are suggestions until they are taken', async ({ page }) => {
  await openPage(page);
  expect(partOf(await exportedXml(page), 'Flute')).not.toContain('<slur');
  await expect(page.locator('g.slur').first()).toBeVisible();
  await choose(page, 'Slurs of Flute', 'include');
  await expect(side(page).getByRole('button', { name: 'Flute', exact: true }).locator('..')).toContainText(
    /\d suggestions?/,
  );
  await expect.poll(async () => partOf(await exportedXml(page), 'Flute').split('<slur').length).toBeGreaterThan(30);
  await page.getByRole('button', { name: /Ledger/ }).click();
  await expect(page.getByText('Flute: slurs included')).toBeVisible();
});

test('a bar’s articulation is set by hand and copied to its rhythm', { tag: LONG }, async ({ page }) => {
  await openPage(page);
  await page.locator('g.note g.notehead').first().click({ force: true });
  await page.getByRole('button', { name: 'accent' }).click();
  await expect(page.getByRole('button', { name: 'accent' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Copy bar 1’s pattern …' }).click();
  await page.getByRole('button', { name: 'Copy', exact: true }).click();
  // Bar 21 has the rhythm of bar 1.
  await expect
    .poll(async () => partOf(await exportedXml(page), 'Flute').split('<accent').length - 1)
    .toBeGreaterThanOrEqual(2);
});

test('dynamics, hairpins and words are put by hand', async ({ page }) => {
  await openPage(page);
  const heads = page.locator('g.note g.notehead');
  await heads.nth(0).click({ force: true });
  await heads.nth(3).click({ force: true, modifiers: ['Shift'] });
  const tools = page.getByRole('toolbar', { name: 'Selected notes' });
  await tools.getByRole('combobox', { name: 'Dynamic at the first note' }).click();
  await page.locator('.ant-select-dropdown:visible').getByTitle('mf', { exact: true }).click();
  await expect(page.getByRole('button', { name: 'Ledger (1)' })).toBeVisible();
  await tools.getByRole('button', { name: 'crescendo' }).click();
  await expect(page.getByRole('button', { name: 'Ledger (2)' })).toBeVisible();
  await tools.getByRole('textbox', { name: 'Words at the first note' }).fill('dolce');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Ledger (3)' })).toBeVisible();
  const flute = async () => partOf(await exportedXml(page), 'Flute');
  await expect.poll(flute).toContain('<words>dolce</words>');
  expect(await flute()).toContain('<mf/>');
  expect(await flute()).toMatch(/<wedge type="crescendo"/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(flute).not.toContain('dolce');
});

test('the drum map can be changed, kept and used', { tag: LONG }, async ({ page }) => {
  await openPage(page);
  await side(page).getByRole('button', { name: 'Drum Kit', exact: true }).click();
  const before = partOf(await exportedXml(page), 'Drum Kit');
  expect(before).toMatch(/<stem>up<\/stem>/);
  expect(before).toMatch(/<stem>down<\/stem>/);
  expect(before).toContain('<notehead>x</notehead>');
  await page.getByRole('button', { name: 'General MIDI …' }).click();
  await page.getByLabel('Sound of key 36').fill('Clock drum');
  await page.getByLabel('Name of the map').fill('Puppet kit');
  await page.getByRole('button', { name: 'Save as own' }).click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export', exact: true }).click(),
  ]);
  const map = JSON.parse(readFileSync(await file.path(), 'utf8'));
  expect(map).toMatchObject({ format: 'dragoman-drum-map', name: 'Puppet kit' });
  await page.getByRole('button', { name: 'Use this map' }).click();
  await expect.poll(() => exportedXml(page)).toContain('<instrument-name>Clock drum</instrument-name>');
  await expect(page.getByRole('button', { name: 'Puppet kit …' })).toBeVisible();
});

test('pages are zoomed, and a note of a page opens its passage', async ({ page }) => {
  await openPage(page);
  await page.getByTitle('Score', { exact: true }).click();
  const paper = page.getByRole('img', { name: 'Score, page 1' });
  await expect(paper).toBeVisible({ timeout: 60_000 });
  const width = (await paper.boundingBox())!.width;
  await page.getByRole('button', { name: 'Larger pages' }).click();
  await expect.poll(async () => (await paper.boundingBox())!.width / width).toBeCloseTo(1.4, 1);
  await page.getByRole('button', { name: 'Smaller pages' }).click();
  // The bassoon's staff is the third one of the first system.
  const third = paper.locator('g.measure').nth(2).locator('> g.staff').nth(2);
  await third.locator('g.note').first().click({ force: true });
  await expect(page).toHaveURL(/\/rhythm$/);
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
  const shown = page.getByRole('region', { name: 'Music' }).or(page.locator('#music'));
  await expect(shown.first()).toContainText('Bassoon');
});

test('guitar is written as tablature', { tag: LONG }, async ({ page }) => {
  await openPage(page);
  await side(page).getByRole('button', { name: 'Classical Guitar', exact: true }).click();
  await page.getByText('Tablature', { exact: true }).click();
  await expect.poll(async () => partOf(await exportedXml(page), 'Classical Guitar')).toContain('<sign>TAB</sign>');
  const part = partOf(await exportedXml(page), 'Classical Guitar');
  expect(part.split('<fret>').length - 1).toBeGreaterThan(100);
  expect(part).toContain('<staff-lines>6</staff-lines>');
});

test(
  'a lead sheet and a piano reduction are looked at, made of other parts, and sent',
  { tag: LONG },
  async ({ page }) => {
    await openPage(page);
    await page.getByText('Extract', { exact: true }).click();
    await expect(page.getByRole('img', { name: 'Lead sheet, page 1' })).toBeVisible({ timeout: 60_000 });
    await choose(page, 'Part with the tune', 'Flute');
    await page.getByText('Piano reduction', { exact: true }).click();
    await expect(page.getByRole('img', { name: 'Piano reduction, page 1' })).toBeVisible({ timeout: 60_000 });
    await page.getByRole('checkbox', { name: 'Glockenspiel' }).uncheck();
    await expect(page.getByRole('button', { name: 'Ledger (2)' })).toBeVisible();
    await goTo(page, 'Dispatch');
    await page.getByRole('region', { name: 'MusicXML' }).getByRole('checkbox', { name: 'Lead sheet' }).check();
    await page.getByRole('region', { name: 'MusicXML' }).getByRole('checkbox', { name: 'The score' }).uncheck();
    await expect(page.getByText(/MusicXML 3\.0: a lead sheet, /)).toBeVisible();
  },
);

test('score and parts are shown as pages, printed, and saved as PDF', async ({ page }) => {
  await openPage(page);
  await page.getByTitle('Score', { exact: true }).click();
  await expect(page.getByRole('img', { name: 'Score, page 1' })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/of [2-9]$/)).toBeVisible();
  await page.getByRole('button', { name: 'Next page' }).click();
  await expect(page.getByRole('img', { name: 'Score, page 2' })).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download', { timeout: 60_000 }),
    page.getByRole('button', { name: 'download PDF' }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/\.pdf$/);
  const bytes = readFileSync(await download.path());
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  expect(bytes.toString('latin1').match(/\/Type \/Page\b/g)!.length).toBeGreaterThan(2);
  await page.getByText('Part', { exact: true }).click();
  await expect(page.getByRole('img', { name: 'Flute, page 1' })).toBeVisible({ timeout: 60_000 });
  await page.getByText('One line', { exact: true }).click();
  await expect(page.getByRole('button', { name: 'Next page' })).toHaveCount(0);
  await page.evaluate(() => {
    window.print = () =>
      document.body.setAttribute(
        'data-printed',
        String(document.querySelectorAll('.printedPage svg.definition-scale').length),
      );
  });
  await page.getByRole('button', { name: 'Print', exact: true }).click();
  await expect(page.locator('body')).toHaveAttribute('data-printed', /[1-9]/, { timeout: 60_000 });
});
