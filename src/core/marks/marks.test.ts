import { describe, expect, it } from 'vitest';
import { barOf, plainPart, plainScore } from '../../testing/scores';
import { readMusicXml, writeMusicXml } from '../musicxml';
import { ARTICULATIONS, NO_LINES, TURNS, type PartLines, type SymbolMarks } from '../score';
import { QUARTER } from '../time';
import { LINES, NOTE_MARKS } from './registry';

/** Every sign a note can have, alone. */
const ON_NOTES: SymbolMarks[] = [
  ...ARTICULATIONS.map((one): SymbolMarks => ({ articulations: [one] })),
  ...TURNS.map((turn): SymbolMarks => ({ turn })),
  { trill: true },
  { tremolo: 3 },
  { tremolo: 3, alternating: 'first' },
  { tremolo: 3, alternating: 'second' },
  { harmonic: true },
  { bowing: 'down' },
  { bowing: 'up' },
  { breath: 'breath' },
  { breath: 'caesura' },
  { arpeggio: 'up' },
  { arpeggio: 'down' },
  { fermata: 'normal' },
  { fermata: 'square' },
  { articulations: ['staccato'], drawnAs: ['staccatissimo'] },
  { articulations: ['staccato', 'tenuto'], drawnAs: ['detached-legato'] },
  { trill: true, neighbours: { above: 1 } },
  { turn: 'turn', neighbours: { above: -1, below: 0 } },
  { glide: { starts: 'glissando' } },
  { glide: { starts: 'slide', stops: 'glissando' } },
  { further: [{ group: 'technical', name: 'fingering', text: '3', attributes: { placement: 'above' } }] },
  { further: [{ group: 'technical', name: 'bend', children: [{ name: 'bend-alter', text: '1' }] }] },
  { trill: true, further: [{ group: 'ornaments', name: 'wavy-line', attributes: { type: 'start', number: '1' } }] },
  { further: [{ group: 'articulations', name: 'doit' }] },
  { further: [{ group: null, name: 'non-arpeggiate', attributes: { type: 'bottom' } }] },
];

const read = (marks: SymbolMarks, unpitched = false) =>
  readMusicXml(
    new TextEncoder().encode(
      writeMusicXml(
        plainScore([
          plainPart([barOf([60, 2, marks], [62, 2])], unpitched ? { unpitched, struck: [{ key: 60, name: 'x' }] } : {}),
        ]),
      ),
    ),
  ).score.parts[0]!;

describe('marks written and read back', () => {
  it.each(ON_NOTES.map((marks) => [JSON.stringify(marks), marks] as const))('%s', (_, marks) => {
    expect(read(marks).bars[0]!.voices[0]!.symbols[0]!.marks).toEqual(marks);
  });
  it.each(['open', 'closed'] as const)('a hi-hat that is %s', (hiHat) => {
    expect(read({ hiHat }, true).bars[0]!.voices[0]!.symbols[0]!.marks).toEqual({ hiHat });
  });
  it('every kind is among them', () => {
    const tried: SymbolMarks[] = [...ON_NOTES, { hiHat: 'open' }];
    for (const kind of NOTE_MARKS) expect(tried.flatMap((marks) => kind.elements(marks, () => ({})))).not.toEqual([]);
  });
  it('lines of every kind, one inside the other', () => {
    const lines: PartLines = {
      ...NO_LINES,
      dynamics: [
        { at: 0, staff: 1, level: 'mp' },
        { at: QUARTER, staff: 1, level: 'ppp', printed: 'pppp' },
        { at: 2 * QUARTER, staff: 1, level: 'f', printed: '', velocity: 91 },
      ],
      forces: [{ at: 3 * QUARTER, staff: 1, sign: 'sfz' }],
      hairpins: [
        { start: 0, end: 2 * QUARTER, staff: 1, kind: 'crescendo' },
        { start: QUARTER, end: 4 * QUARTER, staff: 1, kind: 'diminuendo' },
        { start: 5 * QUARTER, end: 7 * QUARTER, staff: 1, kind: 'crescendo', words: 'poco cresc.' },
      ],
      pedals: [{ start: QUARTER, end: 4 * QUARTER }],
      octaveLines: [{ start: 0, end: 4 * QUARTER, staff: 1, octaves: 2 }],
    };
    const bar = barOf([60, 1], [62, 1], [64, 1], [65, 1]);
    const score = plainScore([plainPart([bar, bar], { lines })]);
    const back = readMusicXml(new TextEncoder().encode(writeMusicXml(score))).score.parts[0]!.lines;
    for (const kind of Object.keys(LINES) as (keyof typeof LINES)[]) expect(back[kind]).toEqual(lines[kind]);
  });
  it.each([
    ['<dynamics><sfp/></dynamics>', ['p']],
    ['<dynamics><fp/></dynamics>', ['f', 'p']],
    ['<dynamics><other-dynamics>pppp</other-dynamics></dynamics>', ['ppp']],
    ['<dynamics><rfz/></dynamics>', []],
  ])('%s', (sign, levels) => {
    const xml = writeMusicXml(plainScore([plainPart([barOf([60, 4])])])).replace(
      '<note>',
      `<direction><direction-type>${sign}</direction-type></direction><note>`,
    );
    const { dynamics } = readMusicXml(new TextEncoder().encode(xml)).score.parts[0]!.lines;
    expect(dynamics.map((mark) => mark.level)).toEqual(levels);
  });
});
