'use client';

import { say } from '@/core/words';
import { DeleteOutlined } from '@ant-design/icons';
import { App, Button, Drawer, Empty, Input, Select, Table, Upload } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo, useState } from 'react';
import { TECHNIQUES, techniqueName, type TechniqueId } from '@/core/instruments';
import { forgetHabit, keptHabits } from '@/storage/habits';
import { forget, houseEntries, learn, saveEntry } from '@/storage/house-list';
import { download } from '../shared/download';
import { sentence } from '../shared/receive';
import { InstrumentSelect } from './InstrumentSelect';
import styles from './casting.module.css';
import { readHouseList, writeHouseList, type HouseEntry } from '@/core/documents';
import { Unseen } from '../shared/Unseen';

/** The remembered answers: to look through, correct, forget, and carry to another machine. */
export function HouseListDrawer({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { message } = App.useApp();
  const entries = useLiveQuery(houseEntries, [], [] as HouseEntry[]);
  const [filter, setFilter] = useState('');
  const shown = useMemo(
    () => entries.filter((entry) => entry.pattern.includes(filter.toLowerCase())),
    [entries, filter],
  );

  async function importFile(file: File): Promise<void> {
    try {
      const read = readHouseList(await file.text(), file.name);
      await learn(read);
      void message.success(say('casting.readLinesImported', { read: read.length }));
    } catch (error) {
      void message.error(sentence(error));
    }
  }

  return (
    <Drawer
      title={say('casting.houseList')}
      size={720}
      open={open}
      onClose={onClose}
      extra={
        <span className={styles.drawerButtons}>
          <Upload accept=".json" showUploadList={false} beforeUpload={(file) => (void importFile(file), false)}>
            <Button size="small">{say('casting.import')}</Button>
          </Upload>
          <Button
            size="small"
            disabled={entries.length === 0}
            onClick={() => download(writeHouseList(entries), 'house-list.json', 'application/json')}
          >
            {say('casting.export')}
          </Button>
        </span>
      }
    >
      <p className="soft">{say('casting.whatYouDecidedAboutATrackNameIs')}</p>
      <Input
        size="small"
        allowClear
        placeholder={say('casting.filterByTrackName')}
        aria-label={say('casting.filterTheHouseList')}
        value={filter}
        onChange={(event) => setFilter(event.target.value)}
        className={styles.houseFilter}
      />
      <Table<HouseEntry>
        size="small"
        rowKey="pattern"
        virtual
        pagination={false}
        scroll={{ x: 640, y: 520 }}
        dataSource={shown}
        locale={{
          emptyText: (
            <Empty
              image={Empty.PRESENTED_IMAGE_SIMPLE}
              description={
                entries.length === 0 ? say('casting.nothingYetChooseAnInstrumentForA') : say('casting.noMatches')
              }
            />
          ),
        }}
        columns={[
          {
            title: say('casting.trackName'),
            key: 'pattern',
            width: 190,
            render: (_, entry) => <Pattern key={entry.pattern} entry={entry} />,
          },
          {
            title: say('casting.instrument'),
            key: 'instrument',
            width: 180,
            render: (_, entry) => (
              <InstrumentSelect
                value={entry.instrument}
                placeholder={say('casting.notSaid')}
                label={say('casting.instrumentForPattern', { pattern: entry.pattern })}
                onChange={(instrument) => void saveEntry(entry.pattern, { ...entry, instrument })}
              />
            ),
          },
          {
            title: say('casting.technique'),
            key: 'technique',
            width: 110,
            render: (_, entry) => (
              <Select<TechniqueId>
                size="small"
                allowClear
                style={{ width: '100%' }}
                placeholder={say('casting.notSaid')}
                aria-label={say('casting.techniqueForPattern', { pattern: entry.pattern })}
                value={entry.technique}
                options={TECHNIQUES.map((technique) => ({ value: technique, label: techniqueName(technique) }))}
                onChange={(technique: TechniqueId | undefined) =>
                  void saveEntry(entry.pattern, withTechnique(entry, technique))
                }
              />
            ),
          },
          {
            title: say('casting.also'),
            key: 'more',
            ellipsis: true,
            render: (_, entry) => (
              <span className="soft">
                {[
                  entry.partName && say('casting.namedPartName', { partName: entry.partName }),
                  entry.deal &&
                    (entry.deal.to === 'string-choir'
                      ? say('casting.stringChoir2')
                      : say('casting.playersPlayers', { players: entry.deal.players })),
                ]
                  .filter(Boolean)
                  .join(', ')}
              </span>
            ),
          },
          {
            title: <Unseen>{say('casting.forget')}</Unseen>,
            key: 'forget',
            width: 40,
            render: (_, entry) => (
              <Button
                type="text"
                size="small"
                aria-label={say('casting.forgetPattern', { pattern: entry.pattern })}
                icon={<DeleteOutlined />}
                onClick={() => void forget(entry.pattern)}
              />
            ),
          },
        ]}
      />
      <Habits />
    </Drawer>
  );
}

function withTechnique({ technique: _old, ...entry }: HouseEntry, technique: TechniqueId | undefined): HouseEntry {
  return technique ? { ...entry, technique } : entry;
}

function Pattern({ entry }: { entry: HouseEntry }) {
  return (
    <Input
      size="small"
      className="mono"
      defaultValue={entry.pattern}
      aria-label={say('casting.trackNamePattern', { pattern: entry.pattern })}
      onPressEnter={(event) => event.currentTarget.blur()}
      onBlur={(event) => {
        const pattern = event.currentTarget.value.trim().toLowerCase().replace(/\s+/g, ' ');
        if (pattern && pattern !== entry.pattern) void saveEntry(entry.pattern, { ...entry, pattern });
      }}
    />
  );
}

/** How queries are usually answered: what is offered first, as before. */
function Habits() {
  const kept = useLiveQuery(keptHabits, [], []);
  if (kept.length === 0) return null;
  return (
    <section className={styles.habits}>
      <h3>{say('casting.howQueriesWereAnswered')}</h3>
      <p className="soft">{say('casting.aRemedyAppliedTwiceInARowIsOffered')}</p>
      <ul>
        {kept.map(({ kind, like, times }) => (
          <li key={kind}>
            <span>
              {kind.replaceAll('-', ' ')}: <b>{like}</b> <span className="soft">{say('casting.time', { times })}</span>
            </span>
            <Button
              type="text"
              size="small"
              aria-label={say('casting.forgetHowKindWasAnswered', { kind: kind.replaceAll('-', ' ') })}
              icon={<DeleteOutlined />}
              onClick={() => void forgetHabit(kind)}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}
