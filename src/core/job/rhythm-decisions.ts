import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayNotEmpty,
  Equals,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  Matches,
  Max,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import {
  FURTHER_TUPLETS,
  LENGTHS,
  SMALLEST_VALUES,
  SWING_UNITS,
  type FurtherTuplet,
  type Lengths,
  type SmallestValue,
  type SwingUnit,
} from '../to-score';
import { PART, TRACK } from './validators';

/* Decisions about rhythm: grids, leads, swing, gaps, voices, hands, and single notes. */

export class BarRange {
  @IsInt() @Min(0) from!: number;
  /** Not included. */
  @IsInt() @Min(1) to!: number;
}

/** The grid of a part, or of some of its bars. */
export class SetGrid {
  @Equals('setGrid') kind!: 'setGrid';
  @Matches(PART) part!: string;
  @IsIn(SMALLEST_VALUES) smallest!: SmallestValue;
  @IsBoolean() triplets!: boolean;
  @IsOptional() @IsArray() @IsIn(FURTHER_TUPLETS, { each: true }) also?: FurtherTuplet[];
  @IsOptional() @ValidateNested() @Type(() => BarRange) bars?: BarRange;
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

/** Long to short eighth; 1 keeps the eighths as played, null leaves it to the engine again. */
export class SetSwing {
  @Equals('setSwing') kind!: 'setSwing';
  @ValidateIf((one: SetSwing) => one.ratio !== null) @IsNumber() @Min(1) @Max(4) ratio!: number | null;
  /** Eighths when absent. */
  @IsOptional() @IsIn(SWING_UNITS) unit?: SwingUnit;
}

/** Whether trills, tremolos, grace notes and spread chords are looked for. */
export class SetOrnaments {
  @Equals('setOrnaments') kind!: 'setOrnaments';
  @Matches(PART) part!: string;
  @IsBoolean() on!: boolean;
}

/** Gaps up to a value are closed; null closes only what looks like one. */
export class SetGaps {
  @Equals('setGaps') kind!: 'setGaps';
  @Matches(PART) part!: string;
  @ValidateIf((one: SetGaps) => one.upTo !== null) @IsIn(SMALLEST_VALUES) upTo!: SmallestValue | null;
}

/** Whether short notes may be written longer, with a dot, where that reads better; or as long as they were played. */
export class SetLengths {
  @Equals('setLengths') kind!: 'setLengths';
  @Matches(PART) part!: string;
  @IsIn(LENGTHS) as!: Lengths;
  @IsOptional() @ValidateNested() @Type(() => BarRange) bars?: BarRange;
}

/**
 * A part that doubles another is written as that one is; as itself, when it is its own model; null leaves it to the
 * engine again.
 */
export class WriteAs {
  @Equals('writeAs') kind!: 'writeAs';
  @Matches(PART) part!: string;
  @ValidateIf((one: WriteAs) => one.as !== null) @Matches(PART) as!: string | null;
}

export class SetVoices {
  @Equals('setVoices') kind!: 'setVoices';
  @Matches(PART) part!: string;
  @IsInt() @Min(1) @Max(4) most!: number;
}

/** Lowest key of the upper staff; null lets the hands move. */
export class SetHandSplit {
  @Equals('setHandSplit') kind!: 'setHandSplit';
  @Matches(PART) part!: string;
  @ValidateIf((one: SetHandSplit) => one.key !== null) @IsInt() @Min(0) @Max(127) key!: number | null;
}

/** Whether a part may change its clef. */
export class SetClefs {
  @Equals('setClefs') kind!: 'setClefs';
  @Matches(PART) part!: string;
  @IsBoolean() changes!: boolean;
}

export class NoteMove {
  @IsInt() @Min(0) note!: number;
  /** Written units. */
  @IsInt() by!: number;
}

export class MoveNotes {
  @Equals('moveNotes') kind!: 'moveNotes';
  @Matches(PART) part!: string;
  @IsArray()
  @ArrayNotEmpty()
  @ArrayMaxSize(10_000)
  @ValidateNested({ each: true })
  @Type(() => NoteMove)
  moves!: NoteMove[];
}

/** Notes one after the other become one, the first. */
export class JoinNotes {
  @Equals('joinNotes') kind!: 'joinNotes';
  @Matches(PART) part!: string;
  @IsArray() @ArrayMinSize(2) @ArrayMaxSize(1000) @IsInt({ each: true }) @Min(0, { each: true }) notes!: number[];
}

/** A note is struck again at a place inside it. */
export class CutNote {
  @Equals('cutNote') kind!: 'cutNote';
  @Matches(PART) part!: string;
  @IsInt() @Min(0) note!: number;
  @IsInt() @Min(0) at!: number;
}

export type RhythmDecision =
  | SetGrid
  | FreeGrid
  | SetLead
  | SetSwing
  | SetOrnaments
  | SetGaps
  | SetLengths
  | WriteAs
  | SetVoices
  | SetHandSplit
  | SetClefs
  | MoveNotes
  | JoinNotes
  | CutNote;

export const RHYTHM_DECISIONS: Record<RhythmDecision['kind'], new () => RhythmDecision> = {
  setGrid: SetGrid,
  freeGrid: FreeGrid,
  setLead: SetLead,
  setSwing: SetSwing,
  setOrnaments: SetOrnaments,
  setGaps: SetGaps,
  setLengths: SetLengths,
  writeAs: WriteAs,
  setVoices: SetVoices,
  setHandSplit: SetHandSplit,
  setClefs: SetClefs,
  moveNotes: MoveNotes,
  joinNotes: JoinNotes,
  cutNote: CutNote,
};
