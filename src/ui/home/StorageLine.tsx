'use client';

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
    if (!agreed) message.info('The browser refused. Save archives of jobs that matter.');
  };
  return (
    <p className={styles.storage}>
      Jobs stay in this browser: {bytesInWords(space.used)} of {bytesInWords(space.available)} in use.{' '}
      {space.persistent ? (
        'They are kept until you delete them.'
      ) : (
        <>
          The browser may clear them when space gets short.{' '}
          <Button size="small" type="link" onClick={() => void keep()}>
            Ask the browser to keep them
          </Button>
        </>
      )}
    </p>
  );
}
