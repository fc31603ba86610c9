import { meterInWords, QUARTER, type Meter, type WrittenUnits } from '../../time';
import { queryKind, type Doubt } from '../query-kind';

/** Meters from a place on; several come in turn, over and over. */
export interface MeterSection {
  from: WrittenUnits;
  meters: Meter[];
}

/** The file is in 4/4 because nobody said otherwise; the music has other bars. */
export interface MeterDoubt extends Doubt<'meter'> {
  facts: {
    /** What comes before the first full bar. */
    pickup: WrittenUnits;
    /** From there on; rising. */
    sections: MeterSection[];
  };
}

const lengthOf = ({ beats, beatType }: Meter): WrittenUnits => (4 * QUARTER * beats) / beatType;

/** As many changes are named; of more, how many there are. */
const MOST_NAMED = 3;

/** `5/4 3/4 6/4 in turn`, `4/4, 2/4 from bar 9, 4/4 from bar 10`, `4/4, 3/4 and 5/4, changing 17 times`. */
export function metersInWords(sections: readonly MeterSection[]): string {
  const said = sections.map(({ meters }) => meters.map(meterInWords).join(' ') + (meters.length > 1 ? ' in turn' : ''));
  const changes = sections.length - 1;
  if (changes > MOST_NAMED) {
    const kinds = [...new Set(said)];
    return `${kinds.slice(0, -1).join(', ')} and ${kinds.at(-1)}, changing ${changes} times`;
  }
  let bar = 1;
  return said
    .map((name, i) => {
      const before = sections[i - 1];
      if (!before) return name;
      bar += Math.round((sections[i]!.from - before.from) / lengthOf(before.meters[0]!));
      return `${name} from bar ${bar}`;
    })
    .join(', ');
}

export const meter = queryKind<MeterDoubt>({
  kind: 'meter',
  effect: 'piece',
  remedies: ({ facts: { pickup, sections } }) => {
    const beatType = sections[0]!.meters[0]!.beatType;
    const short: MeterSection = { from: 0, meters: [{ beats: (pickup * beatType) / (4 * QUARTER), beatType }] };
    const [first, ...others] = (pickup > 0 ? [short, ...sections] : sections).map(({ from, meters }) => ({
      kind: 'setMeters' as const,
      from,
      to: null,
      meters,
    }));
    const before = pickup > 0 ? `, ${meterInWords(short.meters[0]!)} before the first bar` : '';
    return [{ label: metersInWords(sections) + before, decision: first!, also: others }];
  },
});
