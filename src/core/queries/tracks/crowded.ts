import { say } from '../../words';
import type { PartId, TrackId } from '../../base';
import { MOST_PLAYERS, USUAL_DEAL } from '../../settings';
import { itIsRight, queryKind, type Doubt, type Remedy } from '../query-kind';

/** More notes at once than there are players. */
export interface Crowded extends Doubt<'crowded'> {
  track: TrackId;
  part: PartId;
  facts: { players: number };
}

export const crowded = queryKind<Crowded>({
  kind: 'crowded',
  effect: 'pitch',
  station: 'casting',
  remedies: (query) => {
    const players = query.facts.players + 1;
    const deal = { ...USUAL_DEAL, players };
    const more: Remedy = {
      label: say('queries.divideAmongPlayersPlayers', { players }),
      decision: { kind: 'dealOut', track: query.track, deal },
    };
    return [...(players > MOST_PLAYERS ? [] : [more]), itIsRight(query, say('queries.keepAsDivisi'))];
  },
});
