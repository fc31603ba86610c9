import { beforeAll, describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../../demo/make';
import { sequencersScore } from '../../../testing/unkind-sources';
import { barOf, named, plainPart, plainScore } from '../../../testing/scores';
import { partId, trackId } from '../../base';
import type { Decision } from '../../decisions';
import { EMPTY_LEDGER, enter, settingsOf } from '../../documents';
import { ScoreDesk } from '../../engine';
import { readMusicXml, writeMusicXml } from '../../musicxml';
import { remediesFor, type Query } from '../../queries';
import { checkScore, NO_LINES, soundsOf, symbolsOf, type Part, type PartBar, type Score } from '../../score';
import { NO_SETTINGS } from '../../settings';
import { QUARTER } from '../../time';

const bytesOf = (score: Score) => new TextEncoder().encode(writeMusicXml(score));
const again = (bytes: Uint8Array) => writeMusicXml(readMusicXml(bytes).score);

function converted(bytes: readonly Uint8Array[], ...decisions: Decision[]) {
  const settings = settingsOf(decisions.reduce(enter, EMPTY_LEDGER));
  const desk = ScoreDesk.open(bytes, settings);
  const conversion = desk.convert(settings);
  return { desk, ...conversion, text: new TextDecoder().decode(desk.export('musicxml')) };
}

const flute = plainPart(
  [
    barOf([60, 1, { articulations: ['accent'] }], [62, 0.5], [64, 0.5], [65, 2]),
    barOf([67, 1.5], [65, 0.5], [64, 2]),
    barOf([null, 2], [60, 2]),
    barOf([60, 1], [62, 1], [64, 1], [65, 1]),
  ],
  {
    lines: { ...NO_LINES, slurs: [{ start: 0, end: QUARTER, voice: 1 }], dynamics: [{ at: 0, staff: 1, level: 'p' }] },
  },
);
const little = plainScore([
  flute,
  { ...flute, id: partId('t2'), name: 'Soloist in the gallery', abbreviation: 'Sol.' },
]);

describe('a score on its way to a score', () => {
  let demo: Uint8Array;
  beforeAll(() => {
    const desk = ScoreDesk.open([demoOriginal()], NO_SETTINGS);
    desk.convert(NO_SETTINGS);
    demo = desk.export('musicxml');
  });

  it('goes out as it came when nothing is decided: the demo, its tuplets, drums, transpositions, keys', () => {
    const { text, score, queries, desk } = converted([demo]);
    expect(text).toBe(again(demo));
    expect(checkScore(score)).toEqual([]);
    expect(queries).toEqual([]);
    expect(desk.agreement().words).toMatch(/^Every one of 1,223 notes is there/);
  });

  it('keeps names that somebody gave, marks and lines', () => {
    const { score } = converted([bytesOf(little)]);
    expect(score.parts.map(({ name, abbreviation }) => [name, abbreviation])).toEqual([
      ['Flute', 'Fl.'],
      ['Soloist in the gallery', 'Sol.'],
    ]);
    expect(score.parts[0]!.bars[0]!.voices[0]!.symbols[0]!.marks).toEqual({ articulations: ['accent'] });
    expect(score.parts[0]!.lines).toMatchObject({ slurs: [{ start: 0, end: QUARTER }], dynamics: [{ level: 'p' }] });
  });

  it('keeps repeat signs, parts without notes, and bars as long as they are', () => {
    const silent = plainPart(
      flute.bars.map(() => barOf([null, 4])),
      { id: partId('t3'), name: 'Tuba', instrument: 'tuba', program: 59 },
    );
    const signed = plainScore([flute, silent], undefined, {
      signs: { 0: { repeatStart: true }, 1: { repeatEnd: { times: 2 } } },
    });
    const pickup = writeMusicXml(signed).replace(
      /<measure number="1"[^]*?<\/measure>/g,
      '<measure number="0" implicit="yes"><attributes><divisions>2</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes><note><pitch><step>G</step><octave>4</octave></pitch><duration>2</duration><voice>1</voice><type>quarter</type></note></measure>',
    );
    for (const file of [bytesOf(signed), new TextEncoder().encode(pickup)]) {
      const { text, score } = converted([file]);
      expect(text).toBe(again(file));
      expect(score.parts).toHaveLength(2);
    }
  });

  it('leaves layout to the target, or keeps its breaks', () => {
    const file = bytesOf(little);
    const broken = new TextEncoder().encode(
      new TextDecoder()
        .decode(file)
        .replace(/<measure number="2"[^>]*>/g, '$&<print new-system="yes"/>')
        .replace(/<measure number="4"[^>]*>/g, '$&<print new-page="yes"/>'),
    );
    expect(converted([broken]).text).not.toContain('<print');
    const { text } = converted([broken], { kind: 'setBreaks', keep: true });
    expect(text.match(/<measure number="2"[^>]*>\s*<print new-system="yes"\/>/g)).toHaveLength(2);
    expect(text.match(/<measure number="4"[^>]*>\s*<print new-page="yes"\/>/g)).toHaveLength(2);
  });

  it('keeps a soloist, and asks nothing about an instrument that bears a name', () => {
    const soloist = { ...flute, solo: true, name: 'Philomel', instrument: 'unknown' as const, program: null };
    const { score, queries } = converted([bytesOf(plainScore([soloist]))]);
    expect(score.parts[0]).toMatchObject({ name: 'Philomel', solo: true });
    expect(queries).toEqual([]);
  });

  it('writes bars anew where a grid is set, and only those', () => {
    const { score } = converted([bytesOf(little)], {
      kind: 'setGrid',
      part: partId('t0'),
      smallest: 'quarter',
      triplets: false,
      bars: { from: 1, to: 2 },
    });
    const [part] = score.parts;
    const starts = soundsOf(part!, score.bars).map(({ start }) => start / QUARTER);
    expect(starts.filter((at) => at < 4)).toEqual([0, 1, 1.5, 2]);
    expect(starts.filter((at) => at >= 4 && at < 8).every(Number.isInteger)).toBe(true);
    expect(part!.bars[0]!.voices[0]!.symbols[0]!.marks).toEqual({ articulations: ['accent'] });
    expect(checkScore(score)).toEqual([]);
  });

  describe('written anew', () => {
    const cued = (bar: PartBar, cue = true): PartBar => ({
      voices: bar.voices.map((voice) => ({
        ...voice,
        symbols: voice.symbols.map((symbol) => (symbol.notes.length > 0 ? { ...symbol, ...(cue && { cue }) } : symbol)),
      })),
    });
    const smallNotes = ({ bars }: Part) =>
      bars.map(({ voices }) =>
        voices.flatMap(({ symbols }) =>
          symbols.filter(({ cue }) => cue).flatMap(({ notes }) => notes.map(({ key }) => key)),
        ),
      );
    const horn = plainPart([cued(barOf([67, 2], [65, 2])), barOf([67, 1.5], [65, 0.5], [64, 2]), barOf([null, 4])], {
      name: 'Horn in F',
      instrument: 'horn-f',
      transposition: 7,
      transpositionSteps: 4,
    });
    // Written a fifth above what sounds. A cue under notes of the part's own: in a second voice.
    const under = horn.bars[1]!.voices[0]!;
    horn.bars[1] = { voices: [under, { ...cued(barOf([null, 2], [72, 2])).voices[0]!, voice: 2 }] };

    it.each([undefined, { from: 0, to: 2 }])('keeps its cues, in bars %j', (bars) => {
      const bytes = bytesOf(plainScore([horn]));
      const plain = converted([bytes]).score.parts[0]!;
      expect(smallNotes(plain)).toEqual([[60, 58], [65], []]);
      const { score, desk } = converted([bytes], {
        kind: 'setGrid',
        part: partId('t0'),
        smallest: 'eighth',
        triplets: false,
        ...(bars && { bars }),
      });
      expect(smallNotes(score.parts[0]!)).toEqual([[60, 58], [65], []]);
      const names = (part: Part) => [...symbolsOf(part)].flatMap(({ symbol }) => symbol.notes.map((n) => n.pitch));
      expect(names(score.parts[0]!)).toEqual(names(plain));
      expect(checkScore(score)).toEqual([]);
      expect(desk.agreement().words).toMatch(/^Every one of 3 notes is there/);
    });

    it('keeps which instrument a player takes up, and what is read on it', () => {
      const doubled = plainPart([barOf([72, 2], [74, 2]), barOf([null, 4]), barOf([60, 2], [62, 2]), barOf([72, 4])], {
        name: 'Oboe',
        instrument: 'oboe',
        program: 69,
        doublings: [{ name: 'English Horn', instrument: 'english-horn', program: 70 }],
      });
      doubled.bars[2]!.voices[0]!.symbols.forEach((symbol) => symbol.notes.forEach((note) => (note.doubling = 0)));
      doubled.transpositionChanges = [
        { bar: 2, transposition: 7, transpositionSteps: 4 },
        { bar: 3, transposition: 0, transpositionSteps: 0 },
      ];
      const bytes = bytesOf(plainScore([doubled]));
      const part = partId('t0');
      const anew = converted([bytes], { kind: 'setGrid', part, smallest: 'eighth', triplets: false }).score.parts[0]!;
      expect(anew.transpositionChanges).toEqual(doubled.transpositionChanges);
      expect(anew.doublings).toEqual(doubled.doublings);
      const whose = [...symbolsOf(anew)].flatMap(({ symbol }) =>
        symbol.notes.map(({ key, doubling }) => [key, doubling]),
      );
      expect(whose).toEqual([
        [72, undefined],
        [74, undefined],
        [53, 0],
        [55, 0],
        [72, undefined],
      ]);
    });
  });

  it('moves a note by hand and keeps its marks', () => {
    const before = converted([bytesOf(little)]);
    const note = before.score.parts[0]!.bars[0]!.voices[0]!.symbols[0]!.notes[0]!.played[0]!;
    const { score } = converted([bytesOf(little)], {
      kind: 'shiftNotes',
      part: partId('t0'),
      notes: [note],
      semitones: 12,
    });
    const [first] = score.parts[0]!.bars[0]!.voices[0]!.symbols;
    expect(first).toMatchObject({ notes: [{ key: 72 }], marks: { articulations: ['accent'] } });
    expect(score.parts[0]!.bars.slice(1)).toEqual(before.score.parts[0]!.bars.slice(1));
  });

  it('transposes for another instrument, marks and all', () => {
    const { score } = converted([bytesOf(little)], {
      kind: 'assignInstrument',
      tracks: [trackId('t0')],
      instrument: 'clarinet-bflat',
    });
    const [part] = score.parts;
    expect(part).toMatchObject({ name: 'Clarinet in B♭', transposition: 2, writtenKeys: [2] });
    expect(part!.bars[0]!.voices[0]!.symbols[0]).toMatchObject({
      notes: [{ key: 60, pitch: { step: 'D', alter: 0, octave: 4 } }],
      marks: { articulations: ['accent'] },
    });
    expect(checkScore(score)).toEqual([]);
  });

  it('deals a part of chords out to players who keep its marks', () => {
    const chord = (keys: number[]) => ({
      voices: [
        {
          ...barOf([keys[0]!, 4, { articulations: ['tenuto'] }]).voices[0]!,
          symbols: barOf([keys[0]!, 4, { articulations: ['tenuto'] }]).voices[0]!.symbols.map((symbol) => ({
            ...symbol,
            notes: keys.map((key) => ({ ...symbol.notes[0]!, key, pitch: named(key) })),
          })),
        },
      ],
    });
    const horns = plainPart([chord([60, 64]), chord([59, 65])], {
      name: 'Oboes',
      instrument: 'oboe',
      lines: flute.lines,
    });
    const { score } = converted([bytesOf(plainScore([horns]))], {
      kind: 'dealOut',
      track: trackId('t0'),
      deal: { to: 'players', players: 2, spare: 'double', lines: 'smooth', order: 'straight' },
    });
    expect(score.parts.map((part) => soundsOf(part, score.bars).map(({ key }) => key))).toEqual([
      [64, 65],
      [60, 59],
    ]);
    for (const part of score.parts) {
      expect(part.bars[1]!.voices[0]!.symbols[0]!.marks).toEqual({ articulations: ['tenuto'] });
      expect(part.lines.dynamics).toHaveLength(1);
    }
  });

  it('copies the articulation of a bar to all bars of its rhythm', () => {
    const bars = Array.from({ length: 40 }, (_, b) =>
      barOf([60, 1, b === 0 ? { articulations: ['staccato'] } : undefined], [62, 1], [64, 1], [65, 1]),
    );
    const { score } = converted([bytesOf(plainScore([plainPart(bars)]))], {
      kind: 'copyPattern',
      part: partId('t0'),
      bar: 0,
      bars: { from: 0, to: 40 },
    });
    expect(
      score.parts[0]!.bars.every((bar) => bar.voices[0]!.symbols[0]!.marks?.articulations?.[0] === 'staccato'),
    ).toBe(true);
  });

  it('takes several files, a part in each, and asks about files of different pieces', () => {
    const one = bytesOf(plainScore([flute], undefined, { title: 'Goose' }));
    const other = (title: string, bars: Part['bars']) =>
      bytesOf(plainScore([plainPart(bars, { name: 'Oboe', instrument: 'oboe' })], undefined, { title }));
    const together = converted([one, other('Goose', flute.bars)]);
    expect(together.score.parts.map(({ name }) => name)).toEqual(['Flute', 'Oboe']);
    expect(together.queries).toEqual([]);
    const strange = converted([one, other('Gander', flute.bars.slice(0, 2))]);
    expect(strange.queries.map(({ message }) => message)).toEqual([
      'Original 2 is called “Gander” and original 1 “Goose”, and has 2 bars and original 1 has 4: are they of one piece? Bars that one of them lacks are empty.',
      'Oboe, bar 3: the part ends after 2 of 4 bars; the rest of it is empty.',
    ]);
    expect(checkScore(strange.score)).toEqual([]);
  });
});

describe('a score as a sequencer exports it', () => {
  const source = sequencersScore();
  const remedy = (query: Query): Decision => remediesFor(query)[0]!.decision;

  it('is put right by three decisions, each the first remedy of a query', () => {
    const received = converted([source]);
    const asked = received.queries.filter(({ kind }) => kind.startsWith('received-'));
    expect(asked.map(({ kind }) => kind)).toEqual([
      'received-spelling',
      'received-transposition',
      'received-percussion',
    ]);
    const { score, queries, text } = converted([source], ...asked.map(remedy));
    expect(queries.filter(({ kind }) => kind.startsWith('received-'))).toEqual([]);
    expect(checkScore(score)).toEqual([]);
    expect(text).not.toContain('<print');
    // Names and instruments from the programs, drums on their staff in two voices, the demo's key.
    const names = score.parts.map(({ name }) => name);
    expect(names.filter((name) => /^Track|\d/.test(name))).toEqual([]);
    expect(names).toEqual(expect.arrayContaining(['Flute', 'Clarinet in B♭', 'Drum Kit']));
    const drums = score.parts.find(({ unpitched }) => unpitched)!;
    expect(new Set(drums.bars.flatMap(({ voices }) => voices.map(({ voice }) => voice))).size).toBe(2);
    expect(score.keys[0]).toMatchObject({ fifths: -4 });
    expect(score.parts.find(({ name }) => name === 'Clarinet in B♭')).toMatchObject({ transposition: 2 });
  });
});
