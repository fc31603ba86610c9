'use client';

import { say } from '@/core/words';
import { useLiveQuery } from 'dexie-react-hooks';
import Link from 'next/link';
import { shows } from '@/storage/shows';
import styles from './home.module.css';

/** Shows of this browser; nothing where there are none. */
export function Shows() {
  const all = useLiveQuery(shows);
  if (!all || all.length === 0) return null;
  return (
    <section aria-label={say('home.shows')}>
      <div className={styles.listHead}>
        <h2>{say('home.shows')}</h2>
      </div>
      <ul className={styles.shows}>
        {all.map(({ id, name, cues, recipe }) => (
          <li key={id}>
            <Link className={styles.jobLink} href={`/show/${id}`}>
              {name}
            </Link>{' '}
            <span className="soft">{say('home.cueByRecipe', { cues, recipe })}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
