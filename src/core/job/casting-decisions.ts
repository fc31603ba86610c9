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
import { MOST_PLAYERS, type Deal, type HouseAnswer } from '../casting';
import { LANGUAGES, TECHNIQUES, type Language, type TechniqueId } from '../instruments';
import { IsInstrumentId, PART, TRACK } from './validators';

/* Decisions about tracks, instruments, players and the order of the page. */

const TECHNIQUE_OR_NONE = [...TECHNIQUES, 'none'] as const;

export class LeaveOut {
  @Equals('leaveOut') kind!: 'leaveOut';
  @IsArray() @ArrayNotEmpty() @Matches(TRACK, { each: true }) tracks!: string[];
}

export class TakeIn {
  @Equals('takeIn') kind!: 'takeIn';
  @IsArray() @ArrayNotEmpty() @Matches(TRACK, { each: true }) tracks!: string[];
}

export class AssignInstrument {
  @Equals('assignInstrument') kind!: 'assignInstrument';
  @IsArray() @ArrayNotEmpty() @Matches(TRACK, { each: true }) tracks!: string[];
  @IsInstrumentId() instrument!: string;
}

/** One staff or two, for instruments that may have either; null leaves it to the engine again. */
export class SetStaves {
  @Equals('setStaves') kind!: 'setStaves';
  @Matches(PART) part!: string;
  @ValidateIf((one: SetStaves) => one.staves !== null) @IsIn([1, 2]) staves!: 1 | 2 | null;
}

export class SetTechnique {
  @Equals('setTechnique') kind!: 'setTechnique';
  @IsArray() @ArrayNotEmpty() @Matches(TRACK, { each: true }) tracks!: string[];
  @IsIn(TECHNIQUE_OR_NONE) technique!: TechniqueId | 'none';
}

/** Several tracks become one part, under the first of them. */
export class Gather {
  @Equals('gather') kind!: 'gather';
  @IsArray() @ArrayMinSize(2) @Matches(TRACK, { each: true }) tracks!: string[];
}

/** Tracks that were gathered are parts of their own again. */
export class StandAlone {
  @Equals('standAlone') kind!: 'standAlone';
  @IsArray() @ArrayNotEmpty() @Matches(TRACK, { each: true }) tracks!: string[];
}

export class DealDto implements Deal {
  @IsIn(['players', 'string-choir']) to!: Deal['to'];
  /** 1 keeps the notes together on one part. */
  @IsInt() @Min(1) @Max(MOST_PLAYERS) players!: number;
  @IsIn(['double', 'rest']) spare!: Deal['spare'];
  @IsIn(['smooth', 'top-down']) lines!: Deal['lines'];
  @IsIn(['straight', 'paired']) order!: Deal['order'];
}

export class DealOut {
  @Equals('dealOut') kind!: 'dealOut';
  /** First track of the part. */
  @Matches(TRACK) track!: string;
  @ValidateNested() @Type(() => DealDto) deal!: DealDto;
}

export class SwitchMeaning {
  @IsInt() @Min(0) @Max(127) key!: number;
  @IsIn(TECHNIQUE_OR_NONE) technique!: TechniqueId | 'none';
}

/** Which keys of a track are keyswitches, and what they mean; none when they are ordinary notes. */
export class SetKeyswitches {
  @Equals('setKeyswitches') kind!: 'setKeyswitches';
  @Matches(TRACK) track!: string;
  @IsArray() @ArrayMaxSize(128) @ValidateNested({ each: true }) @Type(() => SwitchMeaning) meanings!: SwitchMeaning[];
}

export class RenamePart {
  @Equals('renamePart') kind!: 'renamePart';
  @Matches(PART) part!: string;
  @IsString() @IsNotEmpty() @MaxLength(200) name!: string;
}

export class AbbreviatePart {
  @Equals('abbreviatePart') kind!: 'abbreviatePart';
  @Matches(PART) part!: string;
  @IsString() @MaxLength(60) abbreviation!: string;
}

export class SetSolo {
  @Equals('setSolo') kind!: 'setSolo';
  /** First track of the part. */
  @Matches(TRACK) part!: string;
  @IsBoolean() solo!: boolean;
}

export class MovePart {
  @Equals('movePart') kind!: 'movePart';
  @Matches(PART) part!: string;
  /** The part it now stands before; null for the foot of the page. */
  @ValidateIf((one: MovePart) => one.before !== null) @Matches(PART) before!: string | null;
}

/** Language of the instruments' names and abbreviations. */
export class SetLanguage {
  @Equals('setLanguage') kind!: 'setLanguage';
  @IsIn(LANGUAGES) language!: Language;
}

export class HouseAnswerDto implements HouseAnswer {
  @Matches(TRACK) track!: string;
  @IsOptional() @IsInstrumentId() instrument?: string;
  @IsOptional() @IsIn(TECHNIQUES) technique?: TechniqueId;
  @IsOptional() @IsString() @IsNotEmpty() @MaxLength(200) partName?: string;
  @IsOptional() @ValidateNested() @Type(() => DealDto) deal?: DealDto;
  @IsOptional() @Equals(true) leftOut?: true;
}

/** What the house list said when the job was opened: kept with the job, so that it gives the same score everywhere. */
export class UseHouseList {
  @Equals('useHouseList') kind!: 'useHouseList';
  @IsArray() @ArrayNotEmpty() @ValidateNested({ each: true }) @Type(() => HouseAnswerDto) answers!: HouseAnswerDto[];
}

export type CastingDecision =
  | LeaveOut
  | TakeIn
  | AssignInstrument
  | SetTechnique
  | Gather
  | StandAlone
  | DealOut
  | SetKeyswitches
  | RenamePart
  | AbbreviatePart
  | SetSolo
  | SetStaves
  | MovePart
  | SetLanguage
  | UseHouseList;

export const CASTING_DECISIONS: Record<CastingDecision['kind'], new () => CastingDecision> = {
  leaveOut: LeaveOut,
  takeIn: TakeIn,
  assignInstrument: AssignInstrument,
  setTechnique: SetTechnique,
  gather: Gather,
  standAlone: StandAlone,
  dealOut: DealOut,
  setKeyswitches: SetKeyswitches,
  renamePart: RenamePart,
  abbreviatePart: AbbreviatePart,
  setSolo: SetSolo,
  setStaves: SetStaves,
  movePart: MovePart,
  setLanguage: SetLanguage,
  useHouseList: UseHouseList,
};
