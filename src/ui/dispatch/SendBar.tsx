'use client';

import { say } from '@/core/words';
import { FolderOpenOutlined, SendOutlined } from '@ant-design/icons';
import { App, Button, InputNumber } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import type { Checked, Preview } from '@/core/dispatch';
import { fileNameOf, type Recipe, recipeName } from '@/core/documents';
import { nextVersion, rememberSent } from '@/storage/jobs';
import { recipeUsed } from '@/storage/recipes';
import { database, type JobRecord, type SentRecord } from '@/storage/schema';
import { useFolders } from '../shared/folders';
import { sentence } from '../shared/receive';
import { when } from '../shared/words';
import { emptyParcel, makeFiles, packParcel, type JobInHand } from './dispatcher';
import { downloadFile, writeInto } from './handOver';
import { AT_THE_BEGINNING, isStop, Sending, type SendingState } from './Sending';
import styles from './dispatch.module.css';

const today = () => new Date().toISOString().slice(0, 10);

interface Props {
  job: JobRecord;
  inHand: JobInHand;
  recipe: Recipe;
  preview: Preview | null;
  disabled: boolean;
  /** What receivers said of the files that went out. */
  onChecked: (checked: Checked[]) => void;
}

/** Makes the files and hands them over: one file, a parcel, or into a folder. */
export function SendBar({ job, inHand, recipe, preview, disabled, onChecked }: Props) {
  const { message } = App.useApp();
  const folders = useFolders();
  // What was sent meanwhile is not yet in the job that lies on the desk.
  const sent = useLiveQuery(async () => (await database.jobs.get(job.id))?.sent, [job.id]);
  const next = nextVersion({ sent });
  const [chosen, setChosen] = useState<number | null>(null);
  const [working, setWorking] = useState<SendingState | null>(null);
  const version = chosen ?? next;
  const one = preview?.files === 1;

  async function attempt(work: (onShare: (words: string, share: number) => void) => Promise<string>): Promise<void> {
    setWorking(AT_THE_BEGINNING);
    try {
      const words = await work((said, share) => setWorking((now) => now && { words: said, share }));
      void message.success(words);
      setChosen(null);
    } catch (error) {
      if (!isStop(error)) void message.error(sentence(error));
    } finally {
      setWorking(null);
    }
  }

  const remember = async (files: number) => {
    await recipeUsed(recipe.name);
    const { ledger, direction } = inHand;
    await rememberSent(job.id, { version, recipe: recipe.name, files, ledger, ...(direction && { direction }) });
  };

  const send = () =>
    attempt(async (onShare) => {
      const date = today();
      if (one) {
        const { files, checked } = await makeFiles(inHand, recipe, { version, date, under: null }, onShare);
        onChecked(checked);
        const names = files.map(downloadFile);
        await remember(files.length);
        return say('dispatch.namesDownloaded', { names: names[0]! });
      }
      await emptyParcel();
      const made = await makeFiles(inHand, recipe, { version, date, under: '' }, onShare);
      onChecked(made.checked);
      onShare(say('dispatch.packing'), 1);
      const bytes = await packParcel({
        title: job.name,
        recipe: recipeName(recipe),
        date,
        words: made.preview.words,
        open: made.preview.matters.map(({ message: question }) => question),
      });
      const name = downloadFile({ path: `${fileNameOf(`${job.name} ${recipe.name} v${version}`)}.zip`, bytes });
      await remember(made.made.length);
      return say('dispatch.nameDownloaded', { name });
    });

  const sendInto = () =>
    attempt(async (onShare) => {
      const folder = await window.showDirectoryPicker!({ mode: 'readwrite' });
      const { files, checked } = await makeFiles(inHand, recipe, { version, date: today(), under: null }, onShare);
      onChecked(checked);
      onShare(say('dispatch.writing'), 1);
      const numbered = await writeInto(folder, files);
      await remember(files.length);
      return say('dispatch.fileWrittenIntoFolderKept', { files: files.length, folder: folder.name, kept: numbered });
    });

  if (working) return <Sending state={working} className={styles.sending!} />;
  const last = sent?.at(-1);
  return (
    <div className={styles.sending}>
      <Button
        type="primary"
        icon={<SendOutlined />}
        disabled={disabled || !preview || preview.files === 0}
        onClick={() => void send()}
      >
        {say('dispatch.exportTheFile', { onePreview: Boolean(one || !preview), files: preview?.files ?? 0 })}
      </Button>
      {folders && (
        <Button icon={<FolderOpenOutlined />} disabled={disabled || !preview} onClick={() => void sendInto()}>
          {say('dispatch.saveToFolder')}
        </Button>
      )}
      <label className={styles.field}>
        {say('dispatch.version')}
        <InputNumber<number>
          size="small"
          aria-label={say('dispatch.version')}
          min={1}
          max={9999}
          precision={0}
          value={version}
          onChange={setChosen}
        />
      </label>
      {last && <LastSent last={last} />}
    </div>
  );
}

function LastSent({ last }: { last: SentRecord }) {
  const [now] = useState(() => Date.now());
  return (
    <span className="soft">
      {say('dispatch.lastSentWhenVersionVersionByRecipe', {
        when: when(last.at, Math.max(now, last.at)),
        version: last.version,
        recipe: last.recipe,
      })}
    </span>
  );
}
