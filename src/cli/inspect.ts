import { basename } from 'node:path';
import { ScoreDesk } from '../core/engine';
import { NO_SETTINGS } from '../core/settings';
import { named } from './input';

/** Everything the survey knows of a file, as plain data. @throws BadInput when it is no readable MIDI file */
export function inspect(bytes: Uint8Array, fileName: string) {
  const desk = named(fileName, () => ScoreDesk.open([bytes], NO_SETTINGS));
  const { survey, facts } = desk.opened;
  return {
    kind: 'midi',
    file: basename(fileName),
    format: facts.format,
    ticksPerQuarter: desk.performance.ticksPerQuarter,
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
}
