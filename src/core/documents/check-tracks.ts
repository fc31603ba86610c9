import { leadingTrack, unsplit, type TrackId } from '../base';
import { singles, type SingleDecision } from '../decisions';
import { jobErrors } from './errors';
import { inForce, type Ledger } from './ledger';

/**
 * Whether a ledger belongs to an original.
 *
 * @param tracks of the original @throws JobError when a decision speaks of a track it does not have
 */
export function checkTracks(ledger: Ledger, tracks: readonly { id: TrackId }[]): void {
  const known = new Set(tracks.map(({ id }) => id));
  const unknown = inForce(ledger)
    .flatMap(singles)
    .flatMap(tracksOf)
    .find((id) => !known.has(id) && !known.has(unsplit(id)));
  if (unknown) throw jobErrors.unknownTrack(unknown);
}

/** The tracks of the originals a decision speaks of. */
function tracksOf(made: SingleDecision): TrackId[] {
  // The parts of a score file have ids of their own; their tracks are chunks by number.
  if (isOfSequences(made)) return [];
  if ('tracks' in made) return made.tracks;
  if ('track' in made) return [made.track];
  if ('part' in made && made.part !== null) return [leadingTrack(made.part)];
  return [];
}

type OfSequences = Extract<
  SingleDecision,
  { kind: 'setPartSequencing' | 'treat' | 'playAsReceived' | 'leaveTracks' | 'setCarry' }
>;

function isOfSequences(made: SingleDecision): made is OfSequences {
  return ['setPartSequencing', 'treat', 'playAsReceived', 'leaveTracks', 'setCarry'].includes(made.kind);
}
