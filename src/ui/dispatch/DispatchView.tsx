'use client';

import { App } from 'antd';
import { useMemo, useState } from 'react';
import type { Checked } from '@/core/dispatch';
import type { Recipe } from '@/core/documents';
import { saveRecipe } from '@/storage/recipes';
import { useWorkspace } from '../job/workspace';
import { sentence } from '../shared/receive';
import { BeforeItGoes } from './BeforeItGoes';
import type { JobInHand } from './dispatcher';
import { Findings } from './Findings';
import { JobMidiSettings } from './JobMidiSettings';
import { RecipeForm } from './RecipeForm';
import { RecipeList } from './RecipeList';
import { SendBar } from './SendBar';
import { usePreview } from './usePreview';
import { useRecipes } from './useRecipes';
import styles from './dispatch.module.css';

/** What leaves the house: by which recipe, what that will be, and out with it. */
export function DispatchView() {
  const { message } = App.useApp();
  const job = useWorkspace((state) => state.job)!;
  const ledger = useWorkspace((state) => state.ledger)!;
  const direction = useWorkspace((state) => state.direction);
  const busy = useWorkspace((state) => state.progress !== null || state.stale);
  const recipes = useRecipes();
  const [name, setName] = useState<string | null>(null);
  // What is being edited is ahead of what is stored.
  const [draft, setDraft] = useState<Recipe | null>(null);
  const [checked, setChecked] = useState<Checked[] | null>(null);
  const usual = direction === 'to-score' ? 'Notation program' : 'Sequencer';
  const first = recipes.find(({ usedAt }) => usedAt !== null) ?? recipes.find((one) => one.recipe.name === usual);
  const chosen = recipes.find((one) => one.recipe.name === name) ?? first ?? null;
  const recipe = draft?.name === chosen?.recipe.name ? draft : (chosen?.recipe ?? null);
  const inHand = useMemo(
    (): JobInHand => ({ id: job.id, name: job.name, originals: job.originals, direction, ledger }),
    [job.id, job.name, job.originals, direction, ledger],
  );
  const { preview, failure, waiting } = usePreview(busy ? null : inHand, recipe);
  const choose = (to: string) => {
    setName(to);
    setDraft(null);
    setChecked(null);
  };
  const edit = (to: Recipe) => {
    setName(to.name);
    setDraft(to);
    saveRecipe(to).catch((error) => void message.error(sentence(error)));
  };
  return (
    <div className={styles.desk}>
      <RecipeList recipes={recipes} chosen={chosen} onChoose={choose} />
      {recipe && (
        <div className={styles.sheet}>
          <h2 className={styles.title}>{recipe.name}</h2>
          <div className={styles.card}>
            <BeforeItGoes preview={preview} failure={failure} waiting={waiting} />
            <SendBar
              job={job}
              inHand={inHand}
              recipe={recipe}
              preview={preview}
              disabled={busy || waiting || failure !== null}
              onChecked={setChecked}
            />
          </div>
          {checked && <Findings checked={checked} />}
          <RecipeForm recipe={recipe} onChange={edit} />
          {direction === 'to-sequencer' && <JobMidiSettings />}
        </div>
      )}
    </div>
  );
}
