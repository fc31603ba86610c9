import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { GENERAL_MIDI_DRUMS } from '../../instruments';
import { QUARTER } from '../../time';
import { ONE_KIND, placedApart } from './drum-places';
import { hiHatMarks } from './hi-hat';
import type { PlacedNote } from '../timing/timed-note';

const place = (map: ReturnType<typeof placedApart>, key: number) => `${map.get(key)!.step}${map.get(key)!.octave}`;
const at = (start: number, ...keys: number[]) => keys.map((key) => ({ key, start: start * QUARTER }));

describe('places of percussion', () => {
  it('stay as the map has them where nothing meets', () => {
    expect(placedApart(GENERAL_MIDI_DRUMS, [...at(0, 36, 42), ...at(1, 38), ...at(2, 56), ...at(3, 63)])).toBe(
      GENERAL_MIDI_DRUMS,
    );
  });
  it('keep two drums of one kind together, and the kit before the rest', () => {
    const map = placedApart(GENERAL_MIDI_DRUMS, at(0, 35, 36, 38, 40, 50, 63));
    expect([35, 36, 38, 40, 50].map((key) => place(map, key))).toEqual(['F4', 'F4', 'C5', 'C5', 'E5']);
    expect(place(map, 63)).not.toBe('E5');
  });
  it('are never shared by sounds struck together, unless they are of one kind', () => {
    const keys = [...GENERAL_MIDI_DRUMS.keys()];
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 6 }), fc.constantFrom(...keys)), { minLength: 1, maxLength: 30 }),
        (struck) => {
          const strokes = struck.map(([start, key]) => ({ start, key }));
          const map = placedApart(GENERAL_MIDI_DRUMS, strokes);
          for (const a of strokes)
            for (const b of strokes) {
              if (
                a.start !== b.start ||
                a.key === b.key ||
                ONE_KIND.some((kind) => kind.keys.includes(a.key) && kind.keys.includes(b.key))
              )
                continue;
              // Thirteen places hold no more than so many at once.
              if (new Set(strokes.filter((one) => one.start === a.start).map((one) => one.key)).size <= 5)
                expect(place(map, a.key), `${a.key} and ${b.key}`).not.toBe(place(map, b.key));
            }
        },
      ),
      { numRuns: 150 },
    );
  });
});

describe('the hi-hat', () => {
  const strokes = (...keys: number[]) => keys.map((key, i) => ({ id: i, key, start: i * QUARTER }) as PlacedNote);
  it('has a circle when it is open and a plus where it closes again, once', () => {
    expect([...hiHatMarks(strokes(42, 46, 42, 42, 46, 46, 42), GENERAL_MIDI_DRUMS)]).toEqual([
      [1, { hiHat: 'open' }],
      [2, { hiHat: 'closed' }],
      [4, { hiHat: 'open' }],
      [5, { hiHat: 'open' }],
      [6, { hiHat: 'closed' }],
    ]);
  });
  it('closed by the foot needs no plus, and a map with a head of its own for it no signs', () => {
    expect([...hiHatMarks(strokes(46, 44, 42), GENERAL_MIDI_DRUMS)]).toEqual([[0, { hiHat: 'open' }]]);
    const own = new Map(GENERAL_MIDI_DRUMS).set(46, { ...GENERAL_MIDI_DRUMS.get(46)!, notehead: 'circle-x' });
    expect(hiHatMarks(strokes(46, 42), own).size).toBe(0);
  });
});
