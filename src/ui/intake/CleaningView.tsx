'use client';

import { say } from '@/core/words';
import { Checkbox, Segmented, Table, Tooltip } from 'antd';
import { useState } from 'react';
import { CONVERSIONS, type TrackInventory } from '@/core/to-sequencer';
import { useWorkspace } from '../workspace/workspace';
import { BeforeAfter } from './BeforeAfter';
import { NewVersion } from './NewVersion';
import { PresetChoice } from '../shared/PresetChoice';
import { useMidiSequence } from '../workspace/useSequence';
import { NeutralVolume } from '../workspace/NeutralVolume';
import styles from '../shared/sequencing.module.css';
import { ACTIONS, DATA_KINDS, type Action, type DataKind, type Preset } from '@/core/settings';
import { DATA_NAMES } from '@/core/decisions';
import { rowKeys } from '../shared/rowKeys';
import { Unseen } from '../shared/Unseen';

const ACTION_WORDS: Record<Action, string> = {
  get carry() {
    return say('intake.carry');
  },
  get drop() {
    return say('intake.drop');
  },
  get convert() {
    return say('intake.convert');
  },
};

interface KindRow {
  kind: DataKind;
  before: number;
  after: number;
}

/**
 * Each kind of data in a MIDI file: how much there is, and whether it goes along. For the file, or for the track chosen
 * below.
 */
export function CleaningView() {
  const { sequence, settings } = useMidiSequence();
  const decide = useWorkspace((state) => state.decide);
  const [track, setTrack] = useState<number | null>(null);
  const { report, plan, inventory } = sequence;
  const chosen = track === null ? null : inventory.find((one) => one.index === track)!;
  const planFor = (kind: DataKind) =>
    track === null ? plan[kind] : (settings.carryTracks[track]?.[kind] ?? plan[kind]);
  const rows = DATA_KINDS.map((kind): KindRow => ({
    kind,
    before: chosen ? chosen.counts[kind] : report.before[kind],
    after: report.after[kind],
  }));
  return (
    <div className={styles.sheet}>
      <h1>{say('intake.whatToInclude')}</h1>
      <p className="soft">{say('intake.notesVelocitiesTempoMetersKeys')}</p>
      <div className={styles.row}>
        <PresetChoice
          value={settings.preset}
          onChange={(preset: Preset) => decide({ kind: 'setSequencing', preset })}
        />
        <label>
          {say('intake.neutralVolume')}
          <NeutralVolume value={settings.neutralVolume} label={say('intake.neutralVolume')} />
        </label>
        <NewVersion />
      </div>
      <div className={styles.columns}>
        <section aria-label={say('intake.kindsOfData')}>
          <h2>
            {chosen ? chosen.name || say('intake.trackIndex', { index: chosen.index + 1 }) : say('intake.theWholeFile')}
          </h2>
          {chosen && (
            <button type="button" className={styles.textButton} onClick={() => setTrack(null)}>
              {say('intake.backToTheWholeFile')}
            </button>
          )}
          <Table<KindRow>
            size="small"
            rowKey="kind"
            pagination={false}
            dataSource={rows}
            columns={[
              {
                title: say('intake.data'),
                key: 'kind',
                render: (_, row) => (
                  <span className={row.before === 0 ? 'soft' : undefined}>{DATA_NAMES[row.kind]}</span>
                ),
              },
              {
                title: say('intake.inFile'),
                key: 'before',
                width: 60,
                align: 'right',
                render: (_, row) => <span className="mono">{row.before || ''}</span>,
              },
              ...(chosen
                ? []
                : [
                    {
                      title: say('intake.kept'),
                      key: 'after',
                      width: 56,
                      align: 'right' as const,
                      render: (_: unknown, row: KindRow) => (
                        <span className="mono">{row.after || (row.before > 0 ? '0' : '')}</span>
                      ),
                    },
                  ]),
              {
                title: say('intake.action'),
                key: 'action',
                width: 186,
                render: (_, row) => (
                  <Tooltip title={planFor(row.kind) === 'convert' ? CONVERSIONS[row.kind] : undefined}>
                    <Segmented<Action>
                      size="small"
                      aria-label={say('intake.actionForDataNames', { dataNames: DATA_NAMES[row.kind] })}
                      disabled={row.before === 0}
                      value={planFor(row.kind)}
                      onChange={(action) => decide({ kind: 'setCarry', data: row.kind, action, track })}
                      options={ACTIONS.filter((action) => action !== 'convert' || CONVERSIONS[row.kind]).map(
                        (value) => ({ value, label: ACTION_WORDS[value] }),
                      )}
                    />
                  </Tooltip>
                ),
              },
            ]}
          />
        </section>
        <section aria-label={say('intake.tracks')}>
          <h2>{say('intake.tracks')}</h2>
          <Table<TrackInventory>
            size="small"
            rowKey="index"
            pagination={false}
            virtual
            scroll={{ x: 320, y: 300 }}
            dataSource={inventory}
            onRow={(row) => rowKeys(() => setTrack(row.index))}
            rowClassName={(row) => (row.index === track ? styles.chosen! : '')}
            columns={[
              {
                title: <Unseen>{say('intake.include')}</Unseen>,
                key: 'in',
                width: 36,
                render: (_, row) => (
                  <Checkbox
                    checked={!settings.leftOutTracks.includes(row.index)}
                    aria-label={say('intake.includeRow', {
                      row: row.name || say('intake.trackIndex', { index: row.index + 1 }),
                    })}
                    onClick={(event) => event.stopPropagation()}
                    onChange={(event) =>
                      decide({ kind: 'leaveTracks', tracks: [row.index], out: !event.target.checked })
                    }
                  />
                ),
              },
              {
                title: say('intake.track'),
                key: 'name',
                ellipsis: true,
                render: (_, row) =>
                  row.name || <span className="soft">{say('intake.trackIndex', { index: row.index + 1 })}</span>,
              },
              {
                title: say('intake.notes'),
                key: 'notes',
                width: 60,
                align: 'right',
                render: (_, row) => <span className="mono">{row.notes || ''}</span>,
              },
              {
                title: say('intake.otherData'),
                key: 'other',
                width: 120,
                render: (_, row) => (
                  <span className="soft">
                    {row.conductor
                      ? say('intake.tempoMeter')
                      : say('intake.event', { reduce: DATA_KINDS.reduce((sum, kind) => sum + row.counts[kind], 0) })}
                  </span>
                ),
              },
            ]}
          />
          <BeforeAfter track={track} bars={sequence.bars.length} />
        </section>
      </div>
    </div>
  );
}
