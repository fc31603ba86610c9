import Dexie, { type EntityTable } from 'dexie';
import type { DrumSound } from '@/core/instruments';
import type { TechniqueChart } from '@/core/settings';
import type { FolderHandle } from './copies';
import type { Direction, HouseEntry, Ledger, Recipe } from '@/core/documents';

/** A job as it is kept in this browser. */
export interface JobRecord {
  id: string;
  name: string;
  /** Milliseconds since 1970. */
  createdAt: number;
  changedAt: number;
  originals: OriginalRef[];
  ledger: Ledger;
  /** Versions that this one took the place of, or that it was taken back from; in order of time. */
  versions?: VersionRecord[];
  /** Milliseconds since 1970 at which this version came; none for the first. */
  versionAt?: number;
  /** As of the last conversion; null before the first. */
  openQueries: number | null;
  /** The house list was asked when the job was first opened. */
  housed?: boolean;
  demo?: boolean;
  /** Which way the job goes; unless it says so MIDI goes to a score, a score to a sequencer. */
  direction?: Direction;
  /** What left the house, the last dispatch last. */
  sent?: SentRecord[];
  /** Recipes that were changed for this job alone. */
  recipes?: Recipe[];
  /** Id of the show whose cue it is. */
  show?: string;
  /** What was last found out about it without opening it. */
  facts?: JobFacts;
}

/** A version of a job's originals with what was decided about them. */
export interface VersionRecord {
  originals: OriginalRef[];
  ledger: Ledger;
  /** Milliseconds since 1970 at which it came; none for the first. */
  at?: number;
}

/** A dispatch of a job. */
export interface SentRecord {
  /** From 1. */
  version: number;
  /** Milliseconds since 1970. */
  at: number;
  /** Name of the recipe. */
  recipe: string;
  files: number;
  /** What it was made by, so that it can be made again and compared; none for deliveries of earlier versions. */
  ledger?: Ledger;
  direction?: Direction;
}

/** What the list of a show says of a cue. */
export interface JobFacts {
  /** `changedAt` of the job they were taken of. */
  of: number;
  bars: number;
  seconds: number;
  openQueries: number;
  /** The score against the original, in a sentence. */
  agreement: string;
  /** Share of the notes that are as they were, 0–1. */
  same: number;
  parts: { id: string; name: string; instrument: string }[];
  /** Why it could not be converted; none where it could. */
  failure?: string;
}

/** Cues that belong together. */
export interface ShowRecord {
  id: string;
  name: string;
  /** Name of the recipe its cues go out by. */
  recipe: string;
  /** Milliseconds since 1970. */
  createdAt: number;
  changedAt: number;
}

/** A recipe of one's own, or one of the house that was changed or used. */
export interface RecipeRecord {
  name: string;
  /** None where it is as the house has it. */
  recipe?: Recipe;
  changedAt: number;
  usedAt?: number;
}

export type { Direction };

export interface OriginalRef {
  sha256: string;
  fileName: string;
  size: number;
}

/** A received file, byte for byte. Shared by all jobs that hold it. */
export interface OriginalRecord {
  sha256: string;
  bytes: Uint8Array;
  /** Milliseconds since 1970 at which it was found that no job holds it. */
  unusedSince?: number;
}

/** A line of the house list with the time it was last learnt or edited. */
export interface HouseRecord extends HouseEntry {
  changedAt: number;
}

/** A drum map of one's own. */
export interface DrumMapRecord {
  name: string;
  sounds: DrumSound[];
  changedAt: number;
}

/** A technique chart of one's own. */
export interface ChartRecord extends TechniqueChart {
  changedAt: number;
}

/** How queries of a kind were answered last, and how often in a row. */
export interface HabitRecord {
  /** The kind of query. */
  kind: string;
  /** What tells the remedy among those of its kind. */
  like: string;
  times: number;
  changedAt: number;
}

/** The folder that copies of jobs are kept in. */
export interface CopiesRecord {
  key: 'folder';
  handle: FolderHandle;
  /** By id of the job: when what was copied last had been changed. */
  copied: Record<string, number>;
}

/** A sound bank of one's own. */
export interface BankRecord {
  key: 'own';
  name: string;
  bytes: Uint8Array;
}

/** A recording that lies beside a job, to be compared with. */
export interface ReferenceRecord {
  /** Id of the job. */
  job: string;
  fileName: string;
  bytes: Uint8Array;
  /** Seconds from its beginning to the beginning of the first bar. */
  offset: number;
  /** Milliseconds since 1970 at which it was found that its job is gone. */
  unusedSince?: number;
}

export interface DragomanDatabase {
  jobs: EntityTable<JobRecord, 'id'>;
  originals: EntityTable<OriginalRecord, 'sha256'>;
  houseList: EntityTable<HouseRecord, 'pattern'>;
  drumMaps: EntityTable<DrumMapRecord, 'name'>;
  charts: EntityTable<ChartRecord, 'name'>;
  habits: EntityTable<HabitRecord, 'kind'>;
  copies: EntityTable<CopiesRecord, 'key'>;
  banks: EntityTable<BankRecord, 'key'>;
  references: EntityTable<ReferenceRecord, 'job'>;
  recipes: EntityTable<RecipeRecord, 'name'>;
  shows: EntityTable<ShowRecord, 'id'>;
}

/** Versions in order; each says only what it changes. */
export function openDatabase(name = 'dragoman'): Dexie & DragomanDatabase {
  const database = new Dexie(name) as Dexie & DragomanDatabase;
  database.version(1).stores({
    jobs: 'id, changedAt',
    originals: 'sha256',
  });
  database.version(2).stores({ houseList: 'pattern' });
  database.version(3).stores({ drumMaps: 'name' });
  database.version(4).stores({ charts: 'name' });
  database.version(5).stores({ copies: 'key' });
  database.version(6).stores({ banks: 'key', references: 'job' });
  database.version(7).stores({ habits: 'kind' });
  database.version(8).stores({ recipes: 'name', shows: 'id, changedAt', jobs: 'id, changedAt, show' });
  return database;
}

export const database = openDatabase();
