'use client';

import { say } from '@/core/words';
import { goToStation, stationPath } from '../workspace/goToStation';
import { STATIONS, stationOf, type StationId } from '../workspace/stations';
import { madeOnDesk, openQueries, useWorkspace } from '../workspace/workspace';
import styles from './job.module.css';

export function StationNav({ job, station }: { job: string; station: StationId }) {
  const summary = useWorkspace(madeOnDesk);
  const ledger = useWorkspace((state) => state.ledger);
  const direction = useWorkspace((state) => state.direction);
  const open = openQueries(summary, ledger);
  const stations = STATIONS[direction];
  return (
    <nav className={styles.nav} aria-label={say('job.stations')}>
      {stations.map(({ id, name, about }) => {
        const count = open.filter((query) => stationOf(query.kind, direction) === id).length;
        return (
          <a
            key={id}
            href={stationPath(job, id)}
            onClick={(event) => {
              // A new tab or window is the browser's to open.
              if (event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
              event.preventDefault();
              goToStation(job, id);
            }}
            className={id === station ? styles.navHere : styles.navLink}
            aria-current={id === station ? 'page' : undefined}
            title={about}
          >
            {name}
            {count > 0 && (
              <span className={styles.navCount} aria-label={say('job.countOpenQueries', { count })}>
                {count}
              </span>
            )}
          </a>
        );
      })}
    </nav>
  );
}
