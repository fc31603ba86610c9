/* Recipes that travel: JSON files, one recipe in each. */
import {
  Equals,
  IsBoolean,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsNumber,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateIf,
} from 'class-validator';
import { IsShape } from '../decisions';
import { MUSICXML_VERSIONS, type MusicXmlVersion } from '../musicxml';
import { MARKS_OUT, type MarksOut } from '../score';
import { PRESETS, type Preset } from '../settings';
import { FRAME_RATES, type FrameRate } from '../studio';
import { jobErrors } from './errors';
import { readDocument } from './json-file';
import {
  BAR_NUMBERS,
  completeRecipe,
  PAPER_SIZES,
  SAMPLE_RATES,
  SOUND_VERSIONS,
  type ListsWish,
  type MapWish,
  type MidiWish,
  type PagesWish,
  type PaperSize,
  type Recipe,
  type ScoreWish,
  type SoundWish,
} from './recipe';

const RECIPE_FORMAT = 'dragoman-recipe';

class ScoreDto implements ScoreWish {
  @IsIn(['musicxml', 'mxl']) format!: 'musicxml' | 'mxl';
  @IsIn(MUSICXML_VERSIONS) version!: MusicXmlVersion;
  @IsBoolean() concert!: boolean;
  @IsBoolean() whole!: boolean;
  @IsBoolean() parts!: boolean;
  @IsOptional() @IsBoolean() leadSheet?: boolean;
  @IsOptional() @IsBoolean() reduction?: boolean;
}

class MidiDto implements MidiWish {
  @ValidateIf((one: MidiDto) => one.carry !== null) @IsIn(PRESETS) carry!: Preset | null;
  @IsBoolean() whole!: boolean;
  @IsBoolean() parts!: boolean;
  @IsBoolean() sections!: boolean;
  @ValidateIf((one: MidiDto) => one.ticksPerQuarter !== null) @IsInt() @Min(24) @Max(32767) ticksPerQuarter!:
    | number
    | null;
  @IsIn([0, 1, null]) type!: 0 | 1 | null;
  @IsBoolean() byInstrument!: boolean;
}

class MapDto implements MapWish {
  @IsInt() @Min(24) @Max(32767) ticksPerQuarter!: number;
  @IsNumber() @Min(0) @Max(1000) tolerance!: number;
  @IsBoolean() click!: boolean;
  @IsInt() @Min(0) @Max(16) countIn!: number;
  @IsIn(FRAME_RATES) rate!: FrameRate;
  @IsInt() @Min(0) @Max(10_000_000) start!: number;
}

class ListsDto implements ListsWish {
  @IsBoolean() tracks!: boolean;
  @IsBoolean() times!: boolean;
  @IsBoolean() queries!: boolean;
  @IsIn(FRAME_RATES) rate!: FrameRate;
  @IsInt() @Min(0) @Max(10_000_000) start!: number;
}

class PagesDto implements PagesWish {
  @IsBoolean() score!: boolean;
  @IsBoolean() parts!: boolean;
  @IsBoolean() allParts!: boolean;
  @IsOptional() @IsBoolean() leadSheet?: boolean;
  @IsOptional() @IsBoolean() reduction?: boolean;
  @IsBoolean() concert!: boolean;
  @IsIn(PAPER_SIZES) paper!: PaperSize;
  @IsNumber() @Min(2) @Max(12) scoreStaff!: number;
  @IsNumber() @Min(2) @Max(12) partStaff!: number;
  @IsIn(BAR_NUMBERS) barNumbers!: PagesWish['barNumbers'];
  @IsString() @MaxLength(2000) cover!: string;
}

class SoundDto implements SoundWish {
  @IsBoolean() mix!: boolean;
  @IsBoolean() stems!: boolean;
  @IsBoolean() click!: boolean;
  @IsIn(SOUND_VERSIONS) version!: SoundWish['version'];
  @IsIn(SAMPLE_RATES) sampleRate!: SoundWish['sampleRate'];
}

class RecipeDto implements Recipe {
  @Equals(RECIPE_FORMAT) format!: typeof RECIPE_FORMAT;
  @Equals(1) version!: 1;
  @IsString() @IsNotEmpty() @MaxLength(80) name!: string;
  @IsString() @IsNotEmpty() @MaxLength(200) pattern!: string;
  @IsIn(MARKS_OUT) marks!: MarksOut;
  @ValidateIf((one: RecipeDto) => one.score !== null) @IsShape(ScoreDto) score!: ScoreDto | null;
  @ValidateIf((one: RecipeDto) => one.midi !== null) @IsShape(MidiDto) midi!: MidiDto | null;
  @ValidateIf((one: RecipeDto) => one.map !== null) @IsShape(MapDto) map!: MapDto | null;
  @ValidateIf((one: RecipeDto) => one.lists !== null) @IsShape(ListsDto) lists!: ListsDto | null;
  @ValidateIf((one: RecipeDto) => one.pages !== null) @IsShape(PagesDto) pages!: PagesDto | null;
  @ValidateIf((one: RecipeDto) => one.sound !== null) @IsShape(SoundDto) sound!: SoundDto | null;
  @IsBoolean() originals!: boolean;
}

export function writeRecipe(recipe: Recipe): string {
  return `${JSON.stringify({ format: RECIPE_FORMAT, version: 1, ...recipe }, null, 2)}\n`;
}

/** Fields that came later are as usual; what is strange stays, so that it is refused. */
const complete = (plain: object): object => completeRecipe(plain);

/** @throws JobError with one sentence when the text is no recipe */
export function readRecipe(text: string, fileName: string): Recipe {
  const fail = (why: string) => jobErrors.notRecipe(fileName, why);
  const read = readDocument(text, {
    format: RECIPE_FORMAT,
    shape: RecipeDto,
    entriesOf: () => undefined,
    fail,
    complete,
  });
  const { format: _format, version: _version, ...recipe } = read;
  return structuredClone({ ...recipe });
}
