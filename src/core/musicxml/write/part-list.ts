import { instrumentById, type Family } from '../../instruments';
import type { Part, Score } from '../../score';
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

interface PartGroup {
  first: number;
  last: number;
  symbol: 'bracket' | 'brace';
}

/** More players of one instrument than these are a family and not a desk: a brace would only repeat the bracket. */
const MOST_IN_A_BRACE = 4;
/** Each stands by itself; a brace there means the two staves of one player. */
const UNBRACKETED: readonly Family[] = ['keyboard', 'plucked', 'other'];

/**
 * A bracket for each family of two or more parts; inside it a brace for two to four players of one instrument, unless
 * they are the whole family. Outer groups first. Printed orchestral and band scores, from memory.
 */
function partGroups(parts: readonly Part[]): PartGroup[] {
  const runs = (same: (a: Part, b: Part) => boolean, symbol: PartGroup['symbol']) => {
    const found: PartGroup[] = [];
    for (let first = 0, i = 1; i <= parts.length; i++) {
      if (i < parts.length && same(parts[first]!, parts[i]!)) continue;
      if (i - first > 1) found.push({ first, last: i - 1, symbol });
      first = i;
    }
    return found;
  };
  const family = (part: Part) => instrumentById(part.instrument).family;
  const families = runs((a, b) => family(a) === family(b), 'bracket').filter(
    ({ first }) => !UNBRACKETED.includes(family(parts[first]!)),
  );
  const desks = runs(
    (a, b) => a.instrument === b.instrument && a.solo === b.solo && a.clefs.length === 1 && !a.unpitched,
    'brace',
  ).filter(({ first }) => !UNBRACKETED.includes(family(parts[first]!)));
  const wholeFamily = (desk: PartGroup) =>
    families.some(({ first, last }) => first === desk.first && last === desk.last);
  return [...families, ...desks.filter((desk) => desk.last - desk.first < MOST_IN_A_BRACE && !wholeFamily(desk))];
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
