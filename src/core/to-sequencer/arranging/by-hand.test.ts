import { describe, expect, it } from 'vitest';
import { line, meter, smfBytes, tempo, type HandTrack } from '../../../testing/music';
import { partId } from '../../base';
import type { Decision } from '../../decisions';
import { EMPTY_LEDGER, enter, settingsOf } from '../../documents';
import { openSequence, ScoreDesk, type MidiSequence } from '../../engine';
import { performanceFromSmf } from '../../performance';
import { soundsOf } from '../../score';
import { FIRST_ADDED } from '../../settings';
import { readSmf } from '../../smf';
import { QUARTER } from '../../time';

/* A note that was mended on the page goes out mended: the same ledger, both directions. */

const flute: HandTrack = {
  name: 'Flute',
  notes: line(...[60, 62, 64, 65, 67, 69, 71, 72].map((key): [number, number] => [key, 1])),
  extra: [],
};
const cello: HandTrack = { name: 'Cello', notes: line([36, 4], [43, 4]).map((note) => ({ ...note, channel: 2 })) };
const bytes = smfBytes([flute, cello], [tempo(0, 100), meter(0, 4, 4)]);
const part = partId('t1');
const mended: Decision[] = [
  { kind: 'shiftNotes', part, notes: [1], semitones: -1 },
  { kind: 'removeNotes', part, notes: [7] },
  {
    kind: 'addNotes',
    part,
    notes: [{ note: FIRST_ADDED, start: 7 * QUARTER, end: 8 * QUARTER, key: 84, velocity: 99 }],
  },
  {
    kind: 'giveNotes',
    part,
    to: partId('t2'),
    notes: [{ note: 2, start: 2 * QUARTER, end: 3 * QUARTER, key: 64, velocity: 80 }],
  },
  { kind: 'moveNotes', part, moves: [{ note: 4, by: QUARTER / 2 }] },
  { kind: 'joinNotes', part, notes: [5, 6] },
  { kind: 'setEnds', part, ends: [{ note: 0, at: QUARTER / 2 }] },
  { kind: 'cutNote', part, note: 3, at: 3.5 * QUARTER },
];
const goingAlong = (byHand: 'all' | 'none'): Decision => ({ kind: 'setArranging', byHand });

function outgoing(...made: Decision[]) {
  const settings = settingsOf(made.reduce(enter, EMPTY_LEDGER));
  const desk = openSequence([bytes]);
  const summary = desk.make(settings) as MidiSequence;
  const [file] = desk.files(settings).files;
  const { tracks } = performanceFromSmf(readSmf(file!.bytes));
  const notes = (name: string) =>
    tracks.find((track) => track.name === name)!.notes.map(({ key, start, end }) => [key, start / 480, end / 480]);
  return { summary, bytes: file!.bytes, flute: notes('Flute'), cello: notes('Cello') };
}

describe('notes changed by hand', () => {
  it('go out with their pitches; when they sound stays as it was played', () => {
    const { flute: out, cello: low, summary } = outgoing(...mended);
    expect(out).toEqual([
      [60, 0, 1],
      [61, 1, 2],
      [65, 3, 4],
      [67, 4, 5],
      [69, 5, 6],
      [71, 6, 7],
      [84, 7, 8],
    ]);
    expect(low).toEqual([
      [36, 0, 4],
      [64, 2, 3],
      [43, 4, 8],
    ]);
    expect(summary.byHand).toEqual({ changed: 8, along: 4 });
  });

  it('go out with their times too where that is wanted', () => {
    const { flute: out, summary } = outgoing(...mended, goingAlong('all'));
    expect(out).toEqual([
      [60, 0, 0.5],
      [61, 1, 2],
      [65, 3, 3.5],
      [65, 3.5, 4],
      [67, 4.5, 5.5],
      [69, 5, 7],
      [84, 7, 8],
    ]);
    expect(summary.byHand).toEqual({ changed: 8, along: 8 });
  });

  it('go out byte for byte as received where nothing of it is wanted, or nothing was changed', () => {
    expect(outgoing(...mended, goingAlong('none')).bytes).toEqual(outgoing().bytes);
    const voice: Decision = { kind: 'setVoiceOf', part, notes: [1], voice: 2 };
    expect(outgoing(voice, goingAlong('all')).bytes).toEqual(outgoing().bytes);
  });

  it('sound in the sequencer what is written in the score', () => {
    const settings = settingsOf(mended.reduce(enter, EMPTY_LEDGER));
    const desk = ScoreDesk.open([bytes], settings);
    const { score } = desk.convert(settings);
    const written = score.parts.flatMap((one) =>
      soundsOf(one, score.bars).map(({ key, start }) => [key, start / QUARTER]),
    );
    const { flute: high, cello: low } = outgoing(...mended, goingAlong('all'));
    const inOrder = (notes: number[][]) => [...notes].sort((a, b) => a[1]! - b[1]! || a[0]! - b[0]!);
    // On paper a note ends where the next of its voice begins.
    expect(inOrder([...high, ...low].map(([key, start]) => [key!, start!]))).toEqual(inOrder(written));
  });

  it('say nothing of time where the page has found other beats than the file', () => {
    const { flute: out, summary } = outgoing(...mended, { kind: 'findTheBeats' }, goingAlong('all'));
    // Raised, taken out, given away; what was put in has no place of the file's.
    expect(out.map(([key]) => key)).toEqual([60, 61, 65, 67, 69, 71]);
    expect(out.every(([, start], i) => i < 2 || start === i + 1)).toBe(true);
    expect(summary.byHand).toEqual({ changed: 8, along: 3 });
  });

  it('are counted where their notes go out: those of a further original stay with it', () => {
    const desk = openSequence([bytes, smfBytes([cello])]);
    // Ten notes of the first original come before those of the second.
    const decisions: Decision[] = [
      { kind: 'shiftNotes', part, notes: [1], semitones: -1 },
      { kind: 'shiftNotes', part: partId('o2t1'), notes: [10], semitones: 12 },
    ];
    const { byHand } = desk.make(settingsOf(decisions.reduce(enter, EMPTY_LEDGER))) as MidiSequence;
    expect(byHand).toEqual({ changed: 2, along: 1 });
  });
});
