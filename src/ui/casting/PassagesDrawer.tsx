'use client';

import { say } from '@/core/words';
import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Drawer, Input, Select } from 'antd';
import { useState } from 'react';
import type { PartId } from '@/core/base';
import { settingsOf } from '@/core/documents';
import { PROGRAM_NAMES } from '@/core/instruments';
import type { OwnPassage } from '@/core/settings';
import { barsOnDesk, useWorkspace } from '../workspace/workspace';
import { BarSpanFields } from '../shared/BarSpanFields';
import styles from '../shared/sequencing.module.css';

const SAME = 0;

/** Passages of a part that get a track of their own: a solo with its own sound. */
export function PassagesDrawer({ part, onClose }: { part: { id: PartId; name: string }; onClose: () => void }) {
  const decide = useWorkspace((state) => state.decide);
  const bars = useWorkspace(barsOnDesk);
  const ledger = useWorkspace((state) => state.ledger)!;
  const [list, setList] = useState<readonly OwnPassage[]>(settingsOf(ledger).sequencing.parts[part.id]?.passages ?? []);
  const [first, last] = [bars[0]?.number ?? 1, bars.at(-1)?.number ?? 1];
  const change = (i: number, next: Partial<OwnPassage>) =>
    setList(list.map((one, at) => (at === i ? { ...one, ...next } : one)));
  const add = () =>
    setList([
      ...list,
      { bars: { from: 0, to: Math.min(4, bars.length) }, name: say('casting.soloPart', { part: part.name }) },
    ]);
  return (
    <Drawer
      title={say('casting.passagesOfPartOnTracksOfTheirOwn', { part: part.name })}
      size={640}
      open
      onClose={onClose}
    >
      {list.length === 0 && <p className="soft">{say('casting.noneYetNotesOfAPassageMoveToATrack')}</p>}
      {list.map((one, i) => (
        <div key={i} className={styles.row}>
          <span className={styles.group}>
            {say('casting.bars')}
            <BarSpanFields
              span={one.bars}
              first={first}
              last={last}
              of={say('casting.passageI', { i: i + 1 })}
              onChange={(bars) => change(i, { bars })}
            />
          </span>
          <Input
            size="small"
            style={{ width: 150 }}
            aria-label={say('casting.nameOfPassageI', { i: i + 1 })}
            maxLength={200}
            value={one.name}
            onChange={(event) => change(i, { name: event.target.value })}
          />
          <Select<number>
            size="small"
            showSearch={{ optionFilterProp: 'label' }}
            aria-label={say('casting.soundOfPassageI', { i: i + 1 })}
            value={one.program ?? SAME}
            onChange={(program) => {
              const { program: _was, ...plain } = one;
              const next = program === SAME ? plain : { ...plain, program };
              setList(list.map((other, at) => (at === i ? next : other)));
            }}
            options={[
              { value: SAME, label: say('casting.thePartsSound') },
              ...PROGRAM_NAMES.map((name, n) => ({ value: n + 1, label: `${n + 1} ${name}` })),
            ]}
          />
          <Button
            size="small"
            type="text"
            icon={<DeleteOutlined />}
            aria-label={say('casting.deletePassageI', { i: i + 1 })}
            onClick={() => setList(list.filter((_, at) => at !== i))}
          />
        </div>
      ))}
      <div className={styles.foot}>
        <Button size="small" icon={<PlusOutlined />} onClick={add}>
          {say('casting.addAPassage')}
        </Button>
        <span className={styles.push} />
        <Button
          size="small"
          type="primary"
          disabled={list.some(({ name }) => name.trim() === '')}
          onClick={() => {
            decide({
              kind: 'setPartSequencing',
              part: part.id,
              passages: list.length === 0 ? null : list.map((one) => ({ ...one, name: one.name.trim() })),
            });
            onClose();
          }}
        >
          {say('casting.apply')}
        </Button>
      </div>
    </Drawer>
  );
}
