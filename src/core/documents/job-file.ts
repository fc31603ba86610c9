import { say } from '../words';
import { plainToInstance } from 'class-transformer';
import {
  ArrayMaxSize,
  Equals,
  IsArray,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsOptional,
  IsString,
  Matches,
  MaxLength,
  Min,
  validateSync,
  type ValidationError,
} from 'class-validator';
import { DECISION_KINDS, type Decision, type SingleDecision, IsShape, AreShapes } from '../decisions';
import { jobErrors } from './errors';
import { parsePlain } from './plain-json';

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

/** Another version of the originals, with what was decided about it. */
export class VersionDto {
  @AreShapes(OriginalDto) originals!: OriginalDto[];
  @IsShape(LedgerDto) ledger!: LedgerDto;
  /** Milliseconds since 1970 at which it came; none for the first. */
  @IsOptional() @IsInt() @Min(0) at?: number;
}

export const JOB_FORMAT = 'dragoman-job';
export const JOB_VERSION = 1;

/** In UTF-16 units; what is longer is cut where it is given. */
export const LONGEST_JOB_NAME = 300;

/** A job may have so many versions beside the one that is worked on. */
const MOST_VERSIONS = 10_000;

/** Which way a job goes. */
export const DIRECTIONS = ['to-score', 'to-sequencer'] as const;
export type Direction = (typeof DIRECTIONS)[number];

/** job.json, and the file behind `--job` on the command line. */
export class JobDto {
  @Equals(JOB_FORMAT) format!: typeof JOB_FORMAT;
  @Equals(JOB_VERSION) version!: typeof JOB_VERSION;
  @IsString() @IsNotEmpty() @MaxLength(LONGEST_JOB_NAME) name!: string;
  /** Files of before have none: the way its original suggests. */
  @IsOptional() @IsIn(DIRECTIONS) direction?: Direction;
  @AreShapes(OriginalDto) originals!: OriginalDto[];
  @IsShape(LedgerDto) ledger!: LedgerDto;
  /** When this version of its originals came, and those that stand beside it. */
  @IsOptional() @IsInt() @Min(0) versionAt?: number;
  @IsOptional() @ArrayMaxSize(MOST_VERSIONS) @AreShapes(VersionDto) versions?: VersionDto[];
}

/**
 * Reads a job file's text and checks every part of it.
 *
 * @throws JobError with one sentence: not JSON, unknown version, unknown decision, a value out of bounds
 */
export function parseJob(text: string, fileName: string): JobDto {
  const plain = parsePlain(text, (why) => jobErrors.notJobFile(fileName, why));
  if (typeof plain !== 'object' || plain === null) throw jobErrors.invalid(say('documents.itHoldsNoJob'));
  const { version } = plain as { version?: unknown };
  if (version !== JOB_VERSION) throw jobErrors.wrongVersion(version);
  const job = plainToInstance(JobDto, plain);
  check(job);
  const { versions } = job;
  return {
    ...job,
    ledger: checkLedger(job.ledger),
    ...(versions && { versions: versions.map((one) => ({ ...one, ledger: checkLedger(one.ledger) })) }),
  };
}

/** Decisions out of what was stored. @throws JobError where it holds none, or one that is unknown or out of bounds */
export function readDecisions(plain: unknown): Decision[] {
  if (!Array.isArray(plain)) throw jobErrors.invalid(say('documents.itHoldsNoDecisions'));
  return plain.map(checkDecision);
}

function checkLedger({ decisions: plain, position }: LedgerDto): LedgerDto {
  const decisions = plain.map(checkDecision);
  if (position > decisions.length)
    throw jobErrors.invalid(
      say('documents.itsLedgerStandsAtLinePositionOf', { position, decisions: decisions.length }),
    );
  return { decisions, position };
}

function checkDecision(plain: unknown, at: number): Decision {
  const kind = (plain as { kind?: unknown } | null)?.kind;
  if (typeof kind !== 'string' || !Object.hasOwn(DECISION_KINDS, kind)) throw jobErrors.unknownDecision(kind, at);
  const decision = plainToInstance<Decision, unknown>(DECISION_KINDS[kind as Decision['kind']].dto, plain);
  check(decision, say('documents.lineAtOfTheLedger', { at: at + 1 }));
  return decision.kind === 'together' ? { ...decision, decisions: decision.decisions.map(single) } : { ...decision };

  function single(one: unknown): SingleDecision {
    const made = checkDecision(one, at);
    if (made.kind === 'together')
      throw jobErrors.invalid(say('documents.lineAtOfTheLedgerStepsWithinSteps', { at: at + 1 }));
    return made;
  }
}

function check(value: object, where = ''): void {
  const [error] = validateSync(value, { whitelist: true, forbidNonWhitelisted: true });
  if (error) throw jobErrors.invalid(where + firstSentence(error));
}

function firstSentence(error: ValidationError): string {
  if (error.constraints) return Object.values(error.constraints)[0]!;
  return error.children?.[0]
    ? firstSentence(error.children[0])
    : say('documents.propertyIsNotAsItShouldBe', { property: error.property });
}
