import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { many } from '../../../testing/tiers';
import { line, meter, performanceOf, smfBytes, type HandTrack } from '../../../testing/music';
import { replay } from '../../../testing/replay';
import { partId } from '../../base';
import type { Decision } from '../../decisions';
import { EMPTY_LEDGER, enter, settingsOf, undo } from '../../documents';
import { ScoreDesk } from '../../engine';
import { readMusicXml, writeMusicXml } from '../../musicxml';
import { checkScore, soundsOf } from '../../score';
import { FIRST_ADDED } from '../../settings';
import { QUARTER } from '../../time';
import type { Conversion } from '../conversion';

/* Notes changed by hand: each change does what it says and nothing else, and can be taken back. */

const part = partId('t1');
const FLUTE: HandTrack[] = [{ name: 'Flute', notes: line([72, 1], [74, 1], [76, 1], [77, 1], [79, 4]) }];
const PIANO: HandTrack[] = [
  {
    name: 'Piano',
    notes: [...line([60, 1], [64, 1], [67, 1], [72, 1]), ...line([48, 2], [50, 2]), ...line([64, 4])],
  },
];

function after(tracks: HandTrack[], ...made: Decision[]): Conversion {
  const performance = performanceOf(tracks, [meter(0, 4, 4)]);
  return replay([performance], made.reduce(enter, EMPTY_LEDGER));
}

/** Start and end in quarters, key; of one part. */
function places({ score }: Conversion, which = 0): number[][] {
  return soundsOf(score.parts[which]!, score.bars).map(({ start, end, key }) => [start / QUARTER, end / QUARTER, key]);
}

describe('by hand', () => {
  it('a note is taken out, and a rest stands in its place', () => {
    const made = after(FLUTE, { kind: 'removeNotes', part, notes: [1] });
    expect(places(made).slice(0, 2)).toEqual([
      [0, 1, 72],
      [2, 3, 76],
    ]);
    expect(made.audit.words).toContain('changed by decision');
    expect(made.audit.words).not.toContain('not written');
  });
  it('a note is put in, with the length that was wanted', () => {
    const note = { note: FIRST_ADDED, start: 8 * QUARTER, end: 9.5 * QUARTER, key: 81, velocity: 70 };
    expect(places(after(FLUTE, { kind: 'addNotes', part, notes: [note] })).at(-1)).toEqual([8, 9.5, 81]);
  });
  it('a note becomes longer or shorter, exactly so', () => {
    const to = (at: number) =>
      places(after(FLUTE, { kind: 'setEnds', part, ends: [{ note: 4, at: at * QUARTER }] })).at(-1);
    expect([5, 5.5, 6.25, 7.75].map(to)).toEqual([5, 5.5, 6.25, 7.75].map((end) => [4, end, 79]));
    // No further than to the next note of its voice, as long as there is one voice.
    const one: Decision[] = [
      { kind: 'setVoices', part, most: 1 },
      { kind: 'setEnds', part, ends: [{ note: 0, at: 2 * QUARTER }] },
    ];
    expect(places(after(FLUTE, ...one))[0]).toEqual([0, 1, 72]);
  });
  it('a note goes into another voice and onto another staff', () => {
    const of = (made: Decision) => {
      const { score } = after(PIANO, made);
      return soundsOf(score.parts[0]!, score.bars).find(({ played }) => played.includes(2))!;
    };
    expect(of({ kind: 'setVoiceOf', part, notes: [2], voice: 2 }).voice).toBe(2);
    expect(of({ kind: 'setStaffOf', part, notes: [2], staff: 2 }).staff).toBe(2);
    expect(of({ kind: 'setStaffOf', part, notes: [2], staff: 1 }).staff).toBe(1);
  });
  it('a note becomes a grace note of the next one, and a note again', () => {
    const grace: Decision = { kind: 'setGrace', part, notes: [1], on: true };
    const graced = after(FLUTE, grace);
    const symbols = graced.score.parts[0]!.bars[0]!.voices[0]!.symbols;
    expect(symbols.find(({ marks }) => marks?.graces)?.notes[0]?.key).toBe(76);
    expect(places(graced).map(([, , key]) => key)).toEqual([72, 76, 77, 79]);
    const back = after(FLUTE, grace, { kind: 'setGrace', part, notes: [1], on: false });
    expect(places(back).slice(0, 3)).toEqual([
      [0, 1, 72],
      [1.75, 2, 74],
      [2, 3, 76],
    ]);
  });
  it('notes are given to another part', () => {
    const two: HandTrack[] = [...FLUTE, { name: 'Oboe', notes: line([67, 4]) }];
    const note = { note: 4, start: 4 * QUARTER, end: 8 * QUARTER, key: 79, velocity: 80 };
    const made = after(two, { kind: 'giveNotes', part, to: partId('t2'), notes: [note] });
    expect(places(made).at(-1)).toEqual([3, 4, 77]);
    expect(places(made, 1)).toEqual([
      [0, 4, 67],
      [4, 8, 79],
    ]);
  });
  it('nothing else changes, and the proof says that it was by hand', () => {
    const made: Decision[] = [
      { kind: 'removeNotes', part, notes: [1] },
      { kind: 'setEnds', part, ends: [{ note: 4, at: 5 * QUARTER }] },
      {
        kind: 'addNotes',
        part,
        notes: [{ note: FIRST_ADDED, start: 28 * QUARTER, end: 29 * QUARTER, key: 60, velocity: 60 }],
      },
    ];
    const settings = settingsOf(made.reduce(enter, EMPTY_LEDGER));
    const desk = ScoreDesk.open([smfBytes(FLUTE, [meter(0, 4, 4)])], settings);
    desk.convert(settings);
    const { parts } = desk.agreement();
    expect(parts[0]).toMatchObject({ same: 3, differing: parts[0]!.decided });
  });
});

const edit = fc.record({
  kind: fc.constantFrom(
    'remove',
    'add',
    'end',
    'voice',
    'staff',
    'grace',
    'ungrace',
    'move',
    'shift',
    'give',
    'join',
    'cut',
  ),
  note: fc.integer({ min: 0, max: 11 }),
  value: fc.integer({ min: 1, max: 32 }),
  key: fc.integer({ min: 48, max: 84 }),
});

type Random = typeof edit extends fc.Arbitrary<infer T> ? T : never;

const EIGHTH = QUARTER / 2;

function decisionOf({ kind, note, value, key }: Random, i: number): Decision {
  const added = { note: FIRST_ADDED + i, start: (value - 1) * EIGHTH, end: (value + 1) * EIGHTH, key, velocity: 64 };
  switch (kind) {
    case 'add':
      return { kind: 'addNotes', part, notes: [added] };
    case 'remove':
      return { kind: 'removeNotes', part, notes: [note] };
    case 'end':
      return { kind: 'setEnds', part, ends: [{ note, at: value * EIGHTH }] };
    case 'voice':
      return { kind: 'setVoiceOf', part, notes: [note], voice: 1 + (value % 4) };
    case 'staff':
      return { kind: 'setStaffOf', part, notes: [note], staff: 1 + (value % 2) };
    case 'move':
      return { kind: 'moveNotes', part, moves: [{ note, by: (value - 16) * (QUARTER / 4) }] };
    case 'shift':
      return { kind: 'shiftNotes', part, notes: [note], semitones: value - 16 };
    case 'give':
      return { kind: 'giveNotes', part, to: partId('t2'), notes: [{ ...added, note }] };
    case 'join':
      return { kind: 'joinNotes', part, notes: [note, (note + 1) % 12] };
    case 'cut':
      return { kind: 'cutNote', part, note, at: value * EIGHTH };
    default:
      return { kind: 'setGrace', part, notes: [note], on: kind === 'grace' };
  }
}

describe('any changes by hand', () => {
  const note = fc.record({
    key: fc.integer({ min: 40, max: 90 }),
    at: fc.integer({ min: 0, max: 60 }).map((n) => n / 4),
    length: fc.integer({ min: 1, max: 12 }).map((n) => n / 4),
  });
  it('leave a sound score that comes back from its MusicXML, and are undone', () => {
    fc.assert(
      fc.property(
        fc.array(note, { minLength: 4, maxLength: 12 }),
        fc.array(edit, { minLength: 1, maxLength: 8 }),
        fc.constantFrom('Flute', 'Piano', 'Guitar', 'Drum Kit'),
        (notes, edits, name) => {
          const performance = performanceOf(
            [
              { name, notes },
              { name: 'Oboe', notes: line([67, 4], [69, 4]) },
            ],
            [meter(0, 4, 4)],
          );
          const ledger = edits.map(decisionOf).reduce(enter, EMPTY_LEDGER);
          const { score } = replay([performance], ledger);
          expect(checkScore(score)).toEqual([]);
          const back = readMusicXml(new TextEncoder().encode(writeMusicXml(score))).score;
          const keys = (one: typeof score) =>
            one.parts.map((each) => soundsOf(each, one.bars).map(({ start, end, key }) => [start, end, key]));
          if (name !== 'Drum Kit') expect(keys(back)).toEqual(keys(score));
          const undone = edits.reduce((now) => undo(now), ledger);
          expect(replay([performance], undone).score).toEqual(replay([performance], EMPTY_LEDGER).score);
        },
      ),
      { numRuns: many(30, 120) },
    );
  });
});
