import { say } from '../../words';
import type { PartId, TrackId } from '../../base';
import { instrumentById, type InstrumentId, spokenName } from '../../instruments';
import { queryKind, type Doubt, type Remedy } from '../query-kind';

/** Nobody can tell which instrument a track is. */
export interface UnknownInstrument extends Doubt<'unknown-instrument'> {
  track: TrackId;
  part: PartId;
  facts: {
    /** What it may be, the likeliest first. */
    candidates: InstrumentId[];
  };
}

export const unknownInstrument = queryKind<UnknownInstrument>({
  kind: 'unknown-instrument',
  effect: 'pitch',
  station: 'casting',
  remedies: ({ track, facts }) => [
    ...facts.candidates.map((instrument): Remedy => ({
      label: spokenName(instrumentById(instrument)),
      decision: { kind: 'assignInstrument', tracks: [track], instrument },
    })),
    { label: say('queries.leaveThisTrackOut'), decision: { kind: 'leaveOut', tracks: [track] } },
  ],
});
