'use client';

import { SettingOutlined } from '@ant-design/icons';
import { Button, Popover, Select, Switch } from 'antd';
import { useState } from 'react';
import { settingsOf, valueName } from '@/core/job';
import { SMALLEST_VALUES, type SmallestValue } from '@/core/to-score';
import type { PartSummary } from '@/workers/engine-client';
import { CommittedNumber } from '../shared/CommittedNumber';
import { count } from '../shared/words';
import { useWorkspace } from '../job/workspace';
import styles from './rhythm.module.css';

const FOUND = 'found';

/** Rhythm settings of one part, each with what it did. */
export function GridSettings({ part }: { part: PartSummary }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover open={open} onOpenChange={setOpen} trigger="click" placement="rightTop" title={`Rhythm of ${part.name}`} content={<Settings part={part} />} destroyOnHidden>
      <Button type="text" size="small" aria-label={`Rhythm settings of ${part.name}`} icon={<SettingOutlined />} />
    </Popover>
  );
}

function Settings({ part }: { part: PartSummary }) {
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const pin = settingsOf(ledger).grids[part.id];
  const { report } = part;
  const setSmallest = (value: SmallestValue | typeof FOUND) => {
    if (value === FOUND) decide({ kind: 'freeGrid', part: part.id });
    else decide({ kind: 'setGrid', part: part.id, smallest: value, triplets: pin?.triplets ?? report.tupletBeats > 0 });
  };
  return (
    <div className={styles.settings}>
      <label>
        Smallest value
        <Select<SmallestValue | typeof FOUND>
          size="small"
          value={pin?.smallest ?? FOUND}
          onChange={setSmallest}
          options={[{ value: FOUND, label: 'found by the engine' }, ...SMALLEST_VALUES.map((value) => ({ value, label: valueName(value) }))]}
        />
      </label>
      {pin && (
        <label>
          Triplets
          <Switch size="small" checked={pin.triplets} onChange={(triplets) => decide({ kind: 'setGrid', part: part.id, smallest: pin.smallest, triplets })} />
        </label>
      )}
      {part.tracks.map((track) => {
        const lead = report.leads[track]!;
        return (
          <div key={track}>
            <label>
              Played ahead by
              <CommittedNumber
                key={lead.milliseconds}
                value={lead.milliseconds}
                min={-1000}
                max={1000}
                step={5}
                suffix="ms"
                label={`Milliseconds ${part.name} was played ahead`}
                onCommit={(milliseconds) => decide({ kind: 'setLead', track, milliseconds })}
              />
            </label>
            <p className="soft">{lead.evidence}</p>
          </div>
        );
      })}
      <p className="soft">
        {report.exact ? 'Lies exactly on a grid.' : `Jitter ${(report.jitter * 1000).toFixed(0)} ms.`} {count(report.gapsClosed, 'gap', 'gaps')} closed, {count(report.overlapsTrimmed, 'overlap', 'overlaps')} trimmed, {count(report.tupletBeats, 'tuplet beat', 'tuplet beats')}.
      </p>
    </div>
  );
}
