import { describe, expect, it } from 'vitest';
import { HEAD, noteText, partText, scoreText } from '../../testing/musicxml-text';
import { checkScore } from '../score';
import { NO_SETTINGS } from '../settings';
import { readMusicXml, writeMusicXml } from '../musicxml';
import { ScoreDesk } from './score-desk';
import { EMPTY_LEDGER, enter, settingsOf } from '../documents';

/* Tuplets in tuplets: places that the grid has no name for. */

const head = HEAD.replace('<divisions>4<', '<divisions>420<');
const inside = (outer: [number, number], inner: [number, number], duration: number, type = 'eighth') =>
  noteText('C5', duration, { type }).replace(
    '</type>',
    `</type><time-modification><actual-notes>${outer[0] * inner[0]}</actual-notes><normal-notes>${outer[1] * inner[1]}</normal-notes></time-modification>`,
  );
const times = (count: number, text: string) => Array.from({ length: count }, () => text).join('');
const score = (bar: string) => new TextEncoder().encode(scoreText([partText([bar, noteText('C5', 1680)], head)]));

describe('tuplets in tuplets', () => {
  it.each([
    // Within a triplet over two quarters, the first two thirds are five; then one third.
    ['five in three', times(5, inside([3, 2], [5, 4], 112)) + noteText('D5', 280) + noteText('E5', 840), 7],
    ['seven in three', times(7, inside([3, 2], [7, 4], 80)) + noteText('D5', 280) + noteText('E5', 840), 9],
    // A fifth of two quarters is a triplet.
    [
      'three in five',
      times(3, inside([5, 4], [3, 2], 56, '16th')) + times(4, noteText('D5', 168)) + noteText('E5', 840),
      8,
    ],
  ])('%s: the job opens, and the score goes out as it came', (_, bar, notes) => {
    const bytes = score(bar);
    const desk = ScoreDesk.open([bytes], NO_SETTINGS);
    const written = readMusicXml(new TextEncoder().encode(writeMusicXml(desk.convert(NO_SETTINGS).score))).score;
    expect(checkScore(written)).toEqual([]);
    const struck = written.parts[0]!.bars[0]!.voices[0]!.symbols.filter((symbol) => symbol.notes.length > 0);
    expect(struck).toHaveLength(notes);
    const given = readMusicXml(bytes).score.parts[0]!.bars[0]!.voices[0]!.symbols;
    expect(struck.map(({ at, duration }) => [at, duration])).toEqual(given.map(({ at, duration }) => [at, duration]));
  });
  it('is written anew by a decision and loses no note', () => {
    const bytes = score(times(5, inside([3, 2], [5, 4], 112)) + noteText('D5', 280) + noteText('E5', 840));
    const desk = ScoreDesk.open([bytes], NO_SETTINGS);
    const part = desk.convert(NO_SETTINGS).score.parts[0]!.id;
    const moves = [{ note: 5, by: 2520 }];
    const made = desk.convert(settingsOf(enter(EMPTY_LEDGER, { kind: 'moveNotes', part, moves }))).score;
    expect(checkScore(made)).toEqual([]);
    const struck = made.parts[0]!.bars[0]!.voices.flatMap(({ symbols }) =>
      symbols.flatMap(({ notes }) => notes.filter(({ tieFromLast }) => !tieFromLast)),
    );
    expect(struck).toHaveLength(7);
  });
});
