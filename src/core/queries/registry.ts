/*
 * Every kind of query there is. To add one: a file in the folder of what it is about, a line here, and the stage that asks.
 */
import { onceEach, type PartId, type TrackId } from '../base';
import { emptyTrack } from './tracks/empty-track';
import { duplicateTrack } from './tracks/duplicate-track';
import { mixedChannels } from './tracks/mixed-channels';
import { unknownInstrument } from './tracks/unknown-instrument';
import { unsureInstruments } from './tracks/unsure-instruments';
import { houseList } from './tracks/house-list';
import { keyswitch } from './tracks/keyswitch';
import { gather } from './tracks/gather';
import { players } from './tracks/players';
import { soundChange } from './tracks/sound-change';
import { crowded } from './tracks/crowded';
import { collision } from './tracks/collision';
import { outOfRange } from './tracks/out-of-range';
import { offGrid } from './rhythm/off-grid';
import { earlyEntry } from './rhythm/early-entry';
import { oneStep } from './rhythm/one-step';
import { tuplet } from './rhythm/tuplet';
import { shortRest } from './rhythm/short-rest';
import { merged } from './rhythm/merged';
import { swing } from './rhythm/swing';
import { lead } from './rhythm/lead';
import { audit } from './rhythm/audit';
import { staves } from './page/staves';
import { doubled } from './page/doubled';
import { manySounds } from './page/many-sounds';
import { barRepeats } from './page/bar-repeats';
import { oneDrum } from './page/one-drum';
import { unmappedDrum } from './page/unmapped-drum';
import { impossibleChord } from './page/impossible-chord';
import { repeat } from './page/repeat';
import { unevenRepeat } from './page/uneven-repeat';
import { keyChange } from './page/key-change';
import { keySignature } from './page/key-signature';
import { meter } from './timeline/meter';
import { noBars } from './timeline/no-bars';
import { tempoBends } from './timeline/tempo-bends';
import { receivedPercussion } from './received/received-percussion';
import { receivedSpelling } from './received/received-spelling';
import { receivedTransposition } from './received/received-transposition';
import { betweenTicks } from './arranging/between-ticks';
import { jumpingFaders } from './arranging/jumping-faders';
import { oneVelocity } from './arranging/one-velocity';
import { silentDrums } from './arranging/silent-drums';
import { wrongSounds } from './arranging/wrong-sounds';
import { endlessRepeats } from './sequencing/endless-repeats';
import { pickup } from './sequencing/pickup';
import { severalPorts } from './sequencing/several-ports';
import { silentTechniques } from './sequencing/silent-techniques';
import { file } from './file/file';
import { twoVersions } from './file/two-versions';
import { EFFECTS, type Effect, type QueryKind, type Remedy, type StationId } from './query-kind';

const QUERY_KINDS = [
  emptyTrack,
  duplicateTrack,
  mixedChannels,
  unknownInstrument,
  unsureInstruments,
  houseList,
  keyswitch,
  gather,
  players,
  soundChange,
  crowded,
  collision,
  outOfRange,
  offGrid,
  earlyEntry,
  oneStep,
  tuplet,
  shortRest,
  merged,
  swing,
  lead,
  audit,
  staves,
  doubled,
  manySounds,
  barRepeats,
  oneDrum,
  unmappedDrum,
  impossibleChord,
  repeat,
  unevenRepeat,
  keyChange,
  keySignature,
  meter,
  noBars,
  tempoBends,
  receivedSpelling,
  receivedTransposition,
  receivedPercussion,
  wrongSounds,
  silentDrums,
  oneVelocity,
  jumpingFaders,
  betweenTicks,
  endlessRepeats,
  pickup,
  silentTechniques,
  severalPorts,
  twoVersions,
  file,
] as const;

type QueryOf<Kind> = Kind extends QueryKind<infer Q> ? Q : never;

/** What the engine is not sure of; by its `kind` the compiler knows the facts. */
export type Query = QueryOf<(typeof QUERY_KINDS)[number]>;

const BY_NAME = onceEach<Query['kind'], unknown>(QUERY_KINDS.map((kind) => [kind.kind, kind]));

function kindOf<Q extends Query>({ kind }: Pick<Q, 'kind'>): QueryKind<Q> {
  // They are filed under their own names.
  return BY_NAME.get(kind) as QueryKind<Q>;
}

/** The station that looks after a kind of query. */
export function stationFor(kind: Query['kind']): StationId {
  return kindOf({ kind }).station;
}

/** The remedies a query offers, the likeliest first. */
export function remediesFor<Q extends Query>(query: Q): Remedy[] {
  return kindOf(query).remedies(query);
}

/** A query as it is put to people. */
export type OpenQuery = Query & {
  remedies: Remedy[];
  effect: Effect;
  /** Played notes it is about; null where it is about something else than notes. */
  touched: number | null;
};

/** How many notes there are, in all and of some parts or tracks. */
export interface NoteCounts {
  all: number;
  of: ReadonlyMap<PartId | TrackId, number>;
}

/** Queries with their remedies, what matters most to the players first: by effect, then by how many notes they touch. */
export function putToPeople(queries: readonly Query[], counts: NoteCounts): OpenQuery[] {
  return queries
    .map((query): OpenQuery => ({
      ...query,
      remedies: remediesFor(query),
      effect: kindOf(query).effect,
      touched: notesOf(query, counts),
    }))
    .sort((a, b) => EFFECTS.indexOf(a.effect) - EFFECTS.indexOf(b.effect) || (b.touched ?? 0) - (a.touched ?? 0));
}

function notesOf(query: Query, { all, of }: NoteCounts): number | null {
  if (query.touches !== undefined) return query.touches;
  if (query.played) return query.played.length;
  if (query.parts) return null;
  const whose = query.part ?? query.track;
  if (whose !== undefined) return of.get(whose) ?? null;
  return kindOf(query).effect === 'piece' ? all : null;
}
