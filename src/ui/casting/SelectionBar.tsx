'use client';

import { Button } from 'antd';
import { useWorkspace } from '../workspace/workspace';
import { InstrumentSelect } from './InstrumentSelect';

/** What can be done with several parts at once. */
export function SelectionBar({ marked, onClear }: { marked: string[]; onClear: () => void }) {
  const parts = useWorkspace((state) => state.summary!.parts);
  const decide = useWorkspace((state) => state.decide);
  if (marked.length === 0) return null;
  const tracks = [...new Set(parts.filter((part) => marked.includes(part.id)).flatMap((part) => part.tracks))];
  const done = (act: () => void) => () => {
    act();
    onClear();
  };
  return (
    <>
      <span className="soft">{marked.length} selected:</span>
      <span style={{ width: 170 }}>
        <InstrumentSelect
          value={undefined}
          placeholder="write for …"
          label="Instrument of the selected parts"
          onChange={(instrument) => done(() => decide({ kind: 'assignInstrument', tracks, instrument }))()}
        />
      </span>
      <Button size="small" disabled={tracks.length < 2} onClick={done(() => decide({ kind: 'gather', tracks }))}>
        Combine into one part
      </Button>
      <Button size="small" onClick={done(() => decide({ kind: 'leaveOut', tracks }))}>
        Leave out
      </Button>
    </>
  );
}
