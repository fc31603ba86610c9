import { strToU8, zipSync } from 'fflate';

const CONTAINER = `<?xml version="1.0" encoding="UTF-8"?>
<container>
  <rootfiles>
    <rootfile full-path="score.musicxml" media-type="application/vnd.recordare.musicxml+xml"/>
  </rootfiles>
</container>
`;

/**
 * Packs MusicXML text as a compressed .mxl file: a zip whose META-INF/container.xml names the score (MusicXML 3.0). The
 * entries' date is fixed, so that the same score gives the same bytes.
 */
export function compressMusicXml(text: string): Uint8Array {
  const mtime = '2000-01-01T12:00:00';
  return zipSync({
    mimetype: [strToU8('application/vnd.recordare.musicxml'), { level: 0, mtime }],
    'META-INF/container.xml': [strToU8(CONTAINER), { mtime }],
    'score.musicxml': [strToU8(text), { mtime }],
  });
}
