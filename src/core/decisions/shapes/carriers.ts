import { inList, say } from '../../words';
import type { DynamicCarrier } from '../../settings';
import { CARRIER_NAMES } from '../words';

/** What carries the dynamics, in words. */
export function carriersInWords(list: readonly DynamicCarrier[]): string {
  return list.length === 0
    ? say('decisions.dynamicsNotPlayed')
    : say('decisions.dynamicsByList', { list: inList(list.map((one) => CARRIER_NAMES[one])) });
}
