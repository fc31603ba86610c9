'use client';

import { say } from '@/core/words';
import { InputNumber } from 'antd';
import type { BarSpan } from '@/core/settings';

interface Props {
  span: BarSpan;
  /** Numbers of the piece's first and last bar. */
  first: number;
  last: number;
  /** "the other instrument": whose bars they are, for those who hear the page. */
  of: string;
  onChange: (span: BarSpan) => void;
}

/** From bar – to bar, by their numbers; the last one is never before the first. */
export function BarSpanFields({ span, first, last, of, onChange }: Props) {
  return (
    <>
      <InputNumber<number>
        size="small"
        style={{ width: 64 }}
        aria-label={say('shared.firstBarOfOf', { of })}
        min={first}
        max={last}
        value={span.from + first}
        onChange={(number) =>
          number !== null && onChange({ from: number - first, to: Math.max(number - first + 1, span.to) })
        }
      />
      –
      <InputNumber<number>
        size="small"
        style={{ width: 64 }}
        aria-label={say('shared.lastBarOfOf', { of })}
        min={span.from + first}
        max={last}
        value={span.to - 1 + first}
        onChange={(number) => number !== null && onChange({ ...span, to: number - first + 1 })}
      />
    </>
  );
}
