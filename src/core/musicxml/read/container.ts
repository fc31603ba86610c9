import { strFromU8, unzipSync } from 'fflate';
import { musicXmlErrors } from './errors';
import { parseDocument, type XmlNode } from './xml-tree';

/** A zip that would unpack to more than this is not opened. */
const MOST_UNPACKED = 128 * 2 ** 20;

export function isZip(bytes: Uint8Array): boolean {
  return bytes[0] === 0x50 && bytes[1] === 0x4b;
}

/**
 * The score inside a compressed .mxl file: META-INF/container.xml names it (MusicXML 3.0). Names that lead out of the
 * archive mean nothing here, since nothing is written to disk; only the entries that are needed are unpacked.
 *
 * @throws MusicXmlError when the zip is damaged, too large, or holds no score
 */
export function unpackMxl(bytes: Uint8Array): Uint8Array {
  const container = entry(bytes, (name) => name === 'META-INF/container.xml');
  const path = container ? rootFile(strFromU8(container.content)) : null;
  const score = path === null ? null : entry(bytes, (name) => name === path);
  // Some programs write no container: the only score in the zip is meant.
  const found =
    score ??
    entry(bytes, (name) => /\.(musicxml|xml)$/i.test(name) && !name.startsWith('META-INF/') && !name.includes('..'));
  if (!found) throw musicXmlErrors.noScoreInZip();
  return found.content;
}

function rootFile(text: string): string | null {
  let path: string | null = null;
  const look = (node: XmlNode): void => {
    if (node.name === 'rootfile' && path === null) path = node.attributes['full-path'] ?? null;
    node.children.forEach(look);
  };
  look(parseDocument(text));
  return path;
}

function entry(bytes: Uint8Array, wanted: (name: string) => boolean): { content: Uint8Array } | null {
  let taken = false;
  let tooLarge = 0;
  let entries: Record<string, Uint8Array>;
  try {
    entries = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (taken || !wanted(name)) return false;
        if (originalSize > MOST_UNPACKED) {
          tooLarge = originalSize;
          return false;
        }
        return (taken = true);
      },
    });
  } catch {
    throw musicXmlErrors.badZip();
  }
  if (tooLarge > 0) throw musicXmlErrors.tooLarge(Math.round(tooLarge / 2 ** 20), MOST_UNPACKED / 2 ** 20);
  const [content] = Object.values(entries);
  return content ? { content } : null;
}
