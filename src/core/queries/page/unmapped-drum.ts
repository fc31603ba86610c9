import { say } from '../../words';
import type { PartId } from '../../base';
import type { Decision } from '../../decisions';
import type { MidiKey } from '../../time';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** A struck key without a place in the map, and sounds of the map it may be meant for. */
export interface SilentKey {
  key: MidiKey;
  near: { key: MidiKey; name: string }[];
}

/** Keys that are not in the drum map. */
export interface UnmappedDrum extends Doubt<'unmapped-drum'> {
  part: PartId;
  facts: { keys: SilentKey[] };
}

export const unmappedDrum = queryKind<UnmappedDrum>({
  kind: 'unmapped-drum',
  effect: 'pitch',
  station: 'page',
  remedies: (query) => {
    const { part, facts } = query;
    const as = (key: MidiKey, sound: MidiKey): Decision => ({ kind: 'setDrumKey', part, key, as: sound });
    const apart = itIsRight(query, say('queries.keepAsWritten'));
    const [only] = facts.keys;
    if (facts.keys.length === 1)
      return [
        ...only!.near.map((sound) => ({
          label: say('queries.useSoundKey', { sound: sound.name, key: sound.key }),
          decision: as(only!.key, sound.key),
        })),
        apart,
      ];
    const [first, ...also] = facts.keys.flatMap(({ key, near }) => (near[0] ? [as(key, near[0].key)] : []));
    return first
      ? [{ label: say('queries.useTheNearestSoundForEach'), decision: first, also: [...also, apart.decision] }, apart]
      : [apart];
  },
});
