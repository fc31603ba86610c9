import {
  ArrayMaxSize,
  ArrayUnique,
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
} from 'class-validator';
import type { PartId } from '../../base';
import { keyInWords } from '../../score';
import { DYNAMIC_CARRIERS, SPLITS, type DynamicCarrier, type Split } from '../../settings';
import { decisionKind } from '../decision-kind';
import { defined, entered } from '../records';
import { carriersInWords } from '../shapes/carriers';
import { ChartDto } from '../shapes/technique-chart';
import { BarRange } from '../shapes/bar-range';
import { AreShapes, IsRecord, IsShape, SCORE_PART } from '../validators';

const KEY = (value: unknown) => Number.isInteger(value) && (value as number) >= 0 && (value as number) <= 127;

/** Some bars of a part on a track of their own. */
class PassageDto {
  @IsShape(BarRange) bars!: BarRange;
  @IsString() @IsNotEmpty() @MaxLength(200) name!: string;
  @IsOptional() @IsInt() @Min(1) @Max(128) program?: number;
}

/** How one part is sequenced; null takes a field back. */
export class SetPartSequencing {
  @Equals('setPartSequencing') kind!: 'setPartSequencing';
  @Matches(SCORE_PART) part!: PartId;
  @IsOptional() @IsArray() @ArrayUnique() @ArrayMaxSize(2) @IsIn(DYNAMIC_CARRIERS, { each: true }) dynamicsTo?:
    | DynamicCarrier[]
    | null;
  @IsOptional() @IsIn(SPLITS) split?: Split | null;
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(16)
  @IsInt({ each: true })
  @Min(1, { each: true })
  @Max(127, { each: true })
  splitKeys?: number[] | null;
  @IsOptional() @ArrayMaxSize(64) @AreShapes(PassageDto) passages?: PassageDto[] | null;
  @IsOptional() @IsInt() @Min(1) @Max(128) program?: number | null;
  @IsOptional() @IsInt() @Min(1) @Max(16) channel?: number | null;
  @IsOptional() @IsShape(ChartDto) chart?: ChartDto | null;
  @IsOptional() @IsRecord(KEY, 128) drumKeys?: Record<number, number> | null;
  @IsOptional() @IsBoolean() leftOut?: boolean | null;
  @IsOptional() @IsString() @MaxLength(200) trackName?: string | null;
}

export const setPartSequencing = decisionKind({
  kind: 'setPartSequencing',
  points: { part: 'id', passages: { bars: 'span' } },
  dto: SetPartSequencing,
  apply: (settings, { kind: _kind, part, ...change }) => {
    const { parts } = settings.sequencing;
    const own = Object.fromEntries(
      Object.entries({ ...parts[part], ...defined(change) }).filter(([, value]) => value !== null),
    );
    return { ...settings, sequencing: { ...settings.sequencing, parts: entered(parts, part, own) } };
  },
  describe: (made, nameOf) => `${nameOf(made.part)}: ${partInWords(made).join('; ') || 'as the whole'}`,
});

const SPLIT_NAMES = {
  none: 'one track',
  technique: 'a track for each technique',
  solo: 'solo passages on a track of their own',
  voice: 'a track for each voice',
  staff: 'a track for each hand',
  lines: 'chords as single lines',
  keys: 'tracks by key',
  channel: 'a track for each channel',
} as const;

function partInWords(one: SetPartSequencing): string[] {
  const words: string[] = [];
  if (one.dynamicsTo) words.push(carriersInWords(one.dynamicsTo).toLowerCase());
  if (one.split) words.push(SPLIT_NAMES[one.split]);
  if (one.splitKeys) words.push(`a new track from ${one.splitKeys.map(keyInWords).join(' and ')} up`);
  if (one.passages)
    words.push(
      one.passages.length === 0
        ? 'no passage on a track of its own'
        : `${one.passages.map(({ name }) => `“${name}”`).join(', ')} on a track of its own`,
    );
  if (one.program) words.push(`program ${one.program}`);
  if (one.channel) words.push(`channel ${one.channel}`);
  if (one.chart) words.push(`technique chart “${one.chart.name}”`);
  if (one.drumKeys)
    words.push(
      Object.entries(one.drumKeys)
        .map(([from, to]) => `${keyInWords(Number(from))} (${from}) becomes ${to}`)
        .join(', '),
    );
  if (one.leftOut !== undefined && one.leftOut !== null) words.push(one.leftOut ? 'left out' : 'included');
  if (one.trackName) words.push(`track named “${one.trackName}”`);
  return words;
}
