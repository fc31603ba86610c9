import { describe, expect, it } from 'vitest';
import { backupText, directionText, HEAD, noteText as note, partText, scoreText } from '../../../testing/musicxml-text';
import { checkScore, chordText, graceNotesOf, pitchName, soundsOf, type Score } from '../../score';
import { USUAL_SEQUENCING, type SequencerSettings } from '../../settings';
import { QUARTER } from '../../time';
import { toSequencer } from '../../to-sequencer';
import { readMusicXml, writeMusicXml } from '..';

/* One small file for each thing that real scores have and readers get wrong. */

const read = (measures: readonly string[], head = HEAD, declared = '', name = 'Flute') =>
  readMusicXml(new TextEncoder().encode(scoreText([partText(measures, head)], [declared], [name])));
const scoreOf = (...args: Parameters<typeof read>): Score => {
  const { score } = read(...args);
  expect(checkScore(score)).toEqual([]);
  return score;
};
const again = (score: Score) => readMusicXml(new TextEncoder().encode(writeMusicXml(score))).score;
const sounding = (score: Score, p = 0) =>
  soundsOf(score.parts[p]!, score.bars).map(
    ({ key, start, end }) => `${key}@${start / QUARTER}+${(end - start) / QUARTER}`,
  );
const played = (score: Score, settings: Partial<SequencerSettings> = {}) =>
  toSequencer(score, { ...USUAL_SEQUENCING, ...settings })[0]!.tracks.flatMap(({ notes }) =>
    notes.map(({ key, start, end, velocity }) => ({
      key,
      at: start / QUARTER,
      for: (end - start) / QUARTER,
      velocity,
    })),
  );
const keysAt = (score: Score, settings?: Partial<SequencerSettings>) =>
  played(score, settings).map(({ key, at }) => `${key}@${Math.round(at * 1000) / 1000}`);
const whole = (name: string, more = {}) => note(name, 16, more);
const line = (...names: string[]) => names.map((name) => note(name, 4)).join('');

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

describe('the form', () => {
  const barline = (inside: string, location = 'right') => `<barline location="${location}">${inside}</barline>`;
  const forward = barline('<repeat direction="forward"/>', 'left');
  const back = barline('<repeat direction="backward"/>');
  const order = (measures: string[]) => {
    const score = scoreOf(measures);
    return toSequencer(score, USUAL_SEQUENCING)[0]!.line.bars.map(({ bar }) => bar + 1);
  };
  const bar = (text = '') => whole('C5') + text;
  const start = (text: string) => text + whole('C5');
  it('has repeats inside repeats', () => {
    expect(order([start(forward), start(forward) + back, bar(back), bar()])).toEqual([1, 2, 2, 3, 1, 2, 2, 3, 4]);
  });
  it('goes back to the segno that is named, else to the last one', () => {
    const segno = (name: string) => directionText('<segno/>', `<sound segno="${name}"/>`);
    const to = (name: string) => directionText('<words>D.S.</words>', `<sound dalsegno="${name}"/>`);
    expect(order([start(segno('one')), start(segno('two')), bar(to('one'))])).toEqual([1, 2, 3, 1, 2, 3]);
    expect(order([start(segno('segno')), start(segno('segno')), bar(to('segno'))])).toEqual([1, 2, 3, 2, 3]);
  });
  describe('with a segno inside a bar', () => {
    const segno = directionText('<segno/>', '<sound segno="here"/>');
    const back = whole('G5') + directionText('<words>D.S.</words>', '<sound dalsegno="here"/>');

    it('goes back to that place: the bar is cut there, and is still one by its number', () => {
      const score = scoreOf([line('C5', 'D5') + segno + line('E5', 'F5'), back]);
      expect(score.bars.map(({ number, length }) => [number, length / QUARTER])).toEqual([
        [1, 2],
        [1, 2],
        [2, 4],
      ]);
      const once = ['72@0', '74@1', '76@2', '77@3', '79@4'];
      expect(keysAt(score)).toEqual([...once, '76@8', '77@9', '79@10']);
      const twice = again(score);
      expect(twice.bars).toEqual(score.bars);
      expect(keysAt(twice)).toEqual(keysAt(score));
    });
    it('cuts the rests of other parts, and the meter stays', () => {
      const rest = '<note><rest measure="yes"/><duration>16</duration></note>';
      const parts = [
        partText([line('C5', 'D5') + segno + line('E5', 'F5'), back, whole('C5')]),
        partText([rest, whole('C4'), rest]),
      ];
      const { score, warnings } = readMusicXml(new TextEncoder().encode(scoreText(parts)));
      expect(warnings).toEqual([]);
      expect(checkScore(score)).toEqual([]);
      expect(score.bars.map(({ length, meter }) => [length / QUARTER, meter.beats])).toEqual([
        [2, 4],
        [2, 4],
        [4, 4],
        [4, 4],
      ]);
      expect(sounding(score, 1)).toEqual(['60@4+4']);
    });
    it('takes it to the nearer barline where a note sounds across it, and says so', () => {
      const parts = [
        partText([line('C5', 'D5') + segno + line('E5', 'F5'), back]),
        partText([whole('C4'), whole('C4')]),
      ];
      const { score, warnings } = readMusicXml(new TextEncoder().encode(scoreText(parts)));
      expect(score.bars).toHaveLength(2);
      expect(warnings.map(({ message }) => message)).toEqual([
        'the segno sign stands inside the bar and is taken to the nearer barline',
      ]);
    });
  });
  it('takes the repeats of the coda after D.S. al Coda', () => {
    const measures = [
      start(directionText('<segno/>', '<sound segno="segno"/>')),
      bar(directionText('<words>To Coda</words>', '<sound tocoda="coda"/>')),
      bar(directionText('<words>D.S. al Coda</words>', '<sound dalsegno="segno"/>')),
      start(directionText('<coda/>', '<sound coda="coda"/>') + forward) + back,
      bar(),
    ];
    expect(order(measures)).toEqual([1, 2, 3, 1, 2, 4, 4, 5]);
  });
  it('plays a second ending that has no first, and an ending whose beginning nobody wrote', () => {
    const ending = (number: string, type: string) => `<ending number="${number}" type="${type}"/>`;
    const two = barline(ending('2', 'start'), 'left');
    expect(order([start(two) + barline(ending('2', 'stop')), bar()])).toEqual([1, 2]);
    const one = barline(`${ending('', 'stop')}<repeat direction="backward"/>`);
    expect(order([bar(), bar(one), start(two) + barline(ending('2', 'discontinue'))])).toEqual([1, 2, 1, 3]);
  });
  it('has a segno at the end of a bar for the next one', () => {
    const score = scoreOf([bar(directionText('<segno/>')), bar()]);
    expect(score.signs).toEqual({ 1: { segno: true } });
  });
  it('repeats one staff of two', () => {
    const sign =
      '<attributes><measure-style number="2"><measure-repeat type="start">1</measure-repeat></measure-style></attributes>';
    const both = (upper: string, lower: string) =>
      `${whole(upper, { staff: 1 })}${backupText(16)}${lower === 'r' ? '<note><rest measure="yes"/><duration>16</duration><voice>5</voice><staff>2</staff></note>' : whole(lower, { voice: 5, staff: 2 })}`;
    const head = HEAD.replace('<clef>', '<staves>2</staves><clef>');
    expect(sounding(scoreOf([both('C5', 'C3'), sign + both('D5', 'r')], head, '', 'Piano'))).toEqual([
      '48@0+4',
      '72@0+4',
      '48@4+4',
      '74@4+4',
    ]);
  });
  it('counts lyrics by the time they are sung', () => {
    const lyric = (verse: number, text: string) =>
      `<lyric number="${verse}"><syllabic>single</syllabic><text>${text}</text></lyric>`;
    const score = scoreOf([whole('C5', { after: lyric(1, 'one') + lyric(2, 'two') }) + back]);
    const [{ file }] = toSequencer(score, USUAL_SEQUENCING) as [ReturnType<typeof toSequencer>[number]];
    const sung = file.tracks.flatMap(({ events }) =>
      events.flatMap((event) =>
        event.kind === 'meta' && event.type === 5 ? [new TextDecoder().decode(event.data)] : [],
      ),
    );
    expect(sung).toEqual(['one', 'two']);
  });
});

describe('time', () => {
  it('follows a metric modulation, said by two values', () => {
    const mark = '<metronome><beat-unit>quarter</beat-unit><beat-unit>quarter</beat-unit><beat-unit-dot/></metronome>';
    const score = scoreOf([
      directionText('<metronome><beat-unit>quarter</beat-unit><per-minute>80</per-minute></metronome>') + whole('C5'),
      directionText(mark) + whole('C5'),
    ]);
    expect(score.tempos.map(({ bpm }) => bpm)).toEqual([80, 120]);
    expect(again(score).tempos).toEqual(score.tempos);
  });
  it('ends swing where it ends', () => {
    const sound = (inside: string) => `<sound><swing>${inside}</swing></sound>`;
    const score = scoreOf([
      sound('<first>2</first><second>1</second>') + whole('C5'),
      whole('C5'),
      sound('<straight/>') + whole('C5'),
    ]);
    expect(score.swing.map(({ bar, ratio }) => [bar, ratio])).toEqual([
      [0, 2],
      [2, 1],
    ]);
    expect(
      scoreOf([
        directionText('<words>Swing</words>') + whole('C5'),
        directionText('<words>(straight)</words>') + whole('C5'),
      ]).swing,
    ).toHaveLength(2);
  });
  it('keeps additive meters, their groups, and music without meter', () => {
    const meter = (inside: string) => HEAD.replace(/<time>.*<\/time>/, `<time>${inside}</time>`);
    const five = scoreOf(
      [note('C5', 4) + note('D5', 4) + note('E5', 2)],
      meter('<beats>2+3</beats><beat-type>8</beat-type>'),
    );
    expect(five.bars[0]!.meter).toEqual({ beats: 5, beatType: 8, groups: [2, 3] });
    expect(again(five).bars).toEqual(five.bars);
    const free = scoreOf([note('C5', 4).repeat(7), whole('D5')], meter('<senza-misura/>'));
    expect(free.bars.map(({ length, free: none }) => [length / QUARTER, none])).toEqual([
      [7, true],
      [4, true],
    ]);
    expect(again(free).bars).toEqual(free.bars);
  });
  it('lets one part play a cadenza while the others rest', () => {
    const rests = note('r', 4).repeat(4);
    const cadenza = note('C5', 4).repeat(9);
    const { score } = readMusicXml(
      new TextEncoder().encode(scoreText([partText([cadenza]), partText([rests]), partText([rests])])),
    );
    expect(score.bars[0]!.length / QUARTER).toBe(9);
    expect(sounding(score)).toHaveLength(9);
  });
  it('believes values whose durations are rounded', () => {
    const third = (name: string, duration: number) =>
      note(name, duration, { type: 'eighth', after: '' }).replace(
        '<type>eighth</type>',
        '<type>eighth</type><time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes></time-modification>',
      );
    const score = scoreOf(
      [third('C5', 171) + third('D5', 170) + third('E5', 171)],
      HEAD.replace('<divisions>4', '<divisions>512').replace('<beats>4', '<beats>1'),
    );
    expect(score.parts[0]!.bars[0]!.voices[0]!.symbols.map(({ at, duration }) => [at, duration])).toEqual(
      [0, 1, 2].map((i) => [(i * QUARTER) / 3, QUARTER / 3]),
    );
  });
  it('holds longer for a square fermata than for an angled one', () => {
    const lasts = (shape: string) => {
      const [{ tempos }] = toSequencer(
        scoreOf([whole('C5', { notations: `<fermata>${shape}</fermata>` })]),
        USUAL_SEQUENCING,
      ) as [ReturnType<typeof toSequencer>[number]];
      return 1 / tempos.at(-1)!.bpm;
    };
    expect(lasts('angled')).toBeLessThan(lasts(''));
    expect(lasts('square')).toBeGreaterThan(lasts(''));
  });
});

describe('strength', () => {
  const strengths = (measure: string) => played(scoreOf([measure])).map(({ velocity }) => velocity);
  it('follows signs on notes, sound elements alone, and notes that say their own', () => {
    expect(strengths(whole('C5', { notations: '<dynamics><p/></dynamics>' }))).toEqual([49]);
    expect(strengths(`<sound dynamics="100"/>${whole('C5')}`)).toEqual([90]);
    expect(strengths(note('C5', 8, { attributes: 'dynamics="50"' }) + note('C5', 8))).toEqual([45, 80]);
  });
  it('strikes one note harder for sfz, and grows where cresc. is said in words', () => {
    const [before, struck, after] = strengths(
      line('C5') + directionText('<dynamics><sfz/></dynamics>') + line('C5', 'C5') + note('r', 4),
    );
    expect(struck).toBeGreaterThan(before!);
    expect(after).toBe(before);
    const words = directionText('<words>cresc.</words>');
    const grown = strengths(
      `${directionText('<dynamics><p/></dynamics>')}${words}${line('C5', 'D5', 'E5')}${directionText('<dynamics><f/></dynamics>')}${line('F5')}`,
    );
    expect([...grown].sort((a, b) => a - b)).toEqual(grown);
    expect(new Set(grown).size).toBe(4);
  });
});

describe('signs that are played', () => {
  it('a glissando in steps, a slide by pitch bend, quarter tones by pitch bend', () => {
    const glide = (kind: string) =>
      `${note('C5', 8, { notations: `<${kind} type="start"/>` })}${note('G5', 8, { notations: `<${kind} type="stop"/>` })}`;
    expect(keysAt(scoreOf([glide('glissando')])).map((one) => Number(one.split('@')[0]))).toEqual([72, 74, 76, 77, 79]);
    const bends = (score: Score) =>
      toSequencer(score, { ...USUAL_SEQUENCING, preset: 'expression' })[0]!.file.tracks.flatMap(({ events }) =>
        events.flatMap((event) =>
          event.kind === 'channel' && event.status >> 4 === 0xe ? [event.data1 + 128 * event.data2] : [],
        ),
      );
    expect(Math.max(...bends(scoreOf([glide('slide')])))).toBeGreaterThan(12_000);
    const half = whole('C5').replace('<octave>', '<alter>0.5</alter><octave>');
    expect(bends(scoreOf([half]))).toEqual([8192 + Math.round(8191 / 4), 8192]);
    expect(again(scoreOf([half])).parts[0]!.bars[0]!.voices[0]!.symbols[0]!.notes[0]!.cents).toBe(50);
  });
  it('a quarter tone in a chord without bending the other notes: on a channel of its own', () => {
    const half = note('E4', 16, { before: '<chord/>' }).replace('<octave>', '<alter>-0.5</alter><octave>');
    const score = scoreOf([whole('C4') + half, whole('C4')]);
    const [file] = toSequencer(score, { ...USUAL_SEQUENCING, preset: 'expression' });
    const said = file!.file.tracks.slice(1).map(({ events }) =>
      events.flatMap((event) => {
        if (event.kind !== 'channel') return [];
        const kind = { 9: `note ${event.data1}`, 14: 'bend' }[event.status >> 4];
        return kind ? [`${kind} on ${(event.status & 15) + 1}`] : [];
      }),
    );
    expect(said).toEqual([
      ['note 60 on 1', 'note 60 on 1'],
      ['bend on 2', 'note 64 on 2', 'bend on 2'],
    ]);
    expect(file!.tracks.map(({ name }) => name)).toEqual(['Flute', 'Flute, bent']);
    // A single line needs one wheel, however often it bends.
    const line = scoreOf([whole('C4').replace('<octave>', '<alter>0.5</alter><octave>'), whole('C4')]);
    expect(toSequencer(line, { ...USUAL_SEQUENCING, preset: 'expression' })[0]!.tracks).toHaveLength(1);
  });
  it('an arpeggio over two staves once, from the lowest note to the highest', () => {
    const spread = { notations: '<arpeggiate/>' };
    const chord = (name: string, staff: number, voice: number) => whole(name, { ...spread, staff, voice });
    const head = HEAD.replace('<clef>', '<staves>2</staves><clef>');
    const score = scoreOf([chord('C5', 1, 1) + backupText(16) + chord('C3', 2, 5)], head, '', 'Piano');
    const [low, high] = played(score);
    expect([low!.key, high!.key]).toEqual([48, 72]);
    expect(high!.at).toBeGreaterThan(low!.at);
  });
  it('a trill to the neighbour that an accidental alters, over all notes under its wavy line', () => {
    const trill =
      '<ornaments><trill-mark/><accidental-mark>flat</accidental-mark><wavy-line type="start"/></ornaments>';
    const score = scoreOf([
      note('C5', 8, { notations: trill }) +
        note('D5', 8, { notations: '<ornaments><wavy-line type="stop"/></ornaments>' }),
    ]);
    const keys = played(score).map(({ key }) => key);
    expect(new Set(keys)).toEqual(new Set([72, 73, 74, 76]));
  });
  it('cue notes only where that is wished', () => {
    const score = scoreOf([note('C5', 8, { before: '<cue/>' }) + note('D5', 8)]);
    expect(keysAt(score)).toEqual(['74@2']);
    expect(keysAt(score, { cues: true })).toEqual(['72@0', '74@2']);
    expect(again(score).parts[0]!.bars).toEqual(score.parts[0]!.bars);
  });
  it('tremolo strokes in a triplet fill its values', () => {
    const third = note('C5', 4, {
      type: 'quarter',
      notations: '<ornaments><tremolo type="single">1</tremolo></ornaments>',
    }).replace(
      '<type>quarter</type>',
      '<type>quarter</type><time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes></time-modification>',
    );
    const score = scoreOf(
      [third.repeat(3)],
      HEAD.replace('<divisions>4', '<divisions>6').replace('<beats>4', '<beats>2'),
    );
    expect(played(score)).toHaveLength(6);
  });
});

describe('harmonics', () => {
  const sign = (...children: string[]) =>
    `<technical><harmonic>${children.map((name) => `<${name}/>`).join('')}</harmonic></technical>`;
  const chord = (...notes: [string, string][]) =>
    notes
      .map(([name, pitch], i) =>
        note(name, 16, { before: i > 0 ? '<chord/>' : '', notations: sign('artificial', pitch) }),
      )
      .join('');

  it('keep what each note of a chord is, and sound as the file says they do', () => {
    const score = scoreOf([chord(['A3', 'base-pitch'], ['D4', 'touching-pitch'], ['A5', 'sounding-pitch'])]);
    const said = (one: Score) => one.parts[0]!.bars[0]!.voices[0]!.symbols[0]!.notes.map(({ harmonic }) => harmonic);
    expect(said(score)).toEqual([
      { kind: 'artificial', pitch: 'base-pitch' },
      { kind: 'artificial', pitch: 'touching-pitch' },
      { kind: 'artificial', pitch: 'sounding-pitch' },
    ]);
    expect(said(again(score))).toEqual(said(score));
    expect(keysAt(score)).toEqual(['81@0']);
  });
  it('sound as the partial that is touched off where the file does not say it', () => {
    // A fourth above the stopped note: two octaves higher.
    expect(keysAt(scoreOf([chord(['A3', 'base-pitch'], ['D4', 'touching-pitch'])]))).toEqual(['81@0']);
  });
});

describe('what else the table of the documents says', () => {
  it('two parts have meters of their own over the same bar', () => {
    const head = (beats: number, type: number) =>
      HEAD.replace('<beats>4', `<beats>${beats}`).replace('<beat-type>4', `<beat-type>${type}`);
    const parts = [partText([line('C5', 'D5', 'E5')], head(3, 4)), partText([line('C4', 'D4', 'E4')], head(6, 8))];
    const { score } = readMusicXml(new TextEncoder().encode(scoreText(parts)));
    expect(score.bars[0]!.meter).toEqual({ beats: 3, beatType: 4 });
    expect(score.parts[1]!.localMeters).toEqual({ 0: { beats: 6, beatType: 8 } });
    expect(again(score).parts[1]!.localMeters).toEqual(score.parts[1]!.localMeters);
  });
  it('cut time is a sign', () => {
    const cut = HEAD.replace('<time>', '<time symbol="cut">')
      .replace('<beats>4', '<beats>2')
      .replace('<beat-type>4', '<beat-type>2');
    const score = scoreOf([whole('C5')], cut);
    expect(score.bars[0]!.meter).toEqual({ beats: 2, beatType: 2, symbol: 'cut' });
    expect(again(score).bars).toEqual(score.bars);
  });
  it('tuplets stand inside tuplets', () => {
    const ratio = (actual: number, normal: number) =>
      `<time-modification><actual-notes>${actual}</actual-notes><normal-notes>${normal}</normal-notes></time-modification>`;
    const counted = ['actual', 'normal']
      .map(
        (which, i) =>
          `<tuplet-${which}><tuplet-number>${3 - i}</tuplet-number><tuplet-type>eighth</tuplet-type></tuplet-${which}>`,
      )
      .join('');
    const bracket = (number: number, type: string) =>
      `<tuplet number="${number}" type="${type}">${type === 'start' ? counted : ''}</tuplet>`;
    const in3 = (name: string, duration: number, ratioText: string, notations = '') =>
      note(name, duration, { type: 'eighth', notations }).replace('</type>', `</type>${ratioText}`);
    const measure = [
      in3('C5', 6, ratio(3, 2), bracket(1, 'start')),
      in3('D5', 4, ratio(9, 4), bracket(2, 'start')),
      in3('E5', 4, ratio(9, 4)),
      in3('F5', 4, ratio(9, 4), bracket(2, 'stop') + bracket(1, 'stop')),
    ].join('');
    const score = scoreOf([measure], HEAD.replace('<divisions>4', '<divisions>18').replace('<beats>4', '<beats>1'));
    expect(keysAt(score)).toEqual(['72@0', '74@0.333', '76@0.556', '77@0.778']);
    expect(again(score).parts[0]!.bars).toEqual(score.parts[0]!.bars);
  });
  it('several slurs begin on one note, and one ends in another voice', () => {
    const slur = (number: number, type: string) => `<slur number="${number}" type="${type}"/>`;
    const upper =
      note('C5', 4, { notations: slur(1, 'start') + slur(2, 'start') }) +
      note('D5', 4, { notations: slur(1, 'stop') }) +
      note('E5', 8);
    const lower = note('r', 8, { voice: 2 }) + note('G4', 8, { voice: 2, notations: slur(2, 'stop') });
    const score = scoreOf([upper + backupText(16) + lower]);
    const slurs = [
      { start: 0, end: QUARTER, voice: 1 },
      { start: 0, end: 2 * QUARTER, voice: 1, endVoice: 2 },
    ];
    expect(score.parts[0]!.lines.slurs).toEqual(slurs);
    expect(again(score).parts[0]!.lines.slurs).toEqual(slurs);
  });
  it('two bars at once are repeated by a sign, and the sign comes back', () => {
    const sign =
      '<attributes><measure-style><measure-repeat type="start" slashes="2">2</measure-repeat></measure-style></attributes>';
    const rest = '<note><rest measure="yes"/><duration>16</duration></note>';
    const score = scoreOf([whole('C5'), whole('D5'), sign + rest, rest]);
    expect(sounding(score)).toEqual(['72@0+4', '74@4+4', '72@8+4', '74@12+4']);
    expect(score.parts[0]!.bars.map(({ likeBefore }) => likeBefore)).toEqual([undefined, undefined, 2, 0]);
    expect(writeMusicXml(score)).toContain('<measure-repeat type="start" slashes="2">2</measure-repeat>');
  });
  it('an unmeasured tremolo is as fast as can be, and stays one in 4.0', () => {
    const tremolo = '<ornaments><tremolo type="unmeasured">0</tremolo></ornaments>';
    const score = scoreOf([whole('C5', { notations: tremolo })]);
    expect(played(score)).toHaveLength(32);
    const text = writeMusicXml(score, { version: '4.0' });
    expect(readMusicXml(new TextEncoder().encode(text)).score.parts[0]!.bars).toEqual(score.parts[0]!.bars);
  });
  it('everybody stops for a caesura, a breath is a gap', () => {
    const after = (sign: string) =>
      scoreOf([note('C5', 8, { notations: `<articulations>${sign}</articulations>` }) + note('D5', 8)]);
    expect(played(after('<breath-mark/>'))[0]!.for).toBe(1.75);
    const [{ tempos }] = toSequencer(after('<caesura/>'), USUAL_SEQUENCING) as [ReturnType<typeof toSequencer>[number]];
    expect(tempos.map(({ at, bpm }) => [at / QUARTER, bpm])).toEqual([
      [0, 120],
      [1.75, 24],
      [2, 120],
    ]);
  });
  it('figures, mutes and words of other kinds are words', () => {
    const figures =
      '<figured-bass><figure><figure-number>6</figure-number></figure><figure><prefix>flat</prefix><figure-number>4</figure-number></figure></figured-bass>';
    const mute = directionText('<string-mute type="on"/>');
    const [first, second] = scoreOf([figures + note('C5', 8) + mute + note('D5', 8)]).parts[0]!.bars[0]!.voices[0]!
      .symbols;
    expect([first!.marks?.words, second!.marks?.words]).toEqual([['6 ♭4'], ['con sord.']]);
  });
  it('title and composer may stand on the first page only', () => {
    const credit = (type: string, words: string) =>
      `<credit><credit-type>${type}</credit-type><credit-words>${words}</credit-words></credit>`;
    const text = scoreText([partText([whole('C5')])]).replace(
      '<part-list>',
      `${credit('title', 'Lantern')}${credit('composer', 'Nobody')}<part-list>`,
    );
    expect(readMusicXml(new TextEncoder().encode(text)).score).toMatchObject({ title: 'Lantern', composer: 'Nobody' });
  });
  it('quarter tones that are rounded are said', () => {
    const half = scoreOf([whole('C5').replace('<octave>', '<alter>0.5</alter><octave>')]);
    const remarks = (preset: SequencerSettings['preset']) =>
      toSequencer(half, { ...USUAL_SEQUENCING, preset })[0]!.report.remarks;
    expect(remarks('bare').join()).toMatch(/Quarter tones and slides sound as plain keys \(in 1 note\)/);
    expect(remarks('expression')).toEqual([]);
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
