import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  Equals,
  IsArray,
  IsDefined,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { TEXT_ENCODINGS, type TextEncoding } from '../smf';
import { CASTING_DECISIONS, type CastingDecision } from './casting-decisions';
import { PAGE_DECISIONS, type PageDecision } from './page-decisions';
import { SEQUENCER_DECISIONS, type SequencerDecision } from './sequencer-decisions';
import { RHYTHM_DECISIONS, type RhythmDecision } from './rhythm-decisions';
import { TRACK } from './validators';

export * from './casting-decisions';
export * from './page-decisions';
export * from './rhythm-decisions';
export * from './sequencer-decisions';

/*
 * Decisions: everything a person can settle, as plain data. A decision is validated where it enters from outside
 * (archives, job files); inside it is an ordinary object with a `kind`. Those about tracks and players are in
 * casting-decisions.ts, those about rhythm in rhythm-decisions.ts, about the page in page-decisions.ts, about direction
 * B in sequencer-decisions.ts.
 */

export const SPLITS = ['channel', 'sounds'] as const;

/**
 * A track that carries several channels becomes one track for each; one of percussion, one for each instrument struck.
 */
export class SplitTrack {
  @Equals('splitTrack') kind!: 'splitTrack';
  @Matches(TRACK) track!: string;
  /** By channel when absent. */
  @IsOptional() @IsIn(SPLITS) by?: (typeof SPLITS)[number];
}

/** Where a further original begins: so many bars after the first one does. */
export class PlaceOriginal {
  @Equals('placeOriginal') kind!: 'placeOriginal';
  /** 2 is the second original. */
  @IsInt() @Min(2) @Max(99) original!: number;
  @IsInt() @Min(0) @Max(9999) bars!: number;
}

/** In which encoding the names and texts of the files are written; null leaves it to the reader again. */
export class SetTextEncoding {
  @Equals('setTextEncoding') kind!: 'setTextEncoding';
  @ValidateIf((one: SetTextEncoding) => one.encoding !== null) @IsIn(TEXT_ENCODINGS) encoding!: TextEncoding | null;
}

export class DismissQuery {
  @Equals('dismissQuery') kind!: 'dismissQuery';
  @IsString() @IsNotEmpty() @MaxLength(300) query!: string;
  @IsString() @MaxLength(500) reason!: string;
}

export type Decision =
  | CastingDecision
  | RhythmDecision
  | PageDecision
  | SequencerDecision
  | SplitTrack
  | PlaceOriginal
  | SetTextEncoding
  | DismissQuery;

/** Every kind of decision there is, by its `kind`. */
export const DECISION_KINDS: Record<Decision['kind'], new () => Decision> = {
  ...CASTING_DECISIONS,
  ...RHYTHM_DECISIONS,
  ...PAGE_DECISIONS,
  ...SEQUENCER_DECISIONS,
  splitTrack: SplitTrack,
  placeOriginal: PlaceOriginal,
  setTextEncoding: SetTextEncoding,
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
