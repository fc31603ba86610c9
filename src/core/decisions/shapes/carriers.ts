import type { DynamicCarrier } from '../../settings';
import { CARRIER_NAMES } from '../words';

/** What carries the dynamics, in words. */
export function carriersInWords(list: readonly DynamicCarrier[]): string {
  return list.length === 0
    ? 'Dynamics not played'
    : `Dynamics by ${list.map((one) => CARRIER_NAMES[one]).join(' and ')}`;
}
