import { say } from '../../words';
import { queryKind, type Doubt } from '../query-kind';

/** The first bar is short: a sequencer counts from it as if it were full. */
export type Pickup = Doubt<'pickup'>;

export const pickup = queryKind<Pickup>({
  kind: 'pickup',
  effect: 'rhythm',
  station: 'timeline',
  remedies: () => [{ label: say('queries.padToAFullBar'), decision: { kind: 'setSequencing', padPickup: true } }],
});
