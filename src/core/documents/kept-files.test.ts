import { describe, expect, it } from 'vitest';
import { readChart } from './charts';
import { readDrumMap } from './drum-maps';
import kept from './fixtures/kept-files.json';
import { readHouseList } from './house-list';
import { completeRecipe, DELIVERIES, HOUSE_RECIPES, parseJob, readRecipe, type Recipe } from './index';

/* What an earlier version wrote opens in this one. A day's files are added when a format changes; none is ever changed. */

describe.each(kept)('files of $written', ({ recipe, houseList, drumMap, chart, job }) => {
  it('all open', () => {
    expect(readRecipe(recipe, 'r.json').name).toBe('Everything');
    expect(readHouseList(houseList, 'h.json')).toHaveLength(1);
    expect(readDrumMap(drumMap, 'd.json').sounds).toHaveLength(1);
    expect(readChart(chart, 'c.json').entries).toHaveLength(1);
    expect(parseJob(job, 'j.json').ledger.decisions).toHaveLength(1);
  });
  it('a recipe opens without any one of its fields: what came later is as usual', () => {
    const whole = JSON.parse(recipe) as Record<string, Record<string, unknown>>;
    for (const field of Object.keys(whole).filter((one) => !['format', 'version', 'name'].includes(one))) {
      const { [field]: _, ...less } = whole;
      expect(readRecipe(JSON.stringify(less), 'r.json').name).toBe('Everything');
    }
    for (const kind of DELIVERIES)
      for (const field of Object.keys(whole[kind]!)) {
        const { [field]: _, ...less } = whole[kind]!;
        const read = readRecipe(JSON.stringify({ ...whole, [kind]: less }), 'r.json');
        expect(read[kind]).toHaveProperty(field);
      }
  });
  it('a recipe with a field nobody knows, or one out of bounds, is still refused', () => {
    const whole = JSON.parse(recipe) as object;
    expect(() => readRecipe(JSON.stringify({ ...whole, surprise: 1 }), 'r.json')).toThrow(/cannot be read/);
    expect(() => readRecipe(JSON.stringify({ ...whole, map: { countIn: 99 } }), 'r.json')).toThrow(/cannot be read/);
    expect(() => readRecipe(JSON.stringify({ ...whole, map: [] }), 'r.json')).toThrow(/cannot be read/);
  });
});

describe('a recipe that is kept in the browser', () => {
  it('is completed as usual, and stays the same where nothing is missing', () => {
    for (const recipe of HOUSE_RECIPES) expect(completeRecipe(recipe)).toEqual(recipe);
    const early = { name: 'Early', pattern: '{cue}', map: { click: true } } as unknown as Partial<Recipe>;
    expect(completeRecipe(early)).toMatchObject({
      marks: 'taken',
      score: null,
      map: { click: true, countIn: 0, rate: '25' },
    });
  });
});
