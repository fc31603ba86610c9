/*
 * Drum maps that travel: own maps as JSON files.
 */
import { say } from '../words';
import { ArrayMaxSize, ArrayMinSize, Equals, IsNotEmpty, IsString, MaxLength } from 'class-validator';
import { DrumSoundDto, AreShapes } from '../decisions';
import type { DrumSound } from '../instruments';
import { readDocument } from './json-file';
import { jobErrors } from './errors';

export const DRUM_MAP_FORMAT = 'dragoman-drum-map';

class DrumMapDto {
  @Equals(DRUM_MAP_FORMAT) format!: typeof DRUM_MAP_FORMAT;
  @Equals(1) version!: 1;
  @IsString() @IsNotEmpty() @MaxLength(120) name!: string;
  @ArrayMinSize(1)
  @ArrayMaxSize(128)
  @AreShapes(DrumSoundDto)
  sounds!: DrumSoundDto[];
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
  const fail = (why: string) => jobErrors.notDrumMap(fileName, why);
  const map = readDocument(text, {
    format: DRUM_MAP_FORMAT,
    shape: DrumMapDto,
    entriesOf: (read) => read.sounds,
    fail,
  });
  if (new Set(map.sounds.map((sound) => sound.key)).size < map.sounds.length)
    throw fail(say('documents.aKeyStandsInItTwice'));
  return { name: map.name, sounds: map.sounds.map((sound) => ({ ...sound })) };
}
