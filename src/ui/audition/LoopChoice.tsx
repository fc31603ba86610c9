'use client';

import { say } from '@/core/words';
import { RetweetOutlined } from '@ant-design/icons';
import { Button, Popover } from 'antd';
import { barsOnDesk, useWorkspace } from '../workspace/workspace';
import { CommittedNumber } from '../shared/CommittedNumber';
import { useHearing } from './useHearing';
import styles from './audition.module.css';

/** Some bars again and again: those in view, or any others. */
export function LoopChoice() {
  const loop = useHearing((state) => state.loop);
  const change = useHearing((state) => state.change);
  const bars = useWorkspace(barsOnDesk);
  const passage = useWorkspace((state) => state.passage);
  if (bars.length === 0) return null;
  const inView = { from: passage.from, to: Math.min(bars.length, passage.from + passage.bars) };
  const number = (index: number) => bars[Math.max(0, Math.min(index, bars.length - 1))]!.number;
  const indexOf = (shown: number) =>
    Math.max(
      0,
      bars.findIndex((bar) => bar.number === shown),
    );
  const { from, to } = loop ?? inView;
  const set = (first: number, after: number) =>
    void change({ loop: { from: Math.min(first, after - 1), to: Math.max(after, first + 1) } });
  return (
    <Popover
      trigger="click"
      placement="top"
      content={
        <div className={styles.loop}>
          <span>
            {say('audition.bars')}{' '}
            <CommittedNumber
              key={`a${from}`}
              value={number(from)}
              min={bars[0]!.number}
              max={bars.at(-1)!.number}
              label={say('audition.loopStart')}
              onCommit={(value) => set(indexOf(value), Math.max(to, indexOf(value) + 1))}
            />{' '}
            –{' '}
            <CommittedNumber
              key={`b${to}`}
              value={number(to - 1)}
              min={bars[0]!.number}
              max={bars.at(-1)!.number}
              label={say('audition.loopEnd')}
              onCommit={(value) => set(Math.min(from, indexOf(value)), indexOf(value) + 1)}
            />
          </span>
          <span className={styles.loopButtons}>
            <Button size="small" onClick={() => void change({ loop: inView })}>
              {say('audition.theBarsInView')}
            </Button>
            <Button size="small" disabled={!loop} onClick={() => void change({ loop: null })}>
              {say('audition.loopOff')}
            </Button>
          </span>
        </div>
      }
    >
      <Button
        size="small"
        type={loop ? 'primary' : 'default'}
        icon={<RetweetOutlined />}
        title={say('audition.loop')}
        aria-label={
          loop
            ? say('audition.loopBarsFromToTo', { from: number(loop.from), to: number(loop.to - 1) })
            : say('audition.loop')
        }
      >
        {loop ? `${number(loop.from)}–${number(loop.to - 1)}` : null}
      </Button>
    </Popover>
  );
}
