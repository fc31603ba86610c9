'use client';

import { say } from '@/core/words';
import { App, Button, Input } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo, useState } from 'react';
import type { Checked } from '@/core/dispatch';
import { completeRecipe, type Recipe, recipeName } from '@/core/documents';
import { saveJobRecipe } from '@/storage/jobs';
import { saveRecipe } from '@/storage/recipes';
import { database } from '@/storage/schema';
import { useWorkspace } from '../workspace/workspace';
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
  const own = useLiveQuery(async () => (await database.jobs.get(job.id))?.recipes, [job.id]);
  const kept = own?.find((one) => one.name === chosen?.recipe.name);
  const ofJob = useMemo(() => (kept ? completeRecipe(kept) : null), [kept]);
  const recipe = draft?.name === chosen?.recipe.name ? draft : (ofJob ?? chosen?.recipe ?? null);
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
    saveJobRecipe(job.id, to.name, to).catch((error) => void message.error(sentence(error)));
  };
  /** The change becomes the recipe's, for all jobs; or the job takes it as the recipe has it. */
  const settle = (keep: Recipe | null) => {
    setDraft(null);
    const saved = keep ? saveRecipe(keep) : Promise.resolve();
    saved.then(() => saveJobRecipe(job.id, recipe!.name, null)).catch((error) => void message.error(sentence(error)));
  };
  return (
    <div className={styles.desk}>
      <RecipeList recipes={recipes} chosen={chosen} shown={recipe} onChoose={choose} />
      {recipe && (
        <div className={styles.sheet}>
          <h2 className={styles.title}>{recipeName(recipe)}</h2>
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
          {ofJob && (
            <div className={styles.ofJob} role="status">
              <span>{say('dispatch.changedForThisJobOnly')}</span>
              <Button size="small" onClick={() => settle(recipe)}>
                {say('dispatch.saveInTheRecipe')}
              </Button>
              <Button size="small" type="text" onClick={() => settle(null)}>
                {say('dispatch.resetToTheRecipe')}
              </Button>
            </div>
          )}
          {direction === 'to-score' && <TitleField />}
          <RecipeForm recipe={recipe} onChange={edit} />
          {direction === 'to-sequencer' && <JobMidiSettings />}
        </div>
      )}
    </div>
  );
}

/** What stands over the music, and what files are called by. */
function TitleField() {
  const title = useWorkspace((state) => state.summary?.title ?? '');
  const decide = useWorkspace((state) => state.decide);
  return (
    <label className={styles.ofJob}>
      {say('dispatch.title')}
      <Input
        key={title}
        size="small"
        aria-label={say('dispatch.title')}
        maxLength={300}
        defaultValue={title}
        onPressEnter={(event) => event.currentTarget.blur()}
        onBlur={(event) => {
          const next = event.currentTarget.value.trim();
          if (next !== title) decide({ kind: 'setTitle', title: next });
        }}
      />
    </label>
  );
}
