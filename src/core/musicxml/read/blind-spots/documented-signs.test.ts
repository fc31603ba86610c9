import { describe, expect, it } from 'vitest';
import { scoreOf, again, sounding, played, keysAt, whole, line } from '../../../../testing/little-scores';
import {
  backupText,
  directionText,
  HEAD,
  noteText as note,
  partText,
  scoreText,
} from '../../../../testing/musicxml-text';
import { USUAL_SEQUENCING, type SequencerSettings } from '../../../settings';
import { QUARTER } from '../../../time';
import { toSequencer } from '../../../to-sequencer';
import { readMusicXml, writeMusicXml } from '../..';

/* One small file for each thing that real scores have and readers get wrong: what docs/formats says is read. */

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
