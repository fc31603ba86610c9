'use client';

import { say } from '@/core/words';
import { App, Button } from 'antd';
import { useEffect, useState } from 'react';
import { askToKeep, storageSpace, type StorageSpace } from '@/storage/space';
import { bytesInWords } from '../shared/words';
import styles from './home.module.css';

/** What the jobs take up, and whether the browser will keep them. */
export function StorageLine({ jobs }: { jobs: number }) {
  const { message } = App.useApp();
  const [space, setSpace] = useState<StorageSpace | null>(null);
  useEffect(() => {
    void storageSpace().then(setSpace);
  }, [jobs]);
  if (!space) return null;
  const keep = async () => {
    const agreed = await askToKeep();
    setSpace({ ...space, persistent: agreed });
    if (!agreed) message.info(say('home.theBrowserRefusedSaveArchivesOf'));
  };
  return (
    <p className={styles.storage}>
      {say('home.jobsStayInThisBrowserUsedOf', {
        used: bytesInWords(space.used),
        available: bytesInWords(space.available),
      })}{' '}
      {space.persistent ? (
        say('home.theyAreKeptUntilYouDeleteThem')
      ) : (
        <>
          {say('home.theBrowserMayClearThemWhenSpace')}{' '}
          <Button size="small" type="link" onClick={() => void keep()}>
            {say('home.askTheBrowserToKeepThem')}
          </Button>
        </>
      )}
    </p>
  );
}
