import { partId } from '../base';
import { describe, expect, it } from 'vitest';
import { performanceOf, programAt, tempo, type HandNote, type HandTrack } from '../../testing/music';
import { toScore } from '../to-score';
import { EMPTY_LEDGER, enter, settingsOf } from '../documents';
import { reasonsFor, type Reason } from './index';
import { replay } from '../../testing/replay';
import type { Decision } from '../decisions';

const at100 = [tempo(0, 100)];
const row = (keys: readonly number[], step: number, length: number): HandNote[] =>
  keys.map((key, i) => ({ key, at: i * step, length }));
const eight = [60, 62, 64, 65, 67, 65, 64, 62];

function why(tracks: HandTrack[], part: string, index: number, ...decisions: Decision[]): Reason[] {
  const performance = performanceOf(tracks, at100);
  const ledger = decisions.reduce(enter, EMPTY_LEDGER);
  const conversion = replay([performance], ledger);
  return reasonsFor(conversion, partId(part), performance.tracks.find(({ id }) => id === part)!.notes[index]!.id);
}

const words = (reasons: Reason[]) => reasons.map((reason) => reason.words).join(' ');
const remedy = (reasons: Reason[], label: string) =>
  reasons.flatMap(({ remedies }) => remedies).find((one) => one.label === label)!.decision;

describe('why a note is written as it is', () => {
  it('says that the file has it so', () => {
    expect(words(why([{ name: 'Oboe', notes: row([...eight, ...eight], 1, 1) }], 't1', 3))).toBe(
      'The file has it exactly here. Its value is the file’s.',
    );
  });
  it('says how far it was moved', () => {
    const loose = [...eight, ...eight].map((key, i) => ({ key, at: i + (i % 3) * 0.01, length: 0.9 }));
    expect(words(why([{ name: 'Oboe', notes: loose }], 't1', 2))).toMatch(
      /^Played 1[0-3] ms after this place; the next best place, 5\d\d ms away, lost\./,
    );
  });
  it('gives the dot of a short note back, in a bar or in the whole part', () => {
    const tracks = [{ name: 'Trumpet', notes: row([...eight, ...eight], 0.5, 0.25) }];
    const reasons = why(tracks, 't1', 1);
    expect(words(reasons)).toContain('Sounds 150 ms, written as 300 ms with a dot');
    const dots = (...decisions: Decision[]) =>
      toScore(performanceOf(tracks, at100), settingsOf(decisions.reduce(enter, EMPTY_LEDGER))).staves[0]!.flatMap(
        ({ notes }) => notes.map(({ short }) => short === true),
      );
    const inBar = dots(remedy(reasons, 'As played in this bar'));
    expect(inBar.slice(0, 8)).toEqual(Array(8).fill(false));
    expect(inBar.slice(8)).toEqual(Array(8).fill(true));
    expect(dots(remedy(reasons, 'As played in the part'))).toEqual(Array(16).fill(false));
  });
  it('says that a beat is a triplet, and writes plain values instead', () => {
    const triplets = Array.from({ length: 24 }, (_, i) => ({ key: 60 + (i % 5), at: i / 3, length: 1 / 3 }));
    const tracks = [
      { name: 'Oboe', notes: [...triplets, ...row(eight, 1, 1).map((note) => ({ ...note, at: note.at + 8 }))] },
    ];
    const reasons = why(tracks, 't1', 4);
    expect(words(reasons)).toContain('This beat is divided in three.');
    expect(words(why(tracks, 't1', 4, remedy(reasons, 'Write plain values in this bar')))).not.toContain('divided');
    expect(words(why(tracks, 't1', 16, remedy(reasons, 'Write plain values in this bar')))).toContain(
      'divided in three',
    );
  });
  it('names the part it doubles, and lets it be written as it is played', () => {
    const loose = eight.map((key, i) => ({
      key: key - 12,
      at: i + 0.012 + (i % 2) * 0.01,
      length: i % 2 === 0 && i > 3 ? 0.5 : 0.95,
    }));
    const tracks = [
      { name: 'Flute', notes: row(eight, 1, 0.97) },
      { name: 'Bassoon', notes: loose },
    ];
    const reasons = why(tracks, 't2', 4);
    expect(words(reasons)).toContain('Written as in Flute');
    const after = why(tracks, 't2', 4, remedy(reasons, 'Write as it is played itself'));
    expect(words(after)).not.toContain('Written as in Flute');
  });
  it('says what is behind an ornament, a percussion sound and a staff', () => {
    const trill = Array.from({ length: 16 }, (_, i) => ({
      key: 72 + 2 * (i % 2),
      at: 4 + i * 0.13 + (i % 3) * 0.008,
      length: 0.12,
    }));
    expect(
      words(
        why(
          [
            {
              name: 'Flute',
              notes: [
                ...row([60, 62, 64, 65], 1, 1),
                ...trill,
                ...row([60, 62], 1, 1).map((note) => ({ ...note, at: note.at + 8 })),
              ],
            },
          ],
          't1',
          4,
        ),
      ),
    ).toMatch(/fast uneven notes are written as a trill/);
    const hand = [62, 64].flatMap((key) => [0, 1, 2, 3].map((at) => ({ key, at, length: 0.2, channel: 10 })));
    expect(words(why([{ name: 'Perc', notes: hand }], 't1', 0))).toContain('Mute Hi Conga');
    const piano = [...row([72, 74, 76, 77], 1, 1), ...row([36, 38, 40, 41], 1, 1)];
    const reasons = why([{ name: 'Piano', notes: piano }], 't1', 0);
    expect(words(reasons)).toMatch(/On the (upper|lower) staff: the (right|left) hand goes on here/);
  });
  it('says what gave a black key its name, as the part reads it, and offers the other one', () => {
    const flats = row([63, 65, 67, 68, 70, 72, 74, 75, 74, 72, 70, 68, 67, 65, 63, 63], 1, 1);
    const reasons = why([{ name: 'Clarinet in Bb', notes: flats }], 't1', 3);
    expect(words(reasons)).toContain('Named B♭ for F major, which this bar is heard in.');
    const decision = remedy(reasons, 'Respell with sharps');
    const again = why([{ name: 'Clarinet in Bb', notes: flats }], 't1', 3, decision);
    expect(words(again)).toContain('Named A♯');
    expect(words(why([{ name: 'Clarinet in Bb', notes: flats }], 't1', 1))).not.toContain('Named');
  });
  it('says which instrument was taken up, and puts it down again', () => {
    const tracks = [
      {
        name: 'Flute',
        program: 74,
        notes: row(
          [...eight, ...eight].map((key) => key + 24),
          1,
          1,
        ),
        extra: [programAt(8, 73)],
      },
    ];
    const reasons = why(tracks, 't1', 9);
    expect(words(reasons)).toContain('Played on Piccolo, on which the player doubles.');
    expect(words(why(tracks, 't1', 9, remedy(reasons, 'On Flute in this bar')))).not.toContain('Piccolo');
  });
  it('has nothing to say of a note that is not on the page', () => {
    const performance = performanceOf([{ name: 'Oboe', notes: row(eight, 1, 1) }], at100);
    expect(reasonsFor(replay([performance], EMPTY_LEDGER), partId('t1'), 999_999)).toEqual([]);
    expect(reasonsFor(replay([performance], EMPTY_LEDGER), partId('t9'), 0)).toEqual([]);
  });
});
