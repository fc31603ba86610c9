import { describe, expect, it } from 'vitest';
import { conductorName, titleFromConductor, titleFromFile } from './conductor-name';

describe('the title in the name of a first track', () => {
  it.each([
    'Tempo',
    'Conductor',
    'control track',
    'TEMPO MAP',
    'Master Track',
    'Tempospur',
    'Untitled',
    'Track 1',
    'meta',
    'Chef d’orchestre',
    'Markers',
    'sequence_1',
  ])('%s is none: first tracks are called so', (name) => {
    expect(titleFromConductor(name)).toBe('');
  });
  it.each([
    'The Goose',
    'Tempo di valse',
    'Master of the Clock',
    'Song of the Goose',
    'Conductor’s Dream',
    'Track and Field',
  ])('%s is one', (name) => {
    expect(titleFromConductor(name)).toBe(name);
  });
  it('comes back from a name of ours', () => {
    expect(titleFromConductor(conductorName('Goose'))).toBe('Goose');
    expect(titleFromConductor(conductorName(''))).toBe('');
  });
});

describe('a title out of a file’s name', () => {
  it.each([
    ['goose_cue_3_v2 FINAL.mid', 'goose cue 3'],
    ['Goose, cue 3.mid', 'Goose, cue 3'],
    ['Clock 1m04 v3.2 2026-11-30.mid', 'Clock 1m04'],
    ['Clock (2).midi', 'Clock'],
    ['Clock mockup rev 2.mid', 'Clock'],
    ['Final.mid', 'Final'],
    ['Variation 12.mid', 'Variation 12'],
    ['no ending', 'no ending'],
    ['Op. 5.mid', 'Op. 5'],
  ])('%s is %s', (file, title) => {
    expect(titleFromFile(file)).toBe(title);
  });
});
