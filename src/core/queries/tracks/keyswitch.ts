import { say } from '../../words';
import type { PartId, TrackId } from '../../base';
import type { MidiKey } from '../../time';
import { queryKind, type Doubt } from '../query-kind';

/** Keys that look like keyswitches. */
export interface Keyswitch extends Doubt<'keyswitch'> {
  track: TrackId;
  part: PartId;
  facts: { keys: MidiKey[] };
}

export const keyswitch = queryKind<Keyswitch>({
  kind: 'keyswitch',
  effect: 'pitch',
  station: 'casting',
  remedies: ({ track, facts }) => [
    {
      label: say('queries.deleteKeyswitches'),
      decision: { kind: 'setKeyswitches', track, meanings: facts.keys.map((key) => ({ key, technique: 'none' })) },
    },
    { label: say('queries.keepAsNotes'), decision: { kind: 'setKeyswitches', track, meanings: [] } },
  ],
});
