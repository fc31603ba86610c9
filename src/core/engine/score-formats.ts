import { say } from '../words';
import type { PartId } from '../base';
import {
  carryOver,
  compressMusicXml,
  musicXmlTree,
  writeMusicXml,
  type MusicXmlVersion,
  type SourceScore,
} from '../musicxml';
import { concertScore, withMarksOut, type MarksOut, type Score } from '../score';

interface Format {
  mediaType: string;
  /** For a button. */
  words: string;
  bytes: (musicXml: string) => Uint8Array;
}

/** As what a score leaves the house, by the file's extension: one list for the view, the command line and the route. */
export const SCORE_FORMATS = {
  musicxml: {
    mediaType: 'application/vnd.recordare.musicxml+xml',
    words: '.musicxml',
    bytes: (musicXml) => new TextEncoder().encode(musicXml),
  },
  mxl: {
    mediaType: 'application/vnd.recordare.musicxml',
    get words() {
      return say('documents.compressedScore');
    },
    bytes: compressMusicXml,
  },
} satisfies Record<string, Format>;

export type ScoreFormat = keyof typeof SCORE_FORMATS;

export const SCORE_FORMAT_NAMES = Object.keys(SCORE_FORMATS) as ScoreFormat[];

export interface ScoreExport {
  /** ISO date written into the file; none when absent. */
  date?: string;
  /** At sounding pitch instead of as players read it. */
  concert?: boolean;
  /** Version of the standard: 3.0 opens everywhere, 4.0 says a few signs that it cannot. */
  version?: MusicXmlVersion;
  /** Which marks go along; those that were taken when absent. */
  marks?: MarksOut;
  /** One part alone, with rests over several bars. */
  part?: PartId;
}

/** What a score came with beyond our model, and which of its parts each part is. */
export interface Received {
  source: SourceScore;
  /** Index of the part of the source; null for one that is of several, or of players. */
  partOf: (part: PartId) => number | null;
}

/** The same for whoever holds files against each other. */
export interface CameFrom {
  files: readonly Uint8Array[];
  /** Of each part of a file, in order. */
  partOf: readonly (number | null)[];
}

/** @param received where the score was one before: what we do not hold goes out as it came */
export function exportScore(
  score: Score,
  format: ScoreFormat,
  { date, concert = false, version, marks = 'taken', part }: ScoreExport,
  received: Received | null = null,
): Uint8Array {
  const marked = withMarksOut(part === undefined ? score : partAlone(score, part), marks);
  const given = concert ? concertScore(marked) : marked;
  const how = { date, version, breaks: true, multiRests: part !== undefined };
  const written = received
    ? carryOver(
        musicXmlTree(given, how),
        received.source,
        given.parts.map(({ id }) => received.partOf(id)),
      )
    : writeMusicXml(given, how);
  return SCORE_FORMATS[format].bytes(written);
}

/** @throws Error when the score has no such part */
export function partAlone(score: Score, part: PartId): Score {
  const parts = score.parts.filter((one) => one.id === part);
  if (parts.length === 0) throw new Error(`There is no part ${part}.`);
  return { ...score, parts };
}
