import { createHash } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import {
  EMPTY_LEDGER,
  HOUSE_RECIPES,
  PAPER_SIZES,
  SAMPLE_RATES,
  SOUND_VERSIONS,
  USUAL_LISTS,
  USUAL_MAP,
  USUAL_MIDI,
  USUAL_PAGES,
  USUAL_SCORE,
  USUAL_SOUND,
  type DeliveryWish,
  type Recipe,
} from '../documents';
import { MARKS_OUT } from '../score';
import { PRESETS } from '../settings';
import { FRAME_RATES } from '../studio';
import { deliver, DispatchDesk, type Makers } from './index';

/* Every choice in a recipe changes what is made: no two choices of a field give the same, and none does nothing. */

type Choices = { [K in keyof DeliveryWish]: { [F in keyof Required<DeliveryWish[K]>]: DeliveryWish[K][F][] } };
const OFF_ON = [false, true];

/** A field without a line here does not compile. */
const CHOICES: Choices = {
  score: {
    format: ['musicxml', 'mxl'],
    version: ['3.0', '4.0'],
    concert: OFF_ON,
    whole: OFF_ON,
    parts: OFF_ON,
    leadSheet: OFF_ON,
    reduction: OFF_ON,
  },
  midi: {
    carry: [...PRESETS],
    whole: OFF_ON,
    parts: OFF_ON,
    sections: OFF_ON,
    ticksPerQuarter: [480, 960],
    type: [0, 1],
    byInstrument: OFF_ON,
  },
  map: {
    ticksPerQuarter: [480, 960],
    tolerance: [0, 400],
    click: OFF_ON,
    countIn: [0, 1, 2],
    rate: [...FRAME_RATES],
    start: [0, 90_000],
  },
  lists: { tracks: OFF_ON, times: OFF_ON, queries: OFF_ON, rate: [...FRAME_RATES], start: [0, 90_000] },
  pages: {
    score: OFF_ON,
    parts: OFF_ON,
    allParts: OFF_ON,
    leadSheet: OFF_ON,
    reduction: OFF_ON,
    concert: OFF_ON,
    paper: [...PAPER_SIZES],
    scoreStaff: [4, 5],
    partStaff: [6, 7],
    // What the engraver makes of them: paper/sheets.test.ts.
    barNumbers: ['systems', 'every', 'none'],
    cover: ['', 'For the stands'],
  },
  sound: {
    mix: OFF_ON,
    stems: OFF_ON,
    click: OFF_ON,
    version: [...SOUND_VERSIONS],
    sampleRate: [...SAMPLE_RATES],
  },
};

/** What each is tried on. */
const BASE: DeliveryWish = {
  score: { ...USUAL_SCORE, parts: true },
  midi: { ...USUAL_MIDI, parts: true },
  // Where a code is set its rate matters in the map; a table has it in any case.
  map: { ...USUAL_MAP, start: 90_000 },
  lists: { ...USUAL_LISTS, queries: true },
  pages: { ...USUAL_PAGES, scoreStaff: 4.4, partStaff: 6.6 },
  sound: { ...USUAL_SOUND, click: true },
};

const desk = new DispatchDesk({
  name: 'Goose',
  direction: 'to-score',
  originals: [{ fileName: 'goose.mid', bytes: demoOriginal() }],
  ledger: EMPTY_LEDGER,
});

async function made(recipe: Recipe): Promise<string> {
  const asked: unknown[] = [];
  const makers: Makers = {
    pdf: (book) => {
      asked.push(book);
      return Promise.resolve(new Uint8Array([1]));
    },
    wav: (take, rate) => {
      asked.push([take, rate]);
      return Promise.resolve({ wav: new Uint8Array([2]), gain: 0.5 });
    },
  };
  const hash = createHash('sha256');
  for await (const step of deliver(desk, recipe, { version: 1, date: '2026-03-31' }, makers))
    for (const { path, bytes, words } of step.files) {
      hash.update(path).update(bytes);
      // A MIDI file knows four rates of code; which of the others is meant stands in the contents sheet.
      if (path.startsWith('Studio/')) hash.update(words);
    }
  return hash.update(JSON.stringify(asked)).digest('hex');
}

const NOTHING: Recipe = { ...HOUSE_RECIPES[0]!, score: null, pattern: '{part}' };
const cases = Object.entries(CHOICES).flatMap(([kind, fields]) =>
  Object.entries(fields as Record<string, unknown[]>).map(([field, values]) => [kind, field, values] as const),
);

describe('every choice of a recipe', () => {
  it.each(cases)('%s: %s', async (kind, field, values) => {
    const results: string[] = [];
    for (const value of values) {
      const wish = { ...BASE[kind as keyof DeliveryWish], [field]: value };
      results.push(await made({ ...NOTHING, [kind]: wish }));
    }
    expect(new Set(results).size, `${kind}.${field}`).toBe(values.length);
  });
  it('marks, originals and names', async () => {
    const score = { ...NOTHING, score: USUAL_SCORE };
    const marks = await Promise.all(MARKS_OUT.map((one) => made({ ...score, marks: one })));
    expect(new Set(marks).size).toBe(MARKS_OUT.length);
    expect(await made({ ...score, originals: true })).not.toBe(await made(score));
    expect(await made({ ...score, pattern: '{cue} {part}' })).not.toBe(await made(score));
  });
});
