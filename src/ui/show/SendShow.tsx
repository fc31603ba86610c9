'use client';

import { say } from '@/core/words';
import { SendOutlined } from '@ant-design/icons';
import { App, Button, Select } from 'antd';
import { useState } from 'react';
import { Paths, recipeFault } from '@/core/dispatch';
import { fileNameOf, type Recipe, recipeName } from '@/core/documents';
import { nextVersion, rememberSent } from '@/storage/jobs';
import { recipeUsed } from '@/storage/recipes';
import type { JobRecord, ShowRecord } from '@/storage/schema';
import { changeShow } from '@/storage/shows';
import { emptyParcel, makeFiles, packParcel } from '../dispatch/dispatcher';
import { downloadFile } from '../dispatch/handOver';
import { useRecipes } from '../dispatch/useRecipes';
import { sentence } from '../shared/receive';
import { AT_THE_BEGINNING, isStop, Sending, type SendingState } from '../dispatch/Sending';
import styles from './show.module.css';

/** What became of the cues that were to go out. */
interface Sent {
  cues: { cue: JobRecord; files: number; version: number }[];
  failures: string[];
  stumbles: string[];
}

/** One parcel of all cues, by the recipe they share. */
export function SendShow({
  show,
  cues,
  left,
  onBusy,
}: {
  show: ShowRecord;
  cues: readonly JobRecord[];
  /** Cues that were not looked at yet: the house list has not been asked about them. */
  left: number;
  onBusy: (busy: boolean) => void;
}) {
  const { message, modal } = App.useApp();
  const recipes = useRecipes();
  const [working, setWorking] = useState<SendingState | null>(null);
  const recipe = recipes.find((one) => one.recipe.name === show.recipe)?.recipe ?? recipes[0]?.recipe;
  const fault = recipe && recipeFault(recipe);

  async function send(by: Recipe): Promise<void> {
    onBusy(true);
    setWorking(AT_THE_BEGINNING);
    const date = new Date().toISOString().slice(0, 10);
    try {
      await emptyParcel();
      const { done, words, open } = await makeAll(cues, by, date, (said, share) =>
        setWorking((now) => now && { words: said, share }),
      );
      if (done.cues.length === 0) throw new Error(say('show.noCueCouldBeMade', { failures: done.failures.join(' ') }));
      setWorking({ words: say('show.packing'), share: 1 });
      const bytes = await packParcel({ title: show.name, recipe: recipeName(by), date, words, open });
      const name = downloadFile({ path: `${fileNameOf(`${show.name} ${by.name}`)}.zip`, bytes });
      await recipeUsed(by.name);
      for (const { cue, version, files } of done.cues)
        await rememberSent(cue.id, {
          version,
          recipe: by.name,
          files,
          ledger: cue.ledger,
          ...(cue.direction && { direction: cue.direction }),
        });
      tell(name, done);
    } catch (error) {
      if (!isStop(error)) void message.error(sentence(error), 8);
    } finally {
      setWorking(null);
      onBusy(false);
    }
  }

  function tell(name: string, { cues: made, failures, stumbles }: Sent): void {
    const said = say('show.nameCueDownloaded', { name, made: made.length });
    if (failures.length === 0 && stumbles.length === 0) {
      void message.success(say('show.saidTheDeliveryCheckFoundNo', { said }), 6);
      return;
    }
    modal.warning({
      width: 640,
      title: said,
      content: (
        <ul className={styles.odd}>
          {[...failures, ...stumbles].map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      ),
    });
  }

  if (working) return <Sending state={working} className={styles.sending!} />;
  return (
    <div className={styles.sending}>
      <label>
        {say('show.byTheRecipe')}{' '}
        <Select
          size="small"
          aria-label={say('show.recipeOfTheShow')}
          value={recipe?.name}
          onChange={(name) => void changeShow(show.id, { recipe: name })}
          options={recipes.map(({ recipe: one }) => ({ value: one.name, label: recipeName(one) }))}
        />
      </label>
      <Button
        type="primary"
        icon={<SendOutlined />}
        disabled={!recipe || fault !== null || cues.length === 0 || left > 0}
        onClick={() => recipe && void send(recipe)}
      >
        {say('show.oneParcelOfCue', { cues: cues.length })}
      </Button>
      {fault && (
        <span className={styles.low} role="alert">
          {fault}
        </span>
      )}
    </div>
  );
}

/** Each cue in a folder of its own; one that cannot be made holds up no other. */
async function makeAll(
  cues: readonly JobRecord[],
  recipe: Recipe,
  date: string,
  onShare: (words: string, share: number) => void,
): Promise<{ done: Sent; words: string[]; open: string[] }> {
  const done: Sent = { cues: [], failures: [], stumbles: [] };
  const words: string[] = [];
  const open: string[] = [];
  // Two cues of one name have different folders.
  const folders = new Paths();
  for (const [i, cue] of cues.entries()) {
    const version = nextVersion(cue);
    try {
      const { made, preview, checked } = await makeFiles(
        cue,
        recipe,
        { version, date, under: folders.take(fileNameOf(cue.name)) },
        (said, share) => onShare(`${cue.name}: ${said}`, (i + share) / cues.length),
      );
      done.cues.push({ cue, version, files: made.length });
      words.push(say('show.cueVersionVersionPreview', { cue: cue.name, version, preview: preview.words.join(' ') }));
      open.push(...preview.matters.map(({ message }) => `${cue.name}: ${message}`));
      for (const { path, findings } of checked)
        for (const { ok, words: said } of findings) if (!ok) done.stumbles.push(`${cue.name}, ${path}: ${said}`);
    } catch (error) {
      if (isStop(error)) throw error;
      done.failures.push(say('show.cueIsNotInItSentence', { cue: cue.name, sentence: sentence(error) }));
    }
  }
  return { done, words, open };
}
