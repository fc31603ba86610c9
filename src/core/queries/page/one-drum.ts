import { say } from '../../words';
import type { PartId } from '../../base';
import type { MidiKey } from '../../time';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Two keys for drums of one kind. */
export interface OneDrum extends Doubt<'one-drum'> {
  part: PartId;
  facts: { key: MidiKey; other: MidiKey };
}

export const oneDrum = queryKind<OneDrum>({
  kind: 'one-drum',
  effect: 'look',
  station: 'page',
  remedies: (query) => {
    const { part, facts } = query;
    const same = say('queries.treatAsOneDrum');
    return [
      {
        label: same,
        decision: { kind: 'setDrumKey', part, key: facts.other, as: facts.key },
        also: [itIsRight(query, same).decision],
      },
      itIsRight(query, say('queries.keepTwoDrumsInOnePlace')),
    ];
  },
});
