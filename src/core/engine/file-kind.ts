import { readMusicXml } from '../musicxml';
import { performanceFromSmf } from '../performance';
import { readSmf } from '../smf';

export type FileKind = 'midi' | 'score';

/** MusicXML begins with a bracket or is a zip; a MIDI file says so itself. */
export function isScoreFile(bytes: Uint8Array): boolean {
  const start = new TextDecoder('latin1')
    .decode(bytes.subarray(0, 64))
    .replace(/^\u00ef\u00bb\u00bf|^\u00ff\u00fe|^\u00fe\u00ff/, '')
    .replace(/\0/g, '')
    .trimStart();
  return start.startsWith('<') || (bytes[0] === 0x50 && bytes[1] === 0x4b);
}

/**
 * Reads a file without opening a job.
 *
 * @param fileName says what it means to be
 * @throws SmfError or MusicXmlError when it can be used in neither direction
 */
export function checkFile(bytes: Uint8Array, fileName = ''): FileKind {
  if (isScoreFile(bytes) || /\.(?:musicxml|mxl|xml)$/i.test(fileName)) {
    readMusicXml(bytes);
    return 'score';
  }
  performanceFromSmf(readSmf(bytes));
  return 'midi';
}
