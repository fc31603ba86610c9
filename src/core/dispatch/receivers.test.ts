import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { ScoreDesk } from '../engine';
import { compressMusicXml } from '../musicxml';
import { NO_SETTINGS } from '../settings';
import { Message } from '../smf';
import { SIGN_CASES } from '../../testing/score-signs';
import { meta, meter, PPQ, smfBytes, tempo } from '../../testing/music';
import { checkDelivered } from './check';
import { checkSequence, sequencerSees } from '../receivers/plain-sequencer';
import { checkScore, readerSees } from '../receivers/strict-reader';

/* Files with one fault each, made by hand, and what a receiver says of them. */

const bad = (findings: { ok: boolean; words: string }[]) => findings.filter(({ ok }) => !ok).map(({ words }) => words);

const control = (tick: number, controller: number, value: number, channel = 0) => ({
  kind: 'channel' as const,
  tick,
  status: Message.controlChange | channel,
  data1: controller,
  data2: value,
});
const program = (channel: number, number: number) => ({
  kind: 'channel' as const,
  tick: 0,
  status: Message.programChange | channel,
  data1: number,
  data2: 0,
});
const notes = [
  { key: 60, at: 0, length: 4 },
  { key: 62, at: 4, length: 4 },
];

describe('a plain sequencer', () => {
  it('sees tracks, time line and length', () => {
    const bytes = smfBytes([{ name: 'Flute ♭', notes }], [tempo(0, 120), meter(0, 4, 4), tempo(4, 60)]);
    const view = sequencerSees(bytes);
    expect(view).toMatchObject({ format: 1, ticksPerQuarter: PPQ, tempos: 2, meters: 1, bars: 2, timeInFirst: true });
    // Four quarters at 120, four at 60.
    expect(view.seconds).toBeCloseTo(6, 6);
    expect(view.tracks[1]).toMatchObject({ name: 'Flute ♭', notes: 2, jumps: 0, hanging: 0, channels: [1] });
    expect(bad(checkSequence(bytes, 2))).toEqual([]);
  });
  it.each([
    [
      'faders that jump',
      [{ name: 'Horn', notes, extra: [control(0, 7, 100), control(4 * PPQ, 7, 30)] }],
      /Faders would jump in “Horn”/,
    ],
    ['a track without a name', [{ notes }], /1 of 1 tracks have no name/],
    [
      'time in a later track',
      [{ name: 'Horn', notes, extra: [tempo(4, 90)] }],
      /Tempo or meters stand in later tracks/,
    ],
    [
      'two sounds on a channel',
      [
        { name: 'Horn', notes, extra: [program(0, 60)] },
        { name: 'Tuba', notes, extra: [program(0, 58)] },
      ],
      /Channel 1 is given several sounds/,
    ],
    [
      'a note nobody lets go',
      [
        {
          name: 'Horn',
          notes,
          extra: [{ kind: 'channel' as const, tick: 0, status: Message.noteOn, data1: 80, data2: 90 }],
        },
      ],
      /never released in “Horn”/,
    ],
  ])('stumbles over %s', (_, tracks, words) => {
    const said = bad(checkSequence(smfBytes(tracks, [meter(0, 4, 4)]), 2));
    expect(said).toHaveLength(1);
    expect(said[0]).toMatch(words);
  });
  it('counts bars through changes of meter, and says where ours are others', () => {
    const bytes = smfBytes(
      [{ name: 'Horn', notes: [{ key: 60, at: 0, length: 10 }] }],
      [meter(0, 4, 4), meter(4, 3, 4)],
    );
    expect(sequencerSees(bytes).bars).toBe(3);
    expect(bad(checkSequence(bytes, 4))[0]).toMatch(/Counts 3 bars where ours are 4/);
  });
  it('does not mind a fader that is set at the beginning', () => {
    const bytes = smfBytes(
      [{ name: 'Horn', notes, extra: [control(0, 7, 100), control(0, 10, 64)] }],
      [meter(0, 4, 4)],
    );
    expect(bad(checkSequence(bytes, 2))).toEqual([]);
    expect(sequencerSees(bytes).mixerData).toBe(2);
  });
  it('says in a sentence that a file cannot be read', () => {
    const file = { path: 'MIDI/x.mid', bytes: new Uint8Array([1, 2, 3]), bars: 1, words: '' };
    expect(bad(checkDelivered(file)!.findings)[0]).toMatch(/Cannot be read/);
    expect(checkDelivered({ ...file, path: 'Originals/x.mid' })).toBeNull();
    expect(checkDelivered({ ...file, path: 'Sound/x.wav' })).toBeNull();
  });
  it('hears a marker as a marker', () => {
    const bytes = smfBytes([{ name: 'Horn', notes }], [meter(0, 4, 4), meta(0, 6, [65])]);
    expect(sequencerSees(bytes).markers).toBe(1);
  });
});

const note = (duration: number, more = '', notations = '') =>
  `<note><pitch><step>C</step><octave>4</octave></pitch><duration>${duration}</duration>${more}<voice>1</voice>${notations}</note>`;
function score(
  measures: string[],
  { list = '<score-part id="P1"><part-name>Flute</part-name></score-part>' } = {},
): Uint8Array {
  const attributes =
    '<attributes><divisions>1</divisions><time><beats>3</beats><beat-type>4</beat-type></time></attributes>';
  const inside = measures.map((one, i) => `<measure number="${i + 1}">${i === 0 ? attributes : ''}${one}</measure>`);
  return new TextEncoder().encode(
    `<score-partwise version="4.0"><part-list>${list}</part-list><part id="P1">${inside.join('')}</part></score-partwise>`,
  );
}

describe('a strict notation reader', () => {
  it('sees parts, bars, notes and transposition in a score of ours, plain and compressed', () => {
    const desk = ScoreDesk.open([demoOriginal()], NO_SETTINGS);
    desk.convert(NO_SETTINGS);
    const bytes = desk.export('musicxml');
    const view = readerSees(bytes);
    expect(view.parts.map(({ name }) => name).slice(0, 3)).toEqual(['Flute', 'Clarinet in B♭', 'Bassoon']);
    expect(view.parts.every(({ measures }) => measures === 28)).toBe(true);
    // The number of notes the demo has; the clarinet sounds a tone below what it reads.
    expect(view.parts[1]!.transposes).toBe(-2);
    expect(bad(checkScore(bytes, 28))).toEqual([]);
    expect(readerSees(compressMusicXml(new TextDecoder().decode(bytes)))).toEqual(view);
  });
  it('has nothing to say of a plain one', () => {
    const bytes = score([note(3), note(1) + note(2), `${note(3)}<backup><duration>3</duration></backup>${note(3)}`]);
    expect(bad(checkScore(bytes, 3))).toEqual([]);
  });
  it.each([
    ['a bar that is too short', score([note(2)]), /not as long as their meter: Flute, bar 1/],
    ['a bar that is too long', score([note(3), note(4)]), /Flute, bar 2/],
    ['a cursor before the bar', score([`<backup><duration>1</duration></backup>${note(4)}`]), /Flute, bar 1/],
    ['a tie to nowhere', score([note(3, '<tie type="start"/>')]), /does not end.*Flute: a tie/],
    ['a slur to nowhere', score([note(3, '', '<notations><slur type="start"/></notations>')]), /Flute: a slur/],
    [
      'a tuplet without a beginning',
      score([note(3, '', '<notations><tuplet type="stop"/></notations>')]),
      /Flute: a tuplet/,
    ],
    [
      'a part without a name',
      score([note(3)], { list: '<score-part id="P1"><part-name/></score-part>' }),
      /have no name/,
    ],
    ['music that is not listed', score([note(3)], { list: '' }), /differ: music without a name/],
  ])('stumbles over %s', (_, bytes, words) => {
    const measures = readerSees(bytes).parts[0]!.measures;
    expect(bad(checkScore(bytes, measures)).join(' ')).toMatch(words);
  });
  it('says where bars are others, and reads nothing that is no score', () => {
    expect(bad(checkScore(score([note(3)]), 2))[0]).toMatch(/Counts 1 bars where ours are 2/);
    const file = { path: 'Score/x.musicxml', bytes: new TextEncoder().encode('<html/>'), bars: 1, words: '' };
    expect(bad(checkDelivered(file)!.findings)[0]).toMatch(/no partwise score/);
    expect(bad(checkDelivered({ ...file, bytes: new TextEncoder().encode('<score-partwise>') })!.findings)[0]).toMatch(
      /Cannot be read/,
    );
  });
});

describe('a score that was one before', () => {
  const { musicXml } = SIGN_CASES.find(({ name }) => name.includes('<stopped/>'))!;
  const source = new TextEncoder().encode(musicXml);
  const desk = ScoreDesk.open([source], NO_SETTINGS);
  desk.convert(NO_SETTINGS);
  const text = new TextDecoder().decode(desk.export('musicxml'));
  const said = (written: string, partOf: (number | null)[] = [0]) =>
    checkDelivered({
      path: 'Score/x.musicxml',
      bytes: new TextEncoder().encode(written),
      bars: null,
      words: '',
      from: { files: [source], partOf },
    })!.findings.at(-1)!;
  it('is held against it: what is missing is named, and parts that are written anew', () => {
    expect(said(text)).toEqual({
      ok: true,
      words: 'Every sign of the received score beside its notes, clefs and signatures is in it.',
    });
    expect(said(text.replace('<stopped/>', ''))).toEqual({
      ok: false,
      words: 'The received score has what this file lacks: stopped (bar 1).',
    });
    expect(said(text, [null]).words).toContain('part “Flute” as it came');
  });
  it('is not, where the source cannot be counted', () => {
    const broken = { files: [new Uint8Array([1, 2])], partOf: [0] };
    const file = { path: 'Score/x.musicxml', bytes: new TextEncoder().encode(text), bars: null, words: '' };
    const words = checkDelivered({ ...file, from: broken })!.findings.map((one) => one.words);
    expect(words.join()).not.toContain('received score');
  });
});
