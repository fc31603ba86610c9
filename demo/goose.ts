/*
 * “The Clockmaker’s Goose”, cue 3: the pit band of a small puppet theatre. Composed for this project.
 *
 * The clock runs (4/4), the goose waltzes on the workbench (3/4), the clock runs again and winds down.
 */
import { readNotation, type TrueDynamic, type TrueNote, type TrueScore } from '../bench/true-score';
import { QUARTER } from '../src/core/time';

const COMMON = { beats: 4, beatType: 4 };
const WALTZ = { beats: 3, beatType: 4 };
const meterOf = (bar: number) => (bar >= 8 && bar < 20 ? WALTZ : COMMON);
const barStart = (bar: number) => {
  let at = 0;
  for (let b = 0; b < bar; b++) at += meterOf(b).beats * QUARTER;
  return at;
};

const flute = `
  eb5/4 c5/8 eb5/8 ab5/4 g5/8 f5/8 | eb5/8 f5/8 eb5/8 c5/8 f5/4 c5/4 | db5/8t eb5/8t f5/8t ab5/8t g5/8t f5/8t eb5/4 db5/4 | eb5/4. db5/8 bb4/4 r/4 |
  c5/4 eb5/8 ab5/8 c6/4 bb5/8 ab5/8 | a5/8 g5/8 f5/8 eb5/8 c5/4 a4/4 | bb4/8t c5/8t db5/8t f5/8t eb5/8t db5/8t c5/8 bb4/8 g4/8 bb4/8 | ab4/2 r/2 |
  f5/4. gb5/8 f5/8 ab5/8 | ab5/2 f5/4 | eb5/4. f5/8 eb5/8 c5/8 | ab4/2 r/4 |
  bb4/8 c5/8 db5/8 eb5/8 f5/8 g5/8 | ab5/4 g5/4 eb5/4 | c5/2. | gb5/4 f5/4 eb5/4 |
  f5/4. gb5/8 ab5/8 bb5/8 | ab5/4 fb5/4 db5/4 | eb5/4. c5/8 db5/8 d5/8 | eb5/2 r/4 |
  eb5/4 c5/8 eb5/8 ab5/4 g5/8 f5/8 | e5/8 f5/8 g5/8 bb5/8 g5/4 e5/4 | f5/8t g5/8t ab5/8t c6/8t bb5/8t ab5/8t g5/8 f5/8 c5/4 | db5/4 f5/4 ab5/4 f5/4 |
  eb5/4. ab5/8 c6/2 | d5/8 f5/8 bb5/8 ab5/8 f5/4 d5/4 | db5/4 eb5/4 f5/8 g5/8 bb5/8 g5/8 | ab5/1`;

const clarinet = `
  r/1 | ab4/4 g4/8 f4/8 ab4/2 | f4/4. ab4/8 db5/4 ab4/4 | g4/8 bb4/8 db5/8 bb4/8 g4/4 r/4 |
  ab4/4 c5/4 eb5/4 c5/4 | c5/8 a4/8 f4/8 a4/8 eb4/2 | f4/4 ab4/4 g4/4 db5/4 | c5/2 r/2 |
  r/4 ab4/4 ab4/4 | r/4 db5/4 db5/4 | r/4 c5/4 c5/4 | r/4 eb4/8 f4/8 gb4/8 g4/8 |
  g4/2. | bb4/4 db5/4 bb4/4 | ab4/8 g4/8 ab4/8 c5/8 eb5/8 c5/8 | ab4/2 r/4 |
  ab4/2 db5/4 | fb4/2 ab4/4 | ab4/2. | g4/4 bb4/4 db5/4 |
  c5/2 eb4/2 | g4/4. bb4/8 c5/4 bb4/4 | ab4/2 c5/4 f4/4 | f4/4. ab4/8 db5/4 ab4/4 |
  c5/4 ab4/4 eb4/4 ab4/4 | ab4/4. bb4/8 d5/4 ab4/4 | g4/4 bb4/4 db5/4 bb4/4 | c5/1`;

const bassoon = `
  ab2/8 r/8 eb3/8 r/8 ab2/8 r/8 eb3/8 r/8 | f2/8 r/8 c3/8 r/8 f2/8 r/8 ab2/8 r/8 | db3/8 r/8 ab2/8 r/8 db3/8 r/8 f3/8 r/8 | eb3/8 r/8 bb2/8 r/8 eb3/8 g3/8 bb3/8 r/8 |
  ab2/8 r/8 eb3/8 r/8 ab2/8 r/8 c3/8 r/8 | f2/8 r/8 c3/8 r/8 eb3/8 r/8 a2/8 r/8 | bb2/8 r/8 f3/8 r/8 eb3/8 r/8 g2/8 r/8 | ab2/4 eb3/4 ab3/4 r/4 |
  db3/2. | ab2/2. | c3/2. | ab2/2 bb2/8 c3/8 |
  db3/2. | eb3/2 g2/4 | ab2/2. | gb3/2. |
  f3/2 db3/4 | fb3/2. | eb3/2 c3/4 | bb2/4 g2/4 bb2/4 |
  ab2/8 r/8 eb3/8 r/8 ab2/8 r/8 eb3/8 r/8 | c3/8 r/8 g3/8 r/8 c3/8 r/8 e3/8 r/8 | f3/8 r/8 c3/8 r/8 ab2/8 r/8 f2/8 r/8 | db3/8 r/8 ab2/8 r/8 f3/8 r/8 db3/8 r/8 |
  eb3/8 r/8 ab3/8 r/8 c4/4 ab3/4 | bb2/8 r/8 f3/8 r/8 d3/8 r/8 bb2/8 r/8 | eb3/4 bb2/4 g2/4 bb2/4 | ab2/1`;

const horn = `
  r/1 | c4/1 | ab3/2 f3/2 | g3/1 | eb4/1 | eb4/2 c4/2 | db4/2 bb3/2 | c4/2 r/2 |
  f4/2. | f4/2. | eb4/2. | c4/2. | db4/2. | bb3/2. | c4/2. | c4/2 r/4 |
  db4/2. | db4/2. | c4/2. | db4/2 r/4 |
  c4/1 | bb3/1 | ab3/2 c4/2 | ab3/1 | c4/1 | bb3/2 d4/2 | db4/2 g3/2 | eb4/1`;

const glockenspiel = `
  ab5/8 r/8 r/4 eb6/8 r/8 r/4 | ab5/8 r/8 r/4 c6/8 r/8 r/4 | r/1 | bb5/16 c6/16 db6/16 eb6/16 g6/4 r/2 |
  ab5/8 r/8 r/4 eb6/8 r/8 r/4 | a5/8 r/8 r/4 c6/8 r/8 r/4 | r/1 | ab5/16 c6/16 eb6/16 ab6/16 c7/4 r/2 |
  r/2. | r/2 ab6/8 f6/8 | r/2. | r/2 c6/8 eb6/8 | r/2. | r/2. | r/2 ab6/8 c7/8 | r/2. |
  r/2. | r/2. | r/2. | eb6/8 g6/8 bb6/8 g6/8 eb6/4 |
  ab5/8 r/8 r/4 eb6/8 r/8 r/4 | bb5/8 r/8 r/4 e6/8 r/8 r/4 | r/1 | f6/8 r/8 r/4 ab6/8 r/8 r/4 |
  r/1 | r/1 | r/2 bb5/16 db6/16 eb6/16 g6/16 bb6/4 | ab6/2 r/2`;

const tickTock = 'tick/8 r/8 tock/8 r/8 tick/8 r/8 tock/8 r/8';
const beatBar = '[kick hat]/8 hat/8 [snare hat]/8 hat/8 [kick hat]/8 [kick hat]/8 [snare hat]/8 hat/8';
const fill = '[kick hat]/8 hat/8 [snare hat]/8 hat/8 snare/16 snare/16 snare/16 snare/16 [kick snare]/8 open/8';
const waltzBar = '[kick ride]/4 [hat ride]/4 [hat ride]/4';
const drums = [
  tickTock,
  tickTock,
  tickTock,
  fill,
  beatBar,
  beatBar,
  beatBar,
  fill,
  ...Array<string>(11).fill(waltzBar),
  '[kick crash]/4 snare/8 snare/8 snare/4',
  beatBar,
  beatBar,
  beatBar,
  fill,
  beatBar,
  beatBar,
  fill,
  '[kick crash]/1',
].join(' | ');

const pianoRight = `
  [c5 eb5]/4 r/4 [c5 eb5]/4 r/4 | [ab4 c5]/4 r/4 [ab4 c5]/4 r/4 | [ab4 db5]/4 r/4 [ab4 f5]/4 r/4 | [g4 db5]/4 r/4 [bb4 eb5]/4 r/4 |
  eb5/16 c5/16 ab4/16 c5/16 eb5/16 c5/16 ab4/16 c5/16 eb5/16 c5/16 ab4/16 c5/16 ab5/8 eb5/8 | eb5/16 c5/16 a4/16 c5/16 eb5/16 c5/16 a4/16 c5/16 f5/4 [a4 c5]/4 | [bb4 db5 f5]/2 [g4 bb4 db5]/2 | [ab4 c5]/2 r/2 |
  r/4 [ab4 db5]/4 [ab4 db5]/4 | r/4 [ab4 f5]/4 [ab4 f5]/4 | r/4 [ab4 c5]/4 [ab4 c5]/4 | r/4 [ab4 c5]/4 [ab4 c5]/4 |
  r/4 [g4 db5]/4 [g4 db5]/4 | r/4 [bb4 eb5]/4 [bb4 eb5]/4 | r/4 [ab4 c5]/4 [ab4 c5]/4 | r/4 [gb4 c5]/4 [gb4 c5]/4 |
  r/4 [ab4 db5]/4 [ab4 db5]/4 | r/4 [ab4 db5]/4 [ab4 fb5]/4 | r/4 [ab4 c5]/4 [ab4 c5]/4 | [g4 bb4 db5]/2 r/4 |
  [c5 eb5]/4 r/4 [c5 eb5]/4 r/4 | [bb4 e5]/4 r/4 [bb4 e5]/4 r/4 | [ab4 f5]/4 r/4 [ab4 c5]/4 r/4 | [ab4 db5]/4 r/4 [ab4 f5]/4 r/4 |
  [c5 eb5 ab5]/2 [c5 eb5]/2 | [bb4 d5]/4 r/4 [ab4 d5]/4 r/4 | [g4 db5]/4 r/4 [g4 bb4]/4 r/4 | [ab4 c5 eb5]/1`;

const pianoLeft = `
  ab2/8 eb3/8 ab3/8 eb3/8 ab2/8 eb3/8 ab3/8 eb3/8 | f2/8 c3/8 f3/8 c3/8 f2/8 c3/8 ab3/8 c3/8 | db3/8 ab3/8 db3/8 ab3/8 db3/8 ab3/8 f3/8 ab3/8 | eb3/8 bb3/8 eb3/8 bb3/8 eb3/8 bb3/8 g3/8 bb3/8 |
  ab2/4 eb3/4 ab3/4 eb3/4 | f2/4 c3/4 f3/4 a3/4 | bb2/4 f3/4 eb3/4 bb3/4 | ab2/4 eb3/4 ab2/2 |
  db3/4 f3/4 f3/4 | db3/4 f3/4 f3/4 | c3/4 eb3/4 eb3/4 | ab2/4 eb3/4 eb3/4 | eb3/4 bb3/4 bb3/4 | eb3/4 g3/4 g3/4 | ab2/4 eb3/4 eb3/4 | gb2/4 eb3/4 eb3/4 |
  f2/4 db3/4 db3/4 | fb2/4 db3/4 db3/4 | eb2/4 c3/4 c3/4 | eb2/2 r/4 |
  ab2/8 eb3/8 ab3/8 eb3/8 ab2/8 eb3/8 ab3/8 eb3/8 | c3/8 g3/8 c3/8 g3/8 c3/8 g3/8 e3/8 g3/8 | f2/8 c3/8 f3/8 c3/8 f2/8 c3/8 ab3/8 c3/8 | db3/8 ab3/8 db3/8 ab3/8 db3/8 ab3/8 f3/8 ab3/8 |
  eb3/4 c3/4 ab2/2 | bb2/4 f3/4 bb3/4 f3/4 | eb3/4 bb3/4 eb3/4 bb2/4 | [ab2 eb3 ab3]/1`;

const violin = `
  c5/1 | c5/2 ab4/2 | f5/2 ab5/2 | g5/2 eb5/2 | eb5/2. ab5/4 | a5/2 f5/2 | f5/2 eb5/4 db5/4 | c5/1 |
  ab5/2. | f5/2. | eb5/2 ab5/4 | c6/2. | bb5/2. | g5/2 bb5/4 | ab5/2. | gb5/2 eb5/4 |
  f5/2 ab5/4 | ab5/2 fb5/4 | eb5/2 c5/4 | db5/2. |
  c5/2 eb5/2 | e5/2 g5/2 | f5/2 ab5/4 c6/4 | ab5/2 f5/2 | eb5/2 c6/2 | bb5/2 d5/2 | db5/2 bb5/4 g5/4 | ab5/1`;

const viola = `
  eb4/1 | f4/1 | f4/2 ab4/2 | eb4/2 g4/2 | eb4/2 c4/2 | c4/2 eb4/2 | db4/2 g4/2 | eb4/1 |
  db4/2. | ab4/2. | ab4/2. | eb4/2. | g4/2. | eb4/2. | eb4/2. | eb4/2. |
  ab4/2. | ab4/2. | ab4/2. | g4/2. |
  eb4/1 | g4/1 | c4/2 f4/2 | f4/2 db4/2 | c4/2 ab4/2 | f4/2 ab4/2 | bb4/2 eb4/2 | c4/1`;

const cello = `
  ab3/1 | ab3/2 f3/2 | db3/2 ab3/2 | bb3/2 eb3/2 | c3/2 ab3/2 | a3/2 c4/2 | bb3/2 eb3/2 | ab3/1 |
  db3/2. | db3/2 ab3/4 | c3/2. | ab3/2 g3/4 | bb3/2. | eb3/2 db3/4 | c3/2. | gb3/2. |
  f3/2. | fb3/2. | eb3/2. | eb3/2. |
  ab3/1 | c4/2 bb3/2 | ab3/1 | db4/2 ab3/2 | ab3/2 eb3/2 | d3/2 bb3/2 | eb3/2 db3/2 | ab2/1`;

const bass = `
  ab2/4 r/4 eb2/4 r/4 | f2/4 r/4 c3/4 r/4 | db3/4 r/4 ab2/4 r/4 | eb2/4 r/4 bb2/4 r/4 | ab2/4 r/4 eb2/4 r/4 | f2/4 r/4 c3/4 r/4 | bb2/4 r/4 eb2/4 r/4 | ab2/4 eb2/4 ab2/4 r/4 |
  db3/4 r/2 | ab2/4 r/2 | c3/4 r/2 | ab2/4 r/2 | eb2/4 r/2 | bb2/4 r/2 | ab2/4 r/2 | gb2/4 r/2 |
  f2/4 r/2 | fb2/4 r/2 | eb2/4 r/2 | eb2/4 bb2/4 g2/4 |
  ab2/4 r/4 eb2/4 r/4 | c3/4 r/4 g2/4 r/4 | f2/4 r/4 c3/4 r/4 | db3/4 r/4 ab2/4 r/4 | eb2/4 r/4 ab2/4 r/4 | bb2/4 r/4 f2/4 r/4 | eb2/4 r/4 bb2/4 r/4 | ab2/1`;

const guitar = `
  [ab2 eb3 ab3 c4]/4 r/4 [eb3 ab3 c4]/4 r/4 | [f2 c3 f3 ab3]/4 r/4 [c3 f3 ab3]/4 r/4 | [db3 ab3 db4 f4]/4 r/4 [ab3 db4 f4]/4 r/4 | [eb3 bb3 db4 g4]/4 r/4 [bb3 db4 g4]/4 r/4 |
  [ab2 eb3 ab3 c4]/4 r/4 [eb3 ab3 c4]/4 r/4 | [f2 c3 eb3 a3]/4 r/4 [c3 eb3 a3]/4 r/4 | [bb2 f3 bb3 db4]/4 r/4 [eb3 bb3 db4 g4]/4 r/4 | [ab2 eb3 ab3 c4]/4 [bb2 eb3 g3 bb3]/4 [ab2 eb3 ab3 c4]/4 r/4 |
  db3/8 f3/8 ab3/8 db4/8 ab3/8 f3/8 | ab2/8 eb3/8 ab3/8 db4/8 ab3/8 f3/8 | c3/8 eb3/8 ab3/8 c4/8 ab3/8 eb3/8 | ab2/8 eb3/8 ab3/8 c4/8 ab3/8 eb3/8 |
  eb3/8 bb3/8 db4/8 g4/8 db4/8 bb3/8 | bb2/8 g3/8 bb3/8 eb4/8 bb3/8 g3/8 | ab2/8 eb3/8 ab3/8 c4/8 ab3/8 eb3/8 | gb2/8 bb2/8 eb3/8 gb3/8 eb3/8 bb2/8 |
  f2/8 db3/8 f3/8 ab3/8 f3/8 db3/8 | fb2/8 db3/8 fb3/8 ab3/8 fb3/8 db3/8 | eb3/8 ab3/8 c4/8 eb4/8 c4/8 ab3/8 | [eb3 g3 db4]/4 [bb2 g3 db4]/4 [g2 eb3 db4]/4 |
  [ab2 eb3 ab3 c4]/4 r/4 [eb3 ab3 c4]/4 r/4 | [c3 e3 bb3 c4]/4 r/4 [g3 bb3 e4]/4 r/4 | [f2 c3 f3 ab3]/4 r/4 [c3 f3 ab3]/4 r/4 | [db3 ab3 db4 f4]/4 r/4 [ab3 db4 f4]/4 r/4 |
  [ab2 eb3 ab3 c4]/4 r/4 [eb3 ab3 c4]/4 r/4 | [bb2 f3 ab3 d4]/4 r/4 [f3 ab3 d4]/4 r/4 | [eb3 bb3 db4 g4]/4 r/4 [bb3 db4 g4]/4 r/4 | [ab2 eb3 ab3 c4 eb4 ab4]/1`;

/** The clock is soft, the waltz swells into full voice, the clock comes back and winds down. */
const loud = (waltz: TrueDynamic['level']): TrueDynamic[] => [
  { at: 0, level: 'p' },
  { at: barStart(8), level: waltz, from: barStart(6) },
  { at: barStart(20), level: 'mf' },
  { at: barStart(27), level: 'p', from: barStart(25) },
];
/** The pedal changes with the harmony, once a bar. */
const pedals = Array.from({ length: 12 }, (_, b) => ({ start: barStart(8 + b), end: barStart(9 + b) }));

const part = (instrument: string, name: string, text: string, staff = 1): TrueNote[] =>
  readNotation(text, meterOf, `${name} (${instrument}), staff ${staff}`, staff);

export const goose: TrueScore = {
  title: 'The Clockmaker’s Goose, cue 3',
  meters: [
    { at: 0, ...COMMON },
    { at: barStart(8), ...WALTZ },
    { at: barStart(20), ...COMMON },
  ],
  tempos: [
    { at: 0, bpm: 96 },
    { at: barStart(8), bpm: 138 },
    { at: barStart(20), bpm: 96 },
    ...[92, 87, 80, 72].map((bpm, i) => ({ at: barStart(26) + i * QUARTER, bpm })),
  ],
  key: { fifths: -4, mode: 'major' },
  markers: [
    { at: 0, text: 'The clock runs' },
    { at: barStart(8), text: 'Goose waltz' },
    { at: barStart(20), text: 'The clock again' },
  ],
  length: barStart(28),
  parts: [
    { instrument: 'flute', name: 'Flute', dynamics: loud('f'), notes: part('flute', 'Flute', flute) },
    {
      instrument: 'clarinet-bflat',
      name: 'Clarinet in B♭',
      dynamics: loud('mf'),
      notes: part('clarinet-bflat', 'Clarinet', clarinet),
    },
    { instrument: 'bassoon', name: 'Bassoon', dynamics: loud('mf'), notes: part('bassoon', 'Bassoon', bassoon) },
    { instrument: 'horn-f', name: 'Horn in F', dynamics: loud('mf'), notes: part('horn-f', 'Horn', horn) },
    {
      instrument: 'glockenspiel',
      name: 'Glockenspiel',
      dynamics: loud('mf'),
      notes: part('glockenspiel', 'Glockenspiel', glockenspiel),
    },
    { instrument: 'drum-kit', name: 'Drum Kit', notes: part('drum-kit', 'Drums', drums) },
    {
      instrument: 'piano',
      name: 'Piano',
      dynamics: loud('mf'),
      pedals,
      notes: [...part('piano', 'Piano', pianoRight), ...part('piano', 'Piano', pianoLeft, 2)].sort(
        (a, b) => a.start - b.start || a.key - b.key,
      ),
    },
    { instrument: 'violin', name: 'Violin', dynamics: loud('f'), notes: part('violin', 'Violin', violin) },
    { instrument: 'viola', name: 'Viola', dynamics: loud('f'), notes: part('viola', 'Viola', viola) },
    { instrument: 'cello', name: 'Violoncello', dynamics: loud('f'), notes: part('cello', 'Cello', cello) },
    { instrument: 'double-bass', name: 'Double Bass', dynamics: loud('mf'), notes: part('double-bass', 'Bass', bass) },
    { instrument: 'guitar', name: 'Classical Guitar', dynamics: loud('mf'), notes: part('guitar', 'Guitar', guitar) },
  ],
};
