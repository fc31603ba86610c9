import { say } from '../../words';
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
  describe: (made) => whole(made).join('; ') || say('decisions.nothingChanged'),
});

const PRESET_NAMES = {
  get bare() {
    return say('decisions.bareNotesVelocitiesAndTempo');
  },
  get expression() {
    return say('decisions.expressionKept');
  },
  get everything() {
    return say('decisions.everythingCarried');
  },
} as const;

const GLIDE_NAMES: Record<Glides, string> = {
  get 'as-written'() {
    return say('decisions.glissandiInStepsSlidesBent');
  },
  get steps() {
    return say('decisions.glissandiAndSlidesInSteps');
  },
  get bend() {
    return say('decisions.glissandiAndSlidesBent');
  },
  get none() {
    return say('decisions.glissandiAndSlidesAsPlainNotes');
  },
};

function whole(one: SetSequencing): string[] {
  const words: string[] = [];
  if (one.preset) words.push(say('decisions.presetPresetNames', { presetNames: PRESET_NAMES[one.preset] }));
  if (one.dynamicsTo) words.push(carriersInWords(one.dynamicsTo));
  if (one.levels) words.push(say('decisions.velocityPerDynamicChanged'));
  if (one.rampStep !== undefined)
    words.push(say('decisions.rampsInStepsOfRampStepQuarters', { rampStep: one.rampStep / QUARTER }));
  if (one.articulations) words.push(say('decisions.lengthsAndVelocitiesOf'));
  if (one.slurOverlap !== undefined)
    words.push(say('decisions.slurredNotesOverlapBySlurOverlapMs', { slurOverlap: one.slurOverlap }));
  if (one.ornaments !== undefined)
    words.push(one.ornaments ? say('decisions.ornamentsPlayedOut') : say('decisions.ornamentsAsPlainNotes'));
  if (one.glides) words.push(GLIDE_NAMES[one.glides]);
  if (one.cues !== undefined)
    words.push(one.cues ? say('decisions.cueNotesSound') : say('decisions.cueNotesAreSilent'));
  if (one.chords !== undefined)
    words.push(one.chords ? say('decisions.chordSymbolsPlayed') : say('decisions.chordSymbolsSilent'));
  if (one.neutralVolume !== undefined)
    words.push(
      one.neutralVolume === null
        ? say('decisions.noChannelVolume')
        : say('decisions.channelVolumeNeutralVolumeAtThe', { neutralVolume: one.neutralVolume }),
    );
  if (one.channels)
    words.push(
      one.channels === 'one-channel' ? say('decisions.allOnOneChannel') : say('decisions.aChannelForEachTrack'),
    );
  if (one.format !== undefined) words.push(say('decisions.sMFTypeFormat', { format: one.format }));
  if (one.ticksPerQuarter !== undefined)
    words.push(say('decisions.ticksPerQuarterTicksPerQuarter', { ticksPerQuarter: one.ticksPerQuarter }));
  if (one.runningStatus !== undefined)
    words.push(one.runningStatus ? say('decisions.withRunningStatus') : say('decisions.withoutRunningStatus'));
  if (one.padPickup !== undefined)
    words.push(one.padPickup ? say('decisions.pickupPaddedToAFullBar') : say('decisions.pickupAsWritten'));
  if (one.playRepeats !== undefined)
    words.push(one.playRepeats ? say('decisions.repeatsPlayed') : say('decisions.everyBarOnce'));
  if (one.loosening) words.push(say('decisions.humanizeChanged'));
  if (one.onlyParts !== undefined)
    words.push(
      one.onlyParts === null
        ? say('decisions.allParts')
        : say('decisions.onlyPartsPartsOnly', { onlyParts: one.onlyParts.length }),
    );
  if (one.onlyBars !== undefined)
    words.push(
      one.onlyBars === null
        ? say('decisions.allBars')
        : say('decisions.toBarsOnly', { to: one.onlyBars.to - one.onlyBars.from }),
    );
  if (one.files)
    words.push(
      {
        one: say('decisions.oneFile'),
        parts: say('decisions.aFileForEachPart'),
        sections: say('decisions.aFileForEachSection'),
      }[one.files],
    );
  return words;
}
