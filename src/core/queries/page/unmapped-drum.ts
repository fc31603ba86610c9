import type { PartId } from '../../base';
import type { MidiKey } from '../../time';
import { queryKind, type Doubt } from '../query-kind';

/** A key that is not in the drum map. */
export interface UnmappedDrum extends Doubt<'unmapped-drum'> {
  part: PartId;
  facts: {
    key: MidiKey;
    /** Sounds of the map it may be meant for. */
    near: { key: MidiKey; name: string }[];
  };
}

export const unmappedDrum = queryKind<UnmappedDrum>({
  kind: 'unmapped-drum',
  remedies: ({ part, facts: { key, near } }) =>
    near.map((sound) => ({
      label: `It is ${sound.name} (${sound.key})`,
      decision: { kind: 'setDrumKey', part, key, as: sound.key },
    })),
});
