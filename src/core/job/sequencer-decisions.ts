import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayUnique,
  Equals,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { TECHNIQUES, type TechniqueId } from '../instruments';
import {
  ACTIONS,
  CHANNEL_PLANS,
  DATA_KINDS,
  DYNAMIC_CARRIERS,
  NEUTRAL_VOLUMES,
  PRESETS,
  SPLITS,
  type Action,
  type ChannelPlan,
  type DataKind,
  type DynamicCarrier,
  type Preset,
  type Split,
  type TechniqueSwitch,
} from '../to-sequencer';
import { BarRange } from './rhythm-decisions';
import { IsRecord } from './validators';

/* Decisions about the way to a sequencer: one for the whole, one for a part, each saying only what it changes. */

const SCORE_PART = /^[\w.-]{1,120}$/;
const VELOCITY = (value: unknown) => Number.isInteger(value) && (value as number) >= 1 && (value as number) <= 127;
const KEY = (value: unknown) => Number.isInteger(value) && (value as number) >= 0 && (value as number) <= 127;
const shapeOk = (value: unknown) =>
  typeof value === 'object' &&
  value !== null &&
  Number((value as { length: unknown }).length) >= 0.05 &&
  Number((value as { length: unknown }).length) <= 1 &&
  Math.abs(Number((value as { velocity: unknown }).velocity)) <= 64;

export class LooseningDto {
  @IsInt() @Min(0) @Max(1_000_000) seed!: number;
  @IsInt() @Min(0) @Max(40) velocity!: number;
  @IsInt() @Min(0) @Max(40) accent!: number;
  @IsNumber() @Min(0) @Max(60) onset!: number;
  @ValidateIf((one: LooseningDto) => one.swing !== 'even') @IsNumber() @Min(1) @Max(4) swing!: number | 'even';
  @IsNumber() @Min(0) @Max(200) legato!: number;
}

/** How everything is sequenced. */
export class SetSequencing {
  @Equals('setSequencing') kind!: 'setSequencing';
  @IsOptional() @IsIn(PRESETS) preset?: Preset;
  @IsOptional()
  @IsArray()
  @ArrayUnique()
  @ArrayMaxSize(2)
  @IsIn(DYNAMIC_CARRIERS, { each: true })
  dynamicsTo?: DynamicCarrier[];
  @IsOptional() @IsRecord(VELOCITY, 8) levels?: Record<string, number>;
  @IsOptional() @IsInt() @Min(105) @Max(10080) rampStep?: number;
  @IsOptional() @IsRecord(shapeOk, 4) articulations?: Record<string, { length: number; velocity: number }>;
  @IsOptional() @IsNumber() @Min(0) @Max(200) slurOverlap?: number;
  @IsOptional() @IsBoolean() ornaments?: boolean;
  @IsOptional() @ValidateIf((one: SetSequencing) => one.neutralVolume !== null) @IsIn(NEUTRAL_VOLUMES) neutralVolume?:
    (typeof NEUTRAL_VOLUMES)[number] | null;
  @IsOptional() @IsIn(CHANNEL_PLANS) channels?: ChannelPlan;
  @IsOptional() @IsIn([0, 1]) format?: 0 | 1;
  @IsOptional() @IsInt() @Min(96) @Max(15360) ticksPerQuarter?: number;
  @IsOptional() @IsBoolean() runningStatus?: boolean;
  @IsOptional() @IsBoolean() padPickup?: boolean;
  @IsOptional() @IsBoolean() playRepeats?: boolean;
  @IsOptional() @ValidateNested() @Type(() => LooseningDto) loosening?: LooseningDto;
  @IsOptional()
  @ValidateIf((one: SetSequencing) => one.onlyParts !== null)
  @IsArray()
  @ArrayMaxSize(2000)
  @Matches(SCORE_PART, { each: true })
  onlyParts?: string[] | null;
  @IsOptional()
  @ValidateIf((one: SetSequencing) => one.onlyBars !== null)
  @ValidateNested()
  @Type(() => BarRange)
  onlyBars?: BarRange | null;
  @IsOptional() @IsIn(['one', 'parts', 'sections']) files?: 'one' | 'parts' | 'sections';
}

/** What becomes of one kind of data in a MIDI file; null means the whole file. */
export class SetCarry {
  @Equals('setCarry') kind!: 'setCarry';
  @IsIn(DATA_KINDS) data!: DataKind;
  @IsIn(ACTIONS) action!: Action;
  @ValidateIf((one: SetCarry) => one.track !== null) @IsInt() @Min(0) @Max(10_000) track!: number | null;
}

/** Track chunks of a MIDI file that do not go along. */
export class LeaveTracks {
  @Equals('leaveTracks') kind!: 'leaveTracks';
  @IsArray() @ArrayMaxSize(10_000) @IsInt({ each: true }) @Min(0, { each: true }) tracks!: number[];
  @IsBoolean() out!: boolean;
}

export class SwitchDto {
  @IsIn([...TECHNIQUES, 'ordinary']) technique!: TechniqueId | 'ordinary';
  @IsObject() @IsSwitchRule() by!: TechniqueSwitch['by'];
}

export class ChartDto {
  @IsString() @IsNotEmpty() @MaxLength(120) name!: string;
  @IsArray() @ArrayMaxSize(64) @ValidateNested({ each: true }) @Type(() => SwitchDto) entries!: SwitchDto[];
}

/** How one part is sequenced; null takes a field back. */
export class SetPartSequencing {
  @Equals('setPartSequencing') kind!: 'setPartSequencing';
  @Matches(SCORE_PART) part!: string;
  @IsOptional() @IsArray() @ArrayUnique() @ArrayMaxSize(2) @IsIn(DYNAMIC_CARRIERS, { each: true }) dynamicsTo?:
    DynamicCarrier[] | null;
  @IsOptional() @IsIn(SPLITS) split?: Split | null;
  @IsOptional() @IsInt() @Min(1) @Max(128) program?: number | null;
  @IsOptional() @IsInt() @Min(1) @Max(16) channel?: number | null;
  @IsOptional() @ValidateNested() @Type(() => ChartDto) chart?: ChartDto | null;
  @IsOptional() @IsRecord(KEY, 128) drumKeys?: Record<number, number> | null;
  @IsOptional() @IsBoolean() leftOut?: boolean | null;
  @IsOptional() @IsString() @MaxLength(200) trackName?: string | null;
}

function IsSwitchRule() {
  const within = (value: unknown, low: number, high: number) =>
    Number.isInteger(value) && (value as number) >= low && (value as number) <= high;
  return IsRecord((_value, record) => {
    const by = record as TechniqueSwitch['by'];
    if (by.kind === 'key') return within(by.key, 0, 127);
    if (by.kind === 'channel') return within(by.channel, 1, 16);
    if (by.kind === 'program') return within(by.program, 1, 128);
    return by.kind === 'controller' && within(by.controller, 0, 127) && within(by.value, 0, 127);
  }, 3);
}

export type SequencerDecision = SetSequencing | SetPartSequencing | SetCarry | LeaveTracks;

export const SEQUENCER_DECISIONS: Record<SequencerDecision['kind'], new () => SequencerDecision> = {
  setSequencing: SetSequencing,
  setPartSequencing: SetPartSequencing,
  setCarry: SetCarry,
  leaveTracks: LeaveTracks,
};
