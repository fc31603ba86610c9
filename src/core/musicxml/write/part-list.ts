import { instrumentById } from '../../instruments';
import { partGroups, type Part, type Score } from '../../score';
import type { XmlSink } from './xml-writer';

/** Names, sounds, MIDI instruments; brackets by family, braces for players of one instrument. */
export function writePartList(xml: XmlSink, score: Score, ids: Map<Part, string>): void {
  xml.open('part-list');
  const groups = partGroups(score.parts);
  score.parts.forEach((part, i) => {
    groups.forEach(({ first, symbol }, g) => {
      if (first !== i) return;
      xml.open('part-group', { type: 'start', number: g + 1 }).leaf('group-symbol', symbol);
      // Barlines run through a family, not only through its like instruments; between singers stand their words.
      if (symbol === 'bracket')
        xml.leaf('group-barline', instrumentById(score.parts[first]!.instrument).family === 'voice' ? 'no' : 'yes');
      xml.close('part-group');
    });
    writeScorePart(xml, part, ids.get(part)!);
    for (let g = groups.length - 1; g >= 0; g--)
      if (groups[g]!.last === i) xml.leaf('part-group', null, { type: 'stop', number: g + 1 });
  });
  xml.close('part-list');
}

function writeScorePart(xml: XmlSink, part: Part, id: string): void {
  const sound = instrumentById(part.instrument).sound;
  xml.open('score-part', { id }).leaf('part-name', part.name).leaf('part-abbreviation', part.abbreviation);
  if (part.unpitched && part.struck.length > 0) {
    for (const { key, name } of part.struck)
      xml
        .open('score-instrument', { id: `${id}-I${key}` })
        .leaf('instrument-name', name)
        .close('score-instrument');
    // The standard counts unpitched MIDI keys from 1.
    for (const { key } of part.struck)
      xml
        .open('midi-instrument', { id: `${id}-I${key}` })
        .leaf('midi-channel', 10)
        .leaf('midi-unpitched', key + 1)
        .close('midi-instrument');
  } else {
    xml
      .open('score-instrument', { id: instrumentId(id) })
      .leaf('instrument-name', part.name)
      .leaf('instrument-sound', sound);
    // A section says so; one player says so where a section is usual too.
    if (part.solo) xml.leaf('solo');
    else if (instrumentById(part.instrument).section) xml.leaf('ensemble');
    xml.close('score-instrument');
    part.doublings?.forEach(({ name, instrument }, d) => {
      xml
        .open('score-instrument', { id: instrumentId(id, d) })
        .leaf('instrument-name', name)
        .leaf('instrument-sound', instrumentById(instrument).sound)
        .close('score-instrument');
    });
    midiInstrument(instrumentId(id), part.program);
    part.doublings?.forEach(({ program }, d) => midiInstrument(instrumentId(id, d), program));
  }
  xml.close('score-part');

  function midiInstrument(of: string, program: number | null): void {
    xml.open('midi-instrument', { id: of }).leaf('midi-channel', part.channel);
    if (program !== null) xml.leaf('midi-program', program);
    xml.close('midi-instrument');
  }
}

/** The id of a pitched part's instrument: its own, or one of its doublings. */
export function instrumentId(part: string, doubling?: number): string {
  return `${part}-I${doubling === undefined ? 1 : doubling + 2}`;
}
