/*
 * Drum maps that travel: own maps as JSON files.
 */
import { plainToInstance, Type } from 'class-transformer';
import { ArrayMaxSize, ArrayMinSize, Equals, IsArray, IsNotEmpty, IsString, MaxLength, validateSync, ValidateNested } from 'class-validator';
import type { DrumSound } from '../instruments';
import { DrumSoundDto } from './page-decisions';
import { jobErrors } from './errors';

export const DRUM_MAP_FORMAT = 'dragoman-drum-map';

class DrumMapDto {
  @Equals(DRUM_MAP_FORMAT) format!: typeof DRUM_MAP_FORMAT;
  @Equals(1) version!: 1;
  @IsString() @IsNotEmpty() @MaxLength(120) name!: string;
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(128) @ValidateNested({ each: true }) @Type(() => DrumSoundDto) sounds!: DrumSoundDto[];
}

export interface NamedDrumMap {
  name: string;
  sounds: DrumSound[];
}

export function writeDrumMap({ name, sounds }: NamedDrumMap): string {
  return `${JSON.stringify({ format: DRUM_MAP_FORMAT, version: 1, name, sounds: [...sounds].sort((a, b) => a.key - b.key) }, null, 2)}\n`;
}

/** @throws JobError with one sentence when the text is no drum map */
export function readDrumMap(text: string, fileName: string): NamedDrumMap {
  let plain: unknown;
  try {
    plain = JSON.parse(text);
  } catch {
    throw jobErrors.notDrumMap(fileName, 'it is not JSON');
  }
  if (typeof plain !== 'object' || plain === null || (plain as { format?: unknown }).format !== DRUM_MAP_FORMAT) throw jobErrors.notDrumMap(fileName, 'it holds something else');
  const map = plainToInstance(DrumMapDto, plain);
  if (validateSync(map, { whitelist: true, forbidNonWhitelisted: true }).length > 0) {
    const wrong = map.sounds?.findIndex?.((sound) => validateSync(sound, { whitelist: true, forbidNonWhitelisted: true }).length > 0) ?? -1;
    throw jobErrors.notDrumMap(fileName, wrong >= 0 ? `its sound ${wrong + 1} is not as it should be` : 'its fields cannot be read');
  }
  const keys = map.sounds.map((sound) => sound.key);
  if (new Set(keys).size < keys.length) throw jobErrors.notDrumMap(fileName, 'a key stands in it twice');
  return { name: map.name, sounds: map.sounds.map((sound) => ({ ...sound })) };
}
