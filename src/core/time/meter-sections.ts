/* Meters that change, told in one breath. */
import { say } from '../words';
import { barLength, meterInWords, type Meter } from './meter-map';
import type { WrittenUnits } from './units';

/** Meters from a place on; several come in turn, over and over. */
export interface MeterSection {
  from: WrittenUnits;
  meters: Meter[];
}

/** As many changes are named; of more, how many there are. */
const MOST_NAMED = 3;

/** `5/4 3/4 6/4 in turn`, `4/4, 2/4 from bar 9, 4/4 from bar 10`, `4/4, 3/4 and 5/4, changing 17 times`. */
export function metersInWords(sections: readonly MeterSection[]): string {
  const said = sections.map(({ meters: own }) => {
    const meters = own.map(meterInWords).join(' ');
    return own.length > 1 ? say('time.metersInTurn', { meters }) : meters;
  });
  const changes = sections.length - 1;
  if (changes > MOST_NAMED) {
    const kinds = [...new Set(said)];
    return say('time.kindsAndKinds2ChangingChangesTimes', {
      kinds: kinds.slice(0, -1).join(', '),
      kinds2: kinds.at(-1)!,
      changes,
    });
  }
  let bar = 1;
  return said
    .map((name, i) => {
      const before = sections[i - 1];
      if (!before) return name;
      bar += Math.round((sections[i]!.from - before.from) / barLength(before.meters[0]!));
      return say('time.nameFromBarBar', { name, bar });
    })
    .join(', ');
}
