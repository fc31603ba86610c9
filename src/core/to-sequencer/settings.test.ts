import { partId } from '../base';
import { describe, expect, it } from 'vitest';
import { line, smfBytes } from '../../testing/music';
import { barOf, named, plainPart, plainScore } from '../../testing/scores';
import { NO_LINES, type Score } from '../score';
import { Message, Meta, readSmf, writeSmf, type SmfEvent } from '../smf';
import { layBars, QUARTER } from '../time';
import { cleanSmf, CONVERSIONS, PRESET_PLANS, toSequencer } from './index';
import {
  ACTIONS,
  DATA_KINDS,
  SPLITS,
  USUAL_SEQUENCING,
  type DataKind,
  type Loosening,
  type PartSequencing,
  type SequencerSettings,
  USUAL_TREATMENTS,
} from '../settings';

/* No setting does nothing: each one changes the bytes that go out of a score that has something of everything. */

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
const score: Score = plainScore([violins, cello, drums], bars, {
  title: 'Everything',
  signs: { 1: { repeatStart: true, repeatEnd: { times: 2 } } },
  tempos: [{ at: 0, bpm: 90, shown: true }],
  markers: [
    { at: 0, text: 'A', rehearsal: true },
    { at: 5 * QUARTER, text: 'B', rehearsal: true },
  ],
});

const out = (settings: Partial<SequencerSettings>) =>
  toSequencer(score, { ...USUAL_SEQUENCING, ...settings }).map(
    ({ label, file }) =>
      `${label} ${Buffer.from(writeSmf(file, { runningStatus: settings.runningStatus ?? false })).toString('base64')}`,
  );

/**
 * One change of each setting, and what has to be on for it to show. A new setting without a line here does not compile.
 */
const changes: { [K in keyof SequencerSettings]: Partial<SequencerSettings> & Pick<SequencerSettings, K> } = {
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

describe('each setting of the sequencer', () => {
  it.each(Object.entries(changes) as [keyof SequencerSettings, Partial<SequencerSettings>][])(
    '%s changes what goes out',
    (name, change) => {
      const { [name]: _without, ...rest } = change;
      expect(out(change)).not.toEqual(out(rest));
      expect(out(change)).toEqual(out(change));
    },
  );

  const loosening: { [K in keyof Loosening]-?: Partial<Loosening> & Pick<Loosening, K> } = {
    seed: { velocity: 8, seed: 2 },
    velocity: { velocity: 8 },
    accent: { accent: 6 },
    onset: { onset: 12 },
    swing: { swing: 2 },
    legato: { legato: 60 },
    spread: { spread: 40 },
  };
  it.each(Object.entries(loosening) as [keyof Loosening, Partial<Loosening>][])(
    'loosening, its %s too',
    (name, change) => {
      const { [name]: _without, ...rest } = change;
      const loosened = (more: Partial<Loosening>) => out({ loosening: { ...USUAL_SEQUENCING.loosening, ...more } });
      expect(loosened(change)).not.toEqual(loosened(rest));
    },
  );

  it.each(Object.keys(USUAL_SEQUENCING.articulations) as (keyof SequencerSettings['articulations'])[])(
    'the length and the strength of %s',
    (sign) => {
      const shaped = (shape: { length?: number; velocity?: number }) =>
        out({
          articulations: {
            ...USUAL_SEQUENCING.articulations,
            [sign]: { ...USUAL_SEQUENCING.articulations[sign], ...shape },
          },
        });
      expect(shaped({ length: 0.3 })).not.toEqual(out({}));
      expect(shaped({ velocity: -20 })).not.toEqual(out({}));
    },
  );

  const ofPart: {
    [K in keyof PartSequencing]-?: [part: string, setting: PartSequencing, more?: Partial<SequencerSettings>];
  } = {
    dynamicsTo: ['A', { dynamicsTo: ['modulation'] }],
    split: ['A', { split: 'technique' }],
    splitKeys: ['A', { split: 'keys', splitKeys: [67] }],
    passages: ['A', { passages: [{ bars: { from: 1, to: 2 }, name: 'Solo' }] }],
    program: ['A', { program: 42 }, { preset: 'expression' }],
    channel: ['A', { channel: 7 }],
    chart: ['A', { chart: { name: 'Library', entries: [{ technique: 'pizzicato', by: { kind: 'key', key: 24 } }] } }],
    drumKeys: ['D', { drumKeys: { 36: 35 } }],
    leftOut: ['D', { leftOut: true }],
    trackName: ['A', { trackName: 'VLNS' }],
  };
  it.each(Object.entries(ofPart))('of one part: %s', (_, [part, setting, more]) => {
    expect(out({ ...more, parts: { [part]: setting } })).not.toEqual(out({ ...more }));
  });

  it.each(SPLITS.filter((split) => split !== 'none' && split !== 'channel'))(
    'split by %s, the same notes on more tracks',
    (split) => {
      const notes = (settings: Partial<SequencerSettings>) =>
        toSequencer(score, { ...USUAL_SEQUENCING, ...settings })[0]!.tracks.filter((track) => track.part === 'A');
      const sorted = (tracks: ReturnType<typeof notes>) =>
        tracks.flatMap((track) => track.notes.map((note) => `${note.start} ${note.key}`)).sort();
      const parted = notes({ parts: { [partId('A')]: { split, splitKeys: [67] } } });
      expect(parted.length).toBeGreaterThan(1);
      expect(sorted(parted)).toEqual(sorted(notes({})));
    },
  );
});

describe('each kind of data in a MIDI file', () => {
  const event = (status: number, data1: number, data2 = 0): SmfEvent => ({
    kind: 'channel',
    tick: 480,
    status,
    data1,
    data2,
  });
  const music = Array.from({ length: 16 }, (_, i): [number, number] => [67 + (i % 5), 1]);
  const extra: SmfEvent[] = [
    ...[7, 10, 91, 93, 1, 11, 64, 121, 20].map((controller) => event(Message.controlChange, controller, 90)),
    event(Message.programChange, 5),
    event(Message.pitchBend, 0, 80),
    event(Message.channelPressure, 50),
    { kind: 'sysex', tick: 480, status: 0xf0, data: new Uint8Array([0x7e, 0x7f, 9, 1, 0xf7]) },
    { kind: 'meta', tick: 480, type: Meta.text, data: new Uint8Array([104, 105]) },
  ];
  const { file } = readSmf(
    smfBytes([
      {
        name: 'Violin 1',
        notes: [...line(...music), { key: 24, at: 0, length: 1 }, { key: 26, at: 8, length: 1 }],
        extra,
      },
    ]),
  );
  const clean = (kind: DataKind, action: (typeof ACTIONS)[number]) =>
    cleanSmf(file, {
      plan: { ...PRESET_PLANS.everything, [kind]: action },
      tracks: {},
      leftOut: [],
      neutralVolume: 100,
    });

  it.each(DATA_KINDS)('%s is carried whole, dropped whole, and nothing else is touched', (kind) => {
    const { report: carried } = clean(kind, 'carry');
    expect(carried.before[kind]).toBeGreaterThan(0);
    expect(carried.after).toEqual(carried.before);
    expect(clean(kind, 'drop').report.after).toEqual({ ...carried.before, [kind]: 0 });
  });
  it.each(Object.keys(CONVERSIONS) as DataKind[])('%s is converted into something of its own', (kind) => {
    const bytes = (action: (typeof ACTIONS)[number]) =>
      Buffer.from(writeSmf(clean(kind, action).file)).toString('base64');
    expect(new Set(ACTIONS.map(bytes)).size).toBe(3);
  });
});
