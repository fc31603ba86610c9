import { trackId, partId } from '../base';
import { describe, expect, it } from 'vitest';
import {
  answersFor,
  houseEntryFor,
  housePattern,
  JobError,
  lessonsOf,
  readHouseList,
  writeHouseList,
  type HouseEntry,
} from './index';

const entries: HouseEntry[] = [
  {
    pattern: 'hns a 4',
    instrument: 'horn-f',
    deal: { to: 'players', players: 4, spare: 'double', lines: 'smooth', order: 'paired' },
  },
  { pattern: 'slot * warm', instrument: 'cello' },
  { pattern: 'slot *', instrument: 'viola', technique: 'muted' },
];

describe('house list', () => {
  it('knows a name however it is written', () => {
    expect(['VLN 1 leg (Close)', 'vln1_leg close', 'Vln 1 — Leg/CLOSE'].map(housePattern)).toEqual(
      Array(3).fill('vln 1 leg close'),
    );
    expect(houseEntryFor(entries, 'HNS_a4')).toBe(entries[0]);
  });
  it('takes the very name first, then the longest pattern that fits', () => {
    expect(houseEntryFor(entries, 'Slot 4 warm')).toBe(entries[1]);
    expect(houseEntryFor(entries, 'Slot 4 cold')).toBe(entries[2]);
    expect(houseEntryFor([...entries, { pattern: 'slot 4 warm', instrument: 'tuba' }], 'Slot 4 warm')!.instrument).toBe(
      'tuba',
    );
    expect(houseEntryFor(entries, 'A slot 4')).toBeNull();
    expect(houseEntryFor(entries, '')).toBeNull();
  });
  it('answers for the tracks it knows', () => {
    expect(
      answersFor(entries, [
        { id: trackId('t1'), name: 'Hns a4' },
        { id: trackId('t2'), name: 'Flute' },
      ]),
    ).toEqual({ kind: 'useHouseList', answers: [{ track: 't1', instrument: 'horn-f', deal: entries[0]!.deal }] });
    expect(answersFor(entries, [{ id: trackId('t2'), name: 'Flute' }])).toBeNull();
  });
  it('learns from decisions, but not about names that say nothing', () => {
    const nameOf = (track: string) => ({ t1: 'Slot warm', t2: 'Track 3' })[track] ?? '';
    expect(
      lessonsOf(
        { kind: 'assignInstrument', tracks: [trackId('t1'), trackId('t2'), trackId('t3')], instrument: 'oboe' },
        nameOf,
      ),
    ).toEqual([{ pattern: 'slot warm', instrument: 'oboe' }]);
    expect(lessonsOf({ kind: 'setTechnique', tracks: [trackId('t1')], technique: 'pizzicato' }, nameOf)).toEqual([
      { pattern: 'slot warm', technique: 'pizzicato' },
    ]);
    expect(lessonsOf({ kind: 'renamePart', part: partId('t1'), name: 'Corni' }, nameOf)).toEqual([
      { pattern: 'slot warm', partName: 'Corni' },
    ]);
    expect(lessonsOf({ kind: 'renamePart', part: partId('t1p2'), name: 'Corni' }, nameOf)).toEqual([]);
    expect(lessonsOf({ kind: 'setTitle', title: 'x' }, nameOf)).toEqual([]);
  });
  it('travels as JSON and back', () => {
    const back = readHouseList(writeHouseList(entries), 'house.json');
    expect([...back].sort((a, b) => a.pattern.localeCompare(b.pattern))).toEqual(
      [...entries].sort((a, b) => a.pattern.localeCompare(b.pattern)),
    );
  });
  it.each([
    ['no JSON', '{', /not JSON/],
    ['another file', '{"format":"dragoman-job"}', /something else/],
    [
      'an instrument nobody has',
      JSON.stringify({
        format: 'dragoman-house-list',
        version: 1,
        entries: [
          { pattern: 'a', instrument: 'viola' },
          { pattern: 'b', instrument: 'kazoophone' },
        ],
      }),
      /line 2/,
    ],
    [
      'a field too many',
      JSON.stringify({ format: 'dragoman-house-list', version: 1, entries: [{ pattern: 'a', surprise: 1 }] }),
      /line 1/,
    ],
  ])('refuses %s with one sentence', (_, text, words) => {
    expect(() => readHouseList(text, 'list.json')).toThrow(JobError);
    expect(() => readHouseList(text, 'list.json')).toThrow(words);
  });
});
