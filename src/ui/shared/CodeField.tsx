'use client';

import { say } from '@/core/words';
import { Input } from 'antd';
import { useState } from 'react';
import { codeOfFrames, framesOfCode, type FrameRate } from '@/core/studio';

interface Props {
  name: string;
  /** At this rate; 0 where nothing is said. */
  frames: number;
  rate: FrameRate;
  onCommit: (frames: number) => void;
}

/** Time code of bar 1. Where nothing is said of it, code counts from the beginning of the map. */
export function CodeField({ name, frames, rate, onCommit }: Props) {
  const [text, setText] = useState(frames === 0 ? '' : codeOfFrames(frames, rate));
  const meant = text.trim() === '' ? 0 : framesOfCode(text, rate);
  const commit = () => {
    if (meant !== null) onCommit(meant);
  };
  return (
    <Input
      size="small"
      className="mono"
      style={{ width: 130 }}
      aria-label={name}
      placeholder={say('shared.notSet')}
      title={say('shared.whereItIsNotSetCodeCountsFromThe')}
      status={meant === null ? 'error' : ''}
      value={text}
      onChange={(event) => setText(event.target.value)}
      onPressEnter={commit}
      onBlur={commit}
    />
  );
}
