'use client';

import { DeleteOutlined } from '@ant-design/icons';
import { App, Button, Drawer, Empty, Input, Select, Table, Upload } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo, useState } from 'react';
import { TECHNIQUES, techniqueName, type TechniqueId } from '@/core/instruments';
import { forgetHabit, keptHabits } from '@/storage/habits';
import { forget, houseEntries, learn, saveEntry } from '@/storage/house-list';
import { download } from '../shared/download';
import { sentence } from '../shared/receive';
import { count } from '../shared/words';
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
      void message.success(`${read.length} lines imported.`);
    } catch (error) {
      void message.error(sentence(error));
    }
  }

  return (
    <Drawer
      title="House list"
      size={720}
      open={open}
      onClose={onClose}
      extra={
        <span className={styles.drawerButtons}>
          <Upload accept=".json" showUploadList={false} beforeUpload={(file) => (void importFile(file), false)}>
            <Button size="small">Import</Button>
          </Upload>
          <Button
            size="small"
            disabled={entries.length === 0}
            onClick={() => download(writeHouseList(entries), 'house-list.json', 'application/json')}
          >
            Export
          </Button>
        </span>
      }
    >
      <p className="soft">
        What you decided about a track name is remembered here and applied to new jobs, unless the file itself says
        clearly otherwise. A * stands for any further words.
      </p>
      <Input
        size="small"
        allowClear
        placeholder="Filter by track name"
        aria-label="Filter the house list"
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
                entries.length === 0
                  ? 'Nothing yet. Choose an instrument for a track, and it is remembered.'
                  : 'No matches.'
              }
            />
          ),
        }}
        columns={[
          {
            title: 'Track name',
            key: 'pattern',
            width: 190,
            render: (_, entry) => <Pattern key={entry.pattern} entry={entry} />,
          },
          {
            title: 'Instrument',
            key: 'instrument',
            width: 180,
            render: (_, entry) => (
              <InstrumentSelect
                value={entry.instrument}
                placeholder="not said"
                label={`Instrument for ${entry.pattern}`}
                onChange={(instrument) => void saveEntry(entry.pattern, { ...entry, instrument })}
              />
            ),
          },
          {
            title: 'Technique',
            key: 'technique',
            width: 110,
            render: (_, entry) => (
              <Select<TechniqueId>
                size="small"
                allowClear
                style={{ width: '100%' }}
                placeholder="not said"
                aria-label={`Technique for ${entry.pattern}`}
                value={entry.technique}
                options={TECHNIQUES.map((technique) => ({ value: technique, label: techniqueName(technique) }))}
                onChange={(technique: TechniqueId | undefined) =>
                  void saveEntry(entry.pattern, withTechnique(entry, technique))
                }
              />
            ),
          },
          {
            title: 'Also',
            key: 'more',
            ellipsis: true,
            render: (_, entry) => (
              <span className="soft">
                {[
                  entry.partName && `named ${entry.partName}`,
                  entry.deal && (entry.deal.to === 'string-choir' ? 'string choir' : `${entry.deal.players} players`),
                ]
                  .filter(Boolean)
                  .join(', ')}
              </span>
            ),
          },
          {
            title: <Unseen>Forget</Unseen>,
            key: 'forget',
            width: 40,
            render: (_, entry) => (
              <Button
                type="text"
                size="small"
                aria-label={`Forget ${entry.pattern}`}
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
      aria-label={`Track name ${entry.pattern}`}
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
      <h3>How queries were answered</h3>
      <p className="soft">A remedy applied twice in a row is offered first, “as before”.</p>
      <ul>
        {kept.map(({ kind, like, times }) => (
          <li key={kind}>
            <span>
              {kind.replaceAll('-', ' ')}: <b>{like}</b> <span className="soft">{count(times, 'time', 'times')}</span>
            </span>
            <Button
              type="text"
              size="small"
              aria-label={`Forget how ${kind.replaceAll('-', ' ')} was answered`}
              icon={<DeleteOutlined />}
              onClick={() => void forgetHabit(kind)}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}
