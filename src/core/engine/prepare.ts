import { followBeats, type Following } from '../beats';
import {
  joinPerformances,
  performanceFromSmf,
  splitChannels,
  splitSounds,
  withTimeLine,
  type Performance,
} from '../performance';
import type { Score } from '../score';
import type { ConversionSettings } from '../settings';
import { mendedScore, playedScore } from '../to-sequencer';
import type { MidiOriginal, Originals } from './originals';

/** What is converted, and what was found in free playing; null where the file's bars are its own. */
export interface Prepared {
  performance: Performance;
  /** The score the performance was made of; null for music that was played in. */
  received: Score | null;
  following: Following | null;
}

/** What of the settings says how the originals are put together. */
export function preparedBy({ splits, soundSplits, offsets, encoding, freeTime, timeLine }: ConversionSettings): string {
  return JSON.stringify([splits, soundSplits, offsets, encoding, freeTime, timeLine]);
}

/** What is converted: the originals as they were read, put together and mended as was decided. */
export function prepareOriginals({ midi, score }: Originals, settings: ConversionSettings): Prepared {
  if (!score) return { ...preparePerformance(midi, settings), received: null };
  const played = playedScore(mendedScore(score.score, settings.timeLine));
  const warnings = score.warnings.map(({ message }) => ({ message }));
  return { performance: { ...played.performance, warnings }, received: played.score, following: null };
}

/**
 * MIDI files with their texts in the encoding that was decided, joined where they were placed, tracks split where that
 * was decided, bars laid over free playing, the time line as it was mended.
 */
export function preparePerformance(
  originals: readonly MidiOriginal[],
  settings: ConversionSettings,
): Omit<Prepared, 'received'> {
  const { encoding } = settings;
  const read = originals.map(({ reading, performance }) =>
    encoding && encoding !== performance.encoding ? performanceFromSmf(reading, encoding) : performance,
  );
  return laidOut(read, settings);
}

/** Performances joined and split as was decided, on the bars that were decided. */
export function putTogether(performances: readonly Performance[], settings: ConversionSettings): Performance {
  return laidOut(performances, settings).performance;
}

function laidOut(
  performances: readonly Performance[],
  { offsets, splits, soundSplits, freeTime, timeLine }: ConversionSettings,
): Omit<Prepared, 'received'> {
  const whole = splitSounds(splitChannels(joinPerformances(performances, offsets), splits), soundSplits);
  // Beats first: what was mended by hand is mended on the bars that were found.
  const followed = freeTime && followBeats(whole, freeTime);
  return {
    performance: withTimeLine(followed?.performance ?? whole, timeLine),
    following: followed?.following ?? null,
  };
}
