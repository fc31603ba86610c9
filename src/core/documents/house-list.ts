/*
 * The house list: remembered answers about track names. It learns from decisions, answers for new jobs, and travels as
 * JSON.
 */
import { say } from '../words';
import { plainToInstance } from 'class-transformer';
import { ArrayMaxSize, Equals, IsIn, IsNotEmpty, IsOptional, IsString, MaxLength, validateSync } from 'class-validator';
import type { TrackId } from '../base';
import {
  DealDto,
  IsInstrumentId,
  lessonsIn,
  type Decision,
  type HouseAnswerDto,
  type UseHouseList,
  IsShape,
  AreShapes,
} from '../decisions';
import { nameDetails, nameWords, TECHNIQUES, type InstrumentId, type TechniqueId } from '../instruments';
import { jobErrors } from './errors';
import { parsePlain } from './plain-json';
import type { Deal, HouseAnswer } from '../settings';

/** One line of the house list. */
export class HouseEntry implements HouseAnswer {
  /** A track name as `housePattern` writes it; `*` stands for any further words. */
  @IsString() @IsNotEmpty() @MaxLength(300) pattern!: string;
  @IsOptional() @IsInstrumentId() instrument?: InstrumentId;
  @IsOptional() @IsIn(TECHNIQUES) technique?: TechniqueId;
  @IsOptional() @IsString() @IsNotEmpty() @MaxLength(200) partName?: string;
  @IsOptional() @IsShape(DealDto) deal?: Deal;
  @IsOptional() @Equals(true) leftOut?: true;
}

export const HOUSE_LIST_FORMAT = 'dragoman-house-list';

class HouseListDto {
  @Equals(HOUSE_LIST_FORMAT) format!: typeof HOUSE_LIST_FORMAT;
  @Equals(1) version!: 1;
  @ArrayMaxSize(20_000) @AreShapes(HouseEntry) entries!: HouseEntry[];
}

/** A track name reduced to its words: "VLN 1 leg (Close)" and "vln1_leg close" are the same. */
export function housePattern(trackName: string): string {
  return nameWords(trackName).join(' ');
}

/** The line for a track name: the very name first, else the longest pattern with `*` that fits. */
export function houseEntryFor(entries: readonly HouseEntry[], trackName: string): HouseEntry | null {
  const name = housePattern(trackName);
  if (!name) return null;
  const exact = entries.find((entry) => entry.pattern === name);
  if (exact) return exact;
  const fitting = entries.filter((entry) => entry.pattern.includes('*') && fits(entry.pattern, name));
  return fitting.sort((a, b) => b.pattern.length - a.pattern.length)[0] ?? null;
}

function fits(pattern: string, name: string): boolean {
  const pieces = pattern.split('*').map((piece) => piece.trim());
  let at = 0;
  return pieces.every((piece, i) => {
    if (!piece) return true;
    const atStart = name.startsWith(piece) ? 0 : -1;
    const found = i === 0 ? atStart : name.indexOf(piece, at);
    if (found < 0) return false;
    at = found + piece.length;
    return i < pieces.length - 1 || at === name.length;
  });
}

/** The decision that applies the house list to a job's tracks; null when it knows none of them. */
export function answersFor(
  entries: readonly HouseEntry[],
  tracks: readonly { id: TrackId; name: string }[],
): UseHouseList | null {
  const answers = tracks.flatMap(({ id, name }): HouseAnswerDto[] => {
    const entry = houseEntryFor(entries, name);
    if (!entry) return [];
    const { pattern: _pattern, ...answer } = entry;
    return [{ track: id, ...answer }];
  });
  return answers.length > 0 ? { kind: 'useHouseList', answers } : null;
}

/**
 * What a decision teaches: entries to merge into the list. Names that say nothing ("Track 3") are not remembered: the
 * next file's third track is another instrument.
 */
export function lessonsOf(decision: Decision, trackName: (track: TrackId) => string): HouseEntry[] {
  return lessonsIn(decision).flatMap(({ track, ...answer }) => {
    const name = trackName(track);
    return nameDetails(name).words.length === 0 ? [] : [{ pattern: housePattern(name), ...answer }];
  });
}

export function writeHouseList(entries: readonly HouseEntry[]): string {
  return `${JSON.stringify({ format: HOUSE_LIST_FORMAT, version: 1, entries: [...entries].sort((a, b) => a.pattern.localeCompare(b.pattern)) }, null, 2)}\n`;
}

/** @throws JobError with one sentence when the text is no house list */
export function readHouseList(text: string, fileName: string): HouseEntry[] {
  const plain = parsePlain(text, (why) => jobErrors.notHouseList(fileName, why));
  if (typeof plain !== 'object' || plain === null || (plain as { format?: unknown }).format !== HOUSE_LIST_FORMAT)
    throw jobErrors.notHouseList(fileName, say('documents.itHoldsSomethingElse'));
  const list = plainToInstance(HouseListDto, plain);
  const [error] = validateSync(list, { whitelist: true, forbidNonWhitelisted: true });
  if (error) {
    const wrong =
      list.entries?.findIndex?.(
        (entry) => validateSync(entry, { whitelist: true, forbidNonWhitelisted: true }).length > 0,
      ) ?? -1;
    throw jobErrors.notHouseList(
      fileName,
      wrong >= 0
        ? say('documents.lineWrongIsNotAsItShouldBe', { wrong: wrong + 1 })
        : say('documents.itsLinesCannotBeRead'),
    );
  }
  return list.entries.map((entry) => ({ ...entry }));
}
