/* The time line of a job, or of a file by itself, for the station and for the studio. */
import { inNumbers, say } from '../words';
import type { Following } from '../beats';
import { barsOfPerformance, performanceFromSmf, type Performance } from '../performance';
import { readMusicXml } from '../musicxml';
import type { Score } from '../score';
import { USUAL_SEQUENCING } from '../settings';
import { assertOneTimeLine, readSmf, writeSmf, type SmfReading } from '../smf';
import {
  barOneInWords,
  barOneOf,
  changesOf,
  clickBeats,
  countedIn,
  driftOf,
  studioMap,
  tableAsCsv,
  timeLineOf,
  type Change,
  type DriftCheck,
  type StudioBar,
  type StudioMapSettings,
  type StudioTimeLine,
} from '../studio';
import {
  bpmFromMicroseconds,
  lastNotAfter,
  layBars,
  QUARTER,
  secondsAtTick,
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
  /** Which of its bars is bar 1, in a sentence. */
  barOne: string;
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

/** Map and table of one line: bars counted in, code and bar numbers are the same in both. */
export function exportStudio(music: StudioTimeLine, settings: StudioMapSettings, everyBar = true): StudioExport {
  const line = countedIn(music, settings.countIn);
  const { file, tempos, largest } = studioMap(line, settings);
  const midi = writeSmf(file);
  return {
    midi,
    csv: tableAsCsv(line, { ...settings, everyBar }),
    tempos,
    largest,
    barOne: barOneInWords(line, settings),
    // It is the file that is checked, not what it was meant to be.
    drift: driftOf(line, midi),
  };
}

/** How sound files are laid beside a map: as much is counted in, and the click is the map's. */
export interface SoundLayout {
  /** Before the music. */
  countIn: Seconds;
  click: { at: Seconds; accent: boolean }[];
  end: Seconds;
  /** Where bar 1 is, in a sentence. */
  barOne: string;
}

/** @param bars counted in */
export function soundLayout(music: StudioTimeLine, bars: number): SoundLayout {
  const line = countedIn(music, bars);
  const at = (units: WrittenUnits) => secondsAtTick(line.tempo, (units * line.ticksPerQuarter) / QUARTER);
  const { bar } = barOneOf(line);
  return {
    countIn: line.seconds - music.seconds,
    click: clickBeats(line).map((beat) => ({ at: at(beat.at), accent: beat.accent })),
    end: line.seconds,
    barOne:
      bar.at === 0
        ? say('engine.barBarIsAtItsBeginning', { bar: bar.number })
        : say('engine.barBarIsAtSAfterItBegins', { bar: bar.number, at: inNumbers(bar.at, 3) }),
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
    line.bars.map(({ bar, start, silence, joins }) => ({ bar: score.bars[bar]!, start, silence, joins })),
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
  return timeLineOfScore(performance, barsOfFile(reading, performance));
}

/** Up to the end of its last track: a map or a count-in has bars without notes. */
export function barsOfFile({ file }: SmfReading, performance: Performance): Bar[] {
  if (performance.lastNoteEnd > 0) return barsOfPerformance(performance);
  const end = Math.max(...file.tracks.map(({ endTick }) => endTick), 1);
  return layBars(performance.meters, writtenUnits(end, performance.ticksPerQuarter), performance.numbering);
}

/** Bars counted so that the one of an index is bar 1. */
export function countedFrom(line: StudioTimeLine, first: number): StudioTimeLine {
  return { ...line, bars: line.bars.map((bar, i) => ({ ...bar, number: i - first + 1 })) };
}
