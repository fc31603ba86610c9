import { describe, expect, it } from 'vitest';
import { agreementInNumbers } from './verdict';
import type { DifferenceKind, PartAgreement } from './model';

const none: Record<DifferenceKind, number> = { moved: 0, length: 0, pitch: 0, missing: 0, extra: 0 };
const part = (
  notes: number,
  differing: Partial<typeof none> = {},
  decided: Partial<typeof none> = {},
): PartAgreement => ({
  id: 't1',
  names: ['Flute', 'Flute'],
  notes: [notes, notes],
  same: 0,
  differing: { ...none, ...differing },
  decided: { ...none, ...decided },
  converted: none,
});

describe('an agreement in a line', () => {
  it.each([
    ['nothing differs', [part(10)], 1],
    ['what somebody decided does not count', [part(10, { moved: 4 }, { moved: 4 })], 1],
    ['over all parts, by notes', [part(30, { missing: 2 }), part(10, { pitch: 2 }, { pitch: 1 })], 1 - 3 / 40],
    ['never below nothing', [part(2, { extra: 9 })], 0],
    ['a piece without notes', [part(0)], 1],
  ])('%s', (_, parts, same) => {
    expect(agreementInNumbers({ words: 'so', parts })).toEqual({ words: 'so', same });
  });
});
