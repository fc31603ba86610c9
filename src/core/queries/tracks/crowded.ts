import type { PartId, TrackId } from '../../base';
import { MOST_PLAYERS, USUAL_DEAL } from '../../settings';
import { queryKind, type Doubt } from '../query-kind';

/** More notes at once than there are players. */
export interface Crowded extends Doubt<'crowded'> {
  track: TrackId;
  part: PartId;
  facts: { players: number };
}

export const crowded = queryKind<Crowded>({
  kind: 'crowded',
  remedies: ({ track, facts }) => {
    const players = facts.players + 1;
    return players > MOST_PLAYERS
      ? []
      : [
          {
            label: `Deal out to ${players} players`,
            decision: { kind: 'dealOut', track, deal: { ...USUAL_DEAL, players } },
          },
        ];
  },
});
