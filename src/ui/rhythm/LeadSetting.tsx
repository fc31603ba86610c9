'use client';

import { Button, Space } from 'antd';
import type { PartSummary } from '@/core/engine';
import { LEAST_LEAD_CONFIDENCE, type Lead } from '@/core/to-score';
import { CommittedNumber } from '../shared/CommittedNumber';

interface Props {
  /** Of the part. */
  name: PartSummary['name'];
  lead: Lead;
  onSet: (milliseconds: number) => void;
}

/** How far ahead of the beat a track was played: what was found can be confirmed, changed, or left as it was played. */
export function LeadSetting({ name, lead, onSet }: Props) {
  const { milliseconds, pinned, confidence, evidence } = lead;
  const open = milliseconds !== 0 && !pinned;
  return (
    <div>
      <label>
        Played ahead by
        <CommittedNumber
          key={milliseconds}
          value={milliseconds}
          min={-1000}
          max={1000}
          step={5}
          suffix="ms"
          label={`Milliseconds ${name} was played ahead`}
          onCommit={onSet}
        />
      </label>
      <p className="soft">{evidence}</p>
      {open && (
        <Space>
          <Button size="small" onClick={() => onSet(milliseconds)}>
            {confidence >= LEAST_LEAD_CONFIDENCE ? 'Confirm' : 'Correct by'} {Math.abs(milliseconds)} ms
          </Button>
          <Button size="small" onClick={() => onSet(0)}>
            Write as played
          </Button>
        </Space>
      )}
    </div>
  );
}
