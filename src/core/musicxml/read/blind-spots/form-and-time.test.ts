import { describe, expect, it } from 'vitest';
import { scoreOf, again, sounding, keysAt, whole, line } from '../../../../testing/little-scores';
import {
  backupText,
  directionText,
  HEAD,
  noteText as note,
  partText,
  scoreText,
} from '../../../../testing/musicxml-text';
import { checkScore } from '../../../score';
import { USUAL_SEQUENCING } from '../../../settings';
import { QUARTER } from '../../../time';
import { toSequencer } from '../../../to-sequencer';
import { readMusicXml } from '../..';

/* One small file for each thing that real scores have and readers get wrong: the order bars are played in, and time. */

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
  it('strikes again what a tie begins and nothing ends', () => {
    const open = { ties: '<tie type="start"/>', notations: '<tied type="start"/>' };
    const score = scoreOf([['C5', 'C5', 'C5', 'C5'].map((name) => note(name, 4, open)).join('')]);
    expect(keysAt(score)).toEqual(['72@0', '72@1', '72@2', '72@3']);
  });
  it('does not strike again what is tied into both endings', () => {
    const tie = (...types: string[]) => ({
      ties: types.map((type) => `<tie type="${type}"/>`).join(''),
      notations: types.map((type) => `<tied type="${type}"/>`).join(''),
    });
    const ending = (number: number, type: string, location: string, more = '') =>
      `<barline location="${location}"><ending number="${number}" type="${type}"/>${more}</barline>`;
    const back = '<repeat direction="backward"/>';
    const score = scoreOf([
      note('C5', 12) + note('D5', 4, tie('start')),
      ending(1, 'start', 'left') + note('D5', 16, tie('stop')) + ending(1, 'stop', 'right', back),
      ending(2, 'start', 'left') + note('D5', 16, tie('stop')) + ending(2, 'discontinue', 'right'),
    ]);
    expect(keysAt(score)).toEqual(['72@0', '74@3', '72@8', '74@11']);
    expect(keysAt(again(score))).toEqual(keysAt(score));
  });
  describe('with Fine inside a bar', () => {
    const fine = directionText('<words>Fine</words>', '<sound fine="yes"/>');
    const back = whole('G5') + directionText('<words>D.C. al Fine</words>', '<sound dacapo="yes"/>');
    const once = ['72@0', '74@1', '76@2', '77@3', '79@4'];

    it('ends there, where more of the bar is behind it', () => {
      expect(keysAt(scoreOf([line('C5', 'D5') + fine + line('E5', 'F5'), back]))).toEqual([...once, '72@8', '74@9']);
    });
    it('ends with the bar, where it stands over the last note', () => {
      const last = scoreOf([line('C5', 'D5', 'E5') + fine + line('F5'), back]);
      expect(keysAt(last)).toEqual([...once, '72@8', '74@9', '76@10', '77@11']);
      expect(last.bars).toHaveLength(2);
    });
    it('ends before what is as long as the pickup', () => {
      const pickup = `<measure number="0" implicit="yes"><attributes>${HEAD}</attributes>${note('C5', 4)}</measure>`;
      const [first, second] = [line('D5', 'E5', 'F5') + fine + line('G5'), back];
      const text = scoreText([
        `${pickup}<measure number="1">${first}</measure><measure number="2">${second}</measure>`,
      ]);
      const { score } = readMusicXml(new TextEncoder().encode(text));
      expect(keysAt(score)).toEqual([
        '72@0',
        '74@1',
        '76@2',
        '77@3',
        '79@4',
        '79@5',
        '72@9',
        '74@10',
        '76@11',
        '77@12',
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
