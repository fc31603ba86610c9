'use client';

import { Select } from 'antd';
import { CATALOGUE, UNKNOWN_INSTRUMENT, type InstrumentId } from '@/core/instruments';

const FAMILY_NAMES: Record<string, string> = {
  woodwind: 'Woodwind',
  brass: 'Brass',
  percussion: 'Percussion',
  keyboard: 'Keyboards',
  plucked: 'Plucked',
  voice: 'Voices',
  strings: 'Strings',
};

const OPTIONS = [
  {
    label: 'None',
    options: [{ value: UNKNOWN_INSTRUMENT.id, label: UNKNOWN_INSTRUMENT.names.en, search: 'unnamed none' }],
  },
  ...Object.entries(FAMILY_NAMES).map(([family, label]) => ({
    label,
    options: CATALOGUE.filter((instrument) => instrument.family === family).map((instrument) => ({
      value: instrument.id,
      label: instrument.names.en,
      // Found by any of its names, in any language.
      search: [...Object.values(instrument.names), ...Object.values(instrument.abbreviations), ...instrument.aliases]
        .join(' ')
        .toLowerCase(),
    })),
  })),
];

/** Search as you type over every name the catalogue knows. */
export function InstrumentSelect({
  value,
  label,
  placeholder,
  onChange,
}: {
  value: InstrumentId | undefined;
  label: string;
  placeholder?: string;
  onChange: (instrument: InstrumentId) => void;
}) {
  return (
    <Select
      size="small"
      showSearch={{
        filterOption: (input, option) =>
          String((option as { search?: string } | undefined)?.search ?? '').includes(input.toLowerCase()),
      }}
      value={value}
      placeholder={placeholder}
      aria-label={label}
      options={OPTIONS}
      onChange={onChange}
      popupMatchSelectWidth={280}
      style={{ width: '100%' }}
    />
  );
}
