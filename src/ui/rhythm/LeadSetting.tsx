'use client';

import { say } from '@/core/words';
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
        {say('rhythm.playedAheadBy')}
        <CommittedNumber
          key={milliseconds}
          value={milliseconds}
          min={-1000}
          max={1000}
          step={5}
          suffix={say('rhythm.ms')}
          label={say('rhythm.millisecondsNameWasPlayedAhead', { name })}
          onCommit={onSet}
        />
      </label>
      <p className="soft">{evidence}</p>
      {open && (
        <Space>
          <Button size="small" onClick={() => onSet(milliseconds)}>
            {say('rhythm.confirmMillisecondsMs', {
              confidence: confidence >= LEAST_LEAD_CONFIDENCE,
              milliseconds: Math.abs(milliseconds),
            })}
          </Button>
          <Button size="small" onClick={() => onSet(0)}>
            {say('rhythm.writeAsPlayed')}
          </Button>
        </Space>
      )}
    </div>
  );
}
