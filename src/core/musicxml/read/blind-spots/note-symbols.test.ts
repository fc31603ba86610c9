import { describe, expect, it } from 'vitest';
import { scoreOf, again, sounding, played, keysAt, whole, line } from '../../../../testing/little-scores';
import { backupText, HEAD, noteText as note, partText, scoreText } from '../../../../testing/musicxml-text';
import { chordText, graceNotesOf, pitchName, type Score } from '../../../score';
import { USUAL_SEQUENCING } from '../../../settings';
import { QUARTER } from '../../../time';
import { toSequencer } from '../../../to-sequencer';
import { readMusicXml } from '../..';

/* One small file for each thing that real scores have and readers get wrong: notes, clefs, voices, words and names. */

describe('clefs, staves and voices', () => {
  it('keeps a clef inside a bar where it stands, and one at the end for the next bar', () => {
    const clef = '<attributes><clef><sign>F</sign><line>4</line></clef></attributes>';
    const back = '<attributes><clef><sign>G</sign><line>2</line></clef></attributes>';
    const score = scoreOf([`${line('C5', 'D5')}${clef}${line('C4', 'D4')}${back}`, whole('C5')]);
    const changes = [
      { bar: 0, at: 2 * QUARTER, staff: 1, clef: 'bass' },
      { bar: 1, staff: 1, clef: 'treble' },
    ];
    expect(score.parts[0]!.clefChanges).toEqual(changes);
    expect(again(score).parts[0]!.clefChanges).toEqual(changes);
  });
  it('keeps each note of a crossing voice on its staff', () => {
    const staves = '<staves>2</staves>';
    const crossing = ['C4', 'E4', 'G4', 'C5'].map((name, i) => note(name, 4, { staff: i < 3 ? 2 : 1 })).join('');
    const score = scoreOf([crossing], HEAD.replace('<clef>', `${staves}<clef>`), '', 'Harp');
    const stavesOf = (one: Score) => one.parts[0]!.bars[0]!.voices[0]!.symbols.map(({ notes }) => notes[0]!.staff ?? 2);
    expect(stavesOf(score)).toEqual([2, 2, 2, 1]);
    expect(stavesOf(again(score))).toEqual([2, 2, 2, 1]);
  });
  it('takes the voice of a chord from its first note', () => {
    const chord =
      '<note><chord/><pitch><step>E</step><octave>5</octave></pitch><duration>16</duration><type>whole</type></note>';
    const score = scoreOf([`${whole('C5')}${chord}`]);
    expect(score.parts[0]!.bars[0]!.voices).toHaveLength(1);
    expect(sounding(score)).toEqual(['72@0+4', '76@0+4']);
  });
  it('loses no note where a voice goes back inside itself', () => {
    const score = scoreOf([`${note('C5', 8)}${backupText(8)}${note('E4', 4)}${note('F4', 4)}${note('G4', 8)}`]);
    expect(sounding(score)).toEqual(['64@0+1', '72@0+2', '65@1+1', '67@2+2']);
  });
  it('keeps hidden notes that play a trill hidden, and plays them instead of it', () => {
    const hidden = ['D5', 'E5', 'D5', 'E5'].map((name) => note(name, 4, { voice: 2, attributes: 'print-object="no"' }));
    const trill = whole('D5', { notations: '<ornaments><trill-mark/></ornaments>' });
    const score = scoreOf([`${trill}${backupText(16)}${hidden.join('')}`]);
    expect(keysAt(score)).toEqual(['74@0', '76@1', '74@2', '76@3']);
    expect(again(score).parts[0]!.bars[0]!.voices[1]!.symbols.every((symbol) => symbol.hidden)).toBe(true);
  });
});

describe('ties', () => {
  it('join across voices, and where only the curve is written', () => {
    const start = { ties: '<tie type="start"/>' };
    const stop = { ties: '<tie type="stop"/>' };
    const across = `${note('C5', 8, start)}${note('E5', 8)}${backupText(16)}${note('r', 8, { voice: 2 })}${note('C5', 8, { ...stop, voice: 2 })}`;
    expect(sounding(scoreOf([across]))).toEqual(['72@0+4', '76@2+2']);
    const curve = (type: string) => ({ notations: `<tied type="${type}"/>` });
    expect(sounding(scoreOf([whole('C5', curve('start')), whole('C5', curve('stop'))]))).toEqual(['72@0+8']);
  });
  it('to nowhere ring on', () => {
    const score = scoreOf([`${note('C5', 4, { notations: '<tied type="let-ring"/>' })}${note('r', 4)}${note('r', 8)}`]);
    expect(played(score)[0]!.for).toBeGreaterThan(3);
    expect(again(score).parts[0]!.bars[0]!.voices[0]!.symbols[0]!.notes[0]!.ringing).toBe(true);
  });
});

describe('grace notes', () => {
  const grace = (name: string, attributes = '', chord = '') =>
    note(name, 0, { type: 'eighth', before: `<grace ${attributes}/>${chord}` });
  it('at the end of a bar stay, and end the trill before them', () => {
    const score = scoreOf([`${whole('D5')}${grace('C5')}${grace('D5')}`, whole('C5')]);
    expect(graceNotesOf(score.parts[0]!.bars[0]!.voices[0]!.symbols[0]!).map(({ pitch }) => pitchName(pitch))).toEqual([
      'C5',
      'D5',
    ]);
    expect(keysAt(score)).toEqual(['74@0', '72@3.75', '74@3.875', '72@4']);
  });
  it('struck together sound together', () => {
    const score = scoreOf([
      `${note('r', 8)}${grace('C5', 'slash="yes"')}${grace('E5', 'slash="yes"', '<chord/>')}${note('G5', 8)}`,
    ]);
    expect(keysAt(score)).toEqual(['72@1.875', '76@1.875', '79@2']);
  });
  it('without a stroke are long, with one short, and steal as the file says', () => {
    const before = (attributes: string) =>
      keysAt(scoreOf([`${note('r', 8)}${grace('C5', attributes)}${note('D5', 8)}`]));
    expect(before('')).toEqual(['72@2', '74@2.5']);
    expect(before('slash="yes"')).toEqual(['72@1.875', '74@2']);
    expect(before('steal-time-following="25"')).toEqual(['72@2', '74@2.5']);
    expect(before('steal-time-following="50"')).toEqual(['72@2', '74@3']);
  });
});

describe('transposition', () => {
  const transpose = '<transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose>';
  const key = (fifths: number) => `<key><fifths>${fifths}</fifths></key>`;
  it('does not reach back before it is written, and changes with the instrument', () => {
    const score = scoreOf([whole('C5'), `<attributes>${key(2)}${transpose}</attributes>${whole('D5')}`], `${HEAD}`);
    expect(sounding(score)).toEqual(['72@0+4', '72@4+4']);
    const [part] = score.parts;
    expect(part!.transpositionChanges).toEqual([{ bar: 1, transposition: 2, transpositionSteps: 1 }]);
    // Both in C to the ear; the player reads two sharps from bar 2 on.
    expect(score.keys.map(({ fifths }) => fifths)).toEqual([0, 0]);
    expect(part!.writtenKeys).toEqual([0, 2]);
    const back = again(score);
    expect(sounding(back)).toEqual(sounding(score));
    expect(back.parts[0]!.writtenKeys).toEqual([0, 2]);
  });
});

describe('words and names', () => {
  const harmony = (inside: string) => `<harmony><root><root-step>C</root-step></root>${inside}</harmony>`;
  it('chord symbols have all kinds, degrees and basses, and come back', () => {
    const symbols = [
      '<kind>dominant-13th</kind>',
      '<kind>dominant</kind><degree><degree-value>9</degree-value><degree-alter>-1</degree-alter><degree-type>add</degree-type></degree>',
      '<kind>minor-seventh</kind><bass><bass-step>B</bass-step><bass-alter>-1</bass-alter></bass>',
      '<kind text="ma7">major-seventh</kind>',
      '<kind>quartal</kind>',
    ];
    const score = scoreOf([
      symbols.map((inside) => harmony(inside) + note('C5', 2)).join('') + note('r', 2) + note('r', 4),
    ]);
    expect(score.parts[0]!.harmonies!.map(chordText)).toEqual(['C13', 'C7(add♭9)', 'Cm7/B♭', 'Cma7', 'Cquartal']);
    expect(again(score).parts[0]!.harmonies).toEqual(score.parts[0]!.harmonies);
  });
  it('chord symbols are played where that is asked', () => {
    const score = scoreOf([harmony('<kind>minor</kind>') + whole('C5')]);
    expect(keysAt(score, { chords: true }).sort()).toEqual(['48@0', '60@0', '63@0', '67@0', '72@0']);
  });
  it('syllables on one note are told apart, and verses kept', () => {
    const lyric =
      '<lyric number="2"><syllabic>end</syllabic><text>la</text><elision/><syllabic>begin</syllabic><text>di</text><extend/></lyric>';
    const score = scoreOf([whole('C5', { after: lyric })]);
    const lyrics = [
      { verse: 2, text: 'la', syllabic: 'end', elided: [{ text: 'di', syllabic: 'begin' }], extends: true },
    ];
    expect(score.parts[0]!.bars[0]!.voices[0]!.symbols[0]!.marks?.lyrics).toEqual(lyrics);
    expect(again(score).parts[0]!.bars[0]!.voices[0]!.symbols[0]!.marks?.lyrics).toEqual(lyrics);
  });
  it('names are one line, with the accidentals they have on paper', () => {
    const display =
      '<part-name-display><display-text>Clarinet in B</display-text><accidental-text>flat</accidental-text></part-name-display>';
    expect(scoreOf([whole('C5')], HEAD, display, 'Clarinet&#10;in Bb').parts[0]!.name).toBe('Clarinet in B♭');
    expect(scoreOf([whole('C5')], HEAD, '', 'Clarinet&#10; in A').parts[0]!.name).toBe('Clarinet in A');
  });
  it('drums written with pitches stay on their channel, pitched parts do not go there', () => {
    const midi =
      '<score-instrument id="I1"><instrument-name>x</instrument-name></score-instrument><midi-instrument id="I1"><midi-channel>10</midi-channel></midi-instrument>';
    const channel = (name: string) =>
      toSequencer(scoreOf([whole('C3')], HEAD, midi, name), USUAL_SEQUENCING)[0]!.tracks[0]!.channel;
    expect(channel('Drumset')).toBe(10);
    expect(channel('Clarinet')).not.toBe(10);
  });
  it('UTF-16 without a mark is read', () => {
    const text = scoreText([partText([whole('C5')])]);
    const bytes = Uint8Array.from(
      [...text].flatMap((letter) => [letter.charCodeAt(0) & 0xff, letter.charCodeAt(0) >> 8]),
    );
    expect(sounding(readMusicXml(bytes).score)).toEqual(['72@0+4']);
  });
});
