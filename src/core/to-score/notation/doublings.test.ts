import { describe, expect, it } from 'vitest';
import { line, meter, performanceOf, programAt, tempo, type HandTrack } from '../../../testing/music';
import { replay } from '../../../testing/replay';
import { partId, trackId } from '../../base';
import type { Decision } from '../../decisions';
import { EMPTY_LEDGER, enter } from '../../documents';
import { readMusicXml, writeMusicXml } from '../../musicxml';
import { checkScore, symbolsOf, type Part } from '../../score';
import { USUAL_SEQUENCING } from '../../settings';
import { toSequencer } from '../../to-sequencer';
import { Message } from '../../smf';

/* A player takes up another instrument: by the program in the middle of a track, or as somebody decided. */

const quarters = (...keys: number[]) => line(...keys.map((key): [number, number] => [key, 1]));
/** Two bars of oboe, two of rest, one of English horn, one of oboe. */
const doubler: HandTrack = {
  name: 'Oboe 2',
  program: 69,
  notes: [
    ...quarters(72, 74, 76, 77, 79, 77, 76, 74),
    ...[60, 62, 64, 65].map((key, i) => ({ key, at: 16 + i, length: 1 })),
    ...[72, 74, 76, 77].map((key, i) => ({ key, at: 20 + i, length: 1 })),
  ],
  extra: [programAt(15, 70), programAt(20, 69)],
};
const beside: HandTrack = { name: 'Cello', notes: quarters(...Array.from({ length: 24 }, (_, i) => 48 + (i % 5))) };

function convert(tracks: HandTrack[], ...made: Decision[]) {
  const performance = performanceOf(tracks, [meter(0, 4, 4), tempo(0, 100)]);
  return replay([performance], made.reduce(enter, EMPTY_LEDGER));
}

const wordsOf = (part: Part) =>
  [...symbolsOf(part)].flatMap(({ symbol, bar }) => (symbol.marks?.words ?? []).map((words) => `${bar}: ${words}`));
const firstPitches = (part: Part) =>
  part.bars.map(({ voices }) => voices[0]!.symbols[0]!.notes[0]?.pitch).map((one) => one && `${one.step}${one.octave}`);

describe('a player who takes up another instrument', () => {
  const { score, queries } = convert([doubler, beside]);
  const oboe = score.parts[0]!;

  it('is written as one part that reads what each instrument reads', () => {
    expect(score.parts.map(({ name }) => name)).toEqual(['Oboe', 'Violoncello']);
    expect(queries.filter(({ kind }) => kind === 'sound-change' || kind === 'out-of-range')).toEqual([]);
    expect(oboe.doublings).toEqual([{ name: 'English Horn', instrument: 'english-horn', program: 70 }]);
    // The English horn sounds a fifth lower than it reads.
    expect(oboe.transpositionChanges).toEqual([
      { bar: 4, transposition: 7, transpositionSteps: 4 },
      { bar: 5, transposition: 0, transpositionSteps: 0 },
    ]);
    expect(firstPitches(oboe)).toEqual(['C5', 'G5', undefined, undefined, 'G4', 'C5']);
    expect(wordsOf(oboe)).toEqual(['2: to English Horn', '4: English Horn', '5: Oboe']);
    expect(checkScore(score)).toEqual([]);
  });

  it('has the signature of what is read, and nobody else has another', () => {
    const text = writeMusicXml(score);
    const parts = text.split('<part id=').slice(1);
    const fifths = (part: string) =>
      [...part.matchAll(/<fifths>(-?\d)<\/fifths>/g)].map(([, sharps]) => Number(sharps));
    expect(fifths(parts[0]!)).toEqual([0, 1, 0]);
    expect(fifths(parts[1]!)).toEqual([0]);
  });

  it('comes back from MusicXML the same, each note with its instrument', () => {
    const again = readMusicXml(new TextEncoder().encode(writeMusicXml(score))).score;
    const instruments = (part: Part) =>
      [...symbolsOf(part)].flatMap(({ symbol }) => symbol.notes.map((n) => n.doubling));
    expect(again.parts[0]!.doublings).toEqual(oboe.doublings);
    expect(again.parts[0]!.transpositionChanges).toEqual(oboe.transpositionChanges);
    expect(instruments(again.parts[0]!)).toEqual(instruments(oboe));
  });

  it('is sounded by the programs it came with', () => {
    const { file } = toSequencer(score, { ...USUAL_SEQUENCING, preset: 'expression' })[0]!;
    const programs = file.tracks[1]!.events.flatMap((event) =>
      event.kind === 'channel' && (event.status & 0xf0) === Message.programChange
        ? [[event.tick / 480, event.data1 + 1]]
        : [],
    );
    expect(programs).toEqual([
      [0, 69],
      [16, 70],
      [20, 69],
    ]);
  });

  it('plays one instrument throughout where somebody says so', () => {
    const plain = convert([doubler, beside], { kind: 'readSoundChanges', track: trackId('t1'), as: 'one' });
    expect(plain.score.parts[0]!.doublings).toBeUndefined();
    expect(plain.queries.some(({ kind }) => kind === 'out-of-range')).toBe(false);
    expect(firstPitches(plain.score.parts[0]!)[4]).toBe('C4');
  });

  it('takes up what is decided, in the bars that are decided, and puts it down again', () => {
    const bars = { from: 0, to: 2 };
    const piccolo: Decision = { kind: 'takeUp', part: partId('t1'), instrument: 'piccolo', bars };
    const flute: HandTrack = { name: 'Flute', notes: quarters(84, 86, 88, 89, 91, 89, 88, 86, 84, 86, 88, 89) };
    const { score: changed } = convert([flute], piccolo);
    const [part] = changed.parts;
    expect(part!.transposition).toBe(-12);
    expect(firstPitches(part!)).toEqual(['C5', 'G5', 'C6']);
    expect(wordsOf(part!)).toEqual(['0: Piccolo', '2: Flute']);
    const { score: back } = convert([flute], piccolo, { ...piccolo, instrument: 'flute' });
    expect(firstPitches(back.parts[0]!)).toEqual(['C6', 'G6', 'C6']);
  });
});

describe('another program in the middle of a track', () => {
  it('is a way of playing where it stands for one', () => {
    const { score } = convert([
      { name: 'Violin', program: 41, notes: quarters(72, 74, 76, 77, 79, 77, 76, 74), extra: [programAt(4, 46)] },
    ]);
    expect(wordsOf(score.parts[0]!)).toEqual(['1: pizz.']);
    expect(score.parts[0]!.doublings).toBeUndefined();
  });

  it('is asked about where another player is as likely, and each answer is followed', () => {
    const track: HandTrack = {
      name: 'Tune',
      program: 74,
      notes: quarters(72, 74, 76, 77, 79, 77, 76, 74),
      extra: [programAt(4, 41)],
    };
    const { queries, score } = convert([track]);
    expect(queries.find(({ kind }) => kind === 'sound-change')).toMatchObject({
      bar: 1,
      message:
        'Track 2 “Tune” sounds as Violin from bar 2, beat 1: is that another player? Written for Flute throughout so far.',
    });
    expect(score.parts).toHaveLength(1);
    const split = convert([track], { kind: 'splitTrack', track: trackId('t1'), by: 'programs' });
    expect(split.score.parts.map(({ id, name, instrument }) => [id, name, instrument])).toEqual([
      ['t1g74', 'Flute', 'flute'],
      ['t1g41', 'Violin', 'violin'],
    ]);
    const { score: one } = convert([track], { kind: 'readSoundChanges', track: trackId('t1'), as: 'taken-up' });
    expect(wordsOf(one.parts[0]!)).toEqual(['1: Violin']);
  });
});
