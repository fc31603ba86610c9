import { commonDivisor } from '../../base';
import { symbolsOf, withoutSuggestions, type Score, type ScoreNote } from '../../score';
import { QUARTER, type WrittenUnits } from '../../time';
import { writePartList } from './part-list';
import { PartWriter } from './part-writer';
import { TreeWriter } from './tree-writer';
import { XmlWriter, type XmlSink } from './xml-writer';
import type { XmlNode } from '../read/xml-tree';

export const MUSICXML_VERSIONS = ['3.0', '4.0'] as const;
export type MusicXmlVersion = (typeof MUSICXML_VERSIONS)[number];

export interface MusicXmlOptions {
  /** Version of the standard; 3.0 unless asked: old and new readers open it. */
  version?: MusicXmlVersion;
  /**
   * Identifiers for notes, for engraving on screen only: the attribute came with MusicXML 3.1 and exported files keep
   * to 3.0.
   */
  noteId?: (note: ScoreNote, at: WrittenUnits) => string;
  /** The last bar is the end of the piece and gets a final barline; true unless a passage is written. */
  finalBarline?: boolean;
  /** Empty bars one after the other become one rest over several bars: for single parts. */
  multiRests?: boolean;
  /** Accidentals that only remind, after a bar that had another. */
  courtesy?: boolean;
  /** Suggested marks are written in this colour; without one they are left away. */
  suggestionColour?: string;
  /** Lines and pages begin where the score has breaks; the reader lays out unless it is asked for. */
  breaks?: boolean;
  /** Name of the program in the file's identification. */
  software?: string;
  /** ISO date for the file's identification; none by default, so that the same score gives the same bytes. */
  date?: string;
}

/**
 * Writes a score as MusicXML partwise text, of version 3.0 unless asked, which old and new readers open. No layout unless breaks are asked for:
 * the reader lays out.
 * docs/formats.md lists which element carries what.
 */
export function writeMusicXml(given: Score, asked: MusicXmlOptions = {}): string {
  const { version = '3.0' } = asked;
  const xml = new XmlWriter(DECLARATION, doctypeOf(version), version);
  writeScore(xml, given, asked);
  return xml.toString();
}

/** The same as a tree, with the lines that stand before it. */
export function musicXmlTree(given: Score, asked: MusicXmlOptions = {}): { head: string; root: XmlNode } {
  const { version = '3.0' } = asked;
  const xml = new TreeWriter(version);
  writeScore(xml, given, asked);
  return { head: `${DECLARATION}\n${doctypeOf(version)}\n`, root: xml.root };
}

const DECLARATION = '<?xml version="1.0" encoding="UTF-8" standalone="no"?>';
const doctypeOf = (version: MusicXmlVersion) =>
  `<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML ${version} Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">`;

function writeScore(xml: XmlSink, given: Score, asked: MusicXmlOptions): void {
  // The standard wants capital digits.
  const options = { ...asked, suggestionColour: asked.suggestionColour?.toUpperCase() };
  const score = options.suggestionColour ? given : withoutSuggestions(given);
  const ids = new Map(score.parts.map((part, i) => [part, `P${i + 1}`]));
  xml.open('score-partwise', { version: xml.version });
  if (score.title) xml.open('work').leaf('work-title', score.title).close('work');
  xml.open('identification');
  if (score.composer) xml.leaf('creator', score.composer, { type: 'composer' });
  if (score.rights) xml.leaf('rights', score.rights);
  xml.open('encoding').leaf('software', options.software ?? 'Dragoman');
  if (options.date) xml.leaf('encoding-date', options.date);
  for (const element of ['accidental', 'beam']) xml.leaf('supports', null, { element, type: 'yes' });
  xml.close('encoding').close('identification');
  writePartList(xml, score, ids);
  const divisions = divisionsOf(score);
  score.parts.forEach((part, i) => {
    xml.open('part', { id: ids.get(part) });
    new PartWriter(xml, score, part, { id: ids.get(part)!, divisions, top: i === 0 }, options).write();
    xml.close('part');
  });
  xml.close('score-partwise');
}

/** Fewest divisions of a quarter note in which every duration and offset is whole. */
function divisionsOf(score: Score): number {
  let common: WrittenUnits = QUARTER;
  const take = (units: WrittenUnits) => {
    common = commonDivisor(common, units);
  };
  for (const bar of score.bars) take(bar.length);
  for (const { at } of score.keys) if (at) take(at);
  for (const part of score.parts) {
    for (const { symbol } of symbolsOf(part)) take(symbol.duration);
    for (const { at } of part.clefChanges) if (at) take(at);
  }
  return QUARTER / common;
}
