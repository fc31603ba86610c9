import { partId } from '../base';
import { describe, expect, it } from 'vitest';
import { line, smfBytes } from '../../testing/music';
import { everySetting as score, settingChanges } from '../../testing/every-setting';
import { Message, Meta, readSmf, writeSmf, type SmfEvent } from '../smf';
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
} from '../settings';

/* No setting does nothing: each one changes the bytes that go out of a score that has something of everything. */

const out = (settings: Partial<SequencerSettings>) =>
  toSequencer(score, { ...USUAL_SEQUENCING, ...settings }).map(
    ({ label, file }) =>
      `${label} ${Buffer.from(writeSmf(file, { runningStatus: settings.runningStatus ?? false })).toString('base64')}`,
  );

describe('each setting of the sequencer', () => {
  it.each(Object.entries(settingChanges) as [keyof SequencerSettings, Partial<SequencerSettings>][])(
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
