import { readFileSync } from 'node:fs';
import { LONG, expect, test } from './window';
import { backupText, directionText, HEAD, noteText as note, partText, scoreText } from '../src/testing/musicxml-text';
import { exportedXml, dropFile, goTo, openDemo } from './help';

/* A score with what real scores have, from the drop to the file that leaves. */

const grace = (name: string, chord = '') => note(name, 0, { type: 'eighth', before: `<grace slash="yes"/>${chord}` });
const flute = partText([
  `<harmony><root><root-step>C</root-step></root><kind>major-seventh</kind></harmony>${note('C5', 8)}${grace('F5')}${grace('A5', '<chord/>')}${note('G5', 8)}`,
  `${directionText('<dynamics><sfz/></dynamics>')}${note('C6', 8, { notations: '<tied type="let-ring"/>' })}${note('r', 8)}`,
]);
const clarinet = partText([
  note('C5', 16, { before: '<cue/>' }),
  `${note('D5', 8)}<attributes><clef><sign>F</sign><line>4</line></clef></attributes>${note('D4', 8)}`,
]);
const staves = HEAD.replace('<clef>', '<staves>2</staves><clef>');
const piano = partText(
  [1, 2].map(
    () =>
      `${['C3', 'G3', 'E4', 'C5'].map((name, i) => note(name, 4, { staff: i < 2 ? 2 : 1 })).join('')}${backupText(16)}${note('C2', 16, { voice: 5, staff: 2 })}`,
  ),
  staves,
);
const SCORE = {
  name: 'lantern.musicxml',
  mimeType: 'application/xml',
  buffer: Buffer.from(scoreText([flute, clarinet, piano], [], ['Flute', 'Clarinet in A', 'Piano'])),
};

test('is shown and leaves as it came, in the version that is asked for', async ({ page }) => {
  await dropFile(page, SCORE);
  await page.waitForURL(/\/job\//);
  await page.getByText('To score', { exact: true }).click();
  await goTo(page, 'Page');
  await expect(page.locator('g.note').first()).toBeVisible({ timeout: 60_000 });
  await expect(page.locator('g.harm')).toHaveCount(1);
  await expect(page.locator('g.lv, g.tie')).not.toHaveCount(0);
  await goTo(page, 'Dispatch');
  await page.getByLabel('Version of MusicXML', { exact: true }).getByText('4.0', { exact: true }).click();
  await expect(page.getByText(/MusicXML 4\.0: /)).toBeVisible();
  const make = page.getByRole('button', { name: 'Export the file' });
  await expect(make).toBeEnabled();
  const waiting = page.waitForEvent('download');
  await make.click();
  const text = readFileSync(await (await waiting).path(), 'utf8');
  expect(text).toContain('<score-partwise version="4.0">');
  for (const kept of ['<cue/>', '<tied type="let-ring"/>', '<sfz/>', '<grace slash="yes"/>', 'major-seventh'])
    expect(text).toContain(kept);
  // The clef stands inside the second bar, between its notes.
  expect(text).toMatch(/<step>D<\/step>(?:(?!<measure)[\s\S])*<sign>F<\/sign>(?:(?!<measure)[\s\S])*<step>D<\/step>/);
});

test('gets chord symbols, which go out once they are taken', { tag: LONG }, async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Page');
  await page.getByText('Whole piece', { exact: true }).click();
  const choose = async (use: string) => {
    await page.getByRole('combobox', { name: 'Chord symbols', exact: true }).click();
    await page.getByTitle(use, { exact: true }).last().click();
  };
  await choose('suggested');
  await expect(page.getByRole('button', { name: 'Ledger (1)' })).toBeVisible();
  await expect(page.locator('svg').getByText('E♭7').first()).toBeVisible({ timeout: 60_000 });
  expect(await exportedXml(page)).not.toContain('<harmony>');
  await choose('taken');
  await expect(page.locator('g.harm').first()).toBeVisible({ timeout: 60_000 });
  const text = await exportedXml(page);
  expect(text.match(/<harmony>/g)!.length).toBeGreaterThan(20);
});
