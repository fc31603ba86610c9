import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../../../bench/random';
import { meter, performanceOf, smfBytes, tempo, type HandNote, type HandTrack } from '../../testing/music';
import { getMetadataStorage } from 'class-validator';
import { partId, queryId, trackId, type NoteId } from '../base';
import { DECISION_KINDS, type Decision } from '../decisions';
import { PART, SCORE_PART, TRACK } from '../decisions/validators';
import { EMPTY_LEDGER, enter, settingsOf, type Ledger } from '../documents';
import { renew } from '../engine';
import type { Performance } from '../performance';
import { FIRST_ADDED } from '../settings';
import { QUARTER } from '../time';
import { toScore } from '../to-score';
import { writeMusicXml } from '../musicxml';
import { compareVersions, placeNow } from './index';

/** A line of eighths and quarters by chance, that never repeats itself. */
function chanceTrack(name: string, seed: number, low: number, bars: number): HandTrack {
  const random = seeded(seed);
  const notes: HandNote[] = [];
  for (let at = 0; at < bars * 4;) {
    const length = random.pick([0.5, 0.5, 1, 1, 2]);
    notes.push({ key: low + Math.floor(random.next() * 14), at, length: Math.min(length, bars * 4 - at) });
    at += length;
  }
  return { name, notes };
}

const BARS = 16;
const FLUTE = chanceTrack('Flute', 1, 72, BARS);
const HORN = chanceTrack('Horn', 2, 50, BARS);
const CELLO = chanceTrack('Cello', 3, 40, BARS);
const OLD = [FLUTE, HORN, CELLO];
const COMMON = [meter(0, 4, 4)];
const bytesOf = (tracks: readonly HandTrack[]) => [smfBytes(tracks, COMMON)];
const ledgerOf = (...decisions: Decision[]): Ledger => decisions.reduce(enter, EMPTY_LEDGER);
const compared = (tracks: readonly HandTrack[]) =>
  compareVersions(performanceOf(OLD, COMMON), performanceOf(tracks, COMMON));
const later = (track: HandTrack, from: number, by: number): HandTrack => ({
  ...track,
  notes: track.notes.map((note) => (note.at >= from ? { ...note, at: note.at + by } : note)),
});
const noteAt = (performance: Performance, track: number, n: number): NoteId => performance.tracks[track]!.notes[n]!.id;
const old = performanceOf(OLD, COMMON);
const flute = partId('t1');

describe('two versions', () => {
  it('are the same in everything when nothing changed', () => {
    const { tracks, notes, changes } = compared(OLD);
    expect([...tracks].every(([was, now]) => was === now)).toBe(true);
    expect([...notes].every(([was, now]) => was === now)).toBe(true);
    expect(notes.size).toBe(OLD.reduce((sum, track) => sum + track.notes.length, 0));
    expect(changes).toEqual({
      bars: [],
      barsAdded: [],
      barsGone: [],
      tracksAdded: [],
      tracksGone: [],
      tempo: false,
      meters: false,
    });
  });

  it('know tracks by their names and by what they play, wherever they stand', () => {
    const oboe = chanceTrack('Oboe', 9, 65, BARS);
    const { tracks, changes } = compared([CELLO, oboe, { ...HORN, name: 'Cor in F' }, FLUTE]);
    expect(tracks.get(trackId('t1'))).toBe('t4');
    expect(tracks.get(trackId('t2'))).toBe('t3');
    expect(tracks.get(trackId('t3'))).toBe('t1');
    expect(changes).toMatchObject({ tracksAdded: ['t2'], tracksGone: [] });
    expect(compared([FLUTE, HORN]).changes.tracksGone).toEqual(['t3']);
  });

  it('find downbeats that are played early in the bar they lead to', () => {
    // Half notes, each a fifth of a quarter ahead of its beat, and the same with two bars put in before bar 5.
    const early = (from: number, by: number): HandTrack => ({
      name: 'Violin',
      notes: Array.from({ length: 16 }, (_, n) => ({
        key: 60 + ((n * 5) % 13),
        at: Math.max(0, 2 * n - 0.2) + (2 * n >= from ? by : 0),
        length: 1.9,
      })),
    });
    const filled = chanceTrack('Horn', 7, 50, 8);
    const one = performanceOf([early(0, 0), filled], COMMON);
    const other = performanceOf([early(16, 8), later(filled, 16, 8)], COMMON);
    const { changes, notes } = compareVersions(one, other);
    expect(changes.barsAdded).toEqual([4, 5]);
    expect(changes.bars).toEqual([]);
    expect(notes.size).toBe(16 + filled.notes.length);
    // One that is struck harder now is a change of its own bar.
    const louder = early(0, 0);
    louder.notes[6] = { ...louder.notes[6]!, velocity: 120 };
    const harder = compareVersions(one, performanceOf([louder, filled], COMMON)).changes;
    expect(harder.bars).toEqual([{ bar: 3, track: 't1', added: 0, gone: 0, changed: 1 }]);
  });

  it('find bars that were put in, taken out and written anew', () => {
    // Two bars of something else before bar 5.
    const inserted = OLD.map((track, t) => ({
      ...track,
      notes: [
        ...later(track, 16, 8).notes,
        ...chanceTrack('', 40 + t, 60, 2).notes.map((n) => ({ ...n, at: n.at + 16 })),
      ],
    }));
    const put = compared(inserted);
    expect(put.changes).toMatchObject({ barsAdded: [4, 5], barsGone: [], bars: [] });
    expect(placeNow(put.stretches, 20 * QUARTER)).toBe(28 * QUARTER);
    const cut = OLD.map((track) =>
      later({ ...track, notes: track.notes.filter(({ at }) => at < 8 || at >= 12) }, 12, -4),
    );
    const gone = compared(cut);
    expect(gone.changes).toMatchObject({ barsAdded: [], barsGone: [2] });
    expect(placeNow(gone.stretches, 9 * QUARTER)).toBeNull();
    const anew = [
      { ...FLUTE, notes: FLUTE.notes.map((n) => (n.at >= 8 && n.at < 12 ? { ...n, key: n.key - 3 } : n)) },
      HORN,
      CELLO,
    ];
    const { changes } = compared(anew);
    expect(changes.barsAdded).toEqual([]);
    expect(changes.bars.map(({ bar, track }) => [bar, track])).toEqual([[2, 't1']]);
  });

  it('tell another tempo from one that has moved with its bar', () => {
    const signs = (at: number, bpm: number) => [meter(0, 4, 4), tempo(0, 90), tempo(at, bpm), meter(at, 3, 4)];
    const moved = OLD.map((track) => later(track, 16, 8));
    const told = (bpm: number) =>
      compareVersions(performanceOf(OLD, signs(32, 70)), performanceOf(moved, signs(40, bpm))).changes;
    expect(told(70)).toMatchObject({ tempo: false, meters: false });
    expect(told(71)).toMatchObject({ tempo: true, meters: false });
  });

  it('follow the music across the bars when it comes a beat later', () => {
    const { stretches, notes } = compared(OLD.map((track) => later(track, 0, 1)));
    expect(placeNow(stretches, 8 * QUARTER)).toBe(9 * QUARTER);
    expect(notes.size).toBe(OLD.reduce((sum, track) => sum + track.notes.length, 0));
  });

  it('know every note that is still there, whatever was changed about it', () => {
    const change = fc.record({
      track: fc.nat(2),
      note: fc.nat(30),
      what: fc.constantFrom('gone' as const, 'pitch' as const, 'length' as const, 'louder' as const),
    });
    fc.assert(
      fc.property(
        fc.uniqueArray(change, { maxLength: 8, selector: ({ track, note }) => `${track}/${note}` }),
        (made) => {
          const gone = new Set<string>();
          const tracks = OLD.map((track, t) => ({
            ...track,
            notes: track.notes.flatMap((note, n): HandNote[] => {
              const { what } = made.find((one) => one.track === t && one.note === n) ?? {};
              if (what === 'gone') gone.add(`${t}/${n}`);
              if (what === 'pitch') return [{ ...note, key: note.key + 15 }];
              if (what === 'length') return [{ ...note, length: note.length / 2 }];
              if (what === 'louder') return [{ ...note, velocity: 120 }];
              return what === 'gone' ? [] : [note];
            }),
          }));
          const now = performanceOf(tracks, COMMON);
          const { notes, changes } = compareVersions(old, now);
          OLD.forEach((track, t) => {
            let place = 0;
            track.notes.forEach((_, n) => {
              const is = notes.get(noteAt(old, t + 1, n));
              if (gone.has(`${t}/${n}`)) expect(is).toBeUndefined();
              else expect(is).toBe(noteAt(now, t + 1, place++));
            });
          });
          const counted = changes.bars.reduce((sum, bar) => sum + bar.added + bar.gone + bar.changed, 0);
          expect(counted).toBe(made.filter(({ track, note }) => OLD[track]!.notes[note]).length);
        },
      ),
      { seed: 11, numRuns: 60 },
    );
  });
});

describe('a ledger that is carried over', () => {
  const decisions: Decision[] = [
    { kind: 'assignInstrument', tracks: [trackId('t2')], instrument: 'trumpet-c' },
    { kind: 'renamePart', part: flute, name: 'Flute of the house' },
    { kind: 'setGrid', part: flute, smallest: 'quarter', triplets: false, bars: { from: 6, to: 8 } },
    { kind: 'setKey', fifths: 3, mode: 'major', bar: 8 },
    { kind: 'setWords', part: flute, note: noteAt(old, 1, 20), words: 'dolce' },
    { kind: 'setSlur', part: flute, from: noteAt(old, 1, 20), to: noteAt(old, 1, 21), on: true },
    {
      kind: 'addNotes',
      part: flute,
      notes: [{ note: FIRST_ADDED, start: 40 * QUARTER, end: 41 * QUARTER, key: 60, velocity: 80 }],
    },
    { kind: 'setTempo', at: 24 * QUARTER, bpm: 70 },
    { kind: 'setMeters', from: 48 * QUARTER, to: null, meters: [{ beats: 2, beatType: 4 }] },
    { kind: 'dismissQuery', query: queryId('out-of-range/t3'), reason: 'it is meant so' },
  ];
  const ledger = ledgerOf(...decisions);
  const scoreOf = (tracks: readonly HandTrack[], made: Ledger) =>
    writeMusicXml(toScore(performanceOf(tracks, COMMON), settingsOf(made)).printed);

  it('is the same for the same music', () => {
    const { ledger: same, whole, partly, lost } = renew(bytesOf(OLD), bytesOf(OLD), ledger);
    expect(same).toEqual(ledger);
    expect([whole, partly, lost]).toEqual([decisions.length, [], []]);
  });

  it('points at tracks that have another number now, and makes the same score of them', () => {
    const moved = [CELLO, FLUTE, HORN];
    const { ledger: now, lost } = renew(bytesOf(OLD), bytesOf(moved), ledger);
    expect(lost).toEqual([]);
    expect(now.decisions.slice(0, 2)).toEqual([
      { kind: 'assignInstrument', tracks: ['t3'], instrument: 'trumpet-c' },
      { kind: 'renamePart', part: 't2', name: 'Flute of the house' },
    ]);
    expect(now.decisions.at(-1)).toMatchObject({ query: 'out-of-range/t1' });
    // Parts stand in order of score, so that nothing tells the two apart but their ids.
    const plain = (xml: string) => xml.replaceAll(/id="[^"]*"/g, '');
    expect(plain(scoreOf(moved, now))).toBe(plain(scoreOf(OLD, ledger)));
  });

  it('moves with its bars when some are put in before them', () => {
    const inserted = OLD.map((track) => later(track, 16, 8));
    const { ledger: now, changes } = renew(bytesOf(OLD), bytesOf(inserted), ledger);
    expect(changes.barsAdded).toEqual([4, 5]);
    const of = (kind: Decision['kind']) => now.decisions.find((made) => made.kind === kind);
    expect(of('setGrid')).toMatchObject({ bars: { from: 8, to: 10 } });
    expect(of('setKey')).toMatchObject({ bar: 10 });
    expect(of('addNotes')).toMatchObject({ notes: [{ start: 48 * QUARTER, end: 49 * QUARTER }] });
    expect(of('setTempo')).toMatchObject({ at: 32 * QUARTER });
    expect(of('setMeters')).toMatchObject({ from: 56 * QUARTER, to: null });
  });

  it('tells what has nothing left to point at, and what has less', () => {
    const word = FLUTE.notes[20]!;
    const without = [{ ...FLUTE, notes: FLUTE.notes.filter((note) => note !== word) }, HORN, CELLO];
    const few = ledgerOf(...decisions, {
      kind: 'removeNotes',
      part: flute,
      notes: [noteAt(old, 1, 20), noteAt(old, 1, 3)],
    });
    const { whole, partly, lost } = renew(bytesOf(OLD), bytesOf(without), few);
    expect(lost).toEqual(['Flute: “dolce” written', 'Flute: a slur written']);
    expect(partly).toEqual(['Flute: 2 notes deleted']);
    expect(whole).toBe(decisions.length - 2);
    const gone = renew(bytesOf(OLD), bytesOf([HORN, CELLO]), ledger);
    expect(gone.lost).toHaveLength(5);
    expect(settingsOf(gone.ledger).instruments).toEqual({ t1: 'trumpet-c' });
  });

  it('keeps a repeat that is written once only while every playing is the same', () => {
    const twice = OLD.map((track) => {
      const once = track.notes.filter(({ at }) => at < 8);
      const again = once.map((note) => ({ ...note, at: note.at + 8 }));
      return { ...track, notes: [...once, ...again, ...track.notes.filter(({ at }) => at >= 16)] };
    });
    const folded = ledgerOf({ kind: 'foldRepeat', from: 0, length: 2, times: 2, endings: 0 });
    const now = (tracks: readonly HandTrack[]) => renew(bytesOf(twice), bytesOf(tracks), folded);
    const changedOnce = twice.map((track, t) =>
      t > 0
        ? track
        : { ...track, notes: track.notes.map((n) => (n.at >= 12 && n.at < 13 ? { ...n, key: n.key + 1 } : n)) },
    );
    expect(now(changedOnce).lost).toEqual(['2 bars written once with repeat signs']);
    const changedAfter = twice.map((track) => ({ ...track, notes: track.notes.filter(({ at }) => at < 50) }));
    expect(now(changedAfter).ledger).toEqual(folded);
    const later8 = now(twice.map((track) => later(track, 0, 8)));
    expect(later8.ledger.decisions).toEqual([{ kind: 'foldRepeat', from: 2, length: 2, times: 2, endings: 0 }]);
  });

  it('does not set a query aside about another track that has the number of one that is gone', () => {
    const aside = ledgerOf({ kind: 'dismissQuery', query: queryId('out-of-range/t2'), reason: '' });
    const { ledger: now, lost } = renew(bytesOf(OLD), bytesOf([FLUTE, CELLO]), aside);
    expect(now.decisions).toEqual([]);
    expect(lost).toHaveLength(1);
  });

  it('has a role for every field that a decision checks for an id', () => {
    const ids = [TRACK, PART, SCORE_PART].map(String);
    for (const [kind, { dto, points }] of Object.entries(DECISION_KINDS)) {
      if (kind === 'together') continue;
      const checks = getMetadataStorage().getTargetValidationMetadatas(dto, '', false, false);
      const pointing = checks.filter(
        ({ name, constraints }) => name === 'matches' && ids.includes(String(constraints[0])),
      );
      const roles: Record<string, unknown> = { ...points };
      for (const { propertyName } of pointing) expect(roles[propertyName], `${kind}.${propertyName}`).toBe('id');
      const fields = new Set(checks.map(({ propertyName }) => propertyName));
      for (const field of Object.keys(roles)) expect(fields, `${kind}.${field}`).toContain(field);
    }
  });
});
