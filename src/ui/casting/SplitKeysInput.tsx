'use client';

import { Input } from 'antd';
import { useState } from 'react';
import { keyInWords, keyOfWords } from '@/core/score';

interface Props {
  value: readonly number[];
  label: string;
  onCommit: (keys: number[]) => void;
}

/** Keys at which a new track begins, as names: "C4", or "C3 C5". */
export function SplitKeysInput({ value, label, onCommit }: Props) {
  const words = value.map(keyInWords).join(' ');
  const [text, setText] = useState(words);
  const keys = text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(keyOfWords);
  const wrong = keys.some((key) => key === null);
  const commit = () => {
    const good = [...new Set(keys.filter((key) => key !== null))].sort((a, b) => a - b);
    if (wrong || good.length === 0) setText(words);
    else if (good.join() !== value.join()) onCommit(good);
  };
  return (
    <Input
      size="small"
      style={{ width: 66 }}
      aria-label={label}
      {...(wrong && { status: 'error' as const })}
      value={text}
      onChange={(event) => setText(event.target.value)}
      onPressEnter={commit}
      onBlur={commit}
    />
  );
}
