import fc from 'fast-check';
import {
  ARTICULATIONS,
  CHORD_KINDS,
  DYNAMICS,
  FERMATAS,
  FORCES,
  mapGraces,
  mapSymbols,
  NO_LINES,
  noteValue,
  TURNS,
  voiceNumber,
  type ChordDegree,
  type Grace,
  type Harmony,
  type Lyric,
  type Part,
  type PartBar,
  type PartLines,
  type Score,
  type ScoreNote,
  type SymbolInBar,
  type SymbolMarks,
} from '../core/score';
import { layBars, QUARTER, type WrittenUnits } from '../core/time';
import { partId } from '../core/base';
import { named, plainPart, plainScore } from './scores';

/* Scores that hold every mark of the model, for writing and reading back. Not music, but everything notation has. */

const BARS = 3;
const BAR: WrittenUnits = 4 * QUARTER;

const noteArb = (keys: readonly number[] = [60, 62, 64, 65, 67, 69, 71]): fc.Arbitrary<ScoreNote> =>
  fc
    .record({
      key: fc.constantFrom(...keys),
      cents: fc.constantFrom(0, 0, 0, 50),
      velocity: fc.constantFrom(null, null, 72),
      ringing: fc.boolean(),
    })
    .map(({ key, cents, velocity, ringing }) => ({
      key,
      pitch: named(key),
      tieFromLast: false,
      tieToNext: false,
      played: [],
      ...(cents !== 0 && { cents }),
      ...(velocity !== null && { velocity }),
      ...(ringing && { ringing: true as const }),
    }));

const graceArb: fc.Arbitrary<Grace> = fc
  .record({
    notes: fc.array(noteArb(), { minLength: 1, maxLength: 1 }),
    type: fc.constantFrom('eighth' as const, '16th' as const),
    slash: fc.boolean(),
    steals: fc.constantFrom(null, { from: 'after' as const, percent: 25 }, { from: 'before' as const, percent: 40 }),
  })
  .map(({ notes, type, slash, steals }) => ({
    notes: notes.map(({ ringing: _ringing, velocity: _velocity, ...note }) => note),
    type,
    ...(slash && { slash: true as const }),
    ...(steals && { steals }),
  }));

const lyricArb: fc.Arbitrary<Lyric> = fc
  .record({
    text: fc.constantFrom('la', 'glo', 'ri', 'ä'),
    syllabic: fc.constantFrom('single' as const, 'begin' as const, 'middle' as const, 'end' as const),
    elided: fc.boolean(),
    held: fc.boolean(),
  })
  .map(({ text, syllabic, elided, held }) => ({
    verse: 1,
    text,
    syllabic,
    ...(elided && { elided: [{ text: 'a', syllabic: 'begin' as const }] }),
    ...(held && { extends: true as const }),
  }));

const FURTHER: SymbolMarks['further'][] = [
  [{ group: 'technical', name: 'fingering', text: '2' }],
  [{ group: 'technical', name: 'snap-pizzicato' }],
  [{ group: 'technical', name: 'bend', children: [{ name: 'bend-alter', text: '2' }] }],
  [{ group: 'articulations', name: 'falloff' }],
  [{ group: 'ornaments', name: 'schleifer' }],
  [{ group: null, name: 'non-arpeggiate', attributes: { type: 'bottom' } }],
];

/** One mark or none of each kind; the sparse ones are what music has. */
const marksArb: fc.Arbitrary<SymbolMarks> = fc.record(
  {
    articulations: fc
      .uniqueArray(fc.constantFrom(...ARTICULATIONS), { minLength: 1, maxLength: 2 })
      .map((list) => ARTICULATIONS.filter((one) => list.includes(one))),
    tremolo: fc.integer({ min: 1, max: 4 }),
    trill: fc.constant(true as const),
    turn: fc.constantFrom(...TURNS),
    neighbours: fc.record({ above: fc.constantFrom(-1 as const, 1 as const) }),
    harmonic: fc.constant(true as const),
    bowing: fc.constantFrom('down' as const, 'up' as const),
    arpeggio: fc.constantFrom('down' as const, 'up' as const),
    glide: fc.constantFrom({ starts: 'glissando' as const }, { stops: 'slide' as const }),
    breath: fc.constantFrom('breath' as const, 'caesura' as const),
    fermata: fc.constantFrom(...FERMATAS),
    graces: fc.array(graceArb, { minLength: 1, maxLength: 3 }),
    lyrics: fc
      .array(lyricArb, { minLength: 1, maxLength: 2 })
      .map((list) => list.map((lyric, v) => ({ ...lyric, verse: v + 1 }))),
    further: fc.constantFrom(...FURTHER),
  },
  { requiredKeys: [] },
);

/** Accidentals beside an ornament need one. */
const soundMarks = marksArb.map(({ neighbours, ...marks }): SymbolMarks => ({
  ...marks,
  ...(neighbours && (marks.trill || marks.turn) && { neighbours }),
}));

const sparse = fc.oneof({ weight: 3, arbitrary: fc.constant<SymbolMarks>({}) }, { weight: 1, arbitrary: soundMarks });

interface Glyph {
  quarters: number;
  notes: ScoreNote[];
  marks: SymbolMarks;
  cue: boolean;
}

const glyphArb = (fewest: number): fc.Arbitrary<Glyph> =>
  fc.record({
    quarters: fc.constantFrom(0.5, 1, 1, 1.5, 2),
    notes: fc.uniqueArray(noteArb(), { minLength: fewest, maxLength: 3, selector: (note) => note.key }),
    marks: sparse,
    cue: fc.integer({ min: 0, max: 9 }).map((n) => n === 0),
  });

/** A voice that says something in every bar. */
const voiceArb = fc
  .tuple(glyphArb(1), fc.array(glyphArb(0), { minLength: 5, maxLength: 5 }))
  .map(([first, rest]) => [first, ...rest]);

/** Glyphs one after the other until the bar is full. */
function filled(glyphs: readonly Glyph[], staff: number): SymbolInBar[] {
  const symbols: SymbolInBar[] = [];
  let at = 0;
  for (const { quarters, notes, marks, cue } of glyphs) {
    const duration = Math.min(quarters * QUARTER, BAR - at);
    const value = noteValue(duration);
    if (duration <= 0 || !value) break;
    const sounds = [...notes].sort((a, b) => a.key - b.key);
    const { fermata } = marks;
    const ofRest: SymbolMarks = fermata ? { fermata } : {};
    const own = sounds.length > 0 ? marks : ofRest;
    symbols.push({
      at,
      duration,
      type: value.type,
      dots: value.dots,
      // Most of a voice stands on its own staff.
      notes: sounds.map((note) =>
        staff === 2 && symbols.length === 1 && note.key === 71 ? { ...note, staff: 1 } : note,
      ),
      ...(cue && sounds.length > 0 && { cue: true as const }),
      ...(Object.keys(own).length > 0 && { marks: own }),
    });
    at += duration;
  }
  while (at < BAR) {
    const duration = noteValue(BAR - at)?.length ?? QUARTER / 2;
    const { type, dots } = noteValue(duration)!;
    symbols.push({ at, duration, type, dots, notes: [] });
    at += duration;
  }
  return symbols;
}

const barArb = (staves: number): fc.Arbitrary<PartBar> =>
  fc.array(voiceArb, { minLength: staves, maxLength: staves }).map((voices) => ({
    voices: voices.map((glyphs, s) => ({ staff: s + 1, voice: voiceNumber(s + 1, 0), symbols: filled(glyphs, s + 1) })),
  }));

const placeArb = fc.integer({ min: 0, max: BARS * 4 - 1 }).map((quarter) => quarter * QUARTER);

const harmonyArb: fc.Arbitrary<Harmony[]> = fc.uniqueArray(
  fc
    .record({
      at: placeArb,
      step: fc.constantFrom('C' as const, 'F' as const, 'B' as const),
      alter: fc.constantFrom(0, -1, 1),
      kind: fc.constantFrom(...(Object.keys(CHORD_KINDS) as Harmony['kind'][])).filter((kind) => kind !== 'other'),
      bass: fc.constantFrom(null, { step: 'E' as const, alter: -1 }),
      degrees: fc.constantFrom<ChordDegree[]>([], [{ value: 9, alter: -1, type: 'add' }]),
    })
    .map(({ at, step, alter, kind, bass, degrees }): Harmony => ({
      at,
      root: kind === 'none' ? null : { step, alter },
      kind,
      ...(degrees.length > 0 && kind !== 'none' && { degrees }),
      ...(bass && kind !== 'none' && { bass }),
    })),
  { maxLength: 4, selector: (one) => one.at },
);

const linesArb: fc.Arbitrary<PartLines> = fc
  .record({
    dynamics: fc.uniqueArray(placeArb, { maxLength: 3 }),
    level: fc.constantFrom(...DYNAMICS),
    printed: fc.constantFrom(null, 'pppp', 'n'),
    forces: fc.uniqueArray(placeArb, { maxLength: 2 }),
    sign: fc.constantFrom('sf', 'sfz', 'sffz', 'fz', 'rf', 'rfz').map((sign) => FORCES.find((one) => one === sign)!),
    words: fc.boolean(),
    pedal: fc.boolean(),
  })
  .map(({ dynamics, level, printed, forces, sign, words, pedal }) => ({
    ...NO_LINES,
    dynamics: [...dynamics]
      .sort((a, b) => a - b)
      .map((at, i) =>
        i === 0 && printed ? { at, staff: 1, level: 'ppp' as const, printed } : { at, staff: 1, level },
      ),
    forces: [...forces].sort((a, b) => a - b).map((at) => ({ at, staff: 1, sign })),
    hairpins: [
      { start: QUARTER, end: 3 * QUARTER, staff: 1, kind: 'crescendo' as const, ...(words && { words: 'cresc.' }) },
    ],
    pedals: pedal ? [{ start: 2 * QUARTER, end: 6 * QUARTER }] : [],
  }));

const CELESTA = { name: 'Celesta', instrument: 'celesta', program: 9 } as const;

const hasNotes = ({ voices }: PartBar) => voices.some(({ symbols }) => symbols.some(({ notes }) => notes.length > 0));

/** From the second bar on everything is played on the other instrument. */
function takenUp([first, ...later]: readonly PartBar[]): PartBar[] {
  const onOther = (note: ScoreNote) => ({ ...note, doubling: 0 });
  const changed = mapSymbols(later, (symbol) => ({
    ...symbol,
    notes: symbol.notes.map(onOther),
    ...(symbol.marks && { marks: mapGraces(symbol.marks, onOther) }),
  }));
  return [first!, ...changed];
}

const partArb = (p: number): fc.Arbitrary<Part> =>
  fc.constantFrom(1, 2).chain((staves) =>
    fc
      .record({
        bars: fc.array(barArb(staves), { minLength: BARS, maxLength: BARS }),
        lines: linesArb,
        harmonies: harmonyArb,
        clef: fc.boolean(),
        patch: fc.boolean(),
        doubling: fc.boolean(),
      })
      .map(({ bars, lines, harmonies, clef, patch, doubling }) =>
        plainPart(doubling ? takenUp(bars) : bars, {
          id: partId(`P${p + 1}`),
          ...(staves === 2
            ? { name: 'Piano', abbreviation: 'Pno.', instrument: 'piano', clefs: ['treble', 'bass'], program: 1 }
            : {}),
          lines,
          ...(harmonies.length > 0 && { harmonies: [...harmonies].sort((a, b) => a.at - b.at) }),
          ...(patch && { programChanges: [{ at: BAR + QUARTER, program: 60 }] }),
          ...(doubling && bars.slice(1).some(hasNotes) && { doublings: [CELESTA] }),
          clefChanges: clef ? [{ bar: 1, at: 2 * QUARTER, staff: 1, clef: 'bass' }] : [],
          writtenKeys: [0, 2],
        }),
      ),
  );

/** A score of three bars with two parts, everything in it. */
export const everyMark: fc.Arbitrary<Score> = fc
  .record({
    parts: fc.tuple(partArb(0), partArb(1)),
    meter: fc.constantFrom(null, [3, 1], [2, 2]),
    equals: fc.boolean(),
    form: fc.boolean(),
  })
  .map(({ parts, meter, equals, form }) => {
    const bars = layBars([{ at: 0, beats: 4, beatType: 4 }], BAR * BARS).map((bar) =>
      meter ? { ...bar, meter: { ...bar.meter, groups: meter } } : bar,
    );
    return plainScore(parts, bars, {
      title: 'Every mark',
      keys: [
        { bar: 0, fifths: 0, mode: 'major' },
        { bar: 1, at: QUARTER, fifths: 2, mode: 'minor' },
      ],
      tempos: [
        { at: 0, bpm: 96, shown: true },
        ...(equals
          ? [
              {
                at: BAR,
                bpm: 144,
                shown: true,
                equals: { before: { type: 'quarter' as const, dots: 0 }, after: { type: 'quarter' as const, dots: 1 } },
              },
            ]
          : []),
      ],
      signs: form
        ? { 0: { segno: true, toCoda: true }, 1: { jump: 'dalSegno', fermata: true }, 2: { coda: true } }
        : { 0: { repeatStart: true, barline: 'light-light' }, 1: { repeatEnd: { times: 3 } } },
    });
  });
