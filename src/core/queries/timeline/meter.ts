import { QUARTER } from '../../time';
import { queryKind, type Doubt } from '../query-kind';

/** The file is in 4/4 because nobody said otherwise; the music is in another meter. */
export interface MeterDoubt extends Doubt<'meter'> {
  facts: {
    /** Quarters of a bar. */
    beats: number;
    /** Quarters before the first full bar. */
    pickup: number;
  };
}

export const meter = queryKind<MeterDoubt>({
  kind: 'meter',
  effect: 'piece',
  remedies: ({ facts: { beats, pickup } }) => {
    const set = (from: number, quarters: number) => ({
      kind: 'setMeters' as const,
      from: from * QUARTER,
      to: null,
      meters: [{ beats: quarters, beatType: 4 }],
    });
    const label = `${beats}/4${pickup > 0 ? `, ${pickup === 1 ? 'a quarter' : `${pickup} quarters`} before the first bar` : ''}`;
    return pickup > 0
      ? [{ label, decision: set(0, pickup), also: [set(pickup, beats)] }]
      : [{ label, decision: set(0, beats) }];
  },
});
