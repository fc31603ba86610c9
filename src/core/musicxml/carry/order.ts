/* In which order the standard wants what stands in an element (MusicXML 4.0, musicxml.xsd). */
import type { XmlNode } from '../read/xml-tree';

const words = (text: string): readonly string[] => text.split(' ');

const ORDERS: Readonly<Record<string, readonly string[]>> = {
  'score-partwise': words('work movement-number movement-title identification defaults credit part-list part'),
  work: words('work-number work-title opus'),
  identification: words('creator rights encoding source relation miscellaneous'),
  'score-part': words(
    'identification part-link part-name part-name-display part-abbreviation part-abbreviation-display group score-instrument player midi-device midi-instrument',
  ),
  'score-instrument': words(
    'instrument-name instrument-abbreviation instrument-sound solo ensemble virtual-instrument',
  ),
  'midi-instrument': words('midi-channel midi-name midi-bank midi-program midi-unpitched volume pan elevation'),
  attributes: words(
    'footnote level divisions key time staves part-symbol instruments clef staff-details transpose for-part directive measure-style',
  ),
  key: words('cancel fifths mode key-step key-alter key-accidental key-octave'),
  clef: words('sign line clef-octave-change'),
  transpose: words('diatonic chromatic octave-change double'),
  'staff-details': words('staff-type staff-lines line-detail staff-tuning capo staff-size'),
  note: words(
    'grace cue chord pitch unpitched rest duration tie instrument footnote level voice type dot accidental time-modification stem notehead notehead-text staff beam notations lyric play listen',
  ),
  notations: words(
    'footnote level tied slur tuplet glissando slide ornaments technical articulations dynamics fermata arpeggiate non-arpeggiate accidental-mark other-notation',
  ),
  rest: words('display-step display-octave'),
  tuplet: words('tuplet-actual tuplet-normal'),
  lyric: words('syllabic text elision extend laughing humming end-line end-paragraph footnote level'),
  barline: words('bar-style footnote level wavy-line segno coda fermata ending repeat'),
  print: words(
    'page-layout system-layout staff-layout measure-layout measure-numbering part-name-display part-abbreviation-display',
  ),
  direction: words('direction-type offset footnote level voice staff sound listening'),
  harmony: words('root numeral function kind inversion bass degree frame offset footnote level staff'),
};

/** Puts an element into another where the standard wants it: behind those that may stand before it. */
export function putInOrder(into: XmlNode, node: XmlNode): void {
  const order = ORDERS[into.name];
  const rank = order?.indexOf(node.name) ?? -1;
  if (!order || rank < 0) {
    into.children.push(node);
    return;
  }
  const after = into.children.findLastIndex((one) => order.indexOf(one.name) <= rank);
  into.children.splice(after + 1, 0, node);
}
