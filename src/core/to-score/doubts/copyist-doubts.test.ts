import { describe, expect, it } from 'vitest';
import { performanceOf, tempo, type HandNote, type HandTrack } from '../../../testing/music';
import { type Query, remediesFor } from '../../queries';
import { EMPTY_LEDGER, enter } from '../../documents';
import { replay } from '../../../testing/replay';

const asked = (tracks: HandTrack[], kind: Query['kind'], ...ledger: Parameters<typeof enter>[1][]) =>
  replay([performanceOf(tracks, [tempo(0, 100)])], ledger.reduce(enter, EMPTY_LEDGER)).queries.filter(
    (query) => query.kind === kind,
  );
/** The first remedy leaves nothing to ask. */
function answered(tracks: HandTrack[], kind: Query['kind']): Query[] {
  const performance = performanceOf(tracks, [tempo(0, 100)]);
  const before = replay([performance], EMPTY_LEDGER);
  const query = before.queries.find((one) => one.kind === kind)!;
  const [remedy] = remediesFor(query);
  return replay([performance], [remedy!.decision, ...(remedy!.also ?? [])].reduce(enter, EMPTY_LEDGER)).queries.filter(
    (one) => one.kind === kind,
  );
}

const bar = [60, 62, 64, 65];
const line = (bars: number, length: (bar: number) => number, octave = 0): HandNote[] =>
  Array.from({ length: bars }, (_, b) =>
    bar.map((key, i) => ({ key: key + octave, at: b * 4 + i, length: length(b) })),
  ).flat();
const beat = (pattern: readonly [number, number][], bars: number): HandNote[] =>
  Array.from({ length: bars }, (_, b) =>
    pattern.map(([key, at]) => ({ key, at: b * 4 + at, length: 0.1, channel: 10 })),
  ).flat();

describe('what a copyist asks', () => {
  it('once for two parts that play the same and differ in two bars, with the other part as remedy', () => {
    const tracks = [
      { name: 'Flute', notes: line(8, () => 1) },
      { name: 'Bassoon', notes: line(8, (b) => (b === 2 || b === 5 ? 0.25 : 1), -12) },
    ];
    const queries = asked(tracks, 'doubled');
    expect(queries.map(({ message }) => message)).toEqual([
      'Bassoon doubles Flute in 8 bars; in bars 3 and 6 it is played, and written, otherwise.',
    ]);
    expect(answered(tracks, 'doubled')).toEqual([]);
  });
  it('nothing where doubles are written alike, or are no doubles', () => {
    expect(
      asked(
        [
          { name: 'Flute', notes: line(8, () => 1) },
          { name: 'Bassoon', notes: line(8, () => 1, -12) },
        ],
        'doubled',
      ),
    ).toEqual([]);
    expect(
      asked(
        [
          { name: 'Flute', notes: line(8, () => 1) },
          { name: 'Bassoon', notes: line(8, () => 0.25, -11) },
        ],
        'doubled',
      ),
    ).toEqual([]);
  });
  it('for lines of their own where one staff has many hand instruments', () => {
    const latin = [
      {
        name: 'Perc',
        notes: beat(
          [
            [62, 0],
            [64, 1],
            [56, 0.5],
            [70, 1.5],
            [75, 2],
            [54, 3],
          ],
          8,
        ),
      },
    ];
    expect(asked(latin, 'many-sounds').map(({ message }) => message)).toEqual([
      'Percussion has Tambourine, Cowbell, Congas, Maracas and Claves on one staff. Each could have a line of its own.',
    ]);
    expect(answered(latin, 'many-sounds')).toEqual([]);
    expect(
      asked(
        [
          {
            name: 'Drums',
            notes: beat(
              [
                [36, 0],
                [38, 1],
                [42, 2],
                [54, 3],
              ],
              8,
            ),
          },
        ],
        'many-sounds',
      ),
    ).toEqual([]);
  });
  it('for repeat signs where a kit plays one bar over and over', () => {
    const groove = [
      {
        name: 'Drums',
        notes: [
          ...beat(
            [
              [36, 0],
              [38, 1],
              [36, 2],
              [38, 3],
            ],
            8,
          ),
          ...beat([[49, 0]], 1),
        ],
      },
    ];
    expect(asked(groove, 'bar-repeats')[0]!.message).toMatch(
      /^Drum Kit: 6 of 8 bars are like the one or the two before them, from bar 3 on/,
    );
    expect(answered(groove, 'bar-repeats')).toEqual([]);
  });
  it('for the octave of a whole part, once', () => {
    const low = [{ name: 'Bass Guitar', notes: line(6, () => 1, -40) }];
    const queries = asked(low, 'out-of-range');
    expect(queries).toHaveLength(1);
    expect(queries[0]!.message).toContain('An octave higher the whole part would be within it');
    expect(answered(low, 'out-of-range')).toEqual([]);
  });
});
