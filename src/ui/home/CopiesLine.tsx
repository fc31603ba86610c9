'use client';

import { say } from '@/core/words';
import { App, Button } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { copyChanged, keepCopiesIn, keepNoCopies, mayWrite } from '@/storage/copies';
import { database } from '@/storage/schema';
import { useFolders } from '../shared/folders';
import { sentence } from '../shared/receive';
import styles from './home.module.css';

/** Whether copies of the jobs are kept in a folder, and where. Nothing where the browser has no folders to give. */
export function CopiesLine() {
  const { message } = App.useApp();
  const kept = useLiveQuery(() => database.copies.get('folder'));
  const possible = useFolders();
  const [allowed, setAllowed] = useState(true);
  useEffect(() => {
    if (kept) void mayWrite(kept.handle).then(setAllowed);
  }, [kept]);
  if (!possible) return null;

  const attempt = (work: () => Promise<unknown>) =>
    work().catch((error) => {
      // Nobody chose a folder: nothing is said.
      if (!(error instanceof DOMException && error.name === 'AbortError')) message.error(sentence(error));
    });
  const choose = () =>
    attempt(async () => {
      await keepCopiesIn(await window.showDirectoryPicker!({ mode: 'readwrite' }));
      await copyChanged();
    });
  const allow = () =>
    attempt(async () => {
      setAllowed((await kept!.handle.requestPermission?.({ mode: 'readwrite' })) === 'granted');
      await copyChanged();
    });

  if (!kept)
    return (
      <p className={styles.storage}>
        <Button size="small" type="link" onClick={() => void choose()}>
          {say('home.keepACopyOfEachJobInAFolder')}
        </Button>
      </p>
    );
  return (
    <p className={styles.storage}>
      {say('home.copiesAllowedOrPaused', { allowed: Boolean(allowed), handle: kept.handle.name })}{' '}
      {!allowed && (
        <Button size="small" type="link" onClick={() => void allow()}>
          {say('home.allow')}
        </Button>
      )}
      <Button size="small" type="link" onClick={() => void attempt(keepNoCopies)}>
        {say('home.stopCopying')}
      </Button>
    </p>
  );
}
