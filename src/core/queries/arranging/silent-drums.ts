import { say } from '../../words';
import type { PartId } from '../../base';
import type { MidiKey } from '../../time';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Struck keys that General MIDI has no drum for. */
export interface SilentDrums extends Doubt<'silent-drums'> {
  part: PartId;
  facts: {
    /** Keys of the part that are moved already. */
    moved: Readonly<Record<number, MidiKey>>;
    /** What each silent key may be meant as. */
    targets: { key: MidiKey; octave: MidiKey | null; near: MidiKey; nearName: string }[];
  };
}

export const silentDrums = queryKind<SilentDrums>({
  kind: 'silent-drums',
  effect: 'pitch',
  station: 'casting',
  remedies: (query) => {
    const { part, facts } = query;
    const to = (targets: readonly (readonly [MidiKey, MidiKey])[]) => ({
      kind: 'setPartSequencing' as const,
      part,
      drumKeys: { ...facts.moved, ...Object.fromEntries(targets) },
    });
    const octaves = facts.targets.flatMap(({ key, octave }) => (octave === null ? [] : [[key, octave] as const]));
    const near = facts.targets.map((one) => [one.key, one.near] as const);
    const [only] = facts.targets;
    return [
      ...(octaves.length === facts.targets.length
        ? [{ label: say('queries.moveByAnOctave'), decision: to(octaves) }]
        : []),
      {
        label:
          facts.targets.length === 1
            ? say('queries.useNearNameNear', { nearName: only!.nearName, near: only!.near })
            : say('queries.useTheNearestDrums'),
        decision: to(near),
      },
      itIsRight(query, say('queries.keepThem')),
    ];
  },
});
