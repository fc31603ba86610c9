import { describe, expect, it } from 'vitest';
import { scoreOf, again, played, keysAt, whole, line } from '../../../../testing/little-scores';
import { backupText, directionText, HEAD, noteText as note } from '../../../../testing/musicxml-text';
import { USUAL_SEQUENCING } from '../../../settings';
import { type Score } from '../../../score';
import { toSequencer } from '../../../to-sequencer';

/* One small file for each thing that real scores have and readers get wrong: signs that change what is heard. */

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
  it('a wavy line that nobody ended over its own note alone', () => {
    const trill = '<ornaments><trill-mark/><wavy-line type="start"/></ornaments>';
    const score = scoreOf([note('C5', 8, { notations: trill }) + note('E5', 8), note('G5', 16)]);
    const keys = played(score).map(({ key }) => key);
    expect(keys.filter((key) => key > 74)).toEqual([76, 79]);
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
