import { say } from '@/core/words';
import { Segmented } from 'antd';
import type { Preset } from '@/core/settings';

export function PresetChoice({ value, onChange }: { value: Preset; onChange: (preset: Preset) => void }) {
  return (
    <Segmented<Preset>
      size="small"
      aria-label={say('shared.preset')}
      value={value}
      onChange={onChange}
      options={[
        { value: 'bare', label: say('shared.bareNotesVelocitiesTempo') },
        { value: 'expression', label: say('shared.keepExpression') },
        { value: 'everything', label: say('shared.everything') },
      ]}
    />
  );
}
