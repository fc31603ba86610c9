'use client';

import { say } from '@/core/words';
import { Select } from 'antd';
import { CATALOGUE, instrumentById, UNKNOWN_INSTRUMENT, type InstrumentId, spokenName } from '@/core/instruments';

const FAMILY_NAMES: Record<string, string> = {
  get woodwind() {
    return say('casting.woodwind');
  },
  get brass() {
    return say('casting.brass');
  },
  get percussion() {
    return say('casting.percussion');
  },
  get keyboard() {
    return say('casting.keyboards');
  },
  get plucked() {
    return say('casting.plucked');
  },
  get voice() {
    return say('casting.voices');
  },
  get strings() {
    return say('casting.strings');
  },
};

const OPTIONS = [
  {
    get label() {
      return say('casting.none');
    },
    options: [
      {
        value: UNKNOWN_INSTRUMENT.id,
        label: spokenName(UNKNOWN_INSTRUMENT),
        get search() {
          return say('casting.unnamedNone');
        },
      },
    ],
  },
  ...Object.entries(FAMILY_NAMES).map(([family, label]) => ({
    label,
    options: CATALOGUE.filter((instrument) => instrument.family === family).map((instrument) => ({
      value: instrument.id,
      label: spokenName(instrument),
      // Found by any of its names, in any language.
      search: [...Object.values(instrument.names), ...Object.values(instrument.abbreviations), ...instrument.aliases]
        .join(' ')
        .toLowerCase(),
    })),
  })),
];

/** What a player can take up beside an instrument with pitches. */
const PITCHED = OPTIONS.slice(1)
  .map(({ label, options }) => ({
    label,
    options: options.filter(({ value }) => !instrumentById(value).unpitched),
  }))
  .filter(({ options }) => options.length > 0);

/**
 * Search as you type over every name the catalogue knows.
 *
 * @param pitched only instruments with pitches
 */
export function InstrumentSelect({
  value,
  label,
  placeholder,
  pitched = false,
  onChange,
}: {
  value: InstrumentId | undefined;
  label: string;
  placeholder?: string;
  pitched?: boolean;
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
      options={pitched ? PITCHED : OPTIONS}
      onChange={onChange}
      popupMatchSelectWidth={280}
      style={{ width: '100%' }}
    />
  );
}
