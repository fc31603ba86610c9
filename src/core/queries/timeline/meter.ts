import { QUARTER, type Meter, type WrittenUnits } from '../../time';
import { queryKind, type Doubt } from '../query-kind';

/** The file is in 4/4 because nobody said otherwise; the music is in another meter. */
export interface MeterDoubt extends Doubt<'meter'> {
  facts: {
    meter: Meter;
    /** What comes before the first full bar. */
    pickup: WrittenUnits;
  };
}

export const meter = queryKind<MeterDoubt>({
  kind: 'meter',
  effect: 'piece',
  remedies: ({
    facts: {
      meter: { beats, beatType },
      pickup,
    },
  }) => {
    const set = (from: WrittenUnits, length: number) => ({
      kind: 'setMeters' as const,
      from,
      to: null,
      meters: [{ beats: length, beatType }],
    });
    const before = (pickup * beatType) / (4 * QUARTER);
    const label = `${beats}/${beatType}`;
    return pickup > 0
      ? [
          {
            label: `${label}, ${before}/${beatType} before the first bar`,
            decision: set(0, before),
            also: [set(pickup, beats)],
          },
        ]
      : [{ label, decision: set(0, beats) }];
  },
});
