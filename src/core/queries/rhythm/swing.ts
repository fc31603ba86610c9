import { say } from '../../words';
import type { SwingUnit } from '../../settings';
import { queryKind, type Doubt } from '../query-kind';

/** Off-beats that may swing. */
export interface Swing extends Doubt<'swing'> {
  facts: { ratio: number; unit: SwingUnit };
}

export const swing = queryKind<Swing>({
  kind: 'swing',
  effect: 'rhythm',
  station: 'rhythm',
  remedies: ({ facts: { ratio, unit } }) => [
    {
      label: say('queries.writeAsSwing'),
      decision: { kind: 'setSwing', ratio: Math.round(ratio * 100) / 100, ...(unit === '16th' && { unit }) },
    },
    { label: say('queries.writeAsPlayed'), decision: { kind: 'setSwing', ratio: 1 } },
  ],
});
