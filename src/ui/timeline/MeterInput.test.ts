import { describe, expect, it } from 'vitest';
import { meterInWords } from '@/core/time';
import { metersIn } from './MeterInput';

const understood = (text: string) => metersIn(text)?.map(meterInWords) ?? null;

describe('meters as people write them', () => {
  it.each([
    ['5/4 3/4, 6/4', ['5/4', '3/4', '6/4']],
    ['5/4 + 3/4', ['5/4', '3/4']],
    ['3+2+2/8', ['3+2+2/8']],
    ['3+2/8+2/4 ', ['3+2/8', '2/4']],
  ])('%s', (text, meters) => {
    expect(understood(text)).toEqual(meters);
  });
  it.each(['', '4', '4/3', '0/4', '65/4', '3+/8', '+3/8', '3+0/8', '60+5/8', '4/4 x', Array(17).fill('4/4').join(' ')])(
    'that are none: %s',
    (text) => {
      expect(understood(text)).toBeNull();
    },
  );
});
