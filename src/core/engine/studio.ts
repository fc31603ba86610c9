/* The time line of a job, or of a file by itself, for the station and for the studio. */
import type { Following } from '../beats';
import { barsOfPerformance, performanceFromSmf, type Performance } from '../performance';
import { readMusicXml } from '../musicxml';
import type { Score } from '../score';
import { USUAL_SEQUENCING } from '../settings';
import { assertOneTimeLine, readSmf, writeSmf } from '../smf';
import {
  changesOf,
  driftOf,
  studioMap,
  tableAsCsv,
  timeLineOf,
  type Change,
  type DriftCheck,
  type StudioBar,
  type StudioMapSettings,
  type StudioTimeLine,
  type TableSettings,
} from '../studio';
import {
  bpmFromMicroseconds,
  lastNotAfter,
  writtenUnits,
  type Bar,
  type Bpm,
  type Milliseconds,
  type Seconds,
  type WrittenUnits,
} from '../time';
import { toSequencer, type SequencedFile } from '../to-sequencer';
import { isScoreFile } from './file-kind';

/** What the station shows of a time line. */
export interface TimeLineSummary {
  bars: StudioBar[];
  seconds: Seconds;
  changes: Change[];
  /** The tempo from each place on, in bars: 4.5 is the middle of the fifth. */
  tempo: { place: number; at: WrittenUnits; bpm: Bpm }[];
  /** Onsets in each bar. */
  density: number[];
  /** Where bars were laid over free playing. */
  following: Following | null;
}

/** A map for the studio, and how it was found to be when it was read back. */
export interface StudioExport {
  midi: Uint8Array;
  csv: string;
  tempos: number;
  /** Of its clock from the exact one. */
  largest: Milliseconds;
  drift: DriftCheck;
}

export function summariseTimeLine(line: StudioTimeLine, onsets: readonly WrittenUnits[]): TimeLineSummary {
  const { bars, seconds, tempo, ticksPerQuarter } = line;
  const starts = bars.map(({ start }) => start);
  const density = bars.map(() => 0);
  let bar = 0;
  for (const onset of [...onsets].sort((a, b) => a - b)) {
    while (starts[bar + 1] !== undefined && starts[bar + 1]! <= onset) bar++;
    density[bar]!++;
  }
  const places = tempo.events.map(({ tick, microsecondsPerQuarter }) => {
    const at = writtenUnits(tick, ticksPerQuarter);
    const i = lastNotAfter(starts, at);
    return { place: i + (at - starts[i]!) / bars[i]!.length, at, bpm: bpmFromMicroseconds(microsecondsPerQuarter) };
  });
  return { bars, seconds, changes: changesOf(line), tempo: places, density, following: null };
}

export function exportStudio(line: StudioTimeLine, map: StudioMapSettings, table: TableSettings): StudioExport {
  const { file, countIn, tempos, largest } = studioMap(line, map);
  const midi = writeSmf(file);
  return {
    midi,
    csv: tableAsCsv(line, table),
    tempos,
    largest,
    // What was written is read again: it is the file that is checked, not what it was meant to be.
    drift: driftOf(line, readSmf(midi).file, countIn),
  };
}

export function timeLineOfScore(performance: Performance, bars: readonly Bar[]): StudioTimeLine {
  return timeLineOf(
    performance,
    bars.map((bar) => ({ bar, start: bar.start })),
  );
}

/** As it is played: repeats one after the other. */
export function timeLineOfSequence(score: Score, { file, line }: SequencedFile): StudioTimeLine {
  return timeLineOf(
    performanceFromSmf({ file, warnings: [] }),
    line.bars.map(({ bar, start }) => ({ bar: score.bars[bar]!, start })),
  );
}

/** Of a file of any kind. @throws SmfError or MusicXmlError with one sentence */
export function timeLineOfFile(bytes: Uint8Array): StudioTimeLine {
  if (isScoreFile(bytes)) {
    const { score } = readMusicXml(bytes);
    return timeLineOfSequence(score, toSequencer(score, { ...USUAL_SEQUENCING, files: 'one' })[0]!);
  }
  const reading = readSmf(bytes);
  assertOneTimeLine(reading.file);
  const performance = performanceFromSmf(reading);
  return timeLineOfScore(performance, barsOfPerformance(performance));
}

/** Bars counted so that the one of an index is bar 1. */
export function countedFrom(line: StudioTimeLine, first: number): StudioTimeLine {
  return { ...line, bars: line.bars.map((bar, i) => ({ ...bar, number: i - first + 1 })) };
}
