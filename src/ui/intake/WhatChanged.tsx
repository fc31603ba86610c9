'use client';

import { Table } from 'antd';
import { useMemo } from 'react';
import { runsOf, trackInFile, type TrackId } from '@/core/base';
import type { Renewal } from '@/core/engine';
import { partsOnDesk, useWorkspace } from '../workspace/workspace';
import { openBar } from '../workspace/goToBar';
import { count } from '../shared/words';
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
        {bars.size === 0
          ? `Not a note of its ${count(renewal.bars.length, 'bar', 'bars')} is another.`
          : `${count(bars.size, 'bar', 'bars')} of ${renewal.bars.length} changed.`}{' '}
        {count(whole + partly.length, 'decision', 'decisions')} carried over
        {partly.length > 0 && `, ${partly.length} of them in part`}
        {lost.length > 0 ? `; ${lost.length} cannot be.` : '.'}
      </p>
      <Lines title="Carried over in part: some of their notes or tracks are gone" lines={partly} />
      <Lines title="Not carried over: nothing is left of what they were about" lines={lost} />
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
              title: 'Bar',
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
            { title: 'Track', dataIndex: 'track' },
            { title: 'What', dataIndex: 'what' },
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
    ...(tempo ? [whole('tempo', '', 'another tempo')] : []),
    ...(meters ? [whole('meters', '', 'other meters')] : []),
    ...tracksAdded.map((id) => whole(id, names[id] ?? id, 'a new track')),
    ...tracksGone.map((id) => whole(`gone ${id}`, namesBefore[id] ?? id, 'no longer there')),
    ...runs(barsAdded).map((run): Row => ({
      ...whole(`added ${run[0]!.bar}`, 'all', 'added'),
      bar: run[0]!.bar,
      number: span(run, bars),
    })),
    ...runs(barsGone).map((run) => ({
      ...whole(`cut ${run[0]!.bar}`, 'all', 'deleted'),
      number: `was ${span(run, barsBefore)}`,
    })),
    ...changes.bars.map(({ bar, track, added, gone, changed }): Row => ({
      key: `${bar} ${track}`,
      bar,
      number: String(bars[bar]?.number ?? ''),
      track: names[track] ?? track,
      trackId: track,
      what: [
        ...(added > 0 ? [`${count(added, 'note', 'notes')} new`] : []),
        ...(gone > 0 ? [`${count(gone, 'note', 'notes')} gone`] : []),
        ...(changed > 0 ? [`${count(changed, 'note', 'notes')} changed`] : []),
      ].join(', '),
    })),
  ];
}
