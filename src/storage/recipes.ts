import { completeRecipe, HOUSE_RECIPES, type Recipe } from '@/core/documents';
import { guarded } from './guarded';
import { database } from './schema';

/* Recipes of this browser: those of the house as long as nobody changed them, and one's own. */

export interface KeptRecipe {
  recipe: Recipe;
  /** The house has one of this name. */
  house: boolean;
  /** It is not as the house has it. */
  changed: boolean;
  /** Milliseconds since 1970; null where it was never used. */
  usedAt: number | null;
}

/** The last used first, then in the order of the house, then by name. */
export async function recipes(): Promise<KeptRecipe[]> {
  const kept = new Map((await database.recipes.toArray()).map((record) => [record.name, record]));
  const house = HOUSE_RECIPES.map((own): KeptRecipe => {
    const record = kept.get(own.name);
    const recipe = record?.recipe ? completeRecipe(record.recipe) : own;
    return { recipe, house: true, changed: record?.recipe !== undefined, usedAt: record?.usedAt ?? null };
  });
  const others = [...kept.values()].flatMap(({ name, recipe, usedAt }): KeptRecipe[] =>
    recipe && !HOUSE_RECIPES.some((own) => own.name === name)
      ? [{ recipe: completeRecipe(recipe), house: false, changed: true, usedAt: usedAt ?? null }]
      : [],
  );
  others.sort((a, b) => a.recipe.name.localeCompare(b.recipe.name));
  return [...house, ...others].sort((a, b) => (b.usedAt ?? 0) - (a.usedAt ?? 0));
}

/** Keeps a recipe under its name; one of the same name is replaced. */
export async function saveRecipe(recipe: Recipe): Promise<void> {
  await guarded(() =>
    database.transaction('rw', database.recipes, async () => {
      const known = await database.recipes.get(recipe.name);
      await database.recipes.put({ ...known, name: recipe.name, recipe, changedAt: Date.now() });
    }),
  );
}

/** Keeps it under another name. @returns whether it was done: a name that is taken is not */
export async function renameRecipe(before: string, recipe: Recipe): Promise<boolean> {
  if (before === recipe.name) return true;
  return database.transaction('rw', database.recipes, async () => {
    if (HOUSE_RECIPES.some(({ name }) => name === recipe.name) || (await database.recipes.get(recipe.name)))
      return false;
    const known = await database.recipes.get(before);
    await database.recipes.delete(before);
    await database.recipes.put({ ...known, name: recipe.name, recipe, changedAt: Date.now() });
    return true;
  });
}

/** One of the house is as the house has it again; one's own is gone. */
export async function forgetRecipe(name: string): Promise<void> {
  await database.recipes.delete(name);
}

export async function recipeUsed(name: string): Promise<void> {
  await database.transaction('rw', database.recipes, async () => {
    const known = await database.recipes.get(name);
    await database.recipes.put({ changedAt: Date.now(), ...known, name, usedAt: Date.now() });
  });
}

/** A name that no recipe has: the wished one, or that with a number. */
export function freeName(wished: string, taken: readonly string[]): string {
  for (let n = 1; ; n++) {
    const name = n === 1 ? wished : `${wished} ${n}`;
    if (!taken.some((one) => one.toLowerCase() === name.toLowerCase())) return name;
  }
}
