/* What stands in a <note>: values, tuplets, syllables. */
import type { MarkElement } from '../../marks';
import type { Lyric, SymbolInBar, TupletPlace } from '../../score';
import type { XmlSink } from './xml-writer';

export function bracketsOf({ first, last, nested }: TupletPlace): MarkElement[] {
  if (nested)
    return nested.map(({ level, edge, ratio }) => ({
      name: 'tuplet',
      attributes: { type: edge, number: level, bracket: edge === 'start' ? 'yes' : undefined },
      ...(ratio && { children: [countOf('actual', ratio), countOf('normal', ratio)] }),
    }));
  return [
    ...(first ? [{ name: 'tuplet', attributes: { type: 'start', bracket: 'yes' } }] : []),
    ...(last ? [{ name: 'tuplet', attributes: { type: 'stop' } }] : []),
  ];
}

function countOf(which: 'actual' | 'normal', ratio: { actual: number; normal: number; type: string }): MarkElement {
  return {
    name: `tuplet-${which}`,
    children: [
      { name: 'tuplet-number', text: ratio[which] },
      { name: 'tuplet-type', text: ratio.type },
    ],
  };
}

export function writeValue(xml: XmlSink, { wholeBar, type, dots, cue }: SymbolInBar): void {
  if (wholeBar) return;
  xml.leaf('type', type, { size: cue && 'cue' });
  for (let dot = 0; dot < dots; dot++) xml.leaf('dot');
}

export function writeTimeModification(xml: XmlSink, { actual, normal, normalType }: TupletPlace): void {
  xml
    .open('time-modification')
    .leaf('actual-notes', actual)
    .leaf('normal-notes', normal)
    .leaf('normal-type', normalType)
    .close('time-modification');
}

export function writeLyric(xml: XmlSink, { verse, text, syllabic, elided = [], extends: goesOn }: Lyric): void {
  xml.open('lyric', { number: verse }).leaf('syllabic', syllabic).leaf('text', text);
  for (const more of elided) xml.leaf('elision').leaf('syllabic', more.syllabic).leaf('text', more.text);
  if (goesOn) xml.leaf('extend');
  xml.close('lyric');
}
