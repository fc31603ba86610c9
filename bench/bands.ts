/*
 * Pieces as bands and game composers sequence them: short notes, riffs that double each other, percussion on many keys,
 * arpeggios over two staves, tracks without a name. They have no true score; what is measured on them is how the page
 * reads (copyist.ts).
 */
import { performanceFromSmf, type Performance } from '../src/core/performance';
import { pitchKey } from '../src/core/score';
import { encodeText, Message, Meta, readSmf, writeSmf, type SmfEvent } from '../src/core/smf';
import { scaleDegree, scalePitch } from './grammar';
import { seeded, type Random } from './random';

export const BANDS = [
  'pop band',
  'funk',
  'blues shuffle',
  'latin percussion',
  'chip arpeggios',
  'pads and harp',
  'doubled riffs',
  'organ and strings',
] as const;
export type Band = (typeof BANDS)[number];

/** A note as sequenced: places and lengths in quarters. */
interface Struck {
  at: number;
  length: number;
  key: number;
  velocity?: number;
}

interface Track {
  name: string;
  program: number;
  drums?: true;
  notes: Struck[];
}

const PPQ = 480;
const BARS = 24;

interface Setting {
  random: Random;
  fifths: number;
  /** Degree of each bar's chord above the tonic's. */
  chords: number[];
  key: (degree: number) => number;
}

function settingOf(seed: number): Setting {
  const random = seeded(seed);
  const fifths = Math.floor(random.between(-4, 4));
  const turn = random.pick([
    [0, 5, 3, 4],
    [0, 3, 4, 3],
    [0, 4, 5, 3],
    [1, 4, 0, 0],
  ]);
  const tonic = scaleDegree(60) + ((fifths * 4) % 7);
  return {
    random,
    fifths,
    chords: Array.from({ length: BARS }, (_, bar) => tonic + turn[bar % 4]!),
    key: (degree) => pitchKey(scalePitch(degree, fifths)),
  };
}

/** A pattern of sixteenths ("x..x" strikes) in every bar, each strike of a length in quarters. */
function pattern(
  text: string,
  bars: readonly number[],
  write: (at: number, bar: number, strike: number) => Struck[],
): Struck[] {
  return bars.flatMap((bar) => [...text].flatMap((sign, i) => (sign === 'x' ? write(bar * 4 + i / 4, bar, i) : [])));
}

const ALL = Array.from({ length: BARS }, (_, bar) => bar);

function drums(kick: string, snare: string, hat: string, { random }: Setting): Struck[] {
  const hit =
    (key: number, velocity = 90) =>
    (at: number): Struck[] => [{ at, length: 0.1, key, velocity: velocity + Math.round(random.between(-6, 6)) }];
  const opens = pattern(
    '..............x.',
    ALL.filter((bar) => bar % 4 === 3),
    hit(46),
  );
  return [
    ...pattern(kick, ALL, hit(36)),
    // Two kick samples layered, as kits have them.
    ...pattern(
      'x.......x.......',
      ALL.filter((bar) => bar % 2 === 1),
      hit(35),
    ),
    ...pattern(snare, ALL, hit(38, 100)),
    ...pattern(
      '....x.......x...',
      ALL.filter((bar) => bar >= 8),
      hit(39),
    ),
    ...pattern(hat, ALL, hit(42, 70)).filter((one) => !opens.some((open) => open.at === one.at)),
    ...opens,
    ...pattern(
      'x...............',
      ALL.filter((bar) => bar % 8 === 0),
      hit(49, 110),
    ),
  ];
}

function comping(text: string, setting: Setting, octave: number, length: number): Struck[] {
  return pattern(text, ALL, (at, bar) =>
    [0, 2, 4].map((third) => ({ at, length, key: setting.key(setting.chords[bar]! + third) + octave })),
  );
}

function bass(text: string, setting: Setting, length: number, octave = -24): Struck[] {
  return pattern(text, ALL, (at, bar, i) => [
    { at, length, key: setting.key(setting.chords[bar]! + (i % 8 === 6 ? 4 : 0)) + octave },
  ]);
}

/** A riff over the chord, the same figure in every bar. */
function riff(
  text: string,
  degrees: readonly number[],
  setting: Setting,
  octave: number,
  length: (i: number) => number,
): Struck[] {
  let n = 0;
  return pattern(text, ALL, (at, bar, i) => [
    { at, length: length(i), key: setting.key(setting.chords[bar]! + degrees[n++ % degrees.length]!) + octave },
  ]);
}

const swung = (notes: readonly Struck[]): Struck[] =>
  notes.map((note) => ({ ...note, at: Math.floor(note.at * 2) / 2 + ((note.at * 2) % 1 >= 0.5 ? 1 / 3 : 0) }));
const shuffled = (notes: readonly Struck[]): Struck[] =>
  notes.map((note) => ({ ...note, at: Math.floor(note.at) + (note.at % 1 >= 0.5 ? 2 / 3 : 0) }));

const MAKE: Record<Band, (setting: Setting) => Track[]> = {
  'pop band': (s) => [
    { name: 'Track 3', program: 1, notes: comping('x...x...x...x...', s, 0, 0.9) },
    { name: 'Gtr', program: 28, notes: comping('..x...x...x...x.', s, 0, 0.23) },
    { name: 'Bass', program: 34, notes: bass('x.x.x.x.x.x.x.x.', s, 0.25) },
    {
      name: 'Drums',
      program: 1,
      drums: true,
      notes: drums('x.....x.x.......', '....x.......x...', 'x.x.x.x.x.x.x.x.', s),
    },
  ],
  funk: (s) => [
    { name: 'Clav', program: 8, notes: swung(comping('x..x..x...x..x..', s, 0, 0.15)) },
    { name: 'Slap', program: 37, notes: swung(bass('x..x..x.x..x..x.', s, 0.2)) },
    {
      name: 'Brass',
      program: 62,
      notes: comping('x...........x.x.', s, 0, 0.22).filter((note) => Math.floor(note.at / 4) % 2 === 1),
    },
    {
      name: 'Drums',
      program: 1,
      drums: true,
      notes: swung(drums('x..x......x.....', '....x..x....x...', 'xxxxxxxxxxxxxxxx', s)),
    },
  ],
  'blues shuffle': (s) => [
    { name: 'Organ', program: 17, notes: shuffled(comping('..x...x...x...x.', s, 0, 0.3)) },
    {
      name: 'Sax',
      program: 67,
      notes: shuffled(riff('x.x.x.x.x.......', [0, 1, 2, 4, 2], s, 0, (i) => (i === 8 ? 1.8 : 0.3))),
    },
    { name: 'Bs', program: 33, notes: shuffled(bass('x...x...x...x...', s, 0.8)) },
    {
      name: 'Kit',
      program: 1,
      drums: true,
      notes: shuffled(drums('x.......x.......', '....x.......x...', 'x.x.x.x.x.x.x.x.', s)),
    },
  ],
  'latin percussion': (s) => {
    const hit =
      (key: number) =>
      (at: number): Struck[] => [{ at, length: 0.12, key }];
    const hands = [
      ...pattern('x.x.x.xxx.x.x.xx', ALL, hit(62)),
      ...pattern('......x.......x.', ALL, hit(63)),
      ...pattern('..x...x...x...x.', ALL, hit(64)),
    ];
    const metal = [
      ...pattern('x.x.xx.x.x.x.xx.', ALL, hit(56)),
      ...pattern('xxxxxxxxxxxxxxxx', ALL, hit(70)),
      ...pattern('x..x..x...x.x...', ALL, hit(75)),
      ...pattern('x...x...x...x...', ALL, hit(65)),
    ];
    return [
      { name: 'Perc', program: 1, drums: true, notes: [...hands, ...metal] },
      { name: 'Piano', program: 1, notes: comping('x.x..x.x..x.x..x', s, 0, 0.4) },
      { name: 'Bass', program: 33, notes: bass('......x.....x...', s, 1) },
    ];
  },
  'chip arpeggios': (s) => [
    {
      name: 'Pulse 1',
      program: 81,
      notes: pattern('xxxxxxxxxxxxxxxx', ALL, (at, bar, i) => [
        { at, length: 0.12, key: s.key(s.chords[bar]! + [0, 2, 4, 7][i % 4]!) + 12 },
      ]),
    },
    { name: 'Pulse 2', program: 81, notes: riff('x.x.xx.x..x.x...', [0, 2, 4, 3, 2, 1, 0], s, 0, () => 0.2) },
    { name: 'Triangle', program: 81, notes: bass('x...x...x...x.x.', s, 0.45, -24) },
    {
      name: 'Noise',
      program: 1,
      drums: true,
      notes: drums('x...x...x...x...', '....x.......x...', 'xxxxxxxxxxxxxxxx', s),
    },
  ],
  'pads and harp': (s) => [
    {
      name: 'Warm Pad',
      program: 90,
      notes: ALL.flatMap((bar) =>
        [0, 2, 4].map((third) => ({ at: bar * 4, length: 3.9, key: s.key(s.chords[bar]! + third) })),
      ),
    },
    {
      name: 'Harp',
      program: 47,
      notes: pattern('xxxxxxxxxxxxxxxx', ALL, (at, bar, i) => [
        { at, length: 0.24, key: s.key(s.chords[bar]! + [-7, -5, -3, 0, 2, 4, 7, 9, 11, 9, 7, 4, 2, 0, -3, -5][i]!) },
      ]),
    },
    { name: 'Fiddles', program: 49, notes: riff('x...x...x.......', [4, 5, 7], s, 12, (i) => (i === 8 ? 2 : 1)) },
  ],
  'doubled riffs': (s) => {
    const text = 'x.xx..x.x.x...x.';
    const degrees = [0, 2, 3, 4, 3, 2, 0];
    const loose = (notes: Struck[], by: number) =>
      notes.map((note) => ({
        ...note,
        at: Math.max(0, note.at + s.random.between(-by, by)),
        length: note.length * s.random.between(0.6, 1),
      }));
    return [
      {
        name: 'Trumpet',
        program: 57,
        notes: loose(
          riff(text, degrees, s, 12, () => 0.24),
          0.02,
        ),
      },
      {
        name: 'Tenor',
        program: 67,
        notes: loose(
          riff(text, degrees, s, 0, () => 0.3),
          0.03,
        ),
      },
      { name: 'E Gtr', program: 30, notes: riff(text, degrees, s, 0, () => 0.22) },
      { name: 'Bass', program: 34, notes: riff(text, degrees, s, -24, () => 0.15) },
    ];
  },
  'organ and strings': (s) => [
    { name: 'Hammond', program: 17, notes: riff('x.x.x.x.x.x.x.x.', [-2, 0, 2, 4, 2, 0], s, 0, () => 0.45) },
    {
      name: 'Strings',
      program: 49,
      notes: ALL.flatMap((bar) =>
        [-7, 0, 2, 4].map((third, i) => ({ at: bar * 4, length: 3.8 - i * 0.1, key: s.key(s.chords[bar]! + third) })),
      ),
    },
    {
      name: 'Nylon',
      program: 25,
      notes: pattern('x.xxx.xxx.xxx.xx', ALL, (at, bar, i) =>
        (i % 4 === 0 ? [-7, 0, 2] : [4]).map((third) => ({
          at,
          length: i % 4 === 0 ? 0.9 : 0.2,
          key: s.key(s.chords[bar]! + third) - 12,
        })),
      ),
    },
  ],
};

export function bandPiece(kind: Band, seed: number): Performance {
  return performanceFromSmf(readSmf(bandFile(kind, seed)));
}

/** @returns a type 1 file, everything where its composer drew it */
export function bandFile(kind: Band, seed: number): Uint8Array {
  const tracks = MAKE[kind](settingOf(seed * 31 + BANDS.indexOf(kind)));
  const tempo = 60_000_000 / 104;
  const conductor: SmfEvent[] = [
    { kind: 'meta', tick: 0, type: Meta.tempo, data: Uint8Array.of(tempo >> 16, (tempo >> 8) & 255, tempo & 255) },
  ];
  return writeSmf({
    format: 1,
    division: { kind: 'metrical', ticksPerQuarter: PPQ },
    headerExtra: new Uint8Array(),
    tracks: [conductor, ...tracks.map((track, i) => trackEvents(track, i))].map((events) => ({
      events: [...events].sort(inOrder),
      endTick: BARS * 4 * PPQ,
    })),
    unknownChunks: [],
  });
}

function trackEvents({ name, program, drums: onDrums, notes }: Track, index: number): SmfEvent[] {
  const beside = index < 9 ? index : index + 1;
  const channel = onDrums ? 9 : beside;
  return [
    { kind: 'meta', tick: 0, type: Meta.trackName, data: encodeText(name) },
    { kind: 'channel', tick: 0, status: Message.programChange | channel, data1: program - 1, data2: 0 },
    ...notes.flatMap(({ at, length, key, velocity = 84 }): SmfEvent[] => [
      { kind: 'channel', tick: Math.round(at * PPQ), status: Message.noteOn | channel, data1: key, data2: velocity },
      {
        kind: 'channel',
        tick: Math.round((at + length) * PPQ),
        status: Message.noteOff | channel,
        data1: key,
        data2: 0,
      },
    ]),
  ];
}

/** Meta events and programs first, releases before strikes. */
function inOrder(a: SmfEvent, b: SmfEvent): number {
  const rank = (event: SmfEvent) => {
    if (event.kind !== 'channel') return 0;
    if ((event.status & 0xf0) === Message.noteOn) return 3;
    return (event.status & 0xf0) === Message.noteOff ? 2 : 1;
  };
  return a.tick - b.tick || rank(a) - rank(b);
}
