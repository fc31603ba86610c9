import type { TrackId } from '../performance/performance';
import type { WrittenUnits } from '../time';
import type { PartId } from './score';

export type QueryKind =
  | 'off-grid'
  | 'out-of-range'
  | 'unknown-instrument'
  | 'empty-track'
  | 'lead'
  | 'file'
  | 'unmapped-drum'
  | 'key-signature'
  | 'duplicate-track'
  | 'mixed-channels'
  | 'keyswitch'
  | 'gather'
  | 'players'
  | 'crowded'
  | 'collision'
  | 'house-list'
  | 'staves'
  | 'one-step'
  | 'tuplet'
  | 'doubled'
  | 'short-rest'
  | 'merged'
  | 'swing'
  | 'audit'
  | 'impossible-chord'
  | 'one-drum'
  | 'many-sounds'
  | 'bar-repeats'
  | 'repeat'
  | 'key-change';

/** A doubtful place: what was seen there. The remedies that answer it are decisions and live with the job. */
export interface Query {
  /** The same doubt has the same id each time the job is computed, so that an answer stays with it. */
  id: string;
  kind: QueryKind;
  /** One sentence. */
  message: string;
  track?: TrackId;
  part?: PartId;
  at?: WrittenUnits;
  /** Bar index. */
  bar?: number;
  /** Played notes concerned. */
  played?: number[];
  /** Facts a remedy needs, by kind. */
  facts?: Record<string, number | string>;
}
