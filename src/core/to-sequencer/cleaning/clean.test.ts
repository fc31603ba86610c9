import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../../demo/make';
import { arbitrarySmf } from '../../../testing/arbitrary-smf';
import { line, meta, smfBytes } from '../../../testing/music';
import { decodeText, encodeText, Message, Meta, readSmf, writeSmf, type SmfEvent, type SmfFile } from '../../smf';
import { cleanSmf, inventoryOf, PRESET_PLANS } from './index';
import { ACTIONS, DATA_KINDS, type CleaningPlan } from '../../settings';

const PPQ = 480;
const control = (quarter: number, controller: number, value: number): SmfEvent => ({
  kind: 'channel',
  tick: quarter * PPQ,
  status: Message.controlChange,
  data1: controller,
  data2: value,
});
const clean = (file: SmfFile, plan: Partial<CleaningPlan> = {}, more: Partial<Parameters<typeof cleanSmf>[1]> = {}) =>
  cleanSmf(file, { plan: { ...PRESET_PLANS.bare, ...plan }, tracks: {}, leftOut: [], neutralVolume: null, ...more });
const fromNotation = readSmf(
  smfBytes(
    [
      {
        name: 'Trombone',
        program: 58,
        notes: line([50, 1], [52, 1], [53, 2]),
        extra: [
          control(0, 7, 80),
          control(0, 10, 30),
          control(0, 91, 40),
          control(0, 93, 20),
          control(0, 121, 0),
          control(0, 11, 100),
          control(1, 7, 60),
          control(2, 11, 40),
          control(0, 64, 127),
          control(3.5, 64, 0),
        ],
      },
    ],
    [meta(0, Meta.tempo, [7, 161, 32]), meta(0, Meta.timeSignature, [4, 2, 24, 8])],
  ),
).file;
const controllers = (file: SmfFile) =>
  file.tracks.flatMap((track) =>
    track.events.flatMap((event) =>
      event.kind === 'channel' && (event.status & 0xf0) === Message.controlChange
        ? [`${event.tick / PPQ} ${event.data1}=${event.data2}`]
        : [],
    ),
  );
const notes = (file: SmfFile) =>
  file.tracks.map((track) =>
    track.events.filter(
      (event) => event.kind === 'channel' && [Message.noteOn, Message.noteOff].includes((event.status & 0xf0) as 0x90),
    ),
  );

describe('cleaning', () => {
  it('bare, leaves nothing that moves a fader or changes a sound, and every note as it was', () => {
    for (const file of [fromNotation, readSmf(demoOriginal()).file]) {
      const { file: result, report } = clean(file);
      expect(controllers(result)).toEqual([]);
      expect(notes(result)).toEqual(notes(file));
      for (const kind of ['program', 'volume', 'pan', 'reverb', 'chorus', 'reset'] as const)
        expect(report.after[kind]).toBe(0);
      const lines = (one: SmfFile) =>
        one.tracks.map((track) =>
          track.events.filter(
            (event) =>
              event.kind === 'meta' &&
              ([Meta.tempo, Meta.timeSignature, Meta.keySignature, Meta.marker] as number[]).includes(event.type),
          ),
        );
      expect(lines(result)).toEqual(lines(file));
    }
  });
  it('counts what is there', () => {
    const [, trombone] = inventoryOf(fromNotation);
    expect(trombone).toMatchObject({ name: 'Trombone', notes: 3, channels: [1], conductor: false });
    expect(trombone!.counts).toMatchObject({
      program: 1,
      volume: 2,
      pan: 1,
      reverb: 1,
      chorus: 1,
      expression: 2,
      sustain: 2,
      reset: 1,
      keyswitches: 0,
    });
  });
  it('carries expression, or everything, by preset', () => {
    expect(controllers(clean(fromNotation, PRESET_PLANS.expression).file)).toEqual([
      '0 11=100',
      '0 64=127',
      '2 11=40',
      '3.5 64=0',
    ]);
    expect(clean(fromNotation, PRESET_PLANS.everything).file.tracks[1]).toEqual(fromNotation.tracks[1]);
  });
  it('converts: faders to one neutral value, pan to the centre, modulation and expression into each other', () => {
    expect(
      controllers(
        clean(fromNotation, { volume: 'convert', pan: 'convert', reverb: 'convert' }, { neutralVolume: 100 }).file,
      ),
    ).toEqual(['0 7=100', '0 10=64', '0 91=0']);
    expect(controllers(clean(fromNotation, { expression: 'convert' }).file)).toEqual(['0 1=100', '2 1=40']);
    expect(controllers(clean(fromNotation, { volume: 'convert' }).file)).toEqual([]);
  });
  it('makes the pedal into longer notes', () => {
    const { file } = clean(fromNotation, { sustain: 'convert' });
    expect(controllers(file)).toEqual([]);
    const offs = file.tracks[1]!.events.flatMap((event) =>
      event.kind === 'channel' && (event.status & 0xf0) === Message.noteOff ? [[event.data1, event.tick / PPQ]] : [],
    );
    expect(offs).toEqual([
      [50, 3.5],
      [52, 3.5],
      [53, 4],
    ]);
  });
  it('lets a track have a plan of its own, and leaves tracks out — but never the one with the tempo', () => {
    expect(controllers(clean(fromNotation, {}, { tracks: { 1: { pan: 'carry' } } }).file)).toEqual(['0 10=30']);
    expect(clean(fromNotation, {}, { leftOut: [1] }).file.tracks).toHaveLength(1);
    const kept = clean(fromNotation, {}, { leftOut: [0] });
    expect(kept.file.tracks).toHaveLength(2);
    expect(kept.report.warnings).toEqual([
      'Track 1 has no notes but carries the tempo and meter of the piece; it is kept.',
    ]);
    const name = kept.file.tracks[0]!.events[0] as { data: Uint8Array };
    expect(decodeText(name.data)).toBe('Tempo, meter, markers');
  });
  it('finds keyswitches, keeps them unless told otherwise, and can write them as text', () => {
    const played = Array.from({ length: 16 }, (_, i) => ({ key: 67 + (i % 5), at: i, length: 0.9 }));
    const switched = readSmf(
      smfBytes([
        { name: 'Violin 1', notes: [...played, { key: 24, at: 0, length: 1 }, { key: 26, at: 8, length: 1 }] },
      ]),
    ).file;
    expect(clean(switched).report.before.keyswitches).toBe(2);
    expect(notes(clean(switched).file)).toEqual(notes(switched));
    expect(
      notes(clean(switched, { keyswitches: 'drop' }).file)[1]!.some(
        (event) => event.kind === 'channel' && event.data1 < 30,
      ),
    ).toBe(false);
    const texts = clean(switched, { keyswitches: 'convert' }).file.tracks[1]!.events.filter(
      (event) => event.kind === 'meta' && event.type === Meta.text,
    );
    expect(texts.map((event) => decodeText((event as { data: Uint8Array }).data))).toEqual([
      'keyswitch 24',
      'keyswitch 26',
    ]);
  });
  it('gives a readable file with the same strikes whatever the file and the plan', () => {
    const plan = fc.record(
      Object.fromEntries(DATA_KINDS.map((kind) => [kind, fc.constantFrom(...ACTIONS)])) as Record<
        (typeof DATA_KINDS)[number],
        fc.Arbitrary<(typeof ACTIONS)[number]>
      >,
    );
    fc.assert(
      fc.property(arbitrarySmf, plan, (file, wanted) => {
        if (file.format === 2) return;
        const { file: result } = clean(file, { ...wanted, keyswitches: 'carry' });
        const strikes = (one: SmfFile) =>
          one.tracks.map(
            (track) =>
              track.events.filter(
                (event) => event.kind === 'channel' && (event.status & 0xf0) === Message.noteOn && event.data2 > 0,
              ).length,
          );
        expect(strikes(readSmf(writeSmf(result)).file)).toEqual(strikes(file));
      }),
      { numRuns: 150 },
    );
  });
});

describe('words', () => {
  it('of singers go along always, other texts where text does', () => {
    const sung = readSmf(
      smfBytes([
        {
          name: 'Soprano',
          notes: line([72, 1], [74, 1]),
          extra: [meta(0, Meta.lyric, encodeText('Ah')), meta(0, Meta.text, encodeText('made at night'))],
        },
      ]),
    ).file;
    const texts = (file: SmfFile) =>
      file.tracks.flatMap((track) =>
        track.events.flatMap((event) =>
          event.kind === 'meta' && ([Meta.lyric, Meta.text] as number[]).includes(event.type)
            ? [decodeText(event.data)]
            : [],
        ),
      );
    expect(texts(clean(sung).file)).toEqual(['Ah']);
    expect(texts(clean(sung, PRESET_PLANS.expression).file)).toEqual(['Ah', 'made at night']);
  });
});

describe('tracks', () => {
  it('are known by their place in the original, whatever was left out', () => {
    const twins = readSmf(
      smfBytes([
        { name: 'Horn', notes: line([60, 1]) },
        { name: 'Horn', notes: line([64, 1]) },
        { name: 'Horn', notes: line([67, 1]) },
      ]),
    ).file;
    expect(clean(twins, {}, { leftOut: [1] }).kept).toEqual([0, 2, 3]);
  });
});

describe('names', () => {
  it('are kept where a conductor track has one', () => {
    const file = readSmf(
      smfBytes(
        [{ name: 'Flute', notes: line([72, 1]) }],
        [meta(0, Meta.trackName, encodeText('My tempo')), meta(0, Meta.tempo, [7, 161, 32])],
      ),
    ).file;
    expect(decodeText((clean(file).file.tracks[0]!.events[0] as { data: Uint8Array }).data)).toBe('My tempo');
  });
});
