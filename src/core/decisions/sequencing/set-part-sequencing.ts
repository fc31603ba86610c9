import { inList, say } from '../../words';
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
  describe: (made, nameOf) => `${nameOf(made.part)}: ${partInWords(made).join('; ') || say('decisions.asTheWhole')}`,
});

const SPLIT_NAMES = {
  get none() {
    return say('decisions.oneTrack');
  },
  get technique() {
    return say('decisions.aTrackForEachTechnique');
  },
  get solo() {
    return say('decisions.soloPassagesOnATrackOfTheirOwn');
  },
  get voice() {
    return say('decisions.aTrackForEachVoice');
  },
  get staff() {
    return say('decisions.aTrackForEachHand');
  },
  get lines() {
    return say('decisions.chordsAsSingleLines');
  },
  get keys() {
    return say('decisions.tracksByKey');
  },
  get channel() {
    return say('decisions.aTrackForEachChannel');
  },
} as const;

function partInWords(one: SetPartSequencing): string[] {
  const words: string[] = [];
  if (one.dynamicsTo) words.push(carriersInWords(one.dynamicsTo).toLowerCase());
  if (one.split) words.push(SPLIT_NAMES[one.split]);
  if (one.splitKeys)
    words.push(say('decisions.aNewTrackFromSplitKeysUp', { splitKeys: inList(one.splitKeys.map(keyInWords)) }));
  if (one.passages)
    words.push(
      one.passages.length === 0
        ? say('decisions.noPassageOnATrackOfItsOwn')
        : say('decisions.passagesOnATrackOfItsOwn', {
            passages: one.passages.map(({ name }) => say('base.quoted', { name })).join(', '),
          }),
    );
  if (one.program) words.push(say('decisions.programProgram', { program: one.program }));
  if (one.channel) words.push(say('decisions.channelChannel', { channel: one.channel }));
  if (one.chart) words.push(say('decisions.techniqueChartChart', { chart: one.chart.name }));
  if (one.drumKeys)
    words.push(
      Object.entries(one.drumKeys)
        .map(([from, to]) =>
          say('decisions.keyInWordsFromBecomesTo', { keyInWords: keyInWords(Number(from)), from, to }),
        )
        .join(', '),
    );
  if (one.leftOut !== undefined && one.leftOut !== null)
    words.push(one.leftOut ? say('decisions.leftOut') : say('decisions.included'));
  if (one.trackName) words.push(say('decisions.trackNamedTrackName', { trackName: one.trackName }));
  return words;
}
