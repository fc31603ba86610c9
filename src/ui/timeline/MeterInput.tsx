'use client';

import { Input } from 'antd';
import { useState } from 'react';
import type { Meter } from '@/core/time';

interface MeterInputProps {
  value: readonly Meter[];
  label: string;
  disabled?: boolean;
  onCommit: (meters: readonly Meter[]) => void;
}

const inWords = (meters: readonly Meter[]) => meters.map(({ beats, beatType }) => `${beats}/${beatType}`).join(' ');

/** "5/4 3/4 6/4" as meters; null where it is none. */
export function metersIn(text: string): Meter[] | null {
  const words = text.trim().split(/[\s,+]+/);
  const meters = words.map((word) => /^(\d{1,2})\/(1|2|4|8|16|32)$/.exec(word));
  if (meters.length > 16 || meters.some((match) => !match || Number(match[1]) < 1 || Number(match[1]) > 64))
    return null;
  return meters.map((match) => ({ beats: Number(match![1]), beatType: Number(match![2]) }));
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
      placeholder="5/4 3/4"
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
