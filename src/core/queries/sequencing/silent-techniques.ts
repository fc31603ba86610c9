import { say } from '../../words';
import type { PartId } from '../../base';
import { queryKind, type Doubt } from '../query-kind';

/** Ways of playing that are written and that nothing tells the sound library of. */
export interface SilentTechniques extends Doubt<'silent-techniques'> {
  part: PartId;
}

export const silentTechniques = queryKind<SilentTechniques>({
  kind: 'silent-techniques',
  effect: 'pitch',
  station: 'casting',
  remedies: ({ part }) => [
    {
      label: say('queries.splitIntoATrackPerTechnique'),
      decision: { kind: 'setPartSequencing', part, split: 'technique' },
    },
  ],
});
