import { isZip, unpackMxl } from './container';
import { musicXmlErrors } from './errors';

const MOST_BYTES = 128 * 2 ** 20;

/** The text of a score, plain or compressed. @throws MusicXmlError for nothing, too much, or a zip without a score */
export function textOfScore(bytes: Uint8Array): string {
  if (bytes.length === 0) throw musicXmlErrors.empty();
  const plain = isZip(bytes) ? unpackMxl(bytes) : bytes;
  if (plain.length > MOST_BYTES)
    throw musicXmlErrors.tooLarge(Math.round(plain.length / 2 ** 20), MOST_BYTES / 2 ** 20);
  return decode(plain).replace(/^\ufeff/, '');
}

/** UTF-16 by its mark, or by the zeros between its first letters; Latin-1 where the declaration says so; else UTF-8. */
function decode(bytes: Uint8Array): string {
  const [a, b] = bytes;
  if ((a === 0xff && b === 0xfe) || (a === 0x3c && b === 0)) return new TextDecoder('utf-16le').decode(bytes);
  if ((a === 0xfe && b === 0xff) || (a === 0 && b === 0x3c)) return new TextDecoder('utf-16be').decode(bytes);
  const start = String.fromCharCode(...bytes.slice(0, 200));
  const latin = /encoding\s*=\s*["'](?:iso-8859-1|windows-1252|latin-?1)["']/i.test(start);
  return new TextDecoder(latin ? 'windows-1252' : 'utf-8').decode(bytes);
}
