import fc from 'fast-check';
import { Meta, type SmfEvent, type SmfFile } from '../core/smf';

/* Arbitrary Standard MIDI Files for property tests. */

const byte = fc.integer({ min: 0, max: 127 });
const data = fc.uint8Array({ maxLength: 20 });

const message = fc.oneof(
  {
    weight: 6,
    arbitrary: fc.record({
      kind: fc.constant('channel' as const),
      status: fc.integer({ min: 0x80, max: 0xbf }),
      data1: byte,
      data2: byte,
    }),
  },
  {
    weight: 2,
    arbitrary: fc.record({
      kind: fc.constant('channel' as const),
      status: fc.integer({ min: 0xc0, max: 0xdf }),
      data1: byte,
      data2: fc.constant(0),
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('channel' as const),
      status: fc.integer({ min: 0xe0, max: 0xef }),
      data1: byte,
      data2: byte,
    }),
  },
  {
    weight: 2,
    arbitrary: fc.record({
      kind: fc.constant('meta' as const),
      type: byte.filter((type) => type !== Meta.endOfTrack),
      data,
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('sysex' as const),
      status: fc.constantFrom(0xf0 as const, 0xf7 as const),
      data,
    }),
  },
);

const track = fc
  .array(
    fc.tuple(
      fc.oneof(
        { weight: 9, arbitrary: fc.integer({ min: 0, max: 2000 }) },
        { weight: 1, arbitrary: fc.integer({ min: 0, max: 0x0fffffff }) },
      ),
      message,
    ),
    { maxLength: 40 },
  )
  .chain((list) => {
    let tick = 0;
    const events = list.map(([delta, event]): SmfEvent => ({ ...event, tick: (tick += delta) }));
    return fc.integer({ min: 0, max: 5000 }).map((rest) => ({ events, endTick: tick + rest }));
  });

const division: fc.Arbitrary<SmfFile['division']> = fc.oneof(
  fc.integer({ min: 1, max: 0x7fff }).map((ticksPerQuarter) => ({ kind: 'metrical' as const, ticksPerQuarter })),
  fc.record({
    kind: fc.constant('smpte' as const),
    framesPerSecond: fc.constantFrom(24 as const, 25 as const, 29 as const, 30 as const),
    ticksPerFrame: fc.integer({ min: 1, max: 255 }),
  }),
);

export const arbitrarySmf: fc.Arbitrary<SmfFile> = fc
  .record({
    format: fc.constantFrom(0 as const, 1 as const, 2 as const),
    division,
    headerExtra: fc.uint8Array({ maxLength: 4 }),
    tracks: fc.array(track, { minLength: 1, maxLength: 5 }),
    unknownChunks: fc.array(
      fc.record({ tracksBefore: fc.integer({ min: 0, max: 5 }), type: fc.constantFrom('XFIH', 'abcd', 'Junk'), data }),
      { maxLength: 2 },
    ),
  })
  .map((file) => ({
    ...file,
    unknownChunks: file.unknownChunks
      .map((chunk) => ({ ...chunk, tracksBefore: Math.min(chunk.tracksBefore, file.tracks.length) }))
      .sort((a, b) => a.tracksBefore - b.tracksBefore),
  }));
