export * from './casting';
export { cast } from './cast';
export { isNobodysName } from './naming';
export { CLEAR, DOUBTFUL } from './cast-tracks';
export { trackLabel } from './casting-queries';
export { dealPlayers, playersFor, proposedDeal, type DealReport } from './players';
export { dealOut, playersNeeded, type DealtNote, type Player } from './deal-out';
