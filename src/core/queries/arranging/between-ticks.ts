import { say } from '../../words';
import { queryKind, type Doubt } from '../query-kind';

/** Another resolution that not everything falls on. */
export interface BetweenTicks extends Doubt<'between-ticks'> {
  /** A resolution on which all of it falls. */
  facts: { exact: number };
}

export const betweenTicks = queryKind<BetweenTicks>({
  kind: 'between-ticks',
  effect: 'rhythm',
  station: 'dispatch',
  remedies: ({ facts: { exact } }) => [
    {
      label: say('queries.setExactTicksPerQuarter', { exact }),
      decision: { kind: 'setArranging', ticksPerQuarter: exact },
    },
    { label: say('queries.keepTheOriginalTicks'), decision: { kind: 'setArranging', ticksPerQuarter: null } },
  ],
});
