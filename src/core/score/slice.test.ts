import { partId } from '../base';
import { describe, expect, it } from 'vitest';
import { plainPart, plainScore } from '../../testing/scores';
import { QUARTER } from '../time';
import { sliceScore, withoutSuggestions, type PartBar } from './index';

const BAR = 4 * QUARTER;
const bar = (tied: boolean): PartBar => ({
  voices: [
    {
      staff: 1,
      voice: 1,
      symbols: [
        {
          at: 0,
          duration: BAR,
          type: 'whole',
          dots: 0,
          notes: [
            { key: 60, pitch: { step: 'C', alter: 0, octave: 4 }, tieFromLast: tied, tieToNext: true, played: [] },
          ],
        },
      ],
    },
  ],
});
const lines = {
  dynamics: [
    { at: 0, staff: 1, level: 'p' as const },
    { at: 2 * BAR, staff: 1, level: 'f' as const, suggested: true as const },
  ],
  forces: [],
  hairpins: [{ start: BAR / 2, end: 2.5 * BAR, staff: 1, kind: 'crescendo' as const }],
  slurs: [
    { start: BAR, end: 1.5 * BAR, voice: 1 },
    { start: BAR, end: 3 * BAR, voice: 1 },
  ],
  pedals: [{ start: 3 * BAR, end: 4 * BAR }],
  octaveLines: [{ start: 0, end: BAR, staff: 1, octaves: 1 as const }],
};
const score = plainScore([plainPart([bar(false), bar(true), bar(true), bar(true)], { lines })]);

describe('a slice of a score', () => {
  const slice = sliceScore(score, [partId('t1')], 1, 3);
  it('begins at nothing, with lines cut where it begins and ends', () => {
    const { lines: cut } = slice.parts[0]!;
    expect(slice.bars.map((one) => one.start)).toEqual([0, BAR]);
    expect(cut.dynamics.map(({ at }) => at)).toEqual([BAR]);
    expect(cut.hairpins).toEqual([{ start: 0, end: 1.5 * BAR, staff: 1, kind: 'crescendo' }]);
    expect(cut.slurs).toEqual([{ start: 0, end: BAR / 2, voice: 1 }]);
    expect([cut.pedals, cut.octaveLines]).toEqual([[], []]);
  });
  it('has no ties that lead out of it', () => {
    const notes = slice.parts[0]!.bars.map((one) => one.voices[0]!.symbols[0]!.notes[0]!);
    expect(notes.map((note) => [note.tieFromLast, note.tieToNext])).toEqual([
      [false, true],
      [true, false],
    ]);
  });
});

describe('suggestions', () => {
  it('are not in what goes out', () => {
    expect(withoutSuggestions(score).parts[0]!.lines.dynamics.map(({ level }) => level)).toEqual(['p']);
  });
  it('on notes go without what was taken there', () => {
    const marked = { ...bar(false) };
    const [voice] = marked.voices;
    const withMarks = plainScore([
      plainPart([
        {
          voices: [
            {
              ...voice!,
              symbols: voice!.symbols.map((symbol) => ({
                ...symbol,
                marks: {
                  articulations: ['staccato' as const, 'accent' as const],
                  breath: 'breath' as const,
                  suggested: ['accent' as const, 'breath' as const],
                },
              })),
            },
          ],
        },
      ]),
    ]);
    expect(withoutSuggestions(withMarks).parts[0]!.bars[0]!.voices[0]!.symbols[0]!.marks).toEqual({
      articulations: ['staccato'],
    });
  });
});
