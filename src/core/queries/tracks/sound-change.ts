import { say } from '../../words';
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
    { label: say('queries.makeAPartForEach'), decision: { kind: 'splitTrack', track, by: 'programs' } },
    { label: say('queries.keepOnePlayerWhoDoubles'), decision: { kind: 'readSoundChanges', track, as: 'taken-up' } },
    { label: say('queries.useOneInstrumentThroughout'), decision: { kind: 'readSoundChanges', track, as: 'one' } },
  ],
});
