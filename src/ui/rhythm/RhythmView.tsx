'use client';

import { LeftOutlined, MinusOutlined, PlusOutlined, RightOutlined } from '@ant-design/icons';
import { Button, Segmented, Slider, Tooltip } from 'antd';
import { useState } from 'react';
import { Interlinear } from '../interlinear/Interlinear';
import { zoomed } from '../job/keys';
import { useWorkspace } from '../job/workspace';
import { PartList } from './PartList';
import { PickedBar } from './PickedBar';
import { SwingSelect } from './SwingSelect';
import { TimingCharts } from './TimingCharts';
import styles from './rhythm.module.css';

/** Played time becomes written time: the parts at the side, the interlinear view, and where in the piece one is. */
export function RhythmView() {
  const summary = useWorkspace((state) => state.summary)!;
  const passage = useWorkspace((state) => state.passage);
  const show = useWorkspace((state) => state.show);
  const comparing = useWorkspace((state) => state.comparing);
  const compare = useWorkspace((state) => state.compare);
  const [side, setSide] = useState<'music' | 'timing'>('music');
  const { bars } = summary;
  const from = Math.min(passage.from, bars.length - 1);
  const to = Math.min(bars.length, from + passage.bars);
  if (summary.parts.length === 0) {
    return (
      <div className={styles.nothing}>
        <h2>No part is left to write</h2>
        <p>Every track is empty or left out. Take one in at Intake.</p>
      </div>
    );
  }
  return (
    <div className={styles.view}>
      <PartList />
      <div className={styles.reading}>
        <div className={styles.bar}>
          <Button size="small" aria-label="One bar back" icon={<LeftOutlined />} disabled={from === 0} onClick={() => show({ from: from - 1 })} />
          <Slider
            className={styles.slider}
            aria-label="First bar in view"
            min={0}
            max={Math.max(0, bars.length - 1)}
            value={from}
            onChange={(value) => show({ from: value })}
            tooltip={{ formatter: (value) => `Bar ${bars[value ?? 0]?.number}` }}
          />
          <Button size="small" aria-label="One bar on" icon={<RightOutlined />} disabled={to >= bars.length} onClick={() => show({ from: from + 1 })} />
          <span className={styles.where}>
            {to - from === 1 ? `Bar ${bars[from]!.number}` : `Bars ${bars[from]!.number}–${bars[to - 1]!.number}`} <span className="soft">of {bars.at(-1)!.number}</span>
          </span>
          <Button size="small" aria-label="Show fewer bars" icon={<PlusOutlined />} onClick={() => show({ bars: zoomed(passage.bars, -1) })} />
          <Button size="small" aria-label="Show more bars" icon={<MinusOutlined />} onClick={() => show({ bars: zoomed(passage.bars, 1) })} />
        </div>
        {side === 'music' ? <Interlinear /> : <TimingCharts />}
        <div className={styles.tools}>
          <Segmented<'music' | 'timing'> size="small" value={side} onChange={setSide} options={[{ value: 'music', label: 'Music' }, { value: 'timing', label: 'Timing' }]} />
          <SwingSelect />
          <Tooltip title="Key C">
            <Button size="small" type={comparing ? 'primary' : 'default'} aria-pressed={comparing} onClick={() => compare(!comparing)}>
              {comparing ? 'Before the last change' : 'Compare with before'}
            </Button>
          </Tooltip>
          <PickedBar />
        </div>
        <div className={styles.legend} aria-hidden>
          <span>
            <i className={styles.keyPlayed} /> as played
          </span>
          <span>
            <i className={styles.keyPlace} /> written place
          </span>
          <span>
            <i className={styles.keyGrid} /> fitted grid
          </span>
        </div>
      </div>
    </div>
  );
}
