import { describe, expect, it } from 'vitest';
import { oddNames, type CueParts } from './same-names';

const cue = (id: string, instrument: string, ...names: string[]): CueParts => ({
  id,
  name: `Cue ${id}`,
  parts: names.map((name, i) => ({ id: `t${i}`, name, instrument })),
});
const FOUR = ['Horn 1', 'Horn 2', 'Horn 3', 'Horn 4'];

describe('names of players over the cues of a show', () => {
  it('are no matter where all cues have the same, or some of the same', () => {
    expect(
      oddNames([cue('1', 'horn', ...FOUR), cue('2', 'horn', ...FOUR), cue('3', 'horn', 'Horn 1', 'Horn 2')]),
    ).toEqual([]);
    expect(oddNames([])).toEqual([]);
  });
  it('are asked about where one cue has Horns and the others Horn 1 to 4; nobody guesses which horn that is', () => {
    const [odd, ...more] = oddNames([cue('1', 'horn', ...FOUR), cue('2', 'horn', 'Horns'), cue('3', 'horn', ...FOUR)]);
    expect(more).toEqual([]);
    expect(odd).toMatchObject({ cue: '2', names: ['Horns'], others: FOUR, rename: [] });
    expect(odd!.words).toBe('Cue 2 has Horns where other cues have Horn 1, Horn 2, Horn 3 and Horn 4.');
  });
  it('can be made the same where there are as many players', () => {
    const [odd] = oddNames([
      cue('1', 'bassoon', 'Bassoon'),
      cue('2', 'bassoon', 'Bassoon'),
      cue('3', 'bassoon', 'Fagott'),
    ]);
    expect(odd).toMatchObject({ cue: '3', rename: [{ part: 't0', name: 'Bassoon' }] });
  });
  it('are looked at instrument by instrument, in one order whatever it is asked', () => {
    const mixed = (id: string, flute: string): CueParts => ({
      id,
      name: id,
      parts: [
        { id: 't0', name: flute, instrument: 'flute' },
        { id: 't1', name: 'Viola', instrument: 'viola' },
      ],
    });
    const odd = oddNames([mixed('a', 'Flute'), mixed('b', 'Flute'), mixed('c', 'Flutes')]);
    expect(odd.map(({ cue: id, instrument }) => [id, instrument])).toEqual([['c', 'flute']]);
  });
  it('of which the rest is a part are the model, however few cues have all of them', () => {
    const odd = oddNames([
      cue('1', 'horn', 'Horn 1', 'Horn 2'),
      cue('2', 'horn', 'Horn 1', 'Horn 2'),
      cue('3', 'horn', ...FOUR),
    ]);
    expect(odd).toEqual([]);
  });
});
