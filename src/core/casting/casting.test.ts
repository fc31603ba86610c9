import { partId, trackId } from '../base';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { line, performanceOf, type HandNote, type HandTrack } from '../../testing/music';
import { findKeyswitches } from '../performance';
import { cast, dealOut, DOUBTFUL, playersNeeded } from './index';
import { remediesFor } from '../queries';
import { instrumentById } from '../instruments';
import { NO_CASTING_SETTINGS, NO_SETTINGS, type CastingSettings, type Deal } from '../settings';
import { toScore } from '../to-score';

const cover = (tracks: readonly HandTrack[], settings: Partial<CastingSettings> = {}) => {
  const performance = performanceOf(tracks);
  return { performance, ...cast(performance, { ...NO_CASTING_SETTINGS, ...settings }) };
};
const names = (tracks: readonly HandTrack[], settings: Partial<CastingSettings> = {}) =>
  cover(tracks, settings).output.parts.map((part) => part.name);
const tune = (key: number): HandNote[] => line([key, 1], [key + 2, 1], [key + 4, 2]);
const later = (notes: readonly HandNote[], by: number): HandNote[] =>
  notes.map((note) => ({ ...note, at: note.at + by }));
const track = (name: string, key = 72): HandTrack => ({ name, notes: tune(key) });
const DEAL: Deal = { to: 'players', players: 2, spare: 'double', lines: 'smooth', order: 'straight' };

describe('names, numbers and order of parts', () => {
  it('stand in score order and are numbered', () => {
    expect(names([track('Vc', 48), track('Tpt 2'), track('Hn 1', 60), track('Tpt 1'), track('Fl')])).toEqual([
      'Flute',
      'Horn in F',
      'Trumpet in B♭ 1',
      'Trumpet in B♭ 2',
      'Violoncello',
    ]);
  });
  it('keep the numbers that the names have', () => {
    expect(names([track('Hn 1', 60), track('Hn 3', 60)])).toEqual(['Horn in F 1', 'Horn in F 3']);
    expect(names([track('Hn', 60), track('Hn', 60)])).toEqual(['Horn in F 1', 'Horn in F 2']);
  });
  it('count the players from 1 where the numbers are those of the tracks', () => {
    expect(names([track('05 Tenor Sax', 60), track('09 Tenor Sax', 60)])).toEqual([
      'Tenor Saxophone 1',
      'Tenor Saxophone 2',
    ]);
    expect(names([track('05 Tenor Sax', 60), track('07 Oboe')])).toEqual(['Oboe', 'Tenor Saxophone']);
    const chord: HandNote[] = [55, 59, 62, 67].flatMap((key) => [{ key, at: 0, length: 2 }]);
    const dealt = { deals: { [trackId('t1')]: { ...DEAL, players: 4 } } };
    expect(names([{ name: '05 Horns', notes: chord }], dealt)).toEqual([1, 2, 3, 4].map((n) => `Horn in F ${n}`));
    expect(names([track('Violin 12'), track('Vc', 48)])).toEqual(['Violin', 'Violoncello']);
  });
  it('take a bass among singers for a singer, and beside others for an instrument', () => {
    const choir = [track('Soprano', 67), track('Alto', 62), track('Tenor', 55)];
    expect(names([...choir, track('Bass', 45)])).toEqual(['Soprano', 'Alto', 'Tenor', 'Bass Voice']);
    const organ: HandTrack = { name: 'Organ', notes: [48, 55, 64, 72].map((key) => ({ key, at: 0, length: 4 })) };
    expect(names([...choir, organ, track('Flute'), track('Bass', 40)])).not.toContain('Bass Voice');
    const drums: HandTrack = { name: 'Drums', notes: [{ key: 36, at: 0, length: 1, channel: 10 }] };
    expect(names([...choir, track('Bass', 40), drums])).toContain('Bass Guitar');
  });
  it('take a bass beside a drum kit for a bass guitar, whatever stands in for it', () => {
    const drums: HandTrack = { name: 'Drums', notes: [{ key: 36, at: 0, length: 1, channel: 10 }] };
    const bass = (program: number): HandTrack => ({ name: 'Bass', program, notes: tune(40) });
    for (const program of [1, 5, 26, 34, 39]) expect(names([drums, bass(program)])).toContain('Bass Guitar');
    expect(names([drums, bass(59)])).toContain('Tuba');
  });
  it('take an alto for a voice in a choir and leave it open elsewhere', () => {
    expect(names([track('Soprano', 67), track('Alto', 62), track('Tenor', 55)])).toContain('Alto');
    expect(names([track('Violin', 67), track('Alto', 62), track('Cello', 48)])).toContain('Viola');
  });
  it('believe a program that somebody chose, and not one that all tracks have', () => {
    const of = (name: string, program: number): HandTrack => ({ name, program, notes: tune(60) });
    expect(names([of('MIDI 11', 31), of('Staff-5', 39), of('', 62)])).toEqual([
      'Brass',
      'Electric Guitar',
      'Bass Guitar',
    ]);
    const { output } = cover([of('a', 74), of('b', 74), of('c', 74)]);
    for (const { confidence } of output.tracks.slice(1)) expect(confidence).toBeLessThan(DOUBTFUL);
  });
  it('keep the letters that names have, and join the hands of a keyboard', () => {
    expect(names([track('Viola A', 60), track('Viola B', 57)])).toEqual(['Viola A', 'Viola B']);
    expect(names([track('Violin 1 A'), track('Violin 1 A')])).toEqual(['Violin 1 A', 'Violin 1 B']);
    for (const [right, left] of [
      ['rh', 'lh'],
      ['up', 'down'],
      ['Right Hand', 'Left Hand'],
      ['Piano upper', 'Piano lower'],
    ])
      expect(names([track(right!, 72), track(left!, 48)])).toEqual(['Piano']);
  });
  it('letter the desks of a divided section', () => {
    expect(names([track('Violin 1 B'), track('Violin 1 A'), track('Violin 2')])).toEqual([
      'Violin 1 A',
      'Violin 1 B',
      'Violin 2',
    ]);
    expect(names([track('Vln 1'), track('Vln 1'), track('Vln 2')])).toEqual(['Violin 1 A', 'Violin 1 B', 'Violin 2']);
  });
  it('put the soloist before the section', () => {
    expect(names([track('Vln 1'), track('Vln 2'), track('Violin solo')])).toEqual([
      'Solo Violin',
      'Violin 1',
      'Violin 2',
    ]);
    expect(names([track('Vln 1')], { solos: { [partId('t1')]: true } })).toEqual(['Solo Violin 1']);
  });
  it('can be chosen and moved', () => {
    expect(names([track('Fl'), track('Ob')], { partNames: { [partId('t1')]: 'Flauto' } })).toEqual(['Flauto', 'Oboe']);
    expect(
      names([track('Fl'), track('Ob'), track('Vc', 48)], { moves: [{ part: partId('t3'), before: partId('t1') }] }),
    ).toEqual(['Violoncello', 'Flute', 'Oboe']);
    expect(
      names([track('Fl'), track('Ob'), track('Vc', 48)], {
        moves: [
          { part: partId('t1'), before: null },
          { part: partId('t9'), before: partId('t2') },
        ],
      }),
    ).toEqual(['Oboe', 'Violoncello', 'Flute']);
  });
});

describe('gathering', () => {
  const violins = [
    { name: 'VLN 1 leg', notes: tune(72) },
    { name: 'VLN 1 pizz', notes: later(tune(74), 4) },
    { name: 'VLN 2 leg', notes: tune(67) },
  ];
  it('joins the techniques of one player, never two players', () => {
    const { output } = cover(violins);
    expect(output.parts.map((part) => [part.name, part.tracks])).toEqual([
      ['Violin 1', ['t1', 't2']],
      ['Violin 2', ['t3']],
    ]);
    const [part] = output.parts;
    expect(part!.notes.map((note) => part!.techniqueOf.get(note.id))).toEqual([
      'legato',
      'legato',
      'legato',
      'pizzicato',
      'pizzicato',
      'pizzicato',
    ]);
  });
  it('asks when both sound together, and does what is answered', () => {
    const together = [
      { name: 'VLN 1 leg', notes: tune(72) },
      { name: 'VLN 1 trem', notes: tune(76) },
    ];
    const { output, queries } = cover(together);
    expect(output.parts).toHaveLength(2);
    expect(queries).toMatchObject([{ kind: 'gather', track: 't2', facts: { into: 't1' } }]);
    const answered = cover(together, { gathered: { [trackId('t2')]: trackId('t1') } });
    expect(answered.output.parts.map((part) => part.tracks)).toEqual([['t1', 't2']]);
    expect(answered.queries).toMatchObject([{ kind: 'collision', bar: 0 }]);
    expect(cover(together, { gathered: { [trackId('t2')]: null } }).queries).toEqual([]);
  });
  it('can be undone track by track, and gather what has nothing in common', () => {
    expect(cover(violins, { gathered: { [trackId('t2')]: null } }).output.parts).toHaveLength(3);
    expect(
      cover([track('Fl'), track('Inst 4'), track('Inst 5')], {
        gathered: { [trackId('t2')]: trackId('t1'), [trackId('t3')]: trackId('t2') },
      }).output.parts.map((part) => part.tracks),
    ).toEqual([['t1', 't2', 't3']]);
  });
  it('puts left and right hand on two staves of one part', () => {
    const { output } = cover([
      { name: 'Piano LH', notes: tune(48) },
      { name: 'Piano RH', notes: tune(72) },
    ]);
    expect(output.parts.map((part) => part.sources.map((source) => [source.track, source.staff]))).toEqual([
      [
        ['t2', 1],
        ['t1', 2],
      ],
    ]);
  });
});

describe('keyswitches', () => {
  const music = line([67, 1], [69, 1], [71, 1], [72, 1], [74, 2], [72, 2]);
  const switched: HandTrack = {
    name: 'VLN 1 KS',
    notes: [{ key: 24, at: 0, length: 0.2 }, ...music, { key: 26, at: 4, length: 0.2 }],
  };
  it('are found, proposed, taken out, and leave their technique behind', () => {
    const { performance, queries } = cover([switched]);
    expect(findKeyswitches(performance.tracks[1]!.notes, instrumentById('violin'), 480)).toEqual([24, 26]);
    expect(queries).toMatchObject([{ kind: 'keyswitch', facts: { keys: [24, 26] } }]);
    const { output, queries: none } = cover([switched], {
      keyswitches: { [trackId('t1')]: { 24: 'none', 26: 'pizzicato' } },
    });
    expect(none).toEqual([]);
    const [part] = output.parts;
    expect(part!.notes.map((note) => [note.key, part!.techniqueOf.get(note.id)])).toEqual([
      [67, undefined],
      [69, undefined],
      [71, undefined],
      [72, undefined],
      [74, 'pizzicato'],
      [72, 'pizzicato'],
    ]);
  });
  it('are not one low note of the line, nor a second line below', () => {
    expect(
      cover([{ name: 'Violin', notes: line([67, 1], [69, 1], [50, 1], [71, 1]) }]).queries.map((query) => query.kind),
    ).not.toContain('keyswitch');
    const chords: HandNote[] = [0, 1, 2, 3].flatMap((at) => [
      { key: 40, at, length: 1 },
      { key: 43, at, length: 1 },
      { key: 72, at, length: 0.5 },
      { key: 74, at: at + 0.5, length: 0.5 },
    ]);
    expect(cover([{ name: 'Violin', notes: chords }]).queries.map((query) => query.kind)).not.toContain('keyswitch');
  });
});

describe('dealing out', () => {
  const chord = (keys: number[], at: number, length = 1): HandNote[] => keys.map((key) => ({ key, at, length }));
  const keysOf = (tracks: readonly HandTrack[], deal: Deal) =>
    cover(tracks, { deals: { [trackId('t1')]: deal } }).output.parts.map((part) => part.notes.map((note) => note.key));
  const horns = (notes: HandNote[]): HandTrack[] => [{ name: 'Hns a4', notes }];

  it('is proposed for as many players as sound at once', () => {
    const { queries } = cover(horns([...chord([65, 60, 57], 0), ...chord([67, 60, 55], 1)]));
    expect(queries).toMatchObject([{ kind: 'players', facts: { players: 3 } }]);
    expect(cover([{ name: 'Strings', notes: chord([76, 67, 60, 48], 0, 4) }]).queries).toMatchObject([
      { kind: 'players', facts: { choir: true } },
    ]);
    expect(cover([{ name: 'Piano', notes: chord([76, 67, 60, 48], 0, 4) }]).queries).toEqual([]);
  });
  it('gives chords from the top down, and one note to all', () => {
    expect(keysOf(horns([...chord([65, 60, 57, 53], 0), ...chord([67], 1)]), { ...DEAL, players: 4 })).toEqual([
      [65, 67],
      [60, 67],
      [57, 67],
      [53, 67],
    ]);
  });
  it('lets players rest when that is wished', () => {
    expect(keysOf(horns([...chord([65, 60], 0), ...chord([66], 1)]), { ...DEAL, spare: 'rest' })).toEqual([
      [65, 66],
      [60],
    ]);
  });
  it('seats players in pairs', () => {
    expect(keysOf(horns(chord([65, 60, 57, 53], 0)), { ...DEAL, players: 4, order: 'paired' })).toEqual([
      [65],
      [57],
      [60],
      [53],
    ]);
  });
  it('keeps a held note with its player while another moves', () => {
    expect(
      keysOf(horns([{ key: 60, at: 0, length: 4 }, ...line([65, 1], [67, 1], [69, 1], [67, 1])]), {
        ...DEAL,
        spare: 'rest',
      }),
    ).toEqual([[65, 67, 69, 67], [60]]);
  });
  it('numbers the players and names them in one breath with other parts', () => {
    expect(
      cover([{ name: 'Hns 3-4', notes: chord([60, 57], 0) }], { deals: { [trackId('t1')]: DEAL } }).output.parts.map(
        (part) => [part.id, part.name],
      ),
    ).toEqual([
      ['t1', 'Horn in F 3'],
      ['t1p2', 'Horn in F 4'],
    ]);
  });
  it('makes a string choir of a sketch', () => {
    const { output } = cover(
      [{ name: 'Strings', notes: [...chord([77, 69, 62, 53, 41], 0, 2), ...chord([76, 67, 60, 48, 36], 2, 2)] }],
      { deals: { [trackId('t1')]: { ...DEAL, to: 'string-choir', players: 5 } } },
    );
    expect(output.parts.map((part) => [part.name, part.notes.map((note) => note.key)])).toEqual([
      ['Violin 1', [77, 76]],
      ['Violin 2', [69, 67]],
      ['Viola', [62, 60]],
      ['Violoncello', [53, 48]],
      ['Double Bass', [41, 36]],
    ]);
  });
  it('asks when there are more notes than players', () => {
    const { queries } = cover(horns([...chord([65, 60], 0), ...chord([65, 62, 57], 1)]), {
      deals: { [trackId('t1')]: DEAL },
    });
    expect(queries.map((query) => query.kind)).toContain('crowded');
  });
  it('takes late releases for what they are', () => {
    const seconds = [
      { key: 60, start: 0, end: 1.08 },
      { key: 62, start: 1, end: 2 },
    ];
    expect(playersNeeded(seconds)).toBe(1);
    expect(playersNeeded([...seconds, { key: 55, start: 0.5, end: 2 }])).toBe(2);
  });

  it('gives every note to somebody, and nobody two notes while there are players enough', () => {
    const note = fc.record({
      key: fc.integer({ min: 45, max: 75 }),
      beat: fc.integer({ min: 0, max: 12 }),
      beats: fc.integer({ min: 1, max: 4 }),
    });
    fc.assert(
      fc.property(
        fc.array(note, { maxLength: 30 }),
        fc.constantFrom<'double' | 'rest'>('double', 'rest'),
        (list, spare) => {
          const notes = list.map(({ key, beat, beats }) => ({ key, start: beat, end: beat + beats }));
          const players = Array.from({ length: 4 }, () => ({
            range: [35, 77] as const,
            comfort: [35, 77] as const,
            kin: 'horn',
          }));
          const dealt = dealOut(notes, players, { spare, lines: 'smooth' });
          expect(dealt.players.every((to) => to.length > 0)).toBe(true);
          if (spare === 'rest') expect(dealt.players.every((to) => to.length === 1)).toBe(true);
          const most = Math.max(
            0,
            ...notes.map((one) => notes.filter((other) => other.start <= one.start && one.start < other.end).length),
          );
          const clash = notes.some((a, i) =>
            notes.some(
              (b, j) =>
                i < j &&
                a.start < b.end &&
                b.start < a.end &&
                dealt.players[i]!.some((p) => dealt.players[j]!.includes(p)),
            ),
          );
          // A doubled note keeps its players busy; only where nobody doubles is a free player certain.
          if (spare === 'rest' && most <= 4) expect(clash).toBe(false);
        },
      ),
    );
  });
});

describe('the house list’s answers', () => {
  it('count before a guess, not before what the file says clearly', () => {
    const settings = { house: { t1: { instrument: 'bassoon' }, t2: { instrument: 'oboe' } } };
    const { output, queries } = cover([track('Slot warm', 48), track('Flute')], settings);
    expect(output.tracks.slice(1).map((one) => [one.instrument.id, one.by])).toEqual([
      ['bassoon', 'house list'],
      ['flute', 'engine'],
    ]);
    expect(queries).toMatchObject([{ kind: 'house-list', track: 't2' }]);
    expect(
      cover([track('Flute')], {
        house: { [trackId('t1')]: { instrument: 'oboe' } },
        instruments: { [trackId('t1')]: 'oboe' },
      }).queries,
    ).toEqual([]);
  });
  it('carry names, techniques and dealing out', () => {
    const { output } = cover([{ name: 'Slot warm', notes: [...tune(60), ...tune(55)] }], {
      house: { [trackId('t1')]: { instrument: 'horn-f', technique: 'muted', deal: DEAL, partName: 'Corno' } },
    });
    expect(output.parts.map((part) => part.name)).toEqual(['Corno', 'Horn in F 2']);
    expect(output.parts[0]!.notes.map((note) => output.parts[0]!.techniqueOf.get(note.id))).toEqual(
      Array(3).fill('muted'),
    );
  });
});

describe('company', () => {
  it('settles what a name leaves open', () => {
    const { output } = cover([
      track('Oboe'),
      { name: 'Player 3', program: 72, notes: tune(60) },
      { name: 'Bassoon', notes: tune(48) },
    ]);
    expect(output.tracks[2]!.instrument.id).toBe('clarinet-bflat');
    expect(output.tracks[2]!.recognition.candidates[0]!.evidence).toContain('between Oboe and Bassoon');
  });
});

describe('what is not sure', () => {
  const strings = (name: string, program: number) =>
    performanceOf([{ name, program, notes: line([60, 1], [64, 1], [67, 1], [72, 1]) }]);
  it('is asked about, the way it is written first', () => {
    const { casting, queries } = toScore(strings('16th', 1), NO_SETTINGS);
    const track = casting.tracks.find(({ name }) => name === '16th');
    expect(track!.confidence).toBeLessThan(DOUBTFUL);
    const asked = queries.find(({ kind }) => kind === 'unknown-instrument')!;
    expect(asked.message).toMatch(/“16th” is written for .* \(\d\d % confidence\)\. Is it\?/);
    const [first] = remediesFor(asked);
    expect(first!.decision).toMatchObject({ kind: 'assignInstrument', instrument: track!.instrument.id });
  });
  it('is in a query for every part of low confidence, one query however many there are', () => {
    for (const name of ['Aux', '16th', 'Bla 3', 'Staff-5'])
      for (const program of [1, 19, 27, 34, 49, 53, 72, 90]) {
        const notes = line([60, 1], [64, 1], [67, 1], [72, 1]);
        const tracks = [name, `${name} b`].map((own) => ({ name: own, program, notes }));
        const { casting, queries } = toScore(performanceOf(tracks), NO_SETTINGS);
        const low = casting.tracks.filter(({ confidence, leftOut }) => !leftOut && confidence < DOUBTFUL).length;
        const asked = queries.flatMap((one) => {
          if (one.kind === 'unknown-instrument') return [one.track];
          return one.kind === 'unsure-instruments' ? one.facts.written.map(({ track }) => track) : [];
        });
        expect(asked, `${name} ${program}`).toHaveLength(low);
        const together = queries.find(({ kind }) => kind === 'unsure-instruments');
        expect(together !== undefined).toBe(low > 1 && !queries.some(({ kind }) => kind === 'unknown-instrument'));
      }
  });
  it.each([
    ['Vln 1', 46, 'pizzicato'],
    ['Vln 1', 45, 'tremolo'],
    ['Trumpet', 60, 'muted'],
    ['Vln 1', 41, null],
    ['Vln 1 leg', 46, 'legato'],
    ['Harp', 46, null],
  ])('%s with program %i is played %s', (name, program, technique) => {
    const { casting } = toScore(strings(name, program), NO_SETTINGS);
    expect(casting.tracks.find((track) => track.name === name)!.technique).toBe(technique);
  });
});
