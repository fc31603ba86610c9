'use client';

import { Select } from 'antd';
import { PROGRAM_NAMES } from '@/core/instruments';

/** The sound it has unless somebody chooses. */
const USUAL = 0;

interface Props {
  value: number | undefined;
  /** What it sounds as when nothing is chosen. */
  usual: string;
  label: string;
  onChange: (program: number | null) => void;
}

/** One of the sounds of General MIDI, or the usual one. */
export function SoundSelect({ value, usual, label, onChange }: Props) {
  return (
    <Select<number>
      size="small"
      style={{ width: '100%' }}
      showSearch={{ optionFilterProp: 'label' }}
      popupMatchSelectWidth={260}
      aria-label={label}
      value={value ?? USUAL}
      onChange={(program) => onChange(program === USUAL ? null : program)}
      options={[
        { value: USUAL, label: usual },
        ...PROGRAM_NAMES.map((name, i) => ({ value: i + 1, label: `${i + 1} ${name}` })),
      ]}
    />
  );
}
