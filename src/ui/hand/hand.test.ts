import { beforeEach, describe, expect, it, vi } from 'vitest';
import { partId, type NoteId } from '@/core/base';
import type { Summary } from '@/core/engine';
import { FIRST_ADDED } from '@/core/settings';
import { QUARTER } from '@/core/time';
import type { Geometry } from '../engraved/geometry';
import { useWorkspace, type NoteInView } from '../workspace/workspace';
import { byHand, copyHeld } from './actions';
import { allHeld, give, held } from './changes';
import { useClipboard } from './clipboard';
import { dragged } from './drag';
import { spoken } from './speak';
import { pickFirst, walkNotes } from './walkNotes';

const [flute, piano] = [partId('t1'), partId('t2')];
const bars = [0, 1, 2].map((i) => ({
  index: i,
  number: i + 1,
  start: i * 4 * QUARTER,
  length: 4 * QUARTER,
  meter: { at: 0, beats: 4, beatType: 4 },
  implicit: false,
}));

function note(
  part: typeof flute,
  id: NoteId,
  start: number,
  length: number,
  key: number,
  more: Partial<NoteInView> = {},
) {
  const step = (['C', 'D', 'E', 'F', 'G', 'A', 'B'] as const)[[0, 2, 4, 5, 7, 9, 11].indexOf(key % 12)]!;
  return {
    part,
    played: [id],
    start: start * QUARTER,
    end: (start + length) * QUARTER,
    key,
    pitch: { step, alter: 0, octave: Math.floor(key / 12) - 1 },
    staff: 1,
    voice: 1,
    velocity: 80,
    articulations: [],
    ...more,
  };
}

const NOTES: NoteInView[] = [
  note(flute, 0, 0, 1, 72),
  note(flute, 1, 1, 1, 74),
  note(flute, 2, 3, 1, 74, { articulations: ['accent'] }),
  note(piano, 10, 0, 2, 64),
  note(piano, 11, 0, 2, 60),
  note(piano, 12, 0, 4, 48, { staff: 2, voice: 5 }),
];

const summaryPart = (id: typeof flute, clefs: string[]) => ({
  id,
  name: id === flute ? 'Flute' : 'Piano',
  instrument: id === flute ? 'flute' : 'piano',
  unpitched: false,
  clefs,
  writtenKeys: [0],
  report: { smallest: QUARTER / 4 },
});

const decide = vi.fn();
const pick = (part: typeof flute, ...ids: NoteId[]) => useWorkspace.getState().pick(part, ids);
const pickIn = (...parts: [typeof flute, ...NoteId[]][]) =>
  useWorkspace.getState().pickIn(parts.map(([part, ...notes]) => ({ part, notes })));
const picked = () => useWorkspace.getState().picked?.notes;
const last = (): unknown => decide.mock.lastCall?.[0];

beforeEach(() => {
  vi.clearAllMocks();
  useWorkspace.setState({
    ...useWorkspace.getInitialState(),
    decide,
    ledger: { decisions: [], position: 0 },
    summary: {
      parts: [summaryPart(flute, ['treble']), summaryPart(piano, ['treble', 'bass'])],
      bars,
      keys: [{ bar: 0 }],
    } as unknown as Summary,
    written: new Map(NOTES.flatMap((one) => one.played.map((id) => [id, one] as const))),
    passage: { from: 0, bars: 3, parts: [flute, piano] },
  });
});

describe('walking the notes', () => {
  it('goes on in time, through what sounds together, and to the next part', () => {
    expect(walkNotes('after')).toBe(false);
    expect(pickFirst()).toBe(true);
    const way = (['after', 'after', 'before', 'before', 'below', 'below', 'below', 'above'] as const).map((step) => {
      walkNotes(step);
      return picked()![0];
    });
    expect(way).toEqual([1, 2, 1, 0, 10, 11, 12, 11]);
  });
  it('takes the view along at its edge', () => {
    pick(flute, 2);
    walkNotes('after');
    expect(useWorkspace.getState().passage.from).toBe(1);
  });
  it('says where one is', () => {
    expect(spoken(NOTES[0]!, 'Flute', bars)).toBe('Flute, bar 1, beat 1: C5, quarter');
    expect(spoken(note(flute, 9, 4.5, 1.5, 74), 'Flute', bars)).toBe('Flute, bar 2, after beat 1: D5, dotted quarter');
  });
});

describe('what can be done', () => {
  it('moves and shifts by a step, never before the beginning', () => {
    pick(flute, 1);
    byHand('later');
    expect(last()).toEqual({ kind: 'moveNotes', part: flute, moves: [{ note: 1, by: QUARTER / 4 }] });
    byHand('up');
    expect(last()).toEqual({ kind: 'shiftNotes', part: flute, notes: [1], semitones: 1 });
    decide.mockClear();
    pick(flute, 0);
    byHand('earlier');
    expect(decide).not.toHaveBeenCalled();
  });
  it('is done in every part at once, as one step', () => {
    pickIn([flute, 1], [piano, 10, 11]);
    byHand('later');
    expect(last()).toEqual({
      kind: 'together',
      decisions: [
        { kind: 'moveNotes', part: flute, moves: [{ note: 1, by: QUARTER / 4 }] },
        {
          kind: 'moveNotes',
          part: piano,
          moves: [
            { note: 10, by: QUARTER / 4 },
            { note: 11, by: QUARTER / 4 },
          ],
        },
      ],
    });
    // New notes have ids of their own, and are what is picked then.
    pickIn([flute, 1], [piano, 10]);
    byHand('another');
    const ids = [FIRST_ADDED, FIRST_ADDED + 1];
    expect(last()).toMatchObject({ decisions: ids.map((note) => ({ kind: 'addNotes', notes: [{ note }] })) });
    expect(useWorkspace.getState().picked).toMatchObject({
      part: flute,
      notes: [ids[0]],
      beside: [{ part: piano, notes: [ids[1]] }],
    });
    pickIn([flute, 1], [piano, 10]);
    byHand('remove');
    expect(useWorkspace.getState().picked).toBeNull();
  });
  it('lengthens up to the next note of the voice, and shortens down to a step', () => {
    pick(flute, 0);
    byHand('longer');
    // On over the next one, in a voice of its own.
    expect(last()).toEqual({
      kind: 'together',
      decisions: [
        { kind: 'setVoiceOf', part: flute, notes: [0], voice: 2 },
        { kind: 'setEnds', part: flute, ends: [{ note: 0, at: 1.25 * QUARTER }] },
      ],
    });
    pick(flute, 1);
    byHand('longer');
    expect(last()).toEqual({ kind: 'setEnds', part: flute, ends: [{ note: 1, at: 2.25 * QUARTER }] });
    byHand('shorter');
    expect(last()).toMatchObject({ ends: [{ note: 1, at: 1.75 * QUARTER }] });
  });
  it('joins what has one pitch, and changes voice and staff where there are two', () => {
    pick(flute, 0, 1);
    byHand('join');
    byHand('staff');
    expect(decide).not.toHaveBeenCalled();
    pick(flute, 1, 2);
    byHand('join');
    expect(last()).toEqual({ kind: 'joinNotes', part: flute, notes: [1, 2] });
    pick(piano, 12);
    byHand('staff');
    expect(last()).toMatchObject({ kind: 'setStaffOf', staff: 1 });
    byHand('voice');
    expect(last()).toMatchObject({ kind: 'setVoiceOf', voice: 2 });
  });
  it('puts in notes under ids that nothing else has, undone decisions included', () => {
    pick(flute, 1);
    byHand('another');
    expect(last()).toMatchObject({ kind: 'addNotes', notes: [{ note: FIRST_ADDED, start: 2 * QUARTER, key: 74 }] });
    const before = { kind: 'addNotes', part: flute, notes: [{ note: FIRST_ADDED + 6 }] } as never;
    useWorkspace.setState({ ledger: { decisions: [before], position: 0 } });
    pick(flute, 1);
    byHand('another');
    expect(last()).toMatchObject({ notes: [{ note: FIRST_ADDED + 7 }] });
  });
  it('copies notes to where another one is, or only their signs', () => {
    pick(flute, 1, 2);
    copyHeld();
    expect(useClipboard.getState().notes).toHaveLength(2);
    pick(piano, 10);
    byHand('paste');
    expect(last()).toMatchObject({ part: piano, notes: [{ start: 0 }, { start: 2 * QUARTER }] });
    pick(flute, 2);
    copyHeld();
    pick(flute, 0);
    byHand('pasteMarks');
    expect(last()).toEqual({ kind: 'setArticulation', part: flute, notes: [0], articulation: 'accent', on: true });
  });
  it('gives notes to another part as they stand', () => {
    pick(flute, 1);
    expect(give(held()!, piano)).toMatchObject({
      part: flute,
      to: piano,
      notes: [{ note: 1, start: QUARTER, key: 74 }],
    });
    expect(give(held()!, flute)).toBeNull();
  });
});

describe('dragging', () => {
  const geometry: Geometry = {
    width: 1000,
    height: 200,
    lanes: [],
    staves: [{ part: flute, staff: 1, lines: { top: 100, bottom: 132 } }],
    bars: bars.map(({ number, start, length }, i) => ({
      number,
      left: i * 320,
      right: (i + 1) * 320,
      start,
      end: start + length,
      anchors: [
        { at: start, x: i * 320 },
        { at: start + length, x: (i + 1) * 320 },
      ],
    })),
  };
  it('sideways moves by whole steps, with Alt it lengthens', () => {
    pick(flute, 1);
    const time = dragged(allHeld(), 'time', { x: 41, y: 0 }, geometry);
    expect(time).toMatchObject({ words: '2 steps later', dx: 40, decision: { moves: [{ by: QUARTER / 2 }] } });
    expect(dragged(allHeld(), 'length', { x: 22, y: 0 }, geometry).words).toBe('1 step longer');
    expect(dragged(allHeld(), 'time', { x: 5, y: 0 }, geometry).decision).toBeNull();
  });
  it('up and down goes from place to place of the staff, as the signature has it', () => {
    pick(flute, 0, 1);
    const up = dragged(allHeld(), 'pitch', { x: 0, y: -9 }, geometry);
    expect(up).toMatchObject({ words: 'C5 becomes E5', dy: -8 });
    // C to E and D to F: four semitones and three, one step of the ledger.
    expect(up.decision).toMatchObject({ kind: 'together', decisions: [{ semitones: 4 }, { semitones: 3 }] });
  });
});
