'use client';

import { liveQuery } from 'dexie';
import { useEffect } from 'react';
import { copyChanged, mayWrite } from '@/storage/copies';
import { database } from '@/storage/schema';

/** Decisions often come in rows: copied is what stands when nothing was decided for so long. */
const QUIET_MS = 3000;

/** Copies jobs that have changed into the folder that was chosen; in one window, however many are open. */
export function KeepCopies() {
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const copy = () =>
      navigator.locks.request('dragoman-copies', { ifAvailable: true }, async (lock) => {
        const kept = await database.copies.get('folder');
        if (lock && kept && (await mayWrite(kept.handle))) await copyChanged();
      });
    const changes = liveQuery(() => database.jobs.orderBy('changedAt').last()).subscribe(() => {
      clearTimeout(timer);
      // What the folder refuses is tried again with the next change; the list of jobs says when it may not be written to.
      timer = setTimeout(() => void copy().catch(() => {}), QUIET_MS);
    });
    return () => {
      clearTimeout(timer);
      changes.unsubscribe();
    };
  }, []);
  return null;
}
