'use client';

import { say } from '@/core/words';
import { DownloadOutlined, ImportOutlined, PlusOutlined } from '@ant-design/icons';
import { App, Button, Input, Upload } from 'antd';
import { useState } from 'react';
import { readRecipe, writeRecipe, type Recipe, recipeName } from '@/core/documents';
import { forgetRecipe, freeName, renameRecipe, saveRecipe, type KeptRecipe } from '@/storage/recipes';
import { fileNameOf } from '@/core/documents';
import { download } from '../shared/download';
import { sentence } from '../shared/receive';
import styles from './dispatch.module.css';

/** All recipes, the last used first; one's own are made, brought in and named here. */
export function RecipeList({
  recipes,
  chosen,
  shown,
  onChoose,
}: {
  recipes: readonly KeptRecipe[];
  chosen: KeptRecipe | null;
  /** As it stands for this job. */
  shown: Recipe | null;
  onChoose: (name: string) => void;
}) {
  const { message } = App.useApp();
  const names = recipes.map(({ recipe }) => recipe.name);
  const attempt = (work: () => Promise<unknown>) => void work().catch((error) => message.error(sentence(error)));
  const add = async (recipe: Recipe) => {
    const name = freeName(recipe.name, names);
    await saveRecipe({ ...recipe, name });
    onChoose(name);
  };
  return (
    <nav className={styles.recipes} aria-label={say('dispatch.recipes')}>
      <h2>{say('dispatch.recipes')}</h2>
      <ul>
        {recipes.map(({ recipe, house, changed, usedAt }, i) => (
          <li key={recipe.name}>
            <button
              type="button"
              className={styles.recipe}
              aria-current={recipe.name === chosen?.recipe.name}
              onClick={() => onChoose(recipe.name)}
            >
              {recipeName(recipe)}
              {i === 0 && usedAt !== null && <span className="soft">{say('dispatch.lastUsed')}</span>}
              {house && changed && <span className="soft">{say('dispatch.changed')}</span>}
            </button>
          </li>
        ))}
      </ul>
      {chosen && (
        <>
          <Button
            size="small"
            icon={<PlusOutlined />}
            onClick={() =>
              attempt(() =>
                add({
                  ...(shown ?? chosen.recipe),
                  name: say('dispatch.recipeOurs', { recipe: recipeName(chosen.recipe) }),
                }),
              )
            }
          >
            {say('dispatch.duplicate')}
          </Button>
          <Upload
            accept=".json"
            showUploadList={false}
            beforeUpload={(file) => {
              attempt(async () => add(readRecipe(await file.text(), file.name)));
              return false;
            }}
          >
            <Button size="small" icon={<ImportOutlined />}>
              {say('dispatch.import')}
            </Button>
          </Upload>
          <Button
            size="small"
            icon={<DownloadOutlined />}
            onClick={() =>
              download(
                writeRecipe(shown ?? chosen.recipe),
                `${fileNameOf(chosen.recipe.name)}.recipe.json`,
                'application/json',
              )
            }
          >
            {say('dispatch.saveAsJSON')}
          </Button>
          {chosen.house && chosen.changed && (
            <Button size="small" onClick={() => attempt(() => forgetRecipe(chosen.recipe.name))}>
              {say('dispatch.reset')}
            </Button>
          )}
          {!chosen.house && (
            <Own
              key={chosen.recipe.name}
              recipe={chosen.recipe}
              onRename={(name) =>
                attempt(async () => {
                  const done = await renameRecipe(chosen.recipe.name, { ...chosen.recipe, name });
                  if (done) onChoose(name);
                  else message.error(say('dispatch.aRecipeNameAlreadyExists', { name }));
                })
              }
              onForget={() => attempt(() => forgetRecipe(chosen.recipe.name))}
            />
          )}
        </>
      )}
    </nav>
  );
}

function Own({
  recipe,
  onRename,
  onForget,
}: {
  recipe: Recipe;
  onRename: (name: string) => void;
  onForget: () => void;
}) {
  const [name, setName] = useState(recipeName(recipe));
  const commit = () => {
    const wished = name.trim();
    if (wished !== '' && wished !== recipeName(recipe)) onRename(wished);
    else setName(recipeName(recipe));
  };
  return (
    <>
      <Input
        size="small"
        aria-label={say('dispatch.nameOfTheRecipe')}
        maxLength={80}
        value={name}
        onChange={({ target }) => setName(target.value)}
        onPressEnter={commit}
        onBlur={commit}
      />
      <Button size="small" danger onClick={onForget}>
        {say('dispatch.delete')}
      </Button>
    </>
  );
}
