import { basename } from 'node:path';
import { isScoreFile, openSequence, ScoreDesk } from '../core/engine';
import { NO_JOB_SETTINGS, NO_SETTINGS } from '../core/settings';
import { BadInput } from './errors';
import { named } from './input';

/** Everything that is known of a file, as plain data. @throws BadInput when it is neither MIDI nor MusicXML */
export function inspect(bytes: Uint8Array, fileName: string) {
  return isScoreFile(bytes) ? inspectScore(bytes, fileName) : inspectMidi(bytes, fileName);
}

function inspectScore(bytes: Uint8Array, fileName: string) {
  const summary = named(fileName, () => openSequence([bytes]).make(NO_JOB_SETTINGS));
  if (summary.kind !== 'score') throw new BadInput(`${fileName}: this is no score.`);
  const { title, composer, bars, order, seconds, parts, tempos, markers, keys, queries } = summary;
  return {
    kind: 'score',
    file: basename(fileName),
    title,
    composer,
    bars: bars.length,
    barsAsPlayed: order.length,
    durationSeconds: seconds,
    parts: parts.map(({ curve: _curve, ...part }) => part),
    tempos,
    markers,
    keys,
    warnings: queries.filter(({ kind }) => kind === 'file').map(({ message }) => message),
    queries: queries.filter(({ kind }) => kind !== 'file').map(({ message }) => message),
  };
}

function inspectMidi(bytes: Uint8Array, fileName: string) {
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
