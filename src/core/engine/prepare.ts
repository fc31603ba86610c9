import { followBeats, withTimeOf, type Following, type TwoVersions } from '../beats';
import { joinPerformances, performanceFromSmf, splitTracks, withTimeLine, type Performance } from '../performance';
import type { Score } from '../score';
import type { ConversionSettings } from '../settings';
import { mendedScore, playedScore } from '../to-sequencer';
import type { MidiOriginal, Originals } from './originals';
import { warningInWords } from './warning-words';

/** What is converted, and how it came about. */
export interface Prepared {
  performance: Performance;
  /** The score the performance was made of; null for music that was played in. */
  received: Score | null;
  /** What was found in free playing; null where the file's bars are its own. */
  following: Following | null;
  /** Whose times were taken, and how the versions agree; null where they are not of one music. */
  timed: { original: number; versions: TwoVersions | null; playing: Performance } | null;
}

/** What of the settings says how the originals are put together. */
export function preparedBy(settings: ConversionSettings): string {
  const { splits, programSplits, soundSplits, offsets, encoding, timeFrom, freeTime, timeLine } = settings;
  return JSON.stringify([splits, programSplits, soundSplits, offsets, encoding, timeFrom, freeTime, timeLine]);
}

/** What is converted: the originals as they were read, put together and mended as was decided. */
export function prepareOriginals(originals: Originals, settings: ConversionSettings): Prepared {
  const { midi, score, kinds } = originals;
  const read = midi.map((one) => inEncoding(one, settings));
  if (!score) return preparePlayed(read, settings);
  const { score: received, performance } = playedScore(mendedScore(score.score, settings.timeLine));
  const warnings = score.warnings.map((warning) => ({ message: warningInWords(warning, score.score) }));
  const warned = { ...performance, warnings };
  const number = settings.timeFrom ?? kinds.indexOf('midi') + 1;
  // Which of the MIDI files it is, among scores.
  const playing =
    kinds[number - 1] === 'midi'
      ? read[kinds.slice(0, number - 1).filter((kind) => kind === 'midi').length]
      : undefined;
  return { ...timedBy(warned, playing, number), received, following: null };
}

/**
 * MIDI files with their texts in the encoding that was decided, joined where they were placed, tracks split where that
 * was decided, the times of another version taken, bars laid over free playing, the time line as it was mended.
 */
export function preparePerformance(originals: readonly MidiOriginal[], settings: ConversionSettings): Prepared {
  return preparePlayed(
    originals.map((one) => inEncoding(one, settings)),
    settings,
  );
}

/** Performances joined and split as was decided, on the bars that were decided. */
export function putTogether(performances: readonly Performance[], settings: ConversionSettings): Performance {
  return preparePlayed(performances, settings).performance;
}

function inEncoding({ reading, performance }: MidiOriginal, { encoding }: ConversionSettings): Performance {
  return encoding && encoding !== performance.encoding ? performanceFromSmf(reading, encoding) : performance;
}

function preparePlayed(read: readonly Performance[], settings: ConversionSettings): Prepared {
  const { freeTime, timeLine } = settings;
  const number = settings.timeFrom ?? 0;
  const playing = read.length > 1 ? read[number - 1] : undefined;
  const others = playing ? read.filter((one) => one !== playing) : read;
  const offsets = playing ? offsetsWithout(settings.offsets, number) : settings.offsets;
  const joined = splitTracks(joinPerformances(others, offsets), settings);
  const { performance, timed } = timedBy(joined, playing, number);
  // Beats first: what was mended by hand is mended on the bars that were found.
  const followed = freeTime && !timed?.versions ? followBeats(performance, freeTime) : null;
  return {
    performance: withTimeLine(followed?.performance ?? performance, timeLine),
    received: null,
    following: followed?.following ?? null,
    timed,
  };
}

function timedBy(
  written: Performance,
  playing: Performance | undefined,
  original: number,
): Pick<Prepared, 'performance' | 'timed'> {
  if (!playing) return { performance: written, timed: null };
  const versions = withTimeOf(written, playing);
  return { performance: versions?.performance ?? written, timed: { original, versions, playing } };
}

/** Numbers as they are when one original is taken out of the row. */
function offsetsWithout(offsets: ConversionSettings['offsets'], original: number): ConversionSettings['offsets'] {
  return Object.fromEntries(
    Object.entries(offsets)
      .map(([number, bars]) => [Number(number), bars] as const)
      .filter(([number]) => number !== original)
      .map(([number, bars]) => [number > original ? number - 1 : number, bars]),
  );
}
