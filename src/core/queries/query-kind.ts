import type { NoteId, PartId, QueryId, TrackId } from '../base';
import { asOne, singles, type Decision, type SingleDecision } from '../decisions';
import type { WrittenUnits } from '../time';

/** A decision that answers a query, with the words on its button. */
export interface Remedy {
  label: string;
  decision: Decision;
  /** Further decisions that belong to it. */
  also?: Decision[];
  /** Takes a player or music away: never the one under the first key, whatever was answered before. */
  lastResort?: true;
  /** What tells the same step where another query of its kind offers it; the label where none is given. */
  like?: string;
}

/** What a remedy of a query decides, in one step. */
export function stepOf(query: { id: QueryId; message: string }, { decision, also = [] }: Remedy): Decision {
  return asOne([decision, ...also].flatMap(singles).map((made) => withWords(made, query)));
}

/** Setting a query aside, with a reason or without. */
export function asideOf({ id, message }: { id: QueryId; message: string }, reason: string): Decision {
  return withWords({ kind: 'dismissQuery', query: id, reason }, { id, message });
}

const LONGEST_ABOUT = 300;

/** The ledger says what was asked. */
function withWords(made: SingleDecision, { id, message }: { id: QueryId; message: string }): SingleDecision {
  const about = message.slice(0, LONGEST_ABOUT);
  return made.kind === 'dismissQuery' && made.query === id ? { ...made, about } : made;
}

export function likeOf({ label, like = label }: Remedy): string {
  return like;
}

/**
 * What a query is about, what matters most to the players first: the music as a whole, which notes sound for whom, when
 * they sound, how it looks; and what is only to be known.
 */
export const EFFECTS = ['piece', 'pitch', 'rhythm', 'look', 'known'] as const;
export type Effect = (typeof EFFECTS)[number];

/**
 * A doubtful place: what was seen there. Kinds that need more than a sentence and a place say so in `facts`.
 */
export interface Doubt<Kind extends string> {
  /** The same doubt has the same id each time the job is computed, so that an answer stays with it. */
  id: QueryId;
  kind: Kind;
  /** One sentence. */
  message: string;
  track?: TrackId;
  part?: PartId;
  at?: WrittenUnits;
  /** Bar index. */
  bar?: number;
  /** Played notes concerned. */
  played?: NoteId[];
  /** How many notes it is about, where that is not what was played in `played`, the part or the track. */
  touches?: number;
  /** Parts concerned, where there are several. */
  parts?: PartId[];
}

/** The stations of a job in working order. The way to a sequencer has no page. */
export const STATION_IDS = ['intake', 'casting', 'rhythm', 'page', 'timeline', 'proof', 'dispatch'] as const;
export type StationId = (typeof STATION_IDS)[number];

/** A kind of query, with the decisions that answer it. Setting it aside is always possible and not among them. */
export interface QueryKind<Q extends { kind: string }> {
  kind: Q['kind'];
  effect: Effect;
  /** Looks after it. */
  station: StationId;
  /** The likeliest first. */
  remedies(query: Q): Remedy[];
}

export function queryKind<Q extends { kind: string }>(kind: QueryKind<Q>): QueryKind<Q> {
  return kind;
}

/** A remedy that changes nothing: somebody looked and it is right as it is. */
export function itIsRight({ id }: { id: QueryId }, label: string): Remedy {
  return { label, decision: { kind: 'dismissQuery', query: id, reason: label } };
}
