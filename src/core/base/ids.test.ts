import { describe, expect, it } from 'vitest';
import { queryIdOf } from './ids';

describe('ids of queries about many places', () => {
  const parts = Array.from({ length: 300 }, (_, i) => `t${i}`);
  it('name them all as long as that is short', () => {
    expect(queryIdOf('short-rest', ['t1', 't2'])).toBe('short-rest/t1+t2');
    expect(queryIdOf('key-change', [4])).toBe('key-change/4');
  });
  it('stay short enough for a job file, and differ when there are more', () => {
    expect(queryIdOf('short-rest', parts).length).toBeLessThan(300);
    expect(queryIdOf('short-rest', parts)).not.toBe(queryIdOf('short-rest', parts.slice(1)));
    expect(queryIdOf('short-rest', parts)).not.toBe(queryIdOf('short-rest', parts.slice(0, -1)));
  });
});
