import { basename } from 'node:path';
import { barsOfPerformance, fileFacts, performanceFromSmf, surveyPerformance } from '../core/performance';
import { readSmf } from '../core/smf';
import { BadInput } from './errors';

/** Everything the survey knows of a file, as plain data. @throws BadInput when it is no readable MIDI file */
export function inspect(bytes: Uint8Array, fileName: string) {
  try {
    const reading = readSmf(bytes);
    const performance = performanceFromSmf(reading);
    const bars = barsOfPerformance(performance);
    const survey = surveyPerformance(performance, bars);
    const facts = fileFacts(reading.file, performance, bars, bytes.length);
    return {
      kind: 'midi',
      file: basename(fileName),
      format: facts.format,
      ticksPerQuarter: performance.ticksPerQuarter,
      durationSeconds: facts.durationSeconds,
      bars: facts.bars,
      title: facts.title,
      copyright: facts.copyright,
      tracks: survey.tracks.map(({ recognition, density: _density, ...track }) => ({
        ...track,
        instrument: recognition.candidates[0]
          ? {
              id: recognition.candidates[0].instrument,
              confidence: Math.round(recognition.candidates[0].confidence * 1000) / 1000,
            }
          : null,
        technique: recognition.technique,
      })),
      tempos: facts.tempos,
      meters: facts.meters,
      keys: facts.keys,
      markers: facts.markers,
      texts: facts.texts,
      unknownChunks: facts.unknownChunks,
      warnings: facts.warnings,
    };
  } catch (error) {
    if ((error as Error).name === 'SmfError') throw new BadInput(`${fileName}: ${(error as Error).message}`);
    throw error;
  }
}
