import { compressMusicXml, writeMusicXml, type MusicXmlVersion } from '../musicxml';
import { concertScore, type Score } from '../score';

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
    words: '.mxl, compressed',
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
}

export function exportScore(
  score: Score,
  format: ScoreFormat,
  { date, concert = false, version }: ScoreExport,
): Uint8Array {
  const written = writeMusicXml(concert ? concertScore(score) : score, { date, version, breaks: true });
  return SCORE_FORMATS[format].bytes(written);
}
