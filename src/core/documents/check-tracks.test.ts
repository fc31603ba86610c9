import { describe, expect, it } from 'vitest';
import { partId, trackId } from '../base';
import type { Decision } from '../decisions';
import { checkTracks, EMPTY_LEDGER, enter } from './index';

const tracks = ['t0', 't3'].map((id) => ({ id: trackId(id) }));
const check = (...decisions: Decision[]) => checkTracks(decisions.reduce(enter, EMPTY_LEDGER), tracks);

describe('a ledger and the tracks of an original', () => {
  it('belong together when every track it speaks of is there, split or dealt out as it may be', () => {
    expect(() =>
      check(
        { kind: 'leaveOut', tracks: [trackId('t0')] },
        { kind: 'splitTrack', track: trackId('t3') },
        { kind: 'assignInstrument', tracks: [trackId('t3c10')], instrument: 'drum-kit' },
        { kind: 'renamePart', part: partId('t3p2'), name: 'Second' },
        { kind: 'preferNames', part: null, bars: { from: 0, to: 1 }, prefer: 'flats' },
        { kind: 'setTitle', title: 'Goose' },
      ),
    ).not.toThrow();
  });
  it.each<[string, Decision]>([
    ['a track', { kind: 'takeIn', tracks: [trackId('t0'), trackId('t9')] }],
    ['a single track', { kind: 'setLead', track: trackId('t9'), milliseconds: 0 }],
    ['a part', { kind: 'setVoices', part: partId('t9p2'), most: 1 }],
  ])('do not when %s is unknown', (_, decision) => {
    expect(() => check(decision)).toThrow(/speaks of track t9/);
  });
  it('do not mind the parts of a score file, nor chunks by number', () => {
    expect(() =>
      check(
        { kind: 'setPartSequencing', part: partId('P1'), split: 'voice' },
        { kind: 'leaveTracks', tracks: [9], out: true },
      ),
    ).not.toThrow();
  });
});
