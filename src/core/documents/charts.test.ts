import { describe, expect, it } from 'vitest';
import { readChart, readDrumMap, writeChart, writeDrumMap } from './index';

describe('charts and drum maps', () => {
  const chart = {
    name: 'Brass library',
    entries: [
      { technique: 'muted' as const, by: { kind: 'key' as const, key: 24 } },
      { technique: 'ordinary' as const, by: { kind: 'controller' as const, controller: 32, value: 1 } },
    ],
  };
  const map = {
    name: 'Pit kit',
    sounds: [
      { key: 36, name: 'Kick', step: 'F' as const, octave: 4, notehead: 'normal' as const, limb: 'feet' as const },
    ],
  };
  it('travel as files and come back the same', () => {
    expect(readChart(writeChart(chart), 'c.json')).toEqual(chart);
    expect(readDrumMap(writeDrumMap(map), 'm.json')).toEqual(map);
  });
  it.each([
    ['{', /not JSON/],
    ['{"format":"other"}', /something else/],
    [writeDrumMap({ ...map, sounds: [...map.sounds, ...map.sounds] }), /twice/],
    [writeDrumMap({ ...map, sounds: [{ ...map.sounds[0]!, key: 400 }] }), /entry 1/],
  ])('refuse what is no drum map', (text, words) => {
    expect(() => readDrumMap(text, 'm.json')).toThrow(words);
  });
  it('refuse what is no chart', () => {
    expect(() =>
      readChart(writeChart({ ...chart, entries: [{ technique: 'muted', by: { kind: 'key', key: 999 } }] }), 'c.json'),
    ).toThrow(/entry 1/);
    expect(() => readChart(writeDrumMap(map), 'c.json')).toThrow(/something else/);
  });
});
