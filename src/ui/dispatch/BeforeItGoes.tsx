'use client';

import { inNumbers, say } from '@/core/words';
import { sayRich } from '@/ui/shared/sayRich';
import { Button } from 'antd';
import type { Preview } from '@/core/dispatch';
import { stationOf } from '../workspace/stations';
import { goToStation } from '../workspace/goToStation';
import { madeOnDesk, openQueries, useWorkspace } from '../workspace/workspace';
import { bytesInWords } from '../shared/words';
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
  if (!preview) return <p className="soft">{say('dispatch.preparing')}</p>;
  return (
    <section className={styles.before} aria-label={say('dispatch.whatYouSend')} data-waiting={waiting || undefined}>
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
  if (matters.length === 0) return <p className={styles.good}>{say('dispatch.noOpenQueryConcernsWhatYouSend')}</p>;
  return (
    <div>
      <p className={styles.bad}>{say('dispatch.openQueryConcernsWhatYouSendThe', { matters: matters.length })}</p>
      {/* All of them stand in the list of queries already. */}
      <ul hidden={matters.length === open}>
        {matters.slice(0, MOST_NAMED).map(({ id, kind, message }) => (
          <li key={id}>
            {message}{' '}
            <Button type="link" size="small" onClick={() => goToStation(job.id, stationOf(kind, direction))}>
              {say('dispatch.show')}
            </Button>
          </li>
        ))}
      </ul>
      {matters.length > MOST_NAMED && matters.length < open && (
        <p className="soft">
          {say('dispatch.andMattersMoreInTheListOfQueries', { matters: matters.length - MOST_NAMED })}
        </p>
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
    .map(({ id, name }) => ({ id, name, reason: say('dispatch.inNoPart') }));
  const left = [...out, ...nowhere];
  return (
    <>
      {summary && <li>{summary.audit}</li>}
      {summary && (
        <li>
          {left.length === 0
            ? say('dispatch.everyTrackWithNotesIsInTheScore')
            : say('dispatch.trackIsLeftOutLeft2', {
                left: left.length,
                left2: left
                  .map((track) =>
                    say('dispatch.trackAndReason', { name: track.name || track.id, reason: track.reason ?? '' }),
                  )
                  .join(', '),
              })}
        </li>
      )}
      {sequence?.kind === 'score' && <li>{ticksInWords(sequence.files[0]!.report)}</li>}
      {[...new Set(remarks)].map((one) => (
        <li key={one}>{one}</li>
      ))}
      <li>
        {sayRich(
          'dispatch.theOriginalFileNameSizeIsUnchanged',
          {
            fileName,
            size: bytesInWords(size),
            sha256: sha256.slice(0, 16),
          },
          { mono: (chunks) => <span className="mono">{chunks}</span> },
        )}
      </li>
    </>
  );
}

function ticksInWords({ betweenTicks, largestShiftMs }: { betweenTicks: number; largestShiftMs: number }): string {
  return betweenTicks === 0
    ? say('dispatch.everyPositionIsExactInTicks')
    : say('dispatch.positionIsRoundedToATickByAtMost', { betweenTicks, largestShiftMs: inNumbers(largestShiftMs, 2) });
}
