'use client';

import { say } from '@/core/words';
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
      <span className="soft">{say('casting.markedSelected', { marked: marked.length })}</span>
      <span style={{ width: 170 }}>
        <InstrumentSelect
          value={undefined}
          placeholder={say('casting.writeFor')}
          label={say('casting.instrumentOfTheSelectedParts')}
          onChange={(instrument) => done(() => decide({ kind: 'assignInstrument', tracks, instrument }))()}
        />
      </span>
      <Button size="small" disabled={tracks.length < 2} onClick={done(() => decide({ kind: 'gather', tracks }))}>
        {say('casting.combineIntoOnePart')}
      </Button>
      <Button size="small" onClick={done(() => decide({ kind: 'leaveOut', tracks }))}>
        {say('casting.leaveOut')}
      </Button>
    </>
  );
}
