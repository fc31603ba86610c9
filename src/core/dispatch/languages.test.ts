import { afterEach, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { EMPTY_LEDGER, HOUSE_RECIPES, USUAL_MAP, USUAL_MIDI, USUAL_SCORE, type Recipe } from '../documents';
import { speak, type Language } from '../words';
import { deliver, DispatchDesk, previewOf, type JobToSend, type Makers } from './index';
import { toEnd } from '../base';

afterEach(() => speak('en'));

const ALL: Recipe = {
  ...HOUSE_RECIPES[0]!,
  marks: 'suggested',
  score: { ...USUAL_SCORE, parts: true, leadSheet: true, reduction: true },
  midi: { ...USUAL_MIDI, byInstrument: true },
  map: { ...USUAL_MAP, click: true, countIn: 2 },
};

const makers: Makers = {
  pdf: () => Promise.reject(new Error('No pages are asked for.')),
  wav: () => Promise.reject(new Error('No sound is asked for.')),
};

async function sentIn(language: Language, direction: JobToSend['direction']) {
  await speak(language);
  const originals = [{ fileName: 'goose.mid', bytes: demoOriginal() }];
  const desk = new DispatchDesk({ name: 'Goose', direction, originals, ledger: EMPTY_LEDGER });
  const files: (readonly [path: string, text: string])[] = [];
  for await (const step of deliver(desk, ALL, { version: 1, date: '2026-03-31' }, makers))
    files.push(...step.files.map(({ path, bytes }) => [path, Buffer.from(bytes).toString('latin1')] as const));
  return { files, words: toEnd(previewOf(desk, ALL)).words };
}

it.each(['to-score', 'to-sequencer'] as const)(
  'music files on the way %s are the same whatever language is spoken, and what is said of them is not',
  async (direction) => {
    const english = await sentIn('en', direction);
    const german = await sentIn('de', direction);
    // Names of files are words.
    expect(german.files).toHaveLength(english.files.length);
    expect(german.files.filter(([, text], i) => text !== english.files[i]![1]).map(([path]) => path)).toEqual([]);
    expect(german.words).not.toEqual(english.words);
  },
);
