import { CHORD_KINDS, type ChordName, type Harmony } from '../../score';
import type { XmlSink } from './xml-writer';

/** A chord symbol above the staff. @param offset from the symbol it is written before, in divisions */
export function writeHarmony(xml: XmlSink, harmony: Harmony, offset: number): void {
  const { root, kind, printed, degrees = [], bass } = harmony;
  xml.open('harmony');
  // The standard wants a root even where there is no chord.
  writeName(xml, root ?? { step: 'C', alter: 0 }, 'root', root === null);
  // Readers print kinds in their own way unless they are told.
  xml.leaf('kind', kind, { text: printed ?? CHORD_KINDS[kind].text });
  if (bass) writeName(xml, bass, 'bass');
  for (const { value, alter, type } of degrees)
    xml
      .open('degree')
      .leaf('degree-value', value)
      .leaf('degree-alter', alter)
      .leaf('degree-type', type)
      .close('degree');
  if (offset !== 0) xml.leaf('offset', offset);
  xml.close('harmony');
}

function writeName(xml: XmlSink, { step, alter }: ChordName, name: 'root' | 'bass', unprinted = false): void {
  xml.open(name).leaf(`${name}-step`, step, { text: unprinted ? '' : undefined });
  if (alter !== 0) xml.leaf(`${name}-alter`, alter);
  xml.close(name);
}
