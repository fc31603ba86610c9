import { say } from '../../words';
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
      {
        label: say('queries.setSoundsByInstrumentAllTracks'),
        decision: { kind: 'setArranging', sounds: 'instrument' },
      },
      { label: say('queries.setOnlyThese'), decision: first!, also: others },
      itIsRight(query, say('queries.keepTheSounds')),
    ];
  },
});
