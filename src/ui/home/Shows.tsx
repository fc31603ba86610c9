'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import Link from 'next/link';
import { shows } from '@/storage/shows';
import { count } from '../shared/words';
import styles from './home.module.css';

/** Shows of this browser; nothing where there are none. */
export function Shows() {
  const all = useLiveQuery(shows);
  if (!all || all.length === 0) return null;
  return (
    <section aria-label="Shows">
      <div className={styles.listHead}>
        <h2>Shows</h2>
      </div>
      <ul className={styles.shows}>
        {all.map(({ id, name, cues, recipe }) => (
          <li key={id}>
            <Link className={styles.jobLink} href={`/show/${id}`}>
              {name}
            </Link>{' '}
            <span className="soft">
              {count(cues, 'cue', 'cues')}, by “{recipe}”
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
