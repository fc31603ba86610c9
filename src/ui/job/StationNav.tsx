'use client';

import Link from 'next/link';
import { STATIONS, stationOf, type StationId } from './stations';
import { openQueries, useWorkspace } from './workspace';
import styles from './job.module.css';

export function StationNav({ job, station }: { job: string; station: StationId }) {
  const summary = useWorkspace((state) => state.summary);
  const ledger = useWorkspace((state) => state.ledger);
  const open = openQueries(summary, ledger);
  return (
    <nav className={styles.nav} aria-label="Stations">
      {STATIONS.map(({ id, name, about }) => {
        const count = open.filter((query) => stationOf(query.kind) === id).length;
        return (
          <Link key={id} href={`/job/${job}/${id}`} className={id === station ? styles.navHere : styles.navLink} aria-current={id === station ? 'page' : undefined} title={about}>
            {name}
            {count > 0 && (
              <span className={styles.navCount} aria-label={`${count} open queries`}>
                {count}
              </span>
            )}
          </Link>
        );
      })}
    </nav>
  );
}
