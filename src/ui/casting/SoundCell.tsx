'use client';

import { say } from '@/core/words';
import { Button, Select } from 'antd';
import type { PartId } from '@/core/base';
import { PROGRAM_NAMES } from '@/core/instruments';
import type { PartSequencing } from '@/core/settings';
import { useWorkspace } from '../workspace/workspace';

/** The sound it has unless somebody chooses. */
const USUAL = 0;

interface Props {
  part: { id: PartId; unpitched: boolean };
  name: string;
  own: PartSequencing;
  /** What it sounds as when nothing is chosen. */
  usual: string;
  /** How the struck keys of drums are when nothing is chosen. */
  plainKeys: 'as written' | 'original';
  onDrums: () => void;
}

/** What a part sounds as: one of the sounds of General MIDI, or drums with their keys. */
export function SoundCell({ part, name, own, usual, plainKeys, onDrums }: Props) {
  const decide = useWorkspace((state) => state.decide);
  if (part.unpitched)
    return (
      <Button size="small" onClick={onDrums}>
        {say('casting.drumsDrumKeys', { drumKeys: own.drumKeys ? say('casting.changed') : plainKeys })}
      </Button>
    );
  return (
    <Select<number>
      size="small"
      style={{ width: '100%' }}
      showSearch={{ optionFilterProp: 'label' }}
      popupMatchSelectWidth={260}
      aria-label={say('casting.soundOfName', { name })}
      value={own.program ?? USUAL}
      onChange={(program) =>
        decide({ kind: 'setPartSequencing', part: part.id, program: program === USUAL ? null : program })
      }
      options={[
        { value: USUAL, label: usual },
        ...PROGRAM_NAMES.map((one, i) => ({ value: i + 1, label: `${i + 1} ${one}` })),
      ]}
    />
  );
}
