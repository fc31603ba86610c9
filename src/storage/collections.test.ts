import 'fake-indexeddb/auto';
import { describe, expect, it } from 'vitest';
import { GENERAL_MIDI_DRUMS } from '@/core/instruments';
import { forgetChart, ownCharts, saveChart } from './charts';
import { forgetDrumMap, ownDrumMaps, saveDrumMap } from './drum-maps';

describe('own charts and drum maps', () => {
  it('come back by name, and one of the same name takes the place of the other', async () => {
    await saveChart({ name: 'Strings', entries: [{ technique: 'pizzicato', by: { kind: 'key', key: 24 } }] });
    await saveChart({ name: 'Brass', entries: [] });
    await saveChart({ name: 'Strings', entries: [] });
    expect(await ownCharts()).toEqual([
      { name: 'Brass', entries: [] },
      { name: 'Strings', entries: [] },
    ]);
    await forgetChart('Brass');
    expect((await ownCharts()).map(({ name }) => name)).toEqual(['Strings']);
  });
  it('keep every sound of a map', async () => {
    const sounds = [...GENERAL_MIDI_DRUMS.values()];
    await saveDrumMap({ name: 'House kit', sounds });
    expect(await ownDrumMaps()).toEqual([{ name: 'House kit', sounds }]);
    await forgetDrumMap('House kit');
    expect(await ownDrumMaps()).toEqual([]);
  });
});
