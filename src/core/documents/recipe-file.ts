/* Recipes that travel: JSON files, one recipe in each. */
import { Equals, IsBoolean, IsIn, IsNotEmpty, IsString, MaxLength, ValidateIf } from 'class-validator';
import { IsShape } from '../decisions';
import { MARKS_OUT, type MarksOut } from '../score';
import { DELIVERY } from './deliveries';
import { jobErrors } from './errors';
import { readDocument } from './json-file';
import { completeRecipe, type Recipe } from './recipe';

const RECIPE_FORMAT = 'dragoman-recipe';

class RecipeDto implements Recipe {
  @Equals(RECIPE_FORMAT) format!: typeof RECIPE_FORMAT;
  @Equals(1) version!: 1;
  @IsString() @IsNotEmpty() @MaxLength(80) name!: string;
  @IsString() @IsNotEmpty() @MaxLength(200) pattern!: string;
  @IsIn(MARKS_OUT) marks!: MarksOut;
  @ValidateIf((one: RecipeDto) => one.score !== null) @IsShape(DELIVERY.score.Shape) score!: Recipe['score'];
  @ValidateIf((one: RecipeDto) => one.midi !== null) @IsShape(DELIVERY.midi.Shape) midi!: Recipe['midi'];
  @ValidateIf((one: RecipeDto) => one.map !== null) @IsShape(DELIVERY.map.Shape) map!: Recipe['map'];
  @ValidateIf((one: RecipeDto) => one.lists !== null) @IsShape(DELIVERY.lists.Shape) lists!: Recipe['lists'];
  @ValidateIf((one: RecipeDto) => one.pages !== null) @IsShape(DELIVERY.pages.Shape) pages!: Recipe['pages'];
  @ValidateIf((one: RecipeDto) => one.sound !== null) @IsShape(DELIVERY.sound.Shape) sound!: Recipe['sound'];
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
