import { describe, expect, it } from 'vitest';
import { backupText, HEAD, noteText as note, partText, scoreText } from '../../testing/musicxml-text';
import { heardByVerovio } from '../../testing/engraver';
import { USUAL_SEQUENCING } from '../settings';
import { QUARTER } from '../time';
import { toSequencer } from '../to-sequencer';
import { readMusicXml, writeMusicXml } from '.';

/*
 * verovio as a second reader: both must hear the same keys at the same places, in the file as it came and in ours, of
 * either version. Where the two differ on purpose is not here: grace notes without a stroke (both on the beat, of other
 * lengths), cue notes (verovio plays them), voices that are longer than their bar (verovio shifts what follows), a
 * transposition that changes in mid-part and tuplets inside tuplets (verovio reads the first one only).
 */

const staves = HEAD.replace('<clef>', '<staves>2</staves><clef>');
const FILES: [string, string][] = [
  [
    'a voice that crosses staves',
    partText([['C3', 'G3', 'E4', 'C5'].map((name, i) => note(name, 4, { staff: i < 3 ? 2 : 1 })).join('')], staves),
  ],
  [
    'a clef inside a bar, a chord, two voices',
    partText([
      `${note('C5', 8)}<attributes><clef><sign>F</sign><line>4</line></clef></attributes>${note('C3', 8)}${note('E3', 8, { before: '<chord/>' })}${backupText(16)}${note('r', 8, { voice: 2 })}${note('A2', 8, { voice: 2 })}`,
    ]),
  ],
  [
    'an additive meter',
    partText(
      [note('C5', 4) + note('D5', 4) + note('E5', 2)],
      HEAD.replace('<beats>4', '<beats>2+3').replace('<beat-type>4', '<beat-type>8'),
    ),
  ],
  [
    'ties over barlines and a repeat with endings',
    partText([
      `<barline location="left"><repeat direction="forward"/></barline>${note('C5', 16, { ties: '<tie type="start"/>', notations: '<tied type="start"/>' })}`,
      note('C5', 16, { ties: '<tie type="stop"/>', notations: '<tied type="stop"/>' }),
      `<barline location="left"><ending number="1" type="start"/></barline>${note('D5', 16)}<barline location="right"><ending number="1" type="stop"/><repeat direction="backward"/></barline>`,
      `<barline location="left"><ending number="2" type="start"/></barline>${note('E5', 16)}<barline location="right"><ending number="2" type="stop"/></barline>`,
    ]),
  ],
  [
    'a pickup and a bar cut by a repeat',
    partText([note('G4', 4), note('C5', 4).repeat(4), note('D5', 4).repeat(3)]).replace(
      '<measure number="1"',
      '<measure implicit="yes" number="0"',
    ),
  ],
];

const places = (notes: readonly { key: number; start: number }[]) =>
  notes.map(({ key, start }) => `${key}@${Math.round(start * 1000) / 1000}`).sort();

describe('a second reader hears the same', () => {
  it.each(FILES)('%s', async (_, part) => {
    const text = scoreText([part], [], ['Piano']);
    const { score, warnings } = readMusicXml(new TextEncoder().encode(text));
    expect(warnings).toEqual([]);
    const ours = toSequencer(score, USUAL_SEQUENCING)[0]!.tracks.flatMap(({ notes }) =>
      notes.map(({ key, start }) => ({ key, start: start / QUARTER })),
    );
    for (const file of [text, writeMusicXml(score), writeMusicXml(score, { version: '4.0' })])
      expect(places((await heardByVerovio(file)).flat())).toEqual(places(ours));
  });
});
