import { Segmented } from 'antd';
import type { Preset } from '@/core/settings';

export function PresetChoice({ value, onChange }: { value: Preset; onChange: (preset: Preset) => void }) {
  return (
    <Segmented<Preset>
      size="small"
      aria-label="Preset"
      value={value}
      onChange={onChange}
      options={[
        { value: 'bare', label: 'Bare notes, velocities, tempo' },
        { value: 'expression', label: 'Keep expression' },
        { value: 'everything', label: 'Everything' },
      ]}
    />
  );
}
