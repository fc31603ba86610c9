import { say } from '../../words';
import type { NoteId, PartId } from '../../base';
import type { SmallestValue } from '../../settings';
import { itIsRight, queryKind, type Doubt, type Remedy } from '../query-kind';

/** A finer grid that has a place near each of the notes. */
export interface NearGrid {
  smallest: SmallestValue;
  triplets: boolean;
}

/** Notes far from the place they are written on. */
export interface OffGrid extends Doubt<'off-grid'> {
  part: PartId;
  played: NoteId[];
  facts: { near: NearGrid[] };
}

export const offGrid = queryKind<OffGrid>({
  kind: 'off-grid',
  effect: 'rhythm',
  station: 'rhythm',
  remedies: (query) => {
    const right = itIsRight(
      query,
      query.played.length === 1 ? say('queries.keepThisPosition') : say('queries.keepThesePositions'),
    );
    const finer = query.facts.near.map(({ smallest, triplets }): Remedy => ({
      label: say('queries.allowThirtySecondsAndTripletsIn', {
        smallest32nd: smallest === '32nd',
        triplets: Boolean(triplets),
      }),
      decision: { kind: 'setGrid', part: query.part, smallest, triplets },
      // What lies beside that grid too was looked at.
      also: [right.decision],
    }));
    return [{ ...right, like: say('queries.theyAreRightThere') }, ...finer];
  },
});
