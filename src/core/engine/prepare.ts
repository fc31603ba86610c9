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

/** What of the settings says how the originals are put together. */
export function preparedBy({ splits, soundSplits, offsets, encoding, timeLine }: ConversionSettings): string {
  return JSON.stringify([splits, soundSplits, offsets, encoding, timeLine]);
}

/**
 * What is converted: the originals with their texts in the encoding that was decided, joined where they were placed,
 * tracks split where that was decided, the time line as it was mended.
 */
export function preparePerformance(
  originals: readonly Pick<Original, 'reading' | 'performance'>[],
  settings: ConversionSettings,
): Performance {
  const { encoding } = settings;
  const read = originals.map(({ reading, performance }) =>
    encoding && encoding !== performance.encoding ? performanceFromSmf(reading, encoding) : performance,
  );
  return withTimeLine(putTogether(read, settings), settings.timeLine);
}

/** Performances joined and split as was decided. */
export function putTogether(
  performances: readonly Performance[],
  { offsets, splits, soundSplits }: Pick<ConversionSettings, 'offsets' | 'splits' | 'soundSplits'>,
): Performance {
  return splitSounds(splitChannels(joinPerformances(performances, offsets), splits), soundSplits);
}
