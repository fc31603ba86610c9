/** Names that a file system in use keeps for devices. */
const RESERVED = /^(?:con|prn|aux|nul|com\d|lpt\d)$/i;
/** With an extension and a number it stays below what file systems take, in bytes of any script. */
const LONGEST = 60;

/** A name every file system takes. @param name as people wrote it */
export function fileNameOf(name: string): string {
  const plain = name
    // A clarinet in B♭ is none in B.
    .replace(/♭/g, 'b')
    .replace(/♯/g, ' sharp')
    .replace(/[^\p{L}\p{N}._ -]+/gu, '')
    .replace(/\s+/g, ' ')
    .trim();
  const short = [...plain]
    .slice(0, LONGEST)
    .join('')
    .replace(/^\.+|[. ]+$/g, '');
  if (!short) return 'score';
  return RESERVED.test(short) ? `${short}_` : short;
}
