import { followBeats, type Following } from '../beats';
import {
  joinPerformances,
  performanceFromSmf,
  splitChannels,
  splitSounds,
  withTimeLine,
  type Performance,
} from '../performance';
import type { ConversionSettings } from '../settings';
import { readSmf, type SmfReading } from '../smf';

/** A MIDI file as it was read. */
export interface Original {
  reading: SmfReading;
  performance: Performance;
  /** Bytes. */
  size: number;
}

/** @throws SmfError with one sentence when the bytes are no usable Standard MIDI File */
export function readOriginal(bytes: Uint8Array): Original {
  const reading = readSmf(bytes);
  return { reading, performance: performanceFromSmf(reading), size: bytes.length };
}

/** What is converted, and what was found in free playing; null where the file's bars are its own. */
export interface Prepared {
  performance: Performance;
  following: Following | null;
}

/** What of the settings says how the originals are put together. */
export function preparedBy({ splits, soundSplits, offsets, encoding, freeTime, timeLine }: ConversionSettings): string {
  return JSON.stringify([splits, soundSplits, offsets, encoding, freeTime, timeLine]);
}

/**
 * What is converted: the originals with their texts in the encoding that was decided, joined where they were placed,
 * tracks split where that was decided, bars laid over free playing, the time line as it was mended.
 */
export function preparePerformance(
  originals: readonly Pick<Original, 'reading' | 'performance'>[],
  settings: ConversionSettings,
): Prepared {
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
): Prepared {
  const whole = splitSounds(splitChannels(joinPerformances(performances, offsets), splits), soundSplits);
  // Beats first: what was mended by hand is mended on the bars that were found.
  const followed = freeTime && followBeats(whole, freeTime);
  return {
    performance: withTimeLine(followed?.performance ?? whole, timeLine),
    following: followed?.following ?? null,
  };
}
