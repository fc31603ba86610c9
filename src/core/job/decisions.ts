import 'reflect-metadata';
import { Type } from 'class-transformer';
import { Equals, IsArray, IsBoolean, IsDefined, IsIn, IsInt, IsNotEmpty, IsNumber, IsString, Matches, Max, MaxLength, Min, ValidateNested } from 'class-validator';
import { SMALLEST_VALUES, type SmallestValue } from '../to-score';
import { CASTING_DECISIONS, type CastingDecision } from './casting-decisions';
import { PART, TRACK } from './validators';

export * from './casting-decisions';

/*
 * Decisions: everything a person can settle, as plain data. A decision is validated where it enters from outside (archives,
 * job files); inside it is an ordinary object with a `kind`. Those about tracks and players are in casting-decisions.ts.
 */

export class SetGrid {
  @Equals('setGrid') kind!: 'setGrid';
  @Matches(PART) part!: string;
  @IsIn(SMALLEST_VALUES) smallest!: SmallestValue;
  @IsBoolean() triplets!: boolean;
}

export class FreeGrid {
  @Equals('freeGrid') kind!: 'freeGrid';
  @Matches(PART) part!: string;
}

export class SetLead {
  @Equals('setLead') kind!: 'setLead';
  @Matches(TRACK) track!: string;
  @IsNumber() @Min(-1000) @Max(1000) milliseconds!: number;
}

export class SetKey {
  @Equals('setKey') kind!: 'setKey';
  @IsInt() @Min(-7) @Max(7) fifths!: number;
  @IsIn(['major', 'minor']) mode!: 'major' | 'minor';
}

export class SetTitle {
  @Equals('setTitle') kind!: 'setTitle';
  @IsString() @MaxLength(300) title!: string;
}

/** A track that carries several channels becomes one track for each. */
export class SplitTrack {
  @Equals('splitTrack') kind!: 'splitTrack';
  @Matches(TRACK) track!: string;
}

/** Where a further original begins: so many bars after the first one does. */
export class PlaceOriginal {
  @Equals('placeOriginal') kind!: 'placeOriginal';
  /** 2 is the second original. */
  @IsInt() @Min(2) @Max(99) original!: number;
  @IsInt() @Min(0) @Max(9999) bars!: number;
}

export class DismissQuery {
  @Equals('dismissQuery') kind!: 'dismissQuery';
  @IsString() @IsNotEmpty() @MaxLength(300) query!: string;
  @IsString() @MaxLength(500) reason!: string;
}

export type Decision = CastingDecision | SetGrid | FreeGrid | SetLead | SetKey | SetTitle | SplitTrack | PlaceOriginal | DismissQuery;

/** Every kind of decision there is, by its `kind`. */
export const DECISION_KINDS: Record<Decision['kind'], new () => Decision> = {
  ...CASTING_DECISIONS,
  setGrid: SetGrid,
  freeGrid: FreeGrid,
  setLead: SetLead,
  setKey: SetKey,
  setTitle: SetTitle,
  splitTrack: SplitTrack,
  placeOriginal: PlaceOriginal,
  dismissQuery: DismissQuery,
};

/** The ledger as it is stored: decisions in order, and how many of them are in force. */
export class LedgerDto {
  @IsArray() decisions!: Decision[];
  @IsInt() @Min(0) position!: number;
}

export class OriginalDto {
  @IsString() @IsNotEmpty() @MaxLength(500) fileName!: string;
  @Matches(/^[0-9a-f]{64}$/) sha256!: string;
  @IsInt() @Min(0) size!: number;
}

export const JOB_FORMAT = 'dragoman-job';
export const JOB_VERSION = 1;

/** job.json, and the file behind `--job` on the command line. */
export class JobDto {
  @Equals(JOB_FORMAT) format!: typeof JOB_FORMAT;
  @Equals(JOB_VERSION) version!: typeof JOB_VERSION;
  @IsString() @IsNotEmpty() @MaxLength(300) name!: string;
  @IsArray() @ValidateNested({ each: true }) @Type(() => OriginalDto) originals!: OriginalDto[];
  @IsDefined() @ValidateNested() @Type(() => LedgerDto) ledger!: LedgerDto;
}
