'use client';

import { say } from '@/core/words';
import type { PartId } from '@/core/base';
import { SoundOutlined } from '@ant-design/icons';
import { App, Button, Drawer, Select, Table } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { DRUM_LAYOUTS } from '@/core/instruments';
import { ownDrumMaps } from '@/storage/drum-maps';
import { strikeDrum } from '../audition/strikeDrum';
import { useWorkspace } from '../workspace/workspace';
import { sentence } from '../shared/receive';
import styles from '../shared/sequencing.module.css';
import { settingsOf, type NamedDrumMap } from '@/core/documents';
import { Unseen } from '../shared/Unseen';

/** A part of drums and what it strikes. */
interface Struck {
  id: PartId;
  name: string;
  struck: readonly { key: number; name: string }[];
}

/** Struck keys and the keys of the target's kit that shall sound instead; each can be heard. */
export function DrumKeysDrawer({ part, onClose }: { part: Struck; onClose: () => void }) {
  const { message } = App.useApp();
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const own = useLiveQuery(ownDrumMaps, [], [] as NamedDrumMap[]);
  const maps: readonly NamedDrumMap[] = [
    ...own,
    ...DRUM_LAYOUTS.map(({ name, sounds }) => ({ name, sounds: [...sounds] })),
  ];
  const [target, setTarget] = useState(DRUM_LAYOUTS[0]!.name);
  const [keys, setKeys] = useState<Record<number, number>>({
    ...(settingsOf(ledger).sequencing.parts[part.id]?.drumKeys ?? {}),
  });
  const map = maps.find((one) => one.name === target) ?? maps[0]!;
  const nameOf = (key: number) => map.sounds.find((sound) => sound.key === key)?.name;
  const hear = (key: number) => void strikeDrum(key).catch((error: unknown) => message.error(sentence(error)));
  const without = part.struck.filter(({ key }) => !nameOf(keys[key] ?? key));
  const byName = () => {
    const words = (name: string) =>
      name
        .toLowerCase()
        .replace(/[^a-z ]/g, '')
        .split(' ')
        .filter((word) => word.length > 2 && word !== 'acoustic' && word !== 'electric');
    const found = part.struck.flatMap(({ key, name }) => {
      const scored = map.sounds
        .map((sound) => ({
          sound,
          score:
            words(sound.name).filter((word) => words(name).includes(word)).length /
            Math.max(1, words(sound.name).length),
        }))
        .sort((a, b) => b.score - a.score || Math.abs(a.sound.key - key) - Math.abs(b.sound.key - key));
      return scored[0] && scored[0].score > 0 ? [[key, scored[0].sound.key] as const] : [];
    });
    setKeys(Object.fromEntries(found.filter(([from, to]) => from !== to)));
  };
  return (
    <Drawer title={say('casting.drumKeysOfPart', { part: part.name })} size={620} open onClose={onClose}>
      <div className={styles.row}>
        <label>
          {say('casting.targetMap')}
          <Select<string>
            size="small"
            aria-label={say('casting.targetMap')}
            value={target}
            onChange={setTarget}
            options={maps.map(({ name }) => ({ value: name, label: name }))}
          />
        </label>
        <Button size="small" onClick={byName}>
          {say('casting.matchByName')}
        </Button>
      </div>
      {without.length > 0 && (
        <p className={styles.unsure}>
          {say('casting.withoutASoundInThisMap')}{' '}
          {without.map(({ key, name }) => `${name} (${keys[key] ?? key})`).join(', ')}.
        </p>
      )}
      <Table
        size="small"
        rowKey="key"
        pagination={false}
        dataSource={part.struck}
        columns={[
          {
            title: say('casting.written'),
            key: 'name',
            render: (_, { key, name }) => (
              <span>
                {name} <span className="mono">{key}</span>
              </span>
            ),
          },
          {
            title: say('casting.usesTheSoundOf'),
            key: 'to',
            width: 250,
            render: (_, { key, name }) => (
              <Select<number>
                size="small"
                className={styles.fill}
                showSearch={{ optionFilterProp: 'label' }}
                aria-label={say('casting.keyForName', { name })}
                value={keys[key] ?? key}
                onChange={(to) => setKeys((now) => ({ ...now, [key]: to }))}
                options={[
                  ...(map.sounds.some((sound) => sound.key === key)
                    ? []
                    : [{ value: key, label: say('casting.keyNoSound', { key }) }]),
                  ...map.sounds.map((sound) => ({ value: sound.key, label: `${sound.key} ${sound.name}` })),
                ]}
              />
            ),
          },
          {
            title: <Unseen>{say('casting.play')}</Unseen>,
            key: 'hear',
            width: 44,
            render: (_, { key, name }) => (
              <Button
                type="text"
                size="small"
                aria-label={say('casting.playName', { name })}
                icon={<SoundOutlined />}
                onClick={() => hear(keys[key] ?? key)}
              />
            ),
          },
        ]}
      />
      <div className={styles.foot}>
        <span className={styles.push} />
        <Button
          size="small"
          onClick={() => (decide({ kind: 'setPartSequencing', part: part.id, drumKeys: null }), onClose())}
        >
          {say('casting.keysAsWritten')}
        </Button>
        <Button
          size="small"
          type="primary"
          onClick={() => (decide({ kind: 'setPartSequencing', part: part.id, drumKeys: keys }), onClose())}
        >
          {say('casting.apply')}
        </Button>
      </div>
    </Drawer>
  );
}
