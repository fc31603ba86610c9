'use client';

import { Input } from 'antd';
import { useState } from 'react';
import { meterInWords, type Meter } from '@/core/time';

interface MeterInputProps {
  value: readonly Meter[];
  label: string;
  disabled?: boolean;
  onCommit: (meters: readonly Meter[]) => void;
}

const inWords = (meters: readonly Meter[]) => meters.map(meterInWords).join(' ');

/** "5/4 3/4 6/4" or "3+2+2/8" as meters; null where it is none. */
export function metersIn(text: string): Meter[] | null {
  // Several may be joined by a comma or a sign too: 5/4 + 3/4.
  const words = text
    .trim()
    .replace(/(\/\d+)\s*\+/g, '$1 ')
    .split(/[\s,]+/);
  const meters = words.flatMap((word): Meter[] => {
    const match = /^(\d{1,2}(?:\+\d{1,2})*)\/(1|2|4|8|16|32)$/.exec(word);
    const groups = match?.[1]!.split('+').map(Number) ?? [0];
    const beats = groups.reduce((sum, group) => sum + group, 0);
    if (groups.some((group) => group < 1) || beats > 64) return [];
    return [{ beats, beatType: Number(match![2]), ...(groups.length > 1 && { groups }) }];
  });
  return meters.length === words.length && meters.length <= 16 ? meters : null;
}

/** One meter, or several in turn, as people write them. */
export function MeterInput({ value, label, disabled = false, onCommit }: MeterInputProps) {
  const before = inWords(value);
  const [text, setText] = useState(before);
  const meters = metersIn(text);
  const commit = () => {
    if (meters && inWords(meters) !== before) onCommit(meters);
  };
  return (
    <Input
      size="small"
      style={{ width: 124 }}
      placeholder="5/4 3+2/8"
      aria-label={label}
      disabled={disabled}
      status={meters || text === '' ? '' : 'error'}
      value={text}
      onChange={(event) => setText(event.target.value)}
      onPressEnter={commit}
      onBlur={commit}
    />
  );
}
