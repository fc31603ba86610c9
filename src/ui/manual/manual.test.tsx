// @vitest-environment happy-dom
import { existsSync, readdirSync } from 'node:fs';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { speak, SPOKEN, type Language } from '@/core/words';
import { manualIn, pictureNamed } from '@/server/manual';
import { headingsOf, useManual } from './manual';
import { ManualDrawer } from './ManualDrawer';
import { MANUAL_PAGES, TROUBLE_OF } from './pages';

const LANGUAGES = Object.keys(SPOKEN) as Language[];

afterEach(async () => {
  cleanup();
  await speak('en');
  vi.unstubAllGlobals();
  useManual.setState({ open: null, texts: null, failure: null });
});

describe.each(LANGUAGES)('the manual (%s)', (language) => {
  it('has every page, with a title, and no others', async () => {
    const pages = await manualIn(language);
    expect(readdirSync(`docs/manual/${language}`).sort()).toEqual(MANUAL_PAGES.map((page) => `${page}.md`).sort());
    for (const { page, text } of pages) expect(text, page).toMatch(/^# \S/);
  });
  it('has the trouble that each query leads to, numbered in turn', async () => {
    const troubles = (await manualIn(language)).find(({ page }) => page === 'troubles')!;
    const numbers = [...troubles.text.matchAll(/^## (\d+)\. /gm)].map(([, number]) => Number(number));
    expect(numbers).toEqual(numbers.map((_, i) => i + 1));
    expect([...new Set(Object.values(TROUBLE_OF))].sort((a, b) => a - b)).toEqual(numbers);
  });
  it('calls what can be clicked as the screens do', async () => {
    const said = Object.values(await SPOKEN[language].texts())
      .flatMap((texts) => Object.values(texts))
      .join('\n')
      .toLowerCase();
    const strange = (await manualIn(language)).flatMap(({ page, text }) =>
      [...text.matchAll(/\*\*([^*]+)\*\*/g)]
        .flatMap(([, bold]) => bold!.replace(/\s+/g, ' ').split(', '))
        .filter((name) => !said.includes(name.toLowerCase()))
        .map((name) => `${page}: ${name}`),
    );
    expect(strange).toEqual([]);
  });
  it('has links that lead to pages, and pictures that are there', async () => {
    for (const { page, text } of await manualIn(language)) {
      const links = [...text.matchAll(/(!?)\[[^\]]*\]\(([^)]+)\)/g)];
      for (const [, picture, to] of links)
        expect(existsSync(`docs/manual/${language}/${to}`), `${page}: ${picture}${to}`).toBe(true);
    }
  });
  it('has lines of 120 letters at most, but for tables', async () => {
    for (const { page, text } of await manualIn(language))
      for (const line of text.split('\n'))
        if (!line.startsWith('|')) expect(line.length, `${page}: ${line}`).toBeLessThan(121);
  });
});

describe('the drawer of the manual', () => {
  const served = async (language: Language) => {
    const pages = await manualIn(language);
    const fetched = vi.fn(() => Promise.resolve(Response.json(pages)));
    vi.stubGlobal('fetch', fetched);
    Element.prototype.scrollIntoView = vi.fn();
    return fetched;
  };
  it('opens a page at a section, goes on by a link, and fetches once a language', async () => {
    const fetched = await served('en');
    render(<ManualDrawer />);
    useManual.getState().read('troubles', '7');
    expect(await screen.findByRole('heading', { name: '7. Rests that nobody wants' })).toHaveProperty('id', 'manual-7');
    useManual.getState().read('start');
    fireEvent.click(await screen.findByRole('button', { name: 'Shows' }));
    expect(await screen.findByRole('heading', { name: 'Shows: many cues' })).toBeTruthy();
    expect(fetched).toHaveBeenCalledTimes(1);
    await served('de');
    await speak('de');
    useManual.getState().read('start');
    expect(await screen.findByRole('heading', { name: 'Der erste Cue in fünf Minuten' })).toBeTruthy();
  });
  it('says when the server did not answer', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')));
    render(<ManualDrawer />);
    useManual.getState().read('keys');
    expect(await screen.findByText(/Start the application’s server/)).toBeTruthy();
  });
});

it('finds its headings', async () => {
  const headings = headingsOf((await manualIn('en')) as Parameters<typeof headingsOf>[0]);
  expect(headings).toContainEqual({ page: 'troubles', section: '7', title: 'Rests that nobody wants' });
  expect(headings).toContainEqual({ page: 'limits', section: 'privacy', title: 'Privacy' });
  expect(headings).toContainEqual({ page: 'keys', section: null, title: 'Keys' });
});

it('gives pictures by their plain names only', async () => {
  expect((await pictureNamed('rhythm.png'))?.subarray(1, 4).toString()).toBe('PNG');
  expect(await pictureNamed('../../package.json')).toBeNull();
  expect(await pictureNamed('none.png')).toBeNull();
});
