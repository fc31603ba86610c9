import { say } from '../../words';
import { meterInWords, metersInWords, QUARTER, type MeterSection, type WrittenUnits } from '../../time';
import { queryKind, type Doubt } from '../query-kind';

/** The file is in 4/4 because nobody said otherwise; the music has other bars. */
export interface MeterDoubt extends Doubt<'meter'> {
  facts: {
    /** What comes before the first full bar. */
    pickup: WrittenUnits;
    /** From there on; rising. */
    sections: MeterSection[];
  };
}

export const meter = queryKind<MeterDoubt>({
  kind: 'meter',
  effect: 'piece',
  station: 'timeline',
  remedies: ({ facts: { pickup, sections } }) => {
    const beatType = sections[0]!.meters[0]!.beatType;
    const short: MeterSection = { from: 0, meters: [{ beats: (pickup * beatType) / (4 * QUARTER), beatType }] };
    const [first, ...others] = (pickup > 0 ? [short, ...sections] : sections).map(({ from, meters }) => ({
      kind: 'setMeters' as const,
      from,
      to: null,
      meters,
    }));
    const inWords = metersInWords(sections);
    const label =
      pickup > 0
        ? say('queries.metersAfterAPickup', { meters: inWords, pickup: meterInWords(short.meters[0]!) })
        : inWords;
    return [{ label, decision: first!, also: others }];
  },
});
