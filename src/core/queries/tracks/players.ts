import { say } from '../../words';
import type { PartId, TrackId } from '../../base';
import { MOST_PLAYERS, USUAL_DEAL, type Deal } from '../../settings';
import { queryKind, type Doubt, type Remedy } from '../query-kind';

/** More notes at once than one player has. */
export interface Players extends Doubt<'players'> {
  track: TrackId;
  part: PartId;
  facts: {
    /** Most notes at once. */
    players: number;
    /** It sketches the strings. */
    choir: boolean;
  };
}

export const players = queryKind<Players>({
  kind: 'players',
  effect: 'pitch',
  station: 'casting',
  remedies: ({ track, facts }) => {
    const players = Math.min(facts.players, MOST_PLAYERS);
    const dealt = (label: string, deal: Partial<Deal>): Remedy => ({
      label,
      decision: { kind: 'dealOut', track, deal: { ...USUAL_DEAL, players, ...deal } },
    });
    const together = dealt(say('queries.keepAsOnePart'), { players: 1 });
    return facts.choir
      ? [dealt(say('queries.stringChoir'), { to: 'string-choir', players: 5 }), together]
      : [
          dealt(say('queries.divideAmongPlayersPlayersDoubling', { players }), {}),
          dealt(say('queries.divideAmongPlayersPlayersResting', { players }), { spare: 'rest' }),
          together,
        ];
  },
});
