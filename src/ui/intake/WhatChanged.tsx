'use client';

import { say } from '@/core/words';
import { Table } from 'antd';
import { useMemo } from 'react';
import { runsOf, trackInFile, type TrackId } from '@/core/base';
import type { Renewal } from '@/core/engine';
import { partsOnDesk, useWorkspace } from '../workspace/workspace';
import { openBar } from '../workspace/goToBar';
import styles from './intake.module.css';

interface Row {
  key: string;
  /** Index in the new version; null where the bar is gone. */
  bar: number | null;
  number: string;
  track: string;
  trackId: TrackId | null;
  what: string;
}

/**
 * What a new version changes, and what becomes of what was decided.
 *
 * @param onOpened the version is the job's: a bar can be opened, and was
 */
export function WhatChanged({ renewal, onOpened }: { renewal: Renewal; onOpened?: () => void }) {
  const parts = useWorkspace(partsOnDesk);
  const rows = useMemo(() => rowsOf(renewal), [renewal]);
  const { whole, partly, lost, changes } = renewal;
  const bars = new Set(changes.bars.map(({ bar }) => bar));
  for (const bar of changes.barsAdded) bars.add(bar);
  const open = ({ bar, trackId }: Row) => {
    if (bar === null || !onOpened) return;
    const part = parts.find(({ id }) => trackInFile(id) === trackId);
    openBar(bar, part ? [part.id] : parts.slice(0, 1).map(({ id }) => id));
    onOpened();
  };
  return (
    <>
      <p>
        {say('intake.howMuchChanged', {
          barsSize0: bars.size === 0,
          bars: renewal.bars.length,
          bars2: bars.size,
          whole: whole + partly.length,
          partlyOver0: partly.length > 0,
          partly: partly.length,
          lostOver0: lost.length > 0,
          lost: lost.length,
        })}
      </p>
      <Lines title={say('intake.carriedOverInPartSomeOfTheirNotes')} lines={partly} />
      <Lines title={say('intake.notCarriedOverNothingIsLeftOfWhat')} lines={lost} />
      {rows.length > 0 && (
        <Table<Row>
          size="small"
          rowKey="key"
          dataSource={rows}
          pagination={rows.length > 12 && { pageSize: 12, size: 'small', showSizeChanger: false }}
          onRow={(row) => ({ onClick: () => open(row) })}
          rowClassName={onOpened ? styles.opens! : ''}
          columns={[
            {
              title: say('intake.bar2'),
              dataIndex: 'number',
              width: 110,
              render: (number: string, row) =>
                onOpened && row.bar !== null ? (
                  <button type="button" className={styles.link} onClick={() => open(row)}>
                    {number}
                  </button>
                ) : (
                  number
                ),
            },
            { title: say('intake.track'), dataIndex: 'track' },
            { title: say('intake.what'), dataIndex: 'what' },
          ]}
        />
      )}
    </>
  );
}

function Lines({ title, lines }: { title: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <>
      <h3>{title}</h3>
      <ul className={styles.lines}>
        {lines.map((line, i) => (
          <li key={i}>{line}</li>
        ))}
      </ul>
    </>
  );
}

function rowsOf({ changes, bars, barsBefore, names, namesBefore }: Renewal): Row[] {
  const { tracksAdded, tracksGone, barsAdded, barsGone, tempo, meters } = changes;
  const whole = (key: string, track: string, what: string): Row => ({
    key,
    bar: null,
    number: '–',
    track,
    trackId: null,
    what,
  });
  const runs = (list: readonly number[]) =>
    runsOf(
      list.map((bar, i) => ({ bar, i })),
      ({ bar, i }) => bar - i,
    );
  const span = (run: readonly { bar: number }[], of: typeof bars) => {
    const [first, last] = [of[run[0]!.bar]?.number, of[run.at(-1)!.bar]?.number];
    return first === last ? String(first) : `${first}–${last}`;
  };
  return [
    ...(tempo ? [whole('tempo', '', say('intake.anotherTempo'))] : []),
    ...(meters ? [whole('meters', '', say('intake.otherMeters'))] : []),
    ...tracksAdded.map((id) => whole(id, names[id] ?? id, say('intake.aNewTrack'))),
    ...tracksGone.map((id) => whole(`gone ${id}`, namesBefore[id] ?? id, say('intake.noLongerThere'))),
    ...runs(barsAdded).map((run): Row => ({
      ...whole(`added ${run[0]!.bar}`, 'all', say('intake.added')),
      bar: run[0]!.bar,
      number: span(run, bars),
    })),
    ...runs(barsGone).map((run) => ({
      ...whole(`cut ${run[0]!.bar}`, 'all', say('intake.deleted')),
      number: say('intake.wasSpan', { span: span(run, barsBefore) }),
    })),
    ...changes.bars.map(({ bar, track, added, gone, changed }): Row => ({
      key: `${bar} ${track}`,
      bar,
      number: String(bars[bar]?.number ?? ''),
      track: names[track] ?? track,
      trackId: track,
      what: [
        ...(added > 0 ? [say('intake.noteNew', { added })] : []),
        ...(gone > 0 ? [say('intake.noteGone', { gone })] : []),
        ...(changed > 0 ? [say('intake.noteChanged', { changed })] : []),
      ].join(', '),
    })),
  ];
}
