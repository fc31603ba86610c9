'use client';

import { say } from '@/core/words';
import { Checkbox, Input, Tooltip } from 'antd';
import { useState } from 'react';
import { patternFault, PLACEHOLDERS } from '@/core/dispatch';
import { DELIVERIES, type Recipe } from '@/core/documents';
import { Few } from './fields';
import { WishForm } from './WishForm';
import styles from './dispatch.module.css';

const NAMES = Object.entries(PLACEHOLDERS);

/** What a recipe asks for, and how files are called. */
export function RecipeForm({ recipe, onChange }: { recipe: Recipe; onChange: (recipe: Recipe) => void }) {
  const change = (to: Partial<Recipe>) => onChange({ ...recipe, ...to });
  return (
    <div className={styles.form}>
      {DELIVERIES.map((kind) => (
        <WishForm key={kind} kind={kind} recipe={recipe} onChange={change} />
      ))}
      <div className={styles.common}>
        {/* Marks stand in scores and on pages; MIDI and lists have none. */}
        {(recipe.score ?? recipe.pages) && (
          <Few<Recipe['marks']>
            name={say('dispatch.markings')}
            value={recipe.marks}
            options={[
              ['none', say('dispatch.none')],
              ['taken', say('dispatch.included')],
              ['suggested', say('dispatch.allSuggested')],
            ]}
            onChange={(marks) => change({ marks })}
          />
        )}
        <Checkbox checked={recipe.originals} onChange={({ target }) => change({ originals: target.checked })}>
          {say('dispatch.unchangedOriginal')}
        </Checkbox>
        <NamePattern key={recipe.name} value={recipe.pattern} onCommit={(pattern) => change({ pattern })} />
      </div>
    </div>
  );
}

/** A pattern counts once it can be used; until then it says what is wrong. */
function NamePattern({ value, onCommit }: { value: string; onCommit: (pattern: string) => void }) {
  const [draft, setDraft] = useState(value);
  const fault = patternFault(draft);
  return (
    <label className={styles.wide}>
      {say('dispatch.fileNames')}
      <Tooltip
        title={NAMES.map(([name, words]) => (
          <div key={name}>
            <span className="mono">{`{${name}}`}</span> {words}
          </div>
        ))}
      >
        <Input
          size="small"
          className="mono"
          aria-label={say('dispatch.fileNames')}
          maxLength={200}
          status={fault ? 'error' : ''}
          value={draft}
          onChange={({ target }) => {
            setDraft(target.value);
            if (!patternFault(target.value)) onCommit(target.value);
          }}
        />
      </Tooltip>
      {fault && (
        <span className={styles.fault} role="alert">
          {fault}
        </span>
      )}
    </label>
  );
}
