'use client';

import { InputNumber } from 'antd';
import { useState } from 'react';

interface Props {
  value: number;
  min: number;
  max: number;
  step?: number;
  suffix?: string;
  label: string;
  /** Called once the number is finished, by Enter or by leaving the field, and differs from `value`. */
  onCommit: (value: number) => void;
}

/**
 * A number field that makes one decision, not one for each keystroke. Give it `key={value}` to follow outside changes.
 */
export function CommittedNumber({ value, min, max, step = 1, suffix, label, onCommit }: Props) {
  const [draft, setDraft] = useState<number | null>(value);
  const commit = () => {
    if (draft === null) setDraft(value);
    else if (draft !== value) onCommit(Math.round(draft));
  };
  return (
    <InputNumber<number>
      size="small"
      min={min}
      max={max}
      step={step}
      suffix={suffix}
      value={draft}
      aria-label={label}
      onChange={setDraft}
      onPressEnter={commit}
      onBlur={commit}
    />
  );
}
