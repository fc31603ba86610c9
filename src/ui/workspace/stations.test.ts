import { describe, expect, it } from 'vitest';
import { stationOf, STATIONS } from './stations';

describe('a query', () => {
  it('is looked after by its own station, in both directions', () => {
    expect(stationOf('swing', 'to-score')).toBe('rhythm');
    expect(stationOf('pickup', 'to-sequencer')).toBe('timeline');
    expect(stationOf('unknown-instrument', 'to-sequencer')).toBe('casting');
  });
  it('of the page is at the first station where there is no page', () => {
    expect(STATIONS['to-sequencer'].map(({ id }) => id)).not.toContain('page');
    expect(stationOf('repeat', 'to-score')).toBe('page');
    expect(stationOf('repeat', 'to-sequencer')).toBe('intake');
  });
});
