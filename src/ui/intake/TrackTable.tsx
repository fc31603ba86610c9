'use client';

import { say } from '@/core/words';
import type { TrackId } from '@/core/base';
import { Button, Checkbox, Empty, Input, Select, Table, type TableProps } from 'antd';
import type { TableRef } from 'antd/es/table';
import { useEffect, useMemo, useRef, useState } from 'react';
import { keyInWords } from '@/core/score';
import { instrumentById, programName, SURE_ENOUGH, spokenName } from '@/core/instruments';
import type { TrackSurvey } from '@/core/performance';
import { useWorkspace } from '../workspace/workspace';
import { rowKeys } from '../shared/rowKeys';
import { useHeight } from '../shared/useHeight';
import { percent } from '../shared/words';
import { Density } from './Density';
import styles from './intake.module.css';
import { settingsOf } from '@/core/documents';

type State = 'all' | 'music' | 'percussion' | 'empty' | 'duplicate' | 'leftOut';

const STATES: { value: State; label: string }[] = [
  {
    value: 'all',
    get label() {
      return say('intake.allStates');
    },
  },
  {
    value: 'music',
    get label() {
      return say('intake.hasNotes');
    },
  },
  {
    value: 'percussion',
    get label() {
      return say('intake.percussion');
    },
  },
  {
    value: 'empty',
    get label() {
      return say('intake.empty2');
    },
  },
  {
    value: 'duplicate',
    get label() {
      return say('intake.duplicate');
    },
  },
  {
    value: 'leftOut',
    get label() {
      return say('intake.leftOut');
    },
  },
];

interface Row extends TrackSurvey {
  leftOut: boolean;
  family: string;
  instrumentName: string;
}

/** Whether a row is in the state that was filtered for. */
function isIn(row: Row, state: string): boolean {
  if (state === 'all') return true;
  if (state === 'leftOut') return row.leftOut;
  return state === 'music' ? row.notes > 0 : row.state === state;
}

/** The tracks as they arrived; a tick takes one in or leaves it out, nothing is ever deleted. */
export function TrackTable({
  chosen,
  onChoose,
  compact,
}: {
  chosen: TrackId | null;
  onChoose: (id: TrackId) => void;
  compact: boolean;
}) {
  const survey = useWorkspace((state) => state.opened!.survey);
  const cast = useWorkspace((state) => state.summary!.tracks);
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const [text, setText] = useState('');
  const [state, setState] = useState<State>('all');
  const [family, setFamily] = useState('all');
  const [marked, setMarked] = useState<React.Key[]>([]);
  const frame = useRef<HTMLDivElement>(null);
  const height = useHeight(frame);
  const table = useRef<TableRef>(null);

  useEffect(() => {
    // The pane below takes room: the chosen row stays in sight.
    if (chosen) table.current?.scrollTo({ key: chosen });
  }, [chosen, height]);

  const rows = useMemo(() => {
    const byId = new Map(cast.map((track) => [track.id, track]));
    // From the ledger, so that a tick answers at once; the score follows.
    const { leftOut, house } = settingsOf(ledger);
    return survey.tracks.map((track): Row => {
      const one = byId.get(track.id)!;
      const known = one.confidence >= SURE_ENOUGH;
      return {
        ...track,
        leftOut: track.notes === 0 || (leftOut[track.id] ?? house[track.id]?.leftOut ?? false),
        family: known ? one.instrument.family : 'other',
        instrumentName: known ? spokenName(instrumentById(one.instrument.id)) : '',
      };
    });
  }, [survey, cast, ledger]);
  const families = [...new Set(rows.map((row) => row.family))];
  const shown = rows.filter(
    (row) =>
      `${row.name} ${row.instrumentName}`.toLowerCase().includes(text.toLowerCase()) &&
      (family === 'all' || row.family === family) &&
      isIn(row, state),
  );
  const markedRows = rows.filter((row) => marked.includes(row.id) && row.notes > 0).map((row) => row.id);
  const take = (ids: TrackId[], on: boolean) => {
    if (ids.length > 0) decide({ kind: on ? 'takeIn' : 'leaveOut', tracks: ids });
  };

  return (
    <section className={styles.tracks} data-compact={compact || undefined}>
      <div className={styles.filters}>
        <Input
          allowClear
          size="small"
          placeholder={say('intake.filterByNameOrInstrument')}
          aria-label={say('intake.filterTracks')}
          value={text}
          onChange={(event) => setText(event.target.value)}
          style={{ width: 220 }}
        />
        <Select
          size="small"
          aria-label={say('intake.state')}
          value={state}
          onChange={setState}
          options={STATES}
          style={{ width: 130 }}
        />
        <Select
          size="small"
          aria-label={say('intake.family')}
          value={family}
          onChange={setFamily}
          style={{ width: 130 }}
          options={[
            { value: 'all', label: say('intake.allFamilies') },
            ...families.map((name) => ({ value: name, label: name })),
          ]}
        />
        <span className="soft">{say('intake.shownOfRows', { shown: shown.length, rows: rows.length })}</span>
        <span className={styles.push} />
        {markedRows.length > 0 && (
          <>
            <span className="soft">{say('intake.markedRowsSelected', { markedRows: markedRows.length })}</span>
            <Button size="small" onClick={() => take(markedRows, false)}>
              {say('intake.leaveOut')}
            </Button>
            <Button size="small" onClick={() => take(markedRows, true)}>
              {say('intake.include')}
            </Button>
          </>
        )}
      </div>
      <div ref={frame} className={styles.frame}>
        <Table<Row>
          ref={table}
          virtual
          size="small"
          rowKey="id"
          pagination={false}
          scroll={{ x: 1180, y: Math.max(120, height - 34) }}
          dataSource={shown}
          columns={columns(take)}
          rowSelection={{ selectedRowKeys: marked, onChange: setMarked, columnWidth: 34 }}
          rowClassName={(row) => {
            if (row.id === chosen) return styles.chosen!;
            return row.leftOut ? styles.leftOut! : '';
          }}
          onRow={(row) => rowKeys(() => onChoose(row.id))}
          locale={{
            emptyText: <Empty image={Empty.PRESENTED_IMAGE_SIMPLE} description={say('intake.noMatches')} />,
          }}
        />
      </div>
    </section>
  );
}

function columns(take: (ids: TrackId[], on: boolean) => void): TableProps<Row>['columns'] {
  return [
    {
      title: say('intake.in'),
      key: 'in',
      width: 38,
      render: (_, row) => (
        <span onClick={(event) => event.stopPropagation()}>
          <Checkbox
            checked={!row.leftOut}
            disabled={row.notes === 0}
            aria-label={say('intake.rowInTheScore', { row: row.name || row.id })}
            onChange={(event) => take([row.id], event.target.checked)}
          />
        </span>
      ),
    },
    {
      title: '№',
      key: 'index',
      width: 44,
      sorter: (a, b) => a.index - b.index,
      render: (_, row) => <span className="mono">{trackNumber(row.id, row.index)}</span>,
    },
    {
      title: say('intake.name'),
      key: 'name',
      width: 160,
      ellipsis: true,
      sorter: (a, b) => a.name.localeCompare(b.name),
      render: (_, row) => row.name || <span className="soft">{say('intake.noName')}</span>,
    },
    {
      title: say('intake.recognizedAs'),
      key: 'instrument',
      width: 130,
      ellipsis: true,
      sorter: (a, b) => a.instrumentName.localeCompare(b.instrumentName),
      render: (_, row) =>
        row.notes === 0 ? '' : row.instrumentName || <span className={styles.unsure}>{say('intake.unknown')}</span>,
    },
    {
      title: say('intake.ch'),
      key: 'channel',
      width: 66,
      sorter: (a, b) => (a.channels[0] ?? 0) - (b.channels[0] ?? 0),
      render: (_, row) => <span className="mono">{row.channels.join(', ')}</span>,
    },
    {
      title: say('intake.notes'),
      key: 'notes',
      width: 82,
      align: 'right',
      sorter: (a, b) => a.notes - b.notes,
      render: (_, row) => <span className="mono">{row.notes}</span>,
    },
    {
      title: say('intake.range'),
      key: 'range',
      width: 92,
      sorter: (a, b) => (a.lowest ?? 0) - (b.lowest ?? 0),
      render: (_, row) => {
        if (row.lowest === null) return '';
        return row.percussion ? say('intake.keys') : `${keyInWords(row.lowest)}–${keyInWords(row.highest!)}`;
      },
    },
    {
      title: say('intake.activity'),
      key: 'density',
      width: 150,
      render: (_, row) => <Density density={row.density} />,
    },
    {
      title: say('intake.remarks'),
      key: 'state',
      width: 200,
      ellipsis: true,
      render: (_, row) => <span className="soft">{remarks(row)}</span>,
    },
    {
      title: say('intake.polyphony'),
      key: 'most',
      width: 112,
      align: 'right',
      sorter: (a, b) => a.maxAtOnce - b.maxAtOnce,
      render: (_, row) => <span className="mono">{row.maxAtOnce || ''}</span>,
    },
    {
      title: say('intake.program'),
      key: 'program',
      width: 170,
      ellipsis: true,
      render: (_, row) => row.programs.map((program) => `${program} ${programName(program)}`).join(', '),
    },
  ];
}

/** 4, or 2/4 for track 4 of the second original. */
function trackNumber(id: TrackId, index: number): string {
  const original = /^o(\d+)/.exec(id)?.[1];
  return original ? `${original}/${index + 1}` : String(index + 1);
}

function remarks(row: Row): string {
  const words: string[] = [];
  if (row.id === 't0' && row.notes === 0 && row.controllers.length === 0) return say('intake.tempoMetersMarkers');
  if (row.notes === 0)
    return row.controllers.length > 0
      ? say('intake.emptyControllersKindsOfController', { controllers: row.controllers.length })
      : say('intake.empty');
  if (row.duplicate) {
    const { of, exact, transposed, later } = row.duplicate;
    const shift = [
      transposed &&
        say('intake.transposedOctHigher', { transposed: Math.abs(transposed / 12), transposedOver0: transposed > 0 }),
      later && say('intake.laterMsLater', { later: Math.abs(later), laterOver0: later > 0 }),
    ]
      .filter(Boolean)
      .join(', ');
    words.push(
      say('intake.sameAsTrack', {
        exact: Boolean(exact),
        trackNumber: trackNumber(of, Number(/t(\d+)/.exec(of)?.[1])),
        shift: Boolean(shift),
        shift2: shift,
      }),
    );
  }
  if (row.keyswitches.length > 0)
    words.push(
      say('intake.perhapsKeyswitchesKeyswitches2', { keyswitches: row.keyswitches.map(keyInWords).join(' ') }),
    );
  if (row.overlap === 'legato') words.push(say('intake.legato'));
  if (row.overlap === 'detached') words.push(say('intake.detached'));
  if (row.onGrid.sixteenths < 0.6 && row.notes >= 8)
    words.push(say('intake.sixteenthsOnSixteenths', { sixteenths: percent(row.onGrid.sixteenths) }));
  return words.join(', ');
}
