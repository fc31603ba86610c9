/*
 * What the score model holds: where a written file lacks it, somebody decided so. Everything else is carried.
 */
import { LINES, NOTE_MARKS } from '../../marks';
import { modulationOf, quarterTempo } from '../read/read-direction';
import type { XmlNode } from '../read/xml-tree';

const words = (text: string): readonly string[] => text.split(' ');

/** Signs that the model holds for percussion only, or as what they come to when played. */
const HELD_IN_PART = new Set(words('stopped open open-string string fret accidental-mark'));
const MARKS = NOTE_MARKS.flatMap(({ read }) => Object.keys(read)).filter((name) => !HELD_IN_PART.has(name));

const HELD: Readonly<Record<string, ReadonlySet<string>>> = {
  'score-partwise': new Set(words('part-list part')),
  work: new Set(['work-title']),
  identification: new Set(['encoding']),
  'score-part': new Set(words('part-name part-abbreviation score-instrument midi-instrument')),
  note: new Set(
    words(
      'grace cue chord pitch unpitched rest duration tie instrument voice type dot time-modification stem staff beam lyric',
    ),
  ),
  notations: new Set([...words('tied slur tuplet dynamics'), ...MARKS]),
  ornaments: new Set(MARKS),
  technical: new Set(MARKS),
  articulations: new Set(MARKS),
  attributes: new Set(words('divisions key time staves clef transpose')),
  barline: new Set(words('segno coda fermata ending repeat')),
  harmony: new Set(words('root kind bass degree function')),
  key: new Set(words('fifths mode')),
  transpose: new Set(words('diatonic chromatic octave-change')),
  lyric: new Set(words('syllabic text elision extend')),
};

/** Kinds of directions that the model holds, in whatever way. */
const DIRECTIONS = new Set([
  ...words('words rehearsal segno coda metronome string-mute other-direction'),
  ...Object.values(LINES).flatMap(({ elements }) => elements),
]);

/** Whether the model holds what stands in an element under a name. */
export const isHeld = (container: string, name: string): boolean => HELD[container]?.has(name) ?? false;

/** Dynamics are held by their names, tempos by their number; what is none of those is carried. */
export function isHeldDirection(type: XmlNode): boolean {
  if (type.attributes.type === 'continue' || type.name === 'dashes') return false;
  if (type.name === 'metronome') return quarterTempo(type) !== null || modulationOf(type) !== null;
  if (type.name !== 'dynamics') return DIRECTIONS.has(type.name);
  const event = { at: 0, staff: 1, element: type };
  return LINES.dynamics.read([event], 0).length + LINES.forces.read([event], 0).length > 0;
}
