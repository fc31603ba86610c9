/*
 * Technique charts that travel: what makes one sample library play in one way, as JSON files.
 */
import { ArrayMaxSize, Equals, IsNotEmpty, IsString, MaxLength } from 'class-validator';
import { readDocument } from './json-file';
import { jobErrors } from './errors';
import { SwitchDto, AreShapes } from '../decisions';
import type { TechniqueChart } from '../settings';

export const CHART_FORMAT = 'dragoman-technique-chart';

class ChartFileDto {
  @Equals(CHART_FORMAT) format!: typeof CHART_FORMAT;
  @Equals(1) version!: 1;
  @IsString() @IsNotEmpty() @MaxLength(120) name!: string;
  @ArrayMaxSize(64) @AreShapes(SwitchDto) entries!: SwitchDto[];
}

export function writeChart({ name, entries }: TechniqueChart): string {
  return `${JSON.stringify({ format: CHART_FORMAT, version: 1, name, entries }, null, 2)}\n`;
}

/** @throws JobError with one sentence when the text is no technique chart */
export function readChart(text: string, fileName: string): TechniqueChart {
  const chart = readDocument(text, {
    format: CHART_FORMAT,
    shape: ChartFileDto,
    entriesOf: (read) => read.entries,
    fail: (why) => jobErrors.notChart(fileName, why),
  });
  return { name: chart.name, entries: chart.entries.map(({ technique, by }) => ({ technique, by })) };
}
