import type { PartId } from '../../base';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Tracks whose names say another instrument than their programs. */
export interface WrongSounds extends Doubt<'wrong-sounds'> {
  facts: { tracks: { part: PartId; program: number }[] };
}

export const wrongSounds = queryKind<WrongSounds>({
  kind: 'wrong-sounds',
  effect: 'pitch',
  station: 'casting',
  remedies: (query) => {
    const [first, ...others] = query.facts.tracks.map(({ part, program }) => ({
      kind: 'setPartSequencing' as const,
      part,
      program,
    }));
    return [
      { label: 'Set sounds by instrument, all tracks', decision: { kind: 'setArranging', sounds: 'instrument' } },
      { label: 'Set only these', decision: first!, also: others },
      itIsRight(query, 'Keep the sounds'),
    ];
  },
});
