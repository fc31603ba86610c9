'use client';

import { say } from '@/core/words';
import { sayRich } from '@/ui/shared/sayRich';
import { LeftOutlined, MinusOutlined, PlusOutlined, RightOutlined } from '@ant-design/icons';
import { Button, Segmented, Slider } from 'antd';
import { STAFF_HEIGHTS, zoomed } from '../workspace/store/view-slice';
import { barsOnDesk, useWorkspace } from '../workspace/workspace';
import styles from './interlinear.module.css';

const SIZES = ['S', 'M', 'L', 'XL'];
const titles = () => [
  say('interlinear.small'),
  say('interlinear.normal'),
  say('interlinear.large'),
  say('interlinear.veryLarge'),
];

/** Where in the piece the interlinear view stands: step, slide, show more or fewer bars. */
export function BarWalk({ children }: { children?: React.ReactNode }) {
  const bars = useWorkspace(barsOnDesk);
  const passage = useWorkspace((state) => state.passage);
  const show = useWorkspace((state) => state.show);
  const staffHeight = useWorkspace((state) => state.staffHeight);
  const setStaffHeight = useWorkspace((state) => state.setStaffHeight);
  const from = Math.min(passage.from, bars.length - 1);
  const to = Math.min(bars.length, from + passage.bars);
  const sizes = titles();
  return (
    <div className={styles.walk}>
      {children}
      <Button
        size="small"
        aria-label={say('interlinear.previousBar')}
        icon={<LeftOutlined />}
        disabled={from === 0}
        onClick={() => show({ from: from - 1 })}
      />
      <Slider
        className={styles.slider}
        ariaLabelForHandle={say('interlinear.firstBarInView')}
        min={0}
        max={Math.max(0, bars.length - 1)}
        value={from}
        onChange={(value) => show({ from: value })}
        tooltip={{ formatter: (value) => say('interlinear.barBars', { bars: bars[value ?? 0]?.number ?? '' }) }}
      />
      <Button
        size="small"
        aria-label={say('interlinear.nextBar')}
        icon={<RightOutlined />}
        disabled={to >= bars.length}
        onClick={() => show({ from: from + 1 })}
      />
      <span className={styles.where}>
        {sayRich(
          'interlinear.barsInView',
          {
            to: to - from,
            bars: bars[from]!.number,
            bars2: bars[to - 1]!.number,
            bars3: bars.at(-1)!.number,
          },
          { soft: (chunks) => <span className="soft">{chunks}</span> },
        )}
      </span>
      <Button
        size="small"
        aria-label={say('interlinear.showFewerBars')}
        icon={<PlusOutlined />}
        onClick={() => show({ bars: zoomed(passage.bars, -1) })}
      />
      <Button
        size="small"
        aria-label={say('interlinear.showMoreBars')}
        icon={<MinusOutlined />}
        onClick={() => show({ bars: zoomed(passage.bars, 1) })}
      />
      <Segmented<number>
        size="small"
        aria-label={say('interlinear.sizeOfTheStaves')}
        value={staffHeight}
        onChange={setStaffHeight}
        options={STAFF_HEIGHTS.map((height, i) => ({
          value: height,
          label: SIZES[i]!,
          title: say('interlinear.stavesTitles', { titles: sizes[i]! }),
        }))}
      />
    </div>
  );
}
