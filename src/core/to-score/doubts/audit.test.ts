import { trackId, partId } from '../../base';
import { describe, expect, it } from 'vitest';
import { performanceOf, tempo, type HandNote } from '../../../testing/music';
import { auditInWords, auditQueries, type PartAudit } from './audit';
import { toScore } from '../index';
import { NO_SETTINGS } from '../../settings';

const at120 = [tempo(0, 120)];
const convert = (notes: HandNote[], settings = NO_SETTINGS, name = 'Flute') =>
  toScore(performanceOf([{ name, notes }], at120), settings);
const quarters = (count: number): HandNote[] =>
  Array.from({ length: count }, (_, i) => ({ key: 60 + (i % 5), at: i, length: 1 }));

describe('the audit of a conversion', () => {
  it('says of an exact file that every note is where it was', () => {
    const { audit, queries } = convert(quarters(16));
    expect(audit.words).toBe('All 16 notes are written exactly where they were played.');
    expect(audit.parts[0]).toMatchObject({
      notes: 16,
      inPlace: 16,
      within: 0,
      missing: [],
      displaced: [],
      repitched: [],
    });
    expect(queries.filter((query) => query.kind === 'audit')).toEqual([]);
  });
  it('counts the way from each place in milliseconds', () => {
    const { audit } = convert(
      quarters(16).map((note, i) => ({ ...note, at: note.at + (i % 3 === 1 ? 0.02 : 0) + (i % 4 === 2 ? 0.013 : 0) })),
    );
    // 0.033 of a quarter at 120 is 16.5 ms.
    expect(audit.parts[0]!.within).toBeGreaterThan(9);
    expect(audit.parts[0]!.within).toBeLessThanOrEqual(17.5);
    expect(audit.words).toMatch(/^All 16 notes are written where they were played, within 1[0-8] ms\.$/);
  });
  it('says which notes a lead moved, and by how much', () => {
    const { audit } = convert(
      quarters(16).map((note) => ({ ...note, at: note.at + 1 })),
      { ...NO_SETTINGS, leads: { [trackId('t1')]: 40 } },
    );
    expect(audit.parts[0]).toMatchObject({ inPlace: 0, lead: { notes: 16, milliseconds: 40, unconfirmed: 0 } });
    expect(audit.words).toBe('All 16 notes are written; 16 moved 40 ms later for the lead of Flute, as decided.');
  });
  it('says that nobody has confirmed a lead it found itself', () => {
    const steady = {
      name: 'Piano',
      notes: Array.from({ length: 32 }, (_, i) => ({ key: 60, at: i / 2, length: 0.4 })),
    };
    const ahead = (name: string, early: number) => ({
      name,
      notes: quarters(24).map((note, i) => ({ ...note, at: note.at + 1 - early + 0.004 * Math.sin(i * 2.3) })),
    });
    const one = toScore(performanceOf([steady, ahead('Violin', 0.2)], at120), NO_SETTINGS).audit;
    expect(one.words).toMatch(/; 24 moved 100 ms later for the lead of Violin, which nobody has confirmed\.$/);
    const two = [steady, ahead('Violin', 0.2), ahead('Cello', 0.16)];
    const played = performanceOf(two, at120);
    expect(toScore(played, NO_SETTINGS).audit.words).toMatch(
      /; 48 moved by up to 100 ms for the leads of 2 parts, which nobody has confirmed\.$/,
    );
    const settled = { ...NO_SETTINGS, leads: { [trackId('t3')]: 80 } };
    expect(toScore(played, settled).audit.words).toMatch(/leads of 2 parts, 24 of them not confirmed\.$/);
  });
  it('tells notes behind signs, changed by people, and struck twice apart', () => {
    const graced: HandNote[] = [
      { key: 72, at: 0, length: 2 },
      { key: 76, at: 1.9, length: 0.08 },
      { key: 77, at: 2.01, length: 1 },
      { key: 74, at: 3.02, length: 1 },
    ];
    expect(convert(graced).audit.parts[0]).toMatchObject({ notes: 4, signs: 1, inPlace: 3 });
    expect(convert(graced).audit.words).toMatch(/; 1 behind a trill, tremolo, grace note/);
    const moved = convert(quarters(8), {
      ...NO_SETTINGS,
      edits: { [partId('t1')]: [{ kind: 'move', note: 3, by: 5040 }] },
    });
    expect(moved.audit.parts[0]).toMatchObject({ notes: 8, inPlace: 7, edited: 1 });
    const twice = [...quarters(8), { key: 60, at: 0.02, length: 0.3 }];
    expect(convert(twice, NO_SETTINGS, 'Piano').audit.parts[0]).toMatchObject({ notes: 9, merged: 1 });
  });
  it('asks about each trill that swallows notes, and the note behind it is not lost', () => {
    const trill = Array.from({ length: 14 }, (_, i): HandNote => ({
      key: i % 2 ? 74 : 72,
      at: (i * 2) / 14 + 0.013 * Math.sin(i * 2.7),
      length: 0.12,
    }));
    const { queries, audit } = convert([...trill, { key: 71, at: 2, length: 2 }]);
    expect(queries.filter((query) => query.kind === 'audit').map((query) => query.message)).toEqual([
      'Flute, bar 1, beat 1: 14 fast uneven notes are written as one trill.',
    ]);
    expect(audit.parts[0]!.missing).toEqual([]);
  });
  it('asks about what no stage answers for', () => {
    const conversion = convert(quarters(4));
    const { casting, score } = conversion;
    const lost: PartAudit = {
      ...conversion.audit.parts[0]!,
      inPlace: 1,
      missing: [1, 2],
      displaced: [{ note: 3, by: 2520 }],
    };
    const grid = {
      notes: [],
      divisions: [],
      jitter: 0.01,
      exact: true,
      smallest: 0,
      tupletBeats: 0,
      doubtfulTuplets: [],
      parted: new Set<number>(),
    };
    const asked = auditQueries(lost, casting.parts[0]!, grid, score.bars);
    expect(asked.map(({ id }) => id)).toEqual(['audit/missing/t1', 'audit/displaced/t1']);
    expect(asked[1]).toMatchObject({ facts: { cause: 'displaced', moves: [{ note: 3, by: 2520 }] } });
    expect(auditInWords([lost], new Map([[partId('t1'), 'Flute']]))).toBe(
      '2 of 4 notes are written; 1 exactly where they were played; 1 further from their place than the grid allows, asked about; 2 not written, asked about.',
    );
  });
});
