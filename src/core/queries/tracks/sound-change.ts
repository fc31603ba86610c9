import type { PartId, TrackId } from '../../base';
import { queryKind, type Doubt } from '../query-kind';

/** The program changes in mid-track to that of an instrument that may be somebody else's. */
export interface SoundChange extends Doubt<'sound-change'> {
  track: TrackId;
  part: PartId;
}

export const soundChange = queryKind<SoundChange>({
  kind: 'sound-change',
  effect: 'pitch',
  station: 'casting',
  remedies: ({ track }) => [
    { label: 'Make a part for each', decision: { kind: 'splitTrack', track, by: 'programs' } },
    { label: 'Keep one player who doubles', decision: { kind: 'readSoundChanges', track, as: 'taken-up' } },
    { label: 'Use one instrument throughout', decision: { kind: 'readSoundChanges', track, as: 'one' } },
  ],
});
