'use client';

import { say } from '@/core/words';
import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { App, Button, Drawer, Input, InputNumber, Select, Table, Upload } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { DRUM_LAYOUTS, NOTEHEADS, type DrumSound, type Notehead } from '@/core/instruments';
import { STEPS, type Step } from '@/core/score';
import { forgetDrumMap, ownDrumMaps, saveDrumMap } from '@/storage/drum-maps';
import { useWorkspace } from '../workspace/workspace';
import { download } from '../shared/download';
import { sentence } from '../shared/receive';
import styles from './page.module.css';
import { fileNameOf, readDrumMap, settingsOf, writeDrumMap, type NamedDrumMap } from '@/core/documents';
import type { PartSummary } from '@/core/engine';
import { Unseen } from '../shared/Unseen';

/** Places on and around a five-line staff, read as in treble clef, from the top down. */
const PLACES = ['C6', 'B5', 'A5', 'G5', 'F5', 'E5', 'D5', 'C5', 'B4', 'A4', 'G4', 'F4', 'E4', 'D4', 'C4', 'B3'];

/** The drum map of a part: choose one, change its lines, keep it as one's own, carry it to another machine. */
export function DrumMapDrawer({ part, open, onClose }: { part: PartSummary; open: boolean; onClose: () => void }) {
  return (
    <Drawer
      title={say('page.drumMapOfPart', { part: part.name })}
      size={720}
      open={open}
      onClose={onClose}
      destroyOnHidden
    >
      <Editor part={part} onDone={onClose} />
    </Drawer>
  );
}

function Editor({ part, onDone }: { part: PartSummary; onDone: () => void }) {
  const { message } = App.useApp();
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const own = useLiveQuery(ownDrumMaps, [], [] as NamedDrumMap[]);
  const inUse = settingsOf(ledger).drumMaps[part.id];
  const [name, setName] = useState(inUse?.name ?? DRUM_LAYOUTS[0]!.name);
  const [sounds, setSounds] = useState<DrumSound[]>([...(inUse?.sounds ?? DRUM_LAYOUTS[0]!.sounds)]);
  const struck = new Set(part.struck.map(({ key }) => key));
  const known = new Set(sounds.map((sound) => sound.key));
  const missing = [...struck].filter((key) => !known.has(key));
  const sorted = [...sounds].sort((a, b) => Number(struck.has(b.key)) - Number(struck.has(a.key)) || a.key - b.key);
  const change = (key: number, to: Partial<DrumSound>) =>
    setSounds((now) => now.map((sound) => (sound.key === key ? { ...sound, ...to } : sound)));
  const add = (key: number) =>
    setSounds((now) => [
      ...now,
      { key, name: say('page.keyKey', { key }), step: 'C', octave: 5, notehead: 'normal', limb: 'hands' },
    ]);
  const take = (map: NamedDrumMap) => {
    setName(map.name);
    setSounds([...map.sounds]);
  };
  const isOwn = !DRUM_LAYOUTS.some((layout) => layout.name === name);

  async function importFile(file: File): Promise<void> {
    try {
      const map = readDrumMap(await file.text(), file.name);
      await saveDrumMap(map);
      take(map);
    } catch (error) {
      void message.error(sentence(error));
    }
  }

  async function keep(): Promise<void> {
    const chosen = name.trim() || say('page.ownMap');
    const other = DRUM_LAYOUTS.some((layout) => layout.name === chosen) ? say('page.chosenOwn', { chosen }) : chosen;
    setName(other);
    await saveDrumMap({ name: other, sounds });
    void message.success(say('page.otherIsSavedForOtherJobs', { other }));
  }

  return (
    <div className={styles.drumMap}>
      <div className={styles.buttons}>
        <Select<string>
          size="small"
          aria-label={say('page.startFromAMap')}
          className={styles.wide}
          value={undefined}
          placeholder={say('page.startFrom')}
          onChange={(value) => take([...own, ...DRUM_LAYOUTS].find((map) => map.name === value) as NamedDrumMap)}
          options={[
            { label: say('page.yourOwn'), options: own.map((map) => ({ value: map.name, label: map.name })) },
            { label: say('page.layouts'), options: DRUM_LAYOUTS.map((map) => ({ value: map.name, label: map.name })) },
          ].filter(({ options }) => options.length > 0)}
        />
        <Input
          size="small"
          aria-label={say('page.nameOfTheMap')}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <Button size="small" onClick={() => void keep()}>
          {say('page.saveAsOwn')}
        </Button>
        {isOwn && own.some((map) => map.name === name) && (
          <Button
            size="small"
            type="text"
            aria-label={say('page.deleteName', { name })}
            icon={<DeleteOutlined />}
            onClick={() => void forgetDrumMap(name)}
          />
        )}
        <Button
          size="small"
          onClick={() => download(writeDrumMap({ name, sounds }), `${fileNameOf(name)}.json`, 'application/json')}
        >
          {say('page.export')}
        </Button>
        <Upload accept=".json" showUploadList={false} beforeUpload={(file) => (void importFile(file), false)}>
          <Button size="small">{say('page.import')}</Button>
        </Upload>
      </div>
      {missing.length > 0 && (
        <p>
          {say('page.playedButNotInThisMap')}{' '}
          {missing.map((key) => (
            <Button key={key} size="small" icon={<PlusOutlined />} onClick={() => add(key)}>
              {say('page.keyKey2', { key })}
            </Button>
          ))}
        </p>
      )}
      <Table<DrumSound>
        size="small"
        rowKey="key"
        pagination={false}
        virtual
        scroll={{ x: 640, y: 460 }}
        dataSource={sorted}
        rowClassName={(sound) => (struck.has(sound.key) ? '' : styles.unused!)}
        columns={[
          {
            title: say('page.key'),
            dataIndex: 'key',
            width: 54,
            render: (key: number) => <span className="mono">{key}</span>,
          },
          {
            title: say('page.sound'),
            key: 'name',
            width: 160,
            render: (_, sound) => (
              <Input
                size="small"
                aria-label={say('page.soundOfKeyKey', { key: sound.key })}
                value={sound.name}
                onChange={(event) => change(sound.key, { name: event.target.value.slice(0, 80) })}
              />
            ),
          },
          {
            title: say('page.place'),
            key: 'place',
            width: 124,
            render: (_, sound) => (
              <Select
                size="small"
                style={{ width: '100%' }}
                aria-label={say('page.placeOfSound', { sound: sound.name })}
                value={`${sound.step}${sound.octave}`}
                onChange={(place) => change(sound.key, { step: place[0] as Step, octave: Number(place[1]) })}
                options={PLACES.map((place) => ({ value: place, label: placeWords(place) }))}
                popupMatchSelectWidth={150}
              />
            ),
          },
          {
            title: say('page.notehead'),
            key: 'notehead',
            width: 108,
            render: (_, sound) => (
              <Select<Notehead>
                size="small"
                aria-label={say('page.noteheadOfSound', { sound: sound.name })}
                style={{ width: '100%' }}
                value={sound.notehead}
                onChange={(notehead) => change(sound.key, { notehead })}
                options={NOTEHEADS.map((value) => ({ value, label: value }))}
              />
            ),
          },
          {
            title: say('page.stem'),
            key: 'limb',
            width: 96,
            render: (_, sound) => (
              <Select<DrumSound['limb']>
                size="small"
                aria-label={say('page.stemOfSound', { sound: sound.name })}
                style={{ width: '100%' }}
                value={sound.limb}
                onChange={(limb) => change(sound.key, { limb })}
                options={[
                  { value: 'hands', label: say('page.upHands') },
                  { value: 'feet', label: say('page.downFeet') },
                ]}
              />
            ),
          },
          {
            title: <Unseen>{say('page.delete')}</Unseen>,
            key: 'drop',
            width: 40,
            render: (_, sound) => (
              <Button
                type="text"
                size="small"
                aria-label={say('page.deleteKeyKey', { key: sound.key })}
                icon={<DeleteOutlined />}
                onClick={() => setSounds((now) => now.filter((other) => other.key !== sound.key))}
              />
            ),
          },
        ]}
      />
      <div className={styles.drumFoot}>
        <label>
          <span>{say('page.addKey')}</span>
          <InputNumber<number>
            size="small"
            min={0}
            max={127}
            aria-label={say('page.keyToAdd')}
            onPressEnter={(event) => {
              const key = Number((event.target as HTMLInputElement).value);
              if (Number.isInteger(key) && key >= 0 && key < 128 && !known.has(key)) add(key);
            }}
          />
        </label>
        <span className={styles.push} />
        {inUse && (
          <Button
            size="small"
            onClick={() => (decide({ kind: 'useDrumMap', part: part.id, name: '', sounds: null }), onDone())}
          >
            {say('page.resetToDefault')}
          </Button>
        )}
        <Button
          size="small"
          type="primary"
          disabled={sounds.length === 0}
          onClick={() => (
            decide({ kind: 'useDrumMap', part: part.id, name: name.trim() || say('page.ownMap'), sounds }),
            onDone()
          )}
        >
          {say('page.useThisMap')}
        </Button>
      </div>
    </div>
  );
}

/** "C5 · space 3": players count lines and spaces from below. */
function placeWords(place: string): string {
  const steps = STEPS.indexOf(place[0] as Step) + 7 * Number(place[1]) - (2 + 7 * 4);
  if (steps < 0) return say('page.placeBelow', { place });
  if (steps > 8) return say('page.placeAbove', { place });
  return `${place} · ${steps % 2 === 0 ? say('page.lineSteps', { steps: steps / 2 + 1 }) : say('page.spaceSteps', { steps: (steps + 1) / 2 })}`;
}
