import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { line as noteLine, meter, performanceOf, PPQ, tempo, type HandNote } from '../../../testing/music';
import { barsOfPerformance } from '../../performance';
import { checkScore, soundsOf } from '../../score';
import { QUARTER } from '../../time';
import { layBeats } from './beats';
import { findExact } from './exactness';
import { toScore } from '../index';
import { findMeantEnds } from './gates';
import { NO_SETTINGS } from '../../settings';

function judged(notes: HandNote[], bpm = 100) {
  const performance = performanceOf([{ name: 'Flute', notes }], [tempo(0, bpm)]);
  const track = performance.tracks.find((one) => one.notes.length > 0)!;
  const line = layBeats(barsOfPerformance(performance), performance.tempo);
  return { track, line, found: findExact(track.notes, line, true) };
}

/** Written places in quarters, null where a note was played by hand. */
const places = ({ track, found }: ReturnType<typeof judged>) =>
  track.notes.map((note) => (found.places.has(note.id) ? found.places.get(note.id)! / QUARTER : null));
const at = (...quarters: number[]): HandNote[] =>
  quarters.map((quarter, i) => ({ key: 60 + (i % 5), at: quarter, length: 0.1 }));

describe('exactness', () => {
  it('believes off-beats, dots and thirty-seconds where they stand', () => {
    for (const quarters of [
      [0.5, 1.5, 2.5, 3.5, 4.5, 5.5],
      [0, 0.75, 1, 1.75, 2, 2.75],
      [0, 0.125, 0.25, 0.375, 0.5, 0.625],
      [0.25, 0.75, 1.25, 1.5, 2.25, 2.75],
    ]) {
      expect(places(judged(at(...quarters)))).toEqual(quarters);
    }
  });
  it('believes fives and sevens over two beats', () => {
    for (const count of [5, 7]) {
      const quarters = [0, 1, 2, 3, ...Array.from({ length: count }, (_, i) => 4 + (i * 2) / count), 6, 7];
      places(judged(at(...quarters))).forEach((place, i) => expect(place).toBeCloseTo(quarters[i]!, 6));
    }
  });
  it('believes triplets in one eighth of a compound beat beside thirty-seconds in the next', () => {
    const bar = [0, 3 / 8, 1 / 2, 2 / 3, 5 / 6, 1, 3 / 2, 15 / 8, 2, 13 / 6, 7 / 3, 5 / 2];
    const quarters = [0, 1, 2, 3].flatMap((n) => bar.map((quarter) => 3 * n + quarter));
    const conductor = [meter(0, 6, 8), tempo(0, 100)];
    const notes = quarters.map((quarter, i) => ({ key: 60 + (i % 7), at: quarter, length: 0.1 }));
    const performance = performanceOf([{ name: 'Flute', notes }], conductor);
    const { score } = toScore(performance, NO_SETTINGS);
    const starts = soundsOf(score.parts[0]!, score.bars).map(({ start }) => start / QUARTER);
    starts.forEach((start, i) => expect(start).toBeCloseTo(quarters[i]!, 9));
    expect(checkScore(score)).toEqual([]);
  });
  it('takes a hand for a hand, and one lucky onset for luck', () => {
    const hand = Array.from({ length: 24 }, (_, i) => i + 1 + 0.021 * Math.sin(i * 2.3 + 1));
    hand[9] = 10;
    expect(places(judged(at(...hand))).filter((place) => place !== null)).toEqual([]);
  });
  it('takes the first tick of the file for no evidence', () => {
    const hand = [0, ...Array.from({ length: 12 }, (_, i) => i + 0.9 + 0.02 * Math.sin(i * 2.3 + 1))];
    expect(places(judged(at(...hand)))[0]).toBeNull();
  });
  it('finds a whole track that stands a few ticks beside its grid', () => {
    const { found } = judged(at(...Array.from({ length: 24 }, (_, i) => 1 + i / 2 + 7 / PPQ)));
    expect(found.offset).toBe(7);
    expect(found.share).toBe(1);
  });
  it('never moves a note by more than the rounding of its tick', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 16 * PPQ }), { minLength: 1, maxLength: 30 }), (ticks) => {
        const { track, found } = judged(ticks.map((tick) => ({ key: 60, at: tick / PPQ, length: 0.02 })));
        for (const note of track.notes) {
          const place = found.places.get(note.id);
          if (place !== undefined && found.offset === 0)
            expect(Math.abs(place - (note.start * QUARTER) / PPQ)).toBeLessThanOrEqual(QUARTER / 90 + 1e-6);
        }
      }),
      { numRuns: 80 },
    );
  });
});

describe('gates', () => {
  const meant = (lengths: readonly number[], cut: (length: number) => number) => {
    let start = 0;
    const notes = lengths.map((length, i): HandNote => {
      const note = { key: 60 + (i % 4), at: start, length: cut(length) };
      start += length;
      return note;
    });
    const { track, line, found } = judged(notes);
    const { gate, ends } = findMeantEnds(track.notes, found.places, line);
    return {
      gate,
      lengths: track.notes.map((note) =>
        ends.has(note.id) ? (ends.get(note.id)! - found.places.get(note.id)!) / QUARTER : null,
      ),
    };
  };
  const values = [2, 2, 4, 1, 1, 2, 4, 3, 1, 2, 2, 4];
  it.each([[0.95], [0.9], [0.8]])('a share of %d on every note is a habit', (share) => {
    expect(meant(values, (length) => length * share)).toEqual({ gate: { share, ticks: 0 }, lengths: values });
  });
  it('so are some ticks off every note', () => {
    expect(meant(values, (length) => length - 10 / PPQ)).toEqual({ gate: { share: 1, ticks: 10 }, lengths: values });
  });
  it('what is let go before the next onset was not meant to last beyond it', () => {
    // At a gate of 80 % these would end three quarters of a beat into the next bar.
    const notes = [3.8, 3.7, 3.6, 3.5].flatMap((length, i) =>
      [0, 1, 2, 3].map((bar) => ({ key: 48 + 5 * i, at: bar * 4, length })),
    );
    const { track, line, found } = judged(notes);
    const { ends } = findMeantEnds(track.notes, found.places, line);
    // Four chords held through their bars, whatever is made of the ends.
    const { score } = toScore(performanceOf([{ name: 'Strings', notes }], [tempo(0, 100)]), NO_SETTINGS);
    const symbols = score.parts[0]!.bars.flatMap(({ voices }) => voices.flatMap((voice) => voice.symbols));
    expect(new Set(symbols.map(({ type, dots }) => `${type} ${dots}`))).toEqual(new Set(['whole 0']));
    for (const note of track.notes)
      expect(ends.get(note.id) ?? 0).toBeLessThanOrEqual((Math.floor(note.start / PPQ / 4) + 1) * 4 * QUARTER);
  });
  it('full lengths and rests are what they are', () => {
    const notes = noteLine([60, 1], [0, 1], [62, 0.5], [0, 0.5], [64, 2], [65, 1], [0, 1], [67, 1]);
    const { track, line, found } = judged(notes);
    const { ends } = findMeantEnds(track.notes, found.places, line);
    expect(track.notes.map((note) => (ends.get(note.id)! - found.places.get(note.id)!) / QUARTER)).toEqual([
      1, 0.5, 2, 1, 1,
    ]);
  });
});
