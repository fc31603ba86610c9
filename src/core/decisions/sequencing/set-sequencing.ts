import {
  ArrayMaxSize,
  ArrayUnique,
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
} from 'class-validator';
import type { PartId } from '../../base';
import {
  CHANNEL_PLANS,
  DYNAMIC_CARRIERS,
  GLIDES,
  NEUTRAL_VOLUMES,
  PRESETS,
  type ChannelPlan,
  type DirectionB,
  type DynamicCarrier,
  type Glides,
  type Preset,
} from '../../settings';
import { QUARTER } from '../../time';
import { decisionKind } from '../decision-kind';
import { defined } from '../records';
import { BarRange } from '../shapes/bar-range';
import { carriersInWords } from '../shapes/carriers';
import { LooseningDto } from '../shapes/loosening';
import { IsRecord, SCORE_PART, IsShape } from '../validators';

const VELOCITY = (value: unknown) => Number.isInteger(value) && (value as number) >= 1 && (value as number) <= 127;
const shapeOk = (value: unknown) =>
  typeof value === 'object' &&
  value !== null &&
  Number((value as { length: unknown }).length) >= 0.05 &&
  Number((value as { length: unknown }).length) <= 1 &&
  Math.abs(Number((value as { velocity: unknown }).velocity)) <= 64;

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
  @IsOptional() @IsInt() @Min(QUARTER / 96) @Max(QUARTER) rampStep?: number;
  @IsOptional() @IsRecord(shapeOk, 4) articulations?: Record<string, { length: number; velocity: number }>;
  @IsOptional() @IsNumber() @Min(0) @Max(200) slurOverlap?: number;
  @IsOptional() @IsBoolean() ornaments?: boolean;
  @IsOptional() @IsIn(GLIDES) glides?: Glides;
  @IsOptional() @IsBoolean() cues?: boolean;
  @IsOptional() @IsBoolean() chords?: boolean;
  @IsOptional() @ValidateIf((one: SetSequencing) => one.neutralVolume !== null) @IsIn(NEUTRAL_VOLUMES) neutralVolume?:
    | (typeof NEUTRAL_VOLUMES)[number]
    | null;
  @IsOptional() @IsIn(CHANNEL_PLANS) channels?: ChannelPlan;
  @IsOptional() @IsIn([0, 1]) format?: 0 | 1;
  @IsOptional() @IsInt() @Min(96) @Max(15360) ticksPerQuarter?: number;
  @IsOptional() @IsBoolean() runningStatus?: boolean;
  @IsOptional() @IsBoolean() padPickup?: boolean;
  @IsOptional() @IsBoolean() playRepeats?: boolean;
  @IsOptional() @IsShape(LooseningDto) loosening?: LooseningDto;
  @IsOptional()
  @ValidateIf((one: SetSequencing) => one.onlyParts !== null)
  @IsArray()
  @ArrayMaxSize(2000)
  @Matches(SCORE_PART, { each: true })
  onlyParts?: PartId[] | null;
  @IsOptional()
  @ValidateIf((one: SetSequencing) => one.onlyBars !== null)
  @IsShape(BarRange)
  onlyBars?: BarRange | null;
  @IsOptional() @IsIn(['one', 'parts', 'sections']) files?: 'one' | 'parts' | 'sections';
}

export const setSequencing = decisionKind({
  kind: 'setSequencing',
  points: { onlyParts: 'id', onlyBars: 'span' },
  dto: SetSequencing,
  apply: (settings, { kind: _kind, ...change }) => {
    // A preset is where single choices start from: those made before it are gone.
    const cleared = change.preset ? { carry: {}, carryTracks: {} } : {};
    return {
      ...settings,
      sequencing: { ...settings.sequencing, ...cleared, ...(defined(change) as Partial<DirectionB>) },
    };
  },
  describe: (made) => whole(made).join('; ') || 'Nothing changed',
});

const PRESET_NAMES = {
  bare: 'bare notes, velocities and tempo',
  expression: 'expression kept',
  everything: 'everything carried',
} as const;

const GLIDE_NAMES: Record<Glides, string> = {
  'as-written': 'Glissandi in steps, slides bent',
  steps: 'Glissandi and slides in steps',
  bend: 'Glissandi and slides bent',
  none: 'Glissandi and slides as plain notes',
};

function whole(one: SetSequencing): string[] {
  const words: string[] = [];
  if (one.preset) words.push(`Preset: ${PRESET_NAMES[one.preset]}`);
  if (one.dynamicsTo) words.push(carriersInWords(one.dynamicsTo));
  if (one.levels) words.push('Velocity per dynamic changed');
  if (one.rampStep !== undefined) words.push(`Ramps in steps of ${one.rampStep / QUARTER} quarters`);
  if (one.articulations) words.push('Lengths and velocities of articulations changed');
  if (one.slurOverlap !== undefined) words.push(`Slurred notes overlap by ${one.slurOverlap} ms`);
  if (one.ornaments !== undefined) words.push(one.ornaments ? 'Ornaments played out' : 'Ornaments as plain notes');
  if (one.glides) words.push(GLIDE_NAMES[one.glides]);
  if (one.cues !== undefined) words.push(one.cues ? 'Cue notes sound' : 'Cue notes are silent');
  if (one.chords !== undefined) words.push(one.chords ? 'Chord symbols played' : 'Chord symbols silent');
  if (one.neutralVolume !== undefined)
    words.push(one.neutralVolume === null ? 'No channel volume' : `Channel volume ${one.neutralVolume} at the start`);
  if (one.channels) words.push(one.channels === 'one-channel' ? 'All on one channel' : 'A channel for each track');
  if (one.format !== undefined) words.push(`SMF type ${one.format}`);
  if (one.ticksPerQuarter !== undefined) words.push(`${one.ticksPerQuarter} ticks per quarter`);
  if (one.runningStatus !== undefined) words.push(one.runningStatus ? 'With running status' : 'Without running status');
  if (one.padPickup !== undefined) words.push(one.padPickup ? 'Pickup padded to a full bar' : 'Pickup as written');
  if (one.playRepeats !== undefined) words.push(one.playRepeats ? 'Repeats played' : 'Every bar once');
  if (one.loosening) words.push('Humanize changed');
  if (one.onlyParts !== undefined)
    words.push(one.onlyParts === null ? 'All parts' : `${one.onlyParts.length} parts only`);
  if (one.onlyBars !== undefined)
    words.push(one.onlyBars === null ? 'All bars' : `${one.onlyBars.to - one.onlyBars.from} bars only`);
  if (one.files)
    words.push({ one: 'One file', parts: 'A file for each part', sections: 'A file for each section' }[one.files]);
  return words;
}
