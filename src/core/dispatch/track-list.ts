/* Which track is what: a table for whoever has the file and not our screens. */
import { say } from '../words';
import Papa from 'papaparse';
import type { Summary, SequenceSummary } from '../engine';
import { keyInWords } from '../score';

interface Row {
  track: string;
  part: string;
  instrument: string;
  technique: string;
  channels: string;
  notes: number;
  range: string;
  remark: string;
}

/** Of a job as a score: every track that arrived, also those that are left out. */
export function tracksOfScore({ tracks, parts, opened }: Summary): Row[] {
  const cast = new Map(tracks.map((track) => [track.id, track]));
  return opened.survey.tracks.map(({ id, index, name, channels, notes, lowest, highest }) => {
    const track = cast.get(id);
    const owners = parts.filter((part) => part.tracks.includes(id));
    return {
      track: name || say('dispatchCore.trackIndex', { index: index + 1 }),
      part: owners.map((part) => part.name).join(', '),
      instrument: owners[0]?.instrumentName ?? '',
      technique: track?.technique ?? '',
      channels: channels.join(' '),
      notes,
      range: lowest === null || highest === null ? '' : `${keyInWords(lowest)}–${keyInWords(highest)}`,
      remark: track?.leftOut ? say('dispatchCore.leftOutReason', { reason: track.reason ?? '' }) : '',
    };
  });
}

/** Of a job on its way to a sequencer: the tracks that go out. */
export function tracksOfSequence({ tracks, parts }: SequenceSummary): Row[] {
  return tracks.map((track) => {
    const part = parts.find(({ id }) => id === track.part);
    const { lowest = null, highest = null } = part ?? {};
    return {
      track: track.name,
      part: part?.name ?? '',
      instrument: part?.instrumentName ?? '',
      technique: 'technique' in track ? (track.technique ?? '') : '',
      channels: String(track.channel),
      notes: track.notes,
      range: lowest === null || highest === null ? '' : `${keyInWords(lowest)}–${keyInWords(highest)}`,
      remark: track.port > 0 ? say('dispatchCore.portPort', { port: track.port + 1 }) : '',
    };
  });
}

export function tracksAsCsv(rows: readonly Row[]): string {
  return `${Papa.unparse([...rows], { escapeFormulae: true })}\r\n`;
}
