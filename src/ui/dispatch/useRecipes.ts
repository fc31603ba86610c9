'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { recipes, type KeptRecipe } from '@/storage/recipes';

/** The recipes of this browser, the last used first; none while they are read. */
export function useRecipes(): readonly KeptRecipe[] {
  return useLiveQuery(recipes) ?? NONE;
}

const NONE: readonly KeptRecipe[] = [];
