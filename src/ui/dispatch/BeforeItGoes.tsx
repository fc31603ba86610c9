'use client';

import { Button } from 'antd';
import type { Preview } from '@/core/dispatch';
import { stationOf } from '../workspace/stations';
import { goToStation } from '../workspace/goToStation';
import { madeOnDesk, openQueries, useWorkspace } from '../workspace/workspace';
import { bytesInWords, count } from '../shared/words';
import styles from './dispatch.module.css';

/** Queries named before one looks further. */
const MOST_NAMED = 5;

/** What goes out in words, and what should be known of it before. */
export function BeforeItGoes({
  preview,
  failure,
  waiting,
}: {
  preview: Preview | null;
  failure: string | null;
  waiting: boolean;
}) {
  if (failure)
    return (
      <p className={styles.fault} role="alert">
        {failure}
      </p>
    );
  if (!preview) return <p className="soft">Preparing …</p>;
  return (
    <section className={styles.before} aria-label="What you send" data-waiting={waiting || undefined}>
      <p>{preview.words.join(' ')}</p>
      <Matters matters={preview.matters} />
      <ul>
        <Facts />
      </ul>
    </section>
  );
}

function Matters({ matters }: Pick<Preview, 'matters'>) {
  const direction = useWorkspace((state) => state.direction);
  const job = useWorkspace((state) => state.job!);
  const open = useWorkspace((state) => openQueries(madeOnDesk(state), state.ledger).length);
  if (matters.length === 0) return <p className={styles.good}>No open query concerns what you send.</p>;
  return (
    <div>
      <p className={styles.bad}>
        {count(matters.length, 'open query concerns', 'open queries concern')} what you send; the engine’s choice is
        used there.
      </p>
      {/* All of them stand in the list of queries already. */}
      <ul hidden={matters.length === open}>
        {matters.slice(0, MOST_NAMED).map(({ id, kind, message }) => (
          <li key={id}>
            {message}{' '}
            <Button type="link" size="small" onClick={() => goToStation(job.id, stationOf(kind, direction))}>
              Show
            </Button>
          </li>
        ))}
      </ul>
      {matters.length > MOST_NAMED && matters.length < open && (
        <p className="soft">And {matters.length - MOST_NAMED} more in the list of queries.</p>
      )}
    </div>
  );
}

/** What the job's own way knows of what is left behind. */
function Facts() {
  const summary = useWorkspace((state) => state.summary);
  const opened = useWorkspace((state) => state.opened);
  const sequence = useWorkspace((state) => state.sequence);
  const job = useWorkspace((state) => state.job!);
  const { fileName, size, sha256 } = job.originals[0]!;
  const remarks = sequence?.kind === 'score' ? sequence.files.flatMap(({ report }) => report.remarks) : [];
  // A first track without notes that carries the tempo is not missing anywhere.
  const conductor = opened?.survey.tracks.find((track) => track.index === 0 && track.notes === 0)?.id;
  const out = summary?.tracks.filter((track) => track.leftOut && track.id !== conductor) ?? [];
  // Asked of the parts too, not only of what casting says of the tracks.
  const nowhere = (summary?.opened.survey.tracks ?? [])
    .filter(({ id, notes }) => notes > 0 && !summary!.parts.some((part) => part.tracks.includes(id)))
    .filter(({ id }) => !out.some((track) => track.id === id))
    .map(({ id, name }) => ({ id, name, reason: 'in no part' }));
  const left = [...out, ...nowhere];
  return (
    <>
      {summary && <li>{summary.audit}</li>}
      {summary && (
        <li>
          {left.length === 0
            ? 'Every track with notes is in the score.'
            : `${count(left.length, 'track is', 'tracks are')} left out: ${left.map((track) => `“${track.name || track.id}” (${track.reason})`).join(', ')}.`}
        </li>
      )}
      {sequence?.kind === 'score' && <li>{ticksInWords(sequence.files[0]!.report)}</li>}
      {[...new Set(remarks)].map((one) => (
        <li key={one}>{one}</li>
      ))}
      <li>
        The original, {fileName} ({bytesInWords(size)}), is unchanged: SHA-256{' '}
        <span className="mono">{sha256.slice(0, 16)}…</span>
      </li>
    </>
  );
}

function ticksInWords({ betweenTicks, largestShiftMs }: { betweenTicks: number; largestShiftMs: number }): string {
  return betweenTicks === 0
    ? 'Every position is exact in ticks.'
    : `${count(betweenTicks, 'position is', 'positions are')} rounded to a tick, by at most ${largestShiftMs.toFixed(2)} ms. A higher PPQ makes this smaller.`;
}
