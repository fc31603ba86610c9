import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../../demo/make';
import { notationProgramsMidi } from '../../../testing/unkind-sources';
import { keySignature, line, meta, meter, smfBytes, tempo, type HandTrack } from '../../../testing/music';
import { partId, trackId } from '../../base';
import type { Decision } from '../../decisions';
import { EMPTY_LEDGER, enter, settingsOf } from '../../documents';
import { openSequence, type MidiSequence } from '../../engine';
import { performanceFromSmf, type Performance } from '../../performance';
import type { Query } from '../../queries';
import { remediesFor } from '../../queries';
import { USUAL_TREATMENTS } from '../../settings';
import { encodeText, Message, Meta, readSmf, type SmfEvent } from '../../smf';
import { QUARTER, secondsAtTick } from '../../time';

function arranged(bytes: Uint8Array, ...decisions: Decision[]) {
  const settings = settingsOf(decisions.reduce(enter, EMPTY_LEDGER));
  const desk = openSequence([bytes]);
  const summary = desk.make(settings) as MidiSequence;
  const { files } = desk.files(settings);
  const readings = files.map(({ label, bytes: out }) => ({ label, reading: readSmf(out) }));
  const performance = performanceFromSmf(readings[0]!.reading);
  return { desk, summary, files: readings, bytes: files[0]!.bytes, performance, file: readings[0]!.reading.file };
}

const everything: Decision = { kind: 'setSequencing', preset: 'everything' };
const control = (tick: number, controller: number, value: number, channel = 1): SmfEvent => ({
  kind: 'channel',
  tick,
  status: Message.controlChange | (channel - 1),
  data1: controller,
  data2: value,
});
const change = (tick: number, program: number, channel = 1): SmfEvent => ({
  kind: 'channel',
  tick,
  status: Message.programChange | (channel - 1),
  data1: program - 1,
  data2: 0,
});
const eight = [60, 62, 64, 65, 67, 69, 71, 72].map((key): [number, number] => [key, 1]);
const flute: HandTrack = { name: 'Flute', program: 74, notes: line(...eight) };
const bass: HandTrack = {
  name: 'Bass',
  program: 34,
  notes: line(...eight.map(([key]): [number, number] => [key - 24, 1])).map((note) => ({ ...note, channel: 2 })),
};
const drums: HandTrack = {
  name: 'Drums',
  notes: line(...eight.map(([, length]): [number, number] => [36, length])).map((note) => ({ ...note, channel: 10 })),
};
const keysOf = ({ tracks }: Performance) =>
  tracks.filter(({ notes }) => notes.length > 0).map(({ notes }) => notes.map(({ key }) => key));
const startsOf = ({ tracks, ticksPerQuarter }: Performance) =>
  tracks.filter(({ notes }) => notes.length > 0).map(({ notes }) => notes.map(({ start }) => start / ticksPerQuarter));
const namesOf = ({ tracks }: Performance) => tracks.filter(({ notes }) => notes.length > 0).map(({ name }) => name);

describe('a MIDI file on its way to a sequencer', () => {
  it('goes out event for event when nothing but cleaning is decided', () => {
    const bytes = demoOriginal();
    expect(arranged(bytes, everything).file.tracks).toEqual(readSmf(bytes).file.tracks);
    const oneTrack = smfBytes([{ ...flute, notes: [...flute.notes, ...bass.notes, ...drums.notes] }], [], 0);
    expect(arranged(oneTrack, everything).file).toEqual(readSmf(oneTrack).file);
  });

  it('keeps every note and its time whatever is decided about names, sounds and channels', () => {
    const before = performanceFromSmf(readSmf(demoOriginal()));
    const { performance, file } = arranged(demoOriginal(), {
      kind: 'setArranging',
      sounds: 'instrument',
      names: 'instrument',
      channels: 'by-part',
    });
    const sounding = (one: Performance) =>
      one.tracks
        .flatMap(({ notes }) => notes.map(({ key, start, end, velocity }) => `${start} ${end} ${key} ${velocity}`))
        .sort();
    expect(sounding(performance)).toEqual(sounding(before));
    expect(performance.tempo).toEqual(before.tempo);
    expect(performance.meters).toEqual(before.meters);
    expect(performance.markers).toEqual(before.markers);
    const channels = performance.tracks.filter(({ notes }) => notes.length > 0).map((track) => track.channels[0]);
    expect(new Set(channels).size).toBe(channels.length);
    expect(namesOf(performance)).toEqual(expect.arrayContaining(['Flute', 'Violoncello', 'Drum Kit']));
    expect(file.tracks[0]!.events.some((event) => event.kind === 'meta' && event.type === Meta.tempo)).toBe(true);
  });

  it('takes ports beyond fifteen parts, and can go on one channel, or in one track', () => {
    const many = smfBytes(Array.from({ length: 20 }, (_, i) => ({ ...flute, name: `Flute ${i + 1}` })));
    const apart = arranged(many, { kind: 'setArranging', channels: 'by-part' }).performance.tracks.filter(
      ({ notes }) => notes.length > 0,
    );
    expect(new Set(apart.map(({ port, channels }) => `${port}/${channels[0]}`)).size).toBe(20);
    expect(apart.map(({ channels }) => channels[0])).not.toContain(10);
    const one = arranged(smfBytes([flute, bass, drums]), { kind: 'setArranging', channels: 'one-channel', type: 0 });
    expect(one.file.format).toBe(0);
    expect(one.file.tracks).toHaveLength(1);
    expect(new Set(one.performance.tracks.flatMap(({ channels }) => channels))).toEqual(new Set([1, 10]));
    const parted = arranged(smfBytes([{ ...flute, notes: [...flute.notes, ...bass.notes] }], [tempo(0, 90)], 0), {
      kind: 'setArranging',
      type: 1,
    });
    expect(keysOf(parted.performance)).toHaveLength(2);
    expect(parted.performance.tempo.events[0]!.microsecondsPerQuarter).toBeCloseTo(666_667, 0);
  });

  it('is divided by key, technique, voice and line without losing a note', () => {
    const switched: HandTrack = {
      name: 'Trumpet',
      program: 57,
      notes: line(...eight),
      extra: [change(0, 57), change(4 * 480, 60)],
    };
    const of = (track: HandTrack, split: Extract<Decision, { kind: 'setPartSequencing' }>) =>
      arranged(smfBytes([track]), split).performance;
    const part = partId('t1');
    const byKey = of(flute, { kind: 'setPartSequencing', part, split: 'keys', splitKeys: [65] });
    expect(keysOf(byKey)).toEqual([
      [60, 62, 64],
      [65, 67, 69, 71, 72],
    ]);
    expect(namesOf(byKey)).toEqual(['Flute to E4', 'Flute from F4']);
    const byTechnique = of(switched, { kind: 'setPartSequencing', part, split: 'technique' });
    expect(keysOf(byTechnique)).toEqual([
      [60, 62, 64, 65],
      [67, 69, 71, 72],
    ]);
    const chords: HandTrack = {
      name: 'Piano',
      notes: [0, 1, 2].flatMap((at) => [60, 64, 67].map((key) => ({ key, at, length: 1 }))),
    };
    expect(keysOf(of(chords, { kind: 'setPartSequencing', part, split: 'lines' }))).toEqual([
      [67, 67, 67],
      [64, 64, 64],
      [60, 60, 60],
    ]);
    const mixed: HandTrack = { name: 'Duo', notes: [...flute.notes, ...bass.notes], extra: [control(0, 11, 90, 2)] };
    const byChannel = arranged(smfBytes([mixed, drums]), everything, {
      kind: 'setPartSequencing',
      part,
      split: 'channel',
    }).performance;
    expect(
      byChannel.tracks
        .filter(({ notes }) => notes.length > 0)
        .map(({ channels, controllers }) => [channels, controllers.length]),
    ).toEqual([
      [[1], 0],
      [[2], 1],
      [[10], 0],
    ]);
    const held: HandTrack = { name: 'Organ', notes: [...line(...eight), { key: 48, at: 0, length: 8 }] };
    expect(keysOf(of(held, { kind: 'setPartSequencing', part, split: 'voice' }))).toEqual([
      [60, 62, 64, 65, 67, 69, 71, 72],
      [48],
    ]);
  });

  it('gives a passage a track, a name, a sound and a channel of its own', () => {
    const { performance } = arranged(smfBytes([flute, bass]), {
      kind: 'setPartSequencing',
      part: partId('t1'),
      passages: [{ bars: { from: 1, to: 2 }, name: 'Solo flute', program: 73 }],
    });
    expect(namesOf(performance)).toEqual(['Flute', 'Solo flute', 'Bass']);
    expect(keysOf(performance).slice(0, 2)).toEqual([
      [60, 62, 64, 65],
      [67, 69, 71, 72],
    ]);
    const [, solo] = performance.tracks.filter(({ notes }) => notes.length > 0);
    expect(solo!.programs[0]).toMatchObject({ program: 73, tick: 0 });
    expect(solo!.channels).toEqual([3]);
  });

  it('gathers tracks and deals chords out with the decisions of the other direction', () => {
    const gathered = arranged(smfBytes([flute, { ...flute, name: 'Flute high', notes: line([84, 1]) }]), {
      kind: 'gather',
      tracks: [trackId('t1'), trackId('t2')],
    });
    expect(keysOf(gathered.performance)).toEqual([[60, 84, 62, 64, 65, 67, 69, 71, 72]]);
    const horns: HandTrack = { name: 'Horns', program: 61, notes: [60, 64].map((key) => ({ key, at: 0, length: 2 })) };
    const dealt = arranged(smfBytes([horns]), {
      kind: 'dealOut',
      track: trackId('t1'),
      deal: { to: 'players', players: 2, spare: 'rest', lines: 'top-down', order: 'straight' },
    });
    expect(keysOf(dealt.performance)).toEqual([[64], [60]]);
    expect(namesOf(dealt.performance)).toEqual(['Horn in F 1', 'Horn in F 2']);
  });

  it('moves struck keys to another map, each exactly', () => {
    fc.assert(
      fc.property(
        fc.dictionary(fc.integer({ min: 35, max: 81 }).map(String), fc.integer({ min: 27, max: 87 }), { maxKeys: 12 }),
        fc.array(fc.integer({ min: 35, max: 81 }), { minLength: 1, maxLength: 30 }),
        (drumKeys, struck) => {
          const notes = struck.map((key, at) => ({ key, at, length: 0.5, channel: 10 }));
          const { performance } = arranged(smfBytes([{ name: 'Drums', notes }]), {
            kind: 'setPartSequencing',
            part: partId('t1'),
            drumKeys: drumKeys,
          });
          expect(performance.tracks.flatMap((track) => track.notes.map(({ key }) => key))).toEqual(
            struck.map((key) => drumKeys[key] ?? key),
          );
        },
      ),
      { seed: 20261, numRuns: 60 },
    );
  });

  it('takes only drums and bass out of a file in one decision', () => {
    const { performance } = arranged(smfBytes([flute, bass, { ...flute, name: 'Oboe' }, drums], [tempo(0, 100)]), {
      kind: 'setSequencing',
      onlyParts: [partId('t2'), partId('t4')],
    });
    expect(namesOf(performance)).toEqual(['Bass', 'Drums']);
    expect(performance.tempo.events[0]!.microsecondsPerQuarter).toBe(600_000);
  });

  it('goes to another resolution exactly where the ticks divide, and asks where they do not', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(1, 2, 3, 4),
        fc.array(fc.integer({ min: 1, max: 480 }), { minLength: 1, maxLength: 12 }),
        (times, lengths) => {
          let at = 0;
          const notes = lengths.map((length, i) => {
            const one = { key: 60 + i, at: at / 480, length: length / 480 };
            at += length;
            return one;
          });
          const { performance, summary } = arranged(smfBytes([{ ...flute, notes }]), {
            kind: 'setArranging',
            ticksPerQuarter: 480 * times,
          });
          const [track] = performance.tracks.filter((one) => one.notes.length > 0);
          expect(track!.notes.map(({ start, end }) => [start / times, end / times])).toEqual(
            notes.map((note) => [Math.round(note.at * 480), Math.round((note.at + note.length) * 480)]),
          );
          expect(summary.queries.filter(({ kind }) => kind === 'between-ticks')).toEqual([]);
        },
      ),
      { seed: 20262, numRuns: 40 },
    );
    const odd = smfBytes([{ ...flute, notes: [{ key: 60, at: 1 / 480, length: 1 }] }]);
    const { summary } = arranged(odd, { kind: 'setArranging', ticksPerQuarter: 96 });
    const [query] = summary.queries.filter(({ kind }) => kind === 'between-ticks');
    expect(query!.message).toMatch(
      /^\d+ events? fall between two of 96 ticks per quarter; the furthest is moved by \d+\.\d\d ms\.$/,
    );
    expect(
      arranged(odd, remediesFor(query!)[0]!.decision).summary.queries.filter(({ kind }) => kind === 'between-ticks'),
    ).toEqual([]);
  });

  it('leaves in part files, in sections by marker, in some bars with what stands at their beginning', () => {
    const marker = (quarter: number, text: string) => meta(quarter * 480, Meta.marker, encodeText(text));
    const bytes = smfBytes(
      [{ ...flute, extra: [control(0, 7, 90), control(2 * 480, 7, 60)] }, bass],
      [tempo(0, 120), tempo(4, 60), meter(0, 4, 4), marker(0, 'A'), marker(4, 'B')],
    );
    const parts = arranged(bytes, { kind: 'setSequencing', files: 'parts' });
    expect(parts.files.map(({ label }) => label)).toEqual(['Flute', 'Bass']);
    expect(parts.files.map(({ reading }) => keysOf(performanceFromSmf(reading)))).toEqual([
      [[60, 62, 64, 65, 67, 69, 71, 72]],
      [[36, 38, 40, 41, 43, 45, 47, 48]],
    ]);
    const sections = arranged(bytes, everything, { kind: 'setSequencing', files: 'sections' });
    expect(sections.files.map(({ label }) => label)).toEqual(['A', 'B']);
    const second = performanceFromSmf(sections.files[1]!.reading);
    expect(keysOf(second)[0]).toEqual([67, 69, 71, 72]);
    expect(startsOf(second)[0]).toEqual([0, 1, 2, 3]);
    expect(second.tempo.events.map(({ tick, microsecondsPerQuarter }) => [tick, microsecondsPerQuarter])).toEqual([
      [0, 1_000_000],
    ]);
    // The fader stands where it stood.
    expect(second.tracks[1]!.controllers).toEqual([{ tick: 0, channel: 1, controller: 7, value: 60 }]);
    const [only] = arranged(bytes, { kind: 'setSequencing', onlyBars: { from: 0, to: 1 } }).files;
    const loop = performanceFromSmf(only!.reading);
    expect(keysOf(loop)[0]).toEqual([60, 62, 64, 65]);
    expect(loop.lastNoteEnd).toBe(4 * 480);
  });

  it('puts silence before the music and a pickup in a full bar, without changing any interval', () => {
    const bytes = smfBytes(
      [{ ...flute, notes: line([60, 1], [62, 4]) }],
      [meter(0, 1, 4), meter(1, 4, 4), tempo(0, 100)],
    );
    const { performance } = arranged(
      bytes,
      { kind: 'setSequencing', padPickup: true },
      { kind: 'setArranging', emptyBars: 2 },
    );
    expect(startsOf(performance)[0]).toEqual([11, 12]);
    expect(performance.tempo.events[0]).toMatchObject({ tick: 0, microsecondsPerQuarter: 600_000 });
    expect(secondsAtTick(performance.tempo, 480)).toBeCloseTo(0.6, 9);
  });

  it('keeps the tempo whichever track carries it, and whichever goes', () => {
    const bytes = smfBytes([{ ...flute, extra: [tempo(0, 90), meter(0, 3, 4)] }, bass, drums], []);
    const leaving: Decision[] = [
      { kind: 'setSequencing', onlyParts: [partId('t2')] },
      { kind: 'leaveOut', tracks: [trackId('t1')] },
      { kind: 'leaveTracks', tracks: [1], out: true },
    ];
    for (const decision of leaving) {
      const { performance } = arranged(bytes, decision);
      expect(namesOf(performance)).not.toContain('Flute');
      expect(performance.tempo.events[0]!.microsecondsPerQuarter).toBeCloseTo(666_667, 0);
      expect(performance.meters[0]).toMatchObject({ beats: 3 });
    }
  });

  it('has the first track’s key where every track writes its own part’s', () => {
    const key = (fifths: number) => keySignature(0, fifths);
    const bytes = smfBytes([{ ...flute, extra: [key(2)] }, bass], [key(0), tempo(0, 120)]);
    const { performance } = arranged(bytes, { kind: 'setArranging', emptyBars: 1 });
    expect(performance.keys).toEqual([{ at: 0, fifths: 0, mode: 'major' }]);
  });

  it('counts what falls between ticks also on tracks that were renamed, not what was moved on purpose', () => {
    const odd = smfBytes([{ ...flute, notes: [{ key: 60, at: 1 / 480, length: 1 }] }]);
    const asked = (...more: Decision[]) =>
      arranged(odd, { kind: 'setArranging', ticksPerQuarter: 96 }, ...more).summary.queries.map(({ kind }) => kind);
    expect(asked({ kind: 'setPartSequencing', part: partId('t1'), trackName: 'Fl.' })).toContain('between-ticks');
    const grid: Decision = {
      kind: 'treat',
      part: null,
      bars: null,
      does: { ...USUAL_TREATMENTS.quantize, ends: true },
    };
    expect(asked(grid)).not.toContain('between-ticks');
  });

  it('does not take an empty track for the one that conducts', () => {
    const bytes = smfBytes(
      [
        { ...flute, extra: [tempo(0, 90)] },
        { name: 'Spare', notes: [] },
      ],
      [],
    );
    const { file } = arranged(bytes, { kind: 'setArranging', emptyBars: 1 });
    const names = file.tracks.map(({ events }) =>
      events.find((event) => event.kind === 'meta' && event.type === Meta.trackName),
    );
    expect(names.map((event) => event?.kind === 'meta' && new TextDecoder().decode(event.data))).toEqual(
      expect.arrayContaining(['Flute', 'Spare']),
    );
    expect(file.tracks[0]!.events.some((event) => event.kind === 'meta' && event.type === Meta.tempo)).toBe(true);
    expect(file.tracks[0]!.events.every((event) => event.kind === 'meta')).toBe(true);
  });

  it('has its time line mended, with all that is not said by it', () => {
    const offset = meta(0, Meta.smpteOffset, [0x21, 0, 30, 0, 0]);
    const bytes = smfBytes([flute, bass], [offset, tempo(0, 120), meter(0, 4, 4)]);
    const { performance, file, desk } = arranged(
      bytes,
      { kind: 'setTempo', at: 4 * QUARTER, bpm: 60 },
      { kind: 'setMeters', from: 0, to: null, meters: [{ beats: 3, beatType: 4 }] },
      { kind: 'numberBar', at: 0, number: 17 },
    );
    expect(performance.tempo.events.map(({ tick, microsecondsPerQuarter }) => [tick, microsecondsPerQuarter])).toEqual([
      [0, 500_000],
      [4 * 480, 1_000_000],
    ]);
    expect(performance.meters).toEqual([{ at: 0, beats: 3, beatType: 4 }]);
    expect(startsOf(performance)).toEqual(startsOf(performanceFromSmf(readSmf(bytes))));
    expect(file.tracks[0]!.events).toContainEqual(offset);
    // A file cannot say its bar numbers; the table and the map do.
    expect(desk.timeLine().bars.map(({ number }) => number)).toEqual([17, 18, 19]);
  });

  it('agrees part by part however a track was divided', () => {
    const { desk } = arranged(smfBytes([flute, bass]), {
      kind: 'setPartSequencing',
      part: partId('t1'),
      split: 'keys',
      splitKeys: [65],
    });
    expect(desk.agreement().parts.map(({ names, same, notes }) => [names[0], same, notes])).toEqual([
      ['Flute', 8, [8, 8]],
      ['Bass', 8, [8, 8]],
    ]);
  });

  it('plays treated notes, and puts velocities on a controller and back', () => {
    const loud = smfBytes([{ ...flute, notes: flute.notes.map((note, i) => ({ ...note, velocity: 40 + i * 10 })) }]);
    const treat = (does: Extract<Decision, { kind: 'treat' }>['does']): Decision => ({
      kind: 'treat',
      part: partId('t1'),
      bars: null,
      does,
    });
    const onController = arranged(loud, treat({ kind: 'toController', controller: 11, velocity: 80 }));
    const [track] = onController.performance.tracks.filter(({ notes }) => notes.length > 0);
    expect(new Set(track!.notes.map(({ velocity }) => velocity))).toEqual(new Set([80]));
    expect(track!.controllers.map(({ controller, value }) => [controller, value])).toEqual(
      flute.notes.map((_, i) => [11, 40 + i * 10]),
    );
    const back = arranged(onController.bytes, everything, treat({ kind: 'toVelocity', controller: 11 }));
    const [again] = back.performance.tracks.filter(({ notes }) => notes.length > 0);
    expect(again!.notes.map(({ velocity }) => velocity)).toEqual(flute.notes.map((_, i) => 40 + i * 10));
    expect(again!.controllers).toEqual([]);
    const early = smfBytes([{ ...flute, notes: flute.notes.map((note) => ({ ...note, at: note.at + 0.03 })) }]);
    expect(startsOf(arranged(early, treat(USUAL_TREATMENTS.quantize)).performance)[0]).toEqual([
      0, 1, 2, 3, 4, 5, 6, 7,
    ]);
  });

  it('says where faders would jump, track by track with the bars', () => {
    const bytes = smfBytes([{ ...flute, extra: [control(0, 7, 90), control(5 * 480, 7, 60)] }]);
    const { summary } = arranged(bytes, everything);
    const [query] = summary.queries.filter(({ kind }) => kind === 'jumping-faders');
    expect(query!.message).toBe('The volume fader would jump while it plays: Flute in bar 2.');
    for (const { decision } of remediesFor(query!).slice(0, 1))
      expect(arranged(bytes, everything, decision).summary.queries).toEqual([]);
  });

  it('agrees with its original after everything that only sets it up', () => {
    const { desk } = arranged(demoOriginal(), everything, {
      kind: 'setArranging',
      channels: 'by-part',
      names: 'instrument',
    });
    expect(desk.agreement().words).toMatch(/^Every one of [\d,]+ notes is there/);
  });
});

describe('MIDI as a notation program writes it', () => {
  const source = notationProgramsMidi();
  const asked = (...decisions: Decision[]) => arranged(source, ...decisions).summary.queries as Query[];

  it('is put right by the first remedies of three queries', () => {
    const queries = asked();
    // What sounds wrong comes before how it is played, more notes before fewer.
    expect(queries.map(({ kind }) => kind)).toEqual(['silent-drums', 'wrong-sounds', 'one-velocity']);
    expect(queries[1]!.message).toBe(
      '2 tracks have another sound than the name says: Trombone 1 as Alto Sax, Trombone 2 as Alto Sax.',
    );
    const decisions = queries.flatMap((query) => {
      const [{ decision, also = [] }] = remediesFor(query) as [ReturnType<typeof remediesFor>[number]];
      return [decision, ...also];
    });
    expect(decisions.length).toBeLessThanOrEqual(5);
    expect(asked(...decisions)).toEqual([]);
    const { performance, file } = arranged(source, ...decisions);
    const trombones = performance.tracks.filter(({ name }) => name.startsWith('Trombone'));
    expect(trombones.map(({ programs }) => programs.map(({ program }) => program))).toEqual([[58], [58]]);
    // No mixer data, and tempo and meter still there.
    expect(performance.tracks.flatMap(({ controllers }) => controllers)).toEqual([]);
    expect(file.tracks[0]!.events.some((event) => event.kind === 'meta' && event.type === Meta.tempo)).toBe(true);
    const kit = performance.tracks.find(({ channels }) => channels[0] === 10)!;
    expect(kit.notes.some(({ key }) => key === 36)).toBe(true);
    expect(kit.notes.every(({ key }) => key >= 35 && key <= 81)).toBe(true);
    const velocities = new Set(performance.tracks.flatMap(({ notes }) => notes.map(({ velocity }) => velocity)));
    expect(velocities.size).toBeGreaterThan(10);
  });
});
