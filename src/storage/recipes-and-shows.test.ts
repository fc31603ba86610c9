import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { HOUSE_RECIPES } from '@/core/documents';
import { habits, keptHabits, rememberHabit, unlearnHabit } from './habits';
import { createJob, deleteJob, jobsListed, nextVersion, rememberSent, saveJobRecipe } from './jobs';
import { forgetRecipe, freeName, recipes, recipeUsed, renameRecipe, saveRecipe } from './recipes';
import { database } from './schema';
import { addCues, changeShow, createShow, cuesOf, dissolveShow, saveFacts, shows, takeOutCue } from './shows';

beforeEach(async () => {
  for (const table of database.tables) await table.clear();
});

const names = async () => (await recipes()).map(({ recipe }) => recipe.name);
const job = (name: string) => createJob({ fileName: `${name}.mid`, bytes: Uint8Array.from([name.length]) });

describe('recipes of this browser', () => {
  const own = { ...HOUSE_RECIPES[0]!, name: 'Stands' };

  it('are those of the house until one is changed, and the last used comes first', async () => {
    expect(await names()).toEqual(HOUSE_RECIPES.map(({ name }) => name));
    await recipeUsed('Studio');
    expect((await recipes())[0]).toMatchObject({ house: true, changed: false });
    await saveRecipe({ ...HOUSE_RECIPES[2]!, pattern: '{cue} map' });
    const [first] = await recipes();
    expect(first).toMatchObject({ house: true, changed: true, recipe: { name: 'Studio', pattern: '{cue} map' } });
    // Changing it again does not forget when it was used.
    expect(first!.usedAt).not.toBeNull();
    await forgetRecipe('Studio');
    expect((await recipes()).find(({ recipe }) => recipe.name === 'Studio')).toMatchObject({
      changed: false,
      recipe: HOUSE_RECIPES[2],
    });
  });

  it('of one’s own are kept, named otherwise, and never under a name that is taken', async () => {
    await saveRecipe(own);
    expect((await names()).at(-1)).toBe('Stands');
    expect(await renameRecipe('Stands', { ...own, name: 'Print' })).toBe(false);
    expect(await renameRecipe('Stands', { ...own, name: 'Music stands' })).toBe(true);
    expect((await names()).at(-1)).toBe('Music stands');
    await forgetRecipe('Music stands');
    expect(await names()).toHaveLength(HOUSE_RECIPES.length);
    expect(freeName('Print', ['Print', 'print 2'])).toBe('Print 3');
  });
});

describe('shows', () => {
  it('hold cues in the order of their numbers; taken out or dissolved, the jobs stay', async () => {
    const [ten, two, one] = [await job('cue 10'), await job('cue 2'), await job('cue 1')];
    const show = await createShow('Lantern', [ten.id, two.id], 'Print');
    await addCues(show.id, [one.id]);
    expect((await cuesOf(show.id)).map(({ name }) => name)).toEqual(['cue 1', 'cue 2', 'cue 10']);
    expect(await shows()).toMatchObject([{ name: 'Lantern', recipe: 'Print', cues: 3 }]);
    await takeOutCue(two.id);
    await changeShow(show.id, { recipe: 'Studio' });
    expect(await shows()).toMatchObject([{ recipe: 'Studio', cues: 2 }]);
    await dissolveShow(show.id);
    expect(await shows()).toEqual([]);
    expect((await jobsListed({ search: '', from: 0, most: 9 })).all).toBe(3);
  });

  it('know of a cue what was found without opening it, and the cue is not changed by that', async () => {
    const cue = await job('cue 1');
    const facts = { of: cue.changedAt, bars: 3, seconds: 6, openQueries: 2, agreement: '', same: 1, parts: [] };
    await saveFacts(cue.id, facts);
    expect(await database.jobs.get(cue.id)).toMatchObject({ facts, openQueries: 2, changedAt: cue.changedAt });
  });
});

describe('what was sent', () => {
  it('is remembered with its version, and the next one counts on', async () => {
    const { id } = await job('cue');
    expect(nextVersion({})).toBe(1);
    await rememberSent(id, { version: 1, recipe: 'Print', files: 3 });
    await rememberSent(id, { version: 7, recipe: 'Studio', files: 1 });
    const kept = (await database.jobs.get(id))!;
    expect(kept.sent).toMatchObject([{ version: 1 }, { version: 7, recipe: 'Studio' }]);
    expect(nextVersion(kept)).toBe(8);
    await rememberSent('nobody', { version: 1, recipe: 'Print', files: 3 });
    await deleteJob(id);
  });
});

describe('a recipe that is changed in a job', () => {
  it('is the job’s own until it is kept or reset, and no other job’s', async () => {
    const [one, other] = [await job('one'), await job('other')];
    const changed = { ...HOUSE_RECIPES[0]!, pattern: '{part}' };
    await saveJobRecipe(one.id, changed.name, changed);
    await saveJobRecipe(one.id, changed.name, { ...changed, marks: 'none' });
    expect((await database.jobs.get(one.id))!.recipes).toMatchObject([{ pattern: '{part}', marks: 'none' }]);
    expect((await database.jobs.get(other.id))!.recipes).toBeUndefined();
    expect((await recipes()).find(({ recipe }) => recipe.name === changed.name)!.recipe).toEqual(HOUSE_RECIPES[0]);
    await saveJobRecipe(one.id, changed.name, null);
    expect((await database.jobs.get(one.id))!.recipes).toEqual([]);
    for (const { id } of [one, other]) await deleteJob(id);
  });
});

describe('an answer that was undone', () => {
  it('is no habit, nor the beginning of one', async () => {
    for (let n = 0; n < 2; n++) await rememberHabit('tuplet', 'plain');
    expect((await habits()).get('tuplet')).toBe('plain');
    await unlearnHabit('tuplet', 'plain');
    expect((await habits()).get('tuplet')).toBeUndefined();
    await unlearnHabit('tuplet', 'another');
    expect(await keptHabits()).toMatchObject([{ kind: 'tuplet', times: 1 }]);
    await unlearnHabit('tuplet', 'plain');
    expect(await keptHabits()).toEqual([]);
  });
});

describe('the list of jobs', () => {
  it('is read page by page, the last changed first; cues stand in their show until they are looked for', async () => {
    const all = [];
    for (let n = 0; n < 12; n++) {
      const made = await job(`piece ${n}`);
      await database.jobs.update(made.id, { changedAt: n });
      all.push(made);
    }
    const page = await jobsListed({ search: '', from: 5, most: 5 });
    expect(page.all).toBe(12);
    expect(page.jobs.map(({ name }) => name)).toEqual(['piece 6', 'piece 5', 'piece 4', 'piece 3', 'piece 2']);
    await createShow('Lantern', [all[0]!.id, all[11]!.id], 'Print');
    const rest = await jobsListed({ search: ' ', from: 0, most: 3 });
    expect(rest.all).toBe(10);
    expect(rest.jobs[0]!.name).toBe('piece 10');
    const found = await jobsListed({ search: 'PIECE 11', from: 0, most: 3 });
    expect(found.jobs.map(({ name }) => name)).toEqual(['piece 11']);
  });
});
