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
    { label: `${exact} ticks a quarter`, decision: { kind: 'setArranging', ticksPerQuarter: exact } },
    { label: 'As received', decision: { kind: 'setArranging', ticksPerQuarter: null } },
  ],
});
