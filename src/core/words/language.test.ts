import { afterEach, expect, it } from 'vitest';
import { bytesInWords } from '../../ui/shared/words';
import { ENGLISH } from './en';
import { firstSpoken, inNumbers, onLanguage, speak, SPOKEN, spokenLanguage } from './language';
import { say } from './say';

afterEach(() => speak('en'));

it('speaks another language from then on, with its numbers and plurals, and English again', async () => {
  expect(say('casting.note', { notes: 1200 })).toBe('1,200 notes');
  await speak('de');
  expect([say('casting.note', { notes: 1 }), say('casting.note', { notes: 1200 })]).toEqual(['1 Note', '1.200 Noten']);
  expect(inNumbers(1234.5)).toBe('1.234,5');
  expect(bytesInWords(1)).toMatch(/Byte/);
  await speak('en');
  expect(say('casting.note', { notes: 1200 })).toBe('1,200 notes');
});

it('tells whoever listens, once for each change', async () => {
  const told: string[] = [];
  const stop = onLanguage((language) => told.push(language));
  await speak('en');
  await speak('de');
  await speak('de');
  stop();
  await speak('en');
  expect(told).toEqual(['de']);
  expect(spokenLanguage()).toBe('en');
});

it('takes the first language of a browser that is spoken here', () => {
  expect(firstSpoken('de-AT, de;q=0.9, en;q=0.8')).toBe('de');
  expect(firstSpoken('fr-FR, fr;q=0.9, DE;q=0.5')).toBe('de');
  expect([firstSpoken('fr'), firstSpoken(''), firstSpoken('constructor')]).toEqual(['en', 'en', 'en']);
});

it('has all texts in each language', async () => {
  for (const { texts } of Object.values(SPOKEN)) {
    const there = await texts();
    expect(Object.keys(there)).toEqual(Object.keys(ENGLISH));
  }
});
