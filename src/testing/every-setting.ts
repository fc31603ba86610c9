import { partId } from '../core/base';
import { NO_LINES, type Score } from '../core/score';
import { USUAL_SEQUENCING, USUAL_TREATMENTS, type SequencerSettings } from '../core/settings';
import { layBars, QUARTER } from '../core/time';
import { barOf, named, plainPart, plainScore } from './scores';

/* A score that has something of everything, and one change of each setting of the way to a sequencer. */

const chord = {
  at: 0,
  duration: QUARTER,
  type: 'quarter' as const,
  dots: 0,
  notes: [60, 64].map((key) => ({ key, pitch: named(key), tieFromLast: false, tieToNext: false, played: [] })),
};
const second = { staff: 1, voice: 2, symbols: barOf([55, 2], [57, 2]).voices[0]!.symbols };
const left = { staff: 2, voice: 5, symbols: barOf([48, 4]).voices[0]!.symbols };
const pickup = { voices: [{ staff: 1, voice: 1, symbols: [chord] }] };
const upper = [
  barOf(
    [60, 0.5],
    [62, 0.5, { glide: { starts: 'glissando' } }],
    [67, 1, { articulations: ['staccato'] }],
    [65, 1, { words: ['pizz.'], articulations: ['accent'] }],
    [67, 1, { words: ['arco'], trill: true }],
  ),
  barOf(
    [60, 1, { words: ['solo'] }],
    [62, 1, { articulations: ['tenuto'] }],
    [64, 1, { words: ['tutti'], articulations: ['marcato'] }],
    [65, 1],
  ),
];
const violins = plainPart([pickup, ...upper.map((bar) => ({ voices: [...bar.voices, second, left] }))], {
  id: partId('A'),
  name: 'Violins',
  instrument: 'violin',
  program: 41,
  clefs: ['treble', 'bass'],
  writtenKeys: [0, 0],
  lines: {
    ...NO_LINES,
    dynamics: [
      { at: 0, staff: 1, level: 'p' },
      { at: 5 * QUARTER, staff: 1, level: 'f' },
    ],
    hairpins: [{ start: QUARTER, end: 5 * QUARTER, staff: 1, kind: 'crescendo' }],
    slurs: [{ start: QUARTER, end: 2 * QUARTER, voice: 1 }],
    pedals: [],
  },
});
const drums = plainPart([barOf([36, 1]), barOf([36, 1], [38, 1], [36, 2]), barOf([38, 4])], {
  id: partId('D'),
  name: 'Drums',
  instrument: 'drum-kit',
  unpitched: true,
});
const cued = barOf([72, 4]).voices[0]!.symbols.map((symbol) => ({ ...symbol, cue: true as const }));
const cue = { voices: [{ staff: 1, voice: 1, symbols: cued }] };
const cello = plainPart([barOf([48, 1]), barOf([50, 4]), cue], {
  id: partId('C'),
  name: 'Cello',
  instrument: 'cello',
  program: 43,
  clefs: ['bass'],
  harmonies: [{ at: 0, root: { step: 'C', alter: 0 }, kind: 'minor-seventh' }],
});
const bars = layBars(
  [
    { at: 0, beats: 1, beatType: 4 },
    { at: QUARTER, beats: 4, beatType: 4 },
  ],
  9 * QUARTER,
);
export const everySetting: Score = plainScore([violins, cello, drums], bars, {
  title: 'Everything',
  signs: { 1: { repeatStart: true, repeatEnd: { times: 2 } } },
  tempos: [{ at: 0, bpm: 90, shown: true }],
  markers: [
    { at: 0, text: 'A', rehearsal: true },
    { at: 5 * QUARTER, text: 'B', rehearsal: true },
  ],
});

/**
 * One change of each setting, and what has to be on for it to show. A new setting without a line here does not compile.
 */
export const settingChanges: {
  [K in keyof SequencerSettings]: Partial<SequencerSettings> & Pick<SequencerSettings, K>;
} = {
  preset: { preset: 'everything' },
  dynamicsTo: { dynamicsTo: ['expression'] },
  levels: { levels: { ...USUAL_SEQUENCING.levels, p: 30 } },
  rampStep: { dynamicsTo: ['expression'], rampStep: QUARTER },
  articulations: { articulations: { ...USUAL_SEQUENCING.articulations, staccato: { length: 0.25, velocity: 0 } } },
  slurOverlap: { slurOverlap: 40 },
  ornaments: { ornaments: false },
  glides: { glides: 'none' },
  cues: { cues: true },
  chords: { chords: true },
  neutralVolume: { preset: 'everything', neutralVolume: 100 },
  channels: { channels: 'one-channel' },
  format: { format: 0 },
  ticksPerQuarter: { ticksPerQuarter: 960 },
  runningStatus: { runningStatus: true },
  padPickup: { padPickup: true },
  playRepeats: { playRepeats: false },
  loosening: { loosening: { ...USUAL_SEQUENCING.loosening, velocity: 8 } },
  onlyParts: { onlyParts: [partId('D')] },
  onlyBars: { onlyBars: { from: 1, to: 2 } },
  files: { files: 'sections' },
  treatments: { treatments: [{ part: null, bars: null, does: USUAL_TREATMENTS.level }] },
  parts: { parts: { [partId('A')]: { trackName: 'VLNS' } } },
};
