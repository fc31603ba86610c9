import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { everyMark } from '../../testing/every-mark';
import { symbolsOf, withMarksOut, type Score } from './index';

/* Which marks leave the house, on generated scores with every mark of the model; the seed is fixed. */

const RUNS = { seed: 20, numRuns: 60 };
const symbols = (score: Score) => score.parts.flatMap((part) => [...symbolsOf(part)].map(({ symbol }) => symbol));
const notes = (score: Score) => symbols(score).map(({ at, duration, notes: all }) => ({ at, duration, all }));

/** The same score with everything on it only suggested. */
function suggested(score: Score): Score {
  const all = <T extends object>(marks: readonly T[]) => marks.map((mark) => ({ ...mark, suggested: true as const }));
  return {
    ...score,
    parts: score.parts.map((part) => ({
      ...part,
      lines: {
        ...part.lines,
        dynamics: all(part.lines.dynamics),
        hairpins: all(part.lines.hairpins),
        slurs: all(part.lines.slurs),
        pedals: all(part.lines.pedals),
      },
      bars: part.bars.map((bar) => ({
        ...bar,
        voices: bar.voices.map((voice) => ({
          ...voice,
          symbols: voice.symbols.map((symbol) =>
            symbol.marks?.articulations
              ? { ...symbol, marks: { ...symbol.marks, suggested: symbol.marks.articulations } }
              : symbol,
          ),
        })),
      })),
    })),
  };
}

const counted = (score: Score) => ({
  lines: score.parts.flatMap(({ lines: { dynamics, hairpins, slurs, pedals } }) =>
    [dynamics, hairpins, slurs, pedals].map(({ length }) => length),
  ),
  articulations: symbols(score).map(({ marks }) => marks?.articulations?.length ?? 0),
});
const sum = (list: readonly number[]) => list.reduce((all, one) => all + one, 0);

describe('marks that go out', () => {
  it('never touch the notes, and the score that was given stays as it is', () => {
    fc.assert(
      fc.property(everyMark, (score) => {
        const before = JSON.stringify(score);
        for (const marks of ['none', 'taken', 'suggested'] as const)
          expect(notes(withMarksOut(score, marks))).toEqual(notes(score));
        expect(JSON.stringify(score)).toBe(before);
      }),
      RUNS,
    );
  });
  it('are all of them where everything is taken or suggestions go along, and none where none are wanted', () => {
    let seen = 0;
    fc.assert(
      fc.property(everyMark, (score) => {
        const all = counted(score);
        seen += sum(all.lines) + sum(all.articulations);
        expect(counted(withMarksOut(score, 'taken'))).toEqual(all);
        expect(counted(withMarksOut(suggested(score), 'suggested'))).toEqual(all);
        const without = counted(withMarksOut(suggested(score), 'taken'));
        expect(sum(without.lines) + sum(without.articulations)).toBe(0);
        const none = withMarksOut(score, 'none');
        expect(sum(counted(none).lines) + sum(counted(none).articulations)).toBe(0);
        expect(none.parts.every(({ harmonies, lines }) => harmonies === undefined && lines.forces.length === 0)).toBe(
          true,
        );
      }),
      RUNS,
    );
    // Scores without marks would prove nothing.
    expect(seen).toBeGreaterThan(500);
  });
  it('that were suggested are plain marks once they go out: nothing says any more that they were not taken', () => {
    fc.assert(
      fc.property(everyMark, (score) => {
        expect(JSON.stringify(withMarksOut(suggested(score), 'suggested'))).not.toContain('"suggested"');
      }),
      RUNS,
    );
  });
});
