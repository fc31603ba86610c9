import { joinPerformances, performanceFromSmf, splitChannels, splitSounds, type Performance } from '../performance';
import type { SmfReading } from '../smf';
import { toScore, type Conversion, type ConversionSettings } from '../to-score';
import { settingsOf, type Ledger } from './ledger';

/** An original as it was read. */
export interface Original {
  reading: SmfReading;
  performance: Performance;
}

/** The performance of an original, its texts read in the encoding that was decided. */
export function inEncoding(
  { reading, performance }: Original,
  { encoding }: Pick<ConversionSettings, 'encoding'>,
): Performance {
  return encoding && encoding !== performance.encoding ? performanceFromSmf(reading, encoding) : performance;
}

/** What the engine converts: the originals joined where they were placed, tracks split where that was decided. */
export function preparePerformance(originals: readonly Performance[], settings: ConversionSettings): Performance {
  return splitSounds(
    splitChannels(joinPerformances(originals, settings.offsets), settings.splits),
    settings.soundSplits,
  );
}

/** The originals with the ledger's decisions: the same ones give the same score each time. */
export function replay(originals: readonly Performance[], ledger: Ledger): Conversion {
  const settings = settingsOf(ledger);
  return toScore(preparePerformance(originals, settings), settings);
}
