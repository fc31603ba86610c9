import { describe, expect, it } from 'vitest';
import { partId, queryId, trackId } from '../base';
import { remediesFor, type Query } from './index';

/* Remedies that only rare music asks for: what their buttons say and what they decide. */

const asked = { id: queryId('x'), message: '', part: partId('t1'), played: [7, 8] };
const buttons = (query: Query) => remediesFor(query).map(({ label, decision }) => [label, decision.kind]);

describe('buttons', () => {
  it('of the audit: back to where the file has it, written out, or looked at', () => {
    const moves = [{ note: 7, by: -2520 }];
    const [back] = remediesFor({ ...asked, kind: 'audit', facts: { cause: 'displaced', moves } });
    expect(back!.decision).toEqual({ kind: 'moveNotes', part: 't1', moves });
    expect(buttons({ ...asked, kind: 'audit', facts: { cause: 'trills' } })).toEqual([
      ['Keep the trills', 'dismissQuery'],
      ['Write every note', 'setOrnaments'],
    ]);
    expect(buttons({ ...asked, kind: 'audit', facts: { cause: 'missing' } })).toEqual([
      ['Mark as reviewed', 'dismissQuery'],
    ]);
  });
  it('of a tuplet: plain here, plain everywhere, or right', () => {
    const [here, everywhere, right] = remediesFor({ ...asked, kind: 'tuplet', facts: { smallest: '16th', bars: [4] } });
    expect(here!.decision).toMatchObject({ kind: 'setGrid', triplets: false, bars: { from: 4, to: 5 } });
    expect(everywhere!.decision).not.toHaveProperty('bars');
    expect(right!.decision).toEqual({ kind: 'dismissQuery', query: 'x', reason: 'Keep the triplet' });
  });
  it('of two drums of one kind: one of them, which settles the query too', () => {
    const [one, two] = remediesFor({ ...asked, kind: 'one-drum', facts: { key: 38, other: 40 } });
    expect(one).toMatchObject({ decision: { kind: 'setDrumKey', key: 40, as: 38 }, also: [{ kind: 'dismissQuery' }] });
    expect(two!.decision.kind).toBe('dismissQuery');
  });
  it('of crowded players: one player more, while there may be more', () => {
    const crowded = (players: number): Query => ({
      ...asked,
      kind: 'crowded',
      track: trackId('t1'),
      facts: { players },
    });
    expect(buttons(crowded(3))).toEqual([
      ['Divide among 4 players', 'dealOut'],
      ['Keep as divisi', 'dismissQuery'],
    ]);
    expect(buttons(crowded(8))).toEqual([['Keep as divisi', 'dismissQuery']]);
  });
  it('of notes out of range: an octave, for a key or for the part, and other instruments', () => {
    const range = (semitones: number, whole: boolean, mostly = false): Query => ({
      ...asked,
      kind: 'out-of-range',
      facts: {
        whole: whole ? { notes: [7, 8, 9], semitones } : null,
        single: [7, 8].map((note) => ({ note, semitones })),
        tracks: [trackId('t1')],
        others: ['tuba'],
        mostly,
      },
    });
    expect(buttons(range(-24, false))).toEqual([
      ['Move only these notes octaves lower', 'shiftNotes'],
      ['Write it for Tuba', 'assignInstrument'],
      ['Keep as written', 'dismissQuery'],
    ]);
    expect(buttons(range(12, true))[0]).toEqual(['Move the whole part an octave higher', 'shiftNotes']);
    expect(buttons(range(12, false, true))[0]).toEqual(['Write it for Tuba', 'assignInstrument']);
  });
  it('of a key the file does not mean: the one heard, or C major after all', () => {
    const key = (byDefault: boolean): Query => ({
      ...asked,
      kind: 'key-signature',
      facts: { heard: { fifths: -3, mode: 'minor' }, byDefault },
    });
    expect(buttons(key(true)).map(([label]) => label)).toEqual(['C minor', 'C major']);
    expect(buttons(key(false)).map(([label]) => label)).toEqual(['C minor']);
  });
});
