import { partId } from '../base';
import { describe, expect, it } from 'vitest';
import { keySignature, line, meta, performanceOf, tempo, type HandNote } from '../../testing/music';
import { DRUM_LAYOUTS, GENERAL_MIDI_DRUMS } from '../instruments';
import { encodeText, Meta } from '../smf';
import { concertScore, graceNotesOf, lineOfFifths, pitchName, playOrder, soundsOf, type Score } from '../score';
import { QUARTER } from '../time';
import { toScore } from './index';
import { NO_SETTINGS, type ConversionSettings } from '../settings';

const namesOf = (score: Score, part = 0) =>
  soundsOf(score.parts[part]!, score.bars).map((sound) => pitchName(sound.pitch));
const spelled = (keys: number[], fifths: number, minor = false, settings: Partial<ConversionSettings> = {}) =>
  namesOf(
    toScore(performanceOf([{ name: 'Oboe', notes: line(...keys.map((key): [number, number] => [key, 1])) }]), {
      ...NO_SETTINGS,
      key: { fifths, mode: minor ? 'minor' : 'major' },
      ...settings,
    }).score,
  );

describe('names of notes', () => {
  // Scales as theory textbooks spell them, from memory.
  const scales: [string, number[], number, boolean, string][] = [
    ['C major up', [60, 62, 64, 65, 67, 69, 71, 72], 0, false, 'C4 D4 E4 F4 G4 A4 B4 C5'],
    ['G flat major', [66, 68, 70, 71, 73, 75, 77, 78], -6, false, 'G♭4 A♭4 B♭4 C♭5 D♭5 E♭5 F5 G♭5'],
    ['F sharp major', [66, 68, 70, 71, 73, 75, 77, 78], 6, false, 'F♯4 G♯4 A♯4 B4 C♯5 D♯5 E♯5 F♯5'],
    ['A harmonic minor', [69, 71, 72, 74, 76, 77, 80, 81], 0, true, 'A4 B4 C5 D5 E5 F5 G♯5 A5'],
    ['C harmonic minor', [60, 62, 63, 65, 67, 68, 71, 72], -3, true, 'C4 D4 E♭4 F4 G4 A♭4 B4 C5'],
    [
      'A melodic minor up and down',
      [69, 71, 72, 74, 76, 78, 80, 81, 79, 77, 76, 74, 72, 71, 69],
      0,
      true,
      'A4 B4 C5 D5 E5 F♯5 G♯5 A5 G5 F5 E5 D5 C5 B4 A4',
    ],
    ['C sharp harmonic minor', [61, 63, 64, 66, 68, 69, 72, 73], 4, true, 'C♯4 D♯4 E4 F♯4 G♯4 A4 B♯4 C♯5'],
    [
      'chromatic scale up in C',
      [60, 61, 62, 63, 64, 65, 66, 67, 68, 69],
      0,
      false,
      'C4 C♯4 D4 D♯4 E4 F4 F♯4 G4 G♯4 A4',
    ],
    [
      'chromatic scale down in C',
      [72, 71, 70, 69, 68, 67, 66, 65, 64, 63, 62],
      0,
      false,
      'C5 B4 B♭4 A4 A♭4 G4 G♭4 F4 E4 E♭4 D4',
    ],
  ];
  it.each(scales)('%s', (_, keys, fifths, minor, names) => {
    // The scale of a minor key alone may be heard as its relative major: the tonic is held around it.
    const frame = minor ? [keys[0]!, keys[0]! + 7, keys[0]!] : [];
    expect(
      spelled([...frame, ...keys, ...frame], fifths, minor)
        .slice(frame.length, frame.length + keys.length)
        .join(' '),
    ).toBe(names);
  });
  it('may be chosen: for single notes, or for some bars', () => {
    const keys = [60, 61, 62, 63, 64, 66, 67, 60];
    expect(spelled(keys, 0).join(' ')).toBe('C4 C♯4 D4 D♯4 E4 F♯4 G4 C4');
    expect(
      spelled(keys, 0, false, { spellings: [{ kind: 'notes', part: partId('t1'), notes: [1], prefer: 'flats' }] }).join(
        ' ',
      ),
    ).toBe('C4 D♭4 D4 D♯4 E4 F♯4 G4 C4');
    expect(
      spelled(keys, 0, false, {
        spellings: [{ kind: 'bars', part: null, bars: { from: 1, to: 2 }, prefer: 'flats' }],
      }).join(' '),
    ).toBe('C4 C♯4 D4 D♯4 E4 G♭4 G4 C4');
    expect(
      spelled(keys, 0, false, {
        spellings: [{ kind: 'bars', part: partId('t9'), bars: { from: 0, to: 9 }, prefer: 'flats' }],
      }).join(' '),
    ).toBe('C4 C♯4 D4 D♯4 E4 F♯4 G4 C4');
  });
});

describe('keys', () => {
  const inKey = (tonic: number, bars: number, from: number): HandNote[] =>
    Array.from({ length: bars * 4 }, (_, i) => ({
      key: tonic + [0, 4, 7, 5, 2, 7, 11, 12][i % 8]!,
      at: from + i,
      length: 1,
    }));
  it('may be set for the piece and from single bars on', () => {
    const performance = performanceOf([{ name: 'Oboe', notes: inKey(60, 12, 0) }]);
    const keys = (settings: Partial<ConversionSettings>) =>
      toScore(performance, { ...NO_SETTINGS, ...settings }).score.keys.map(({ bar, fifths }) => [bar, fifths]);
    expect(
      keys({
        key: { fifths: 2, mode: 'major' },
        keyChanges: [
          { bar: 4, fifths: -1, mode: 'major' },
          { bar: 8, fifths: 2, mode: 'major' },
        ],
      }),
    ).toEqual([
      [0, 2],
      [4, -1],
      [8, 2],
    ]);
    expect(keys({ keyChanges: [{ bar: 4, fifths: 0, mode: 'major' }] })).toEqual([[0, 0]]);
  });
  it('are asked about where the music leaves a key that the file states', () => {
    const performance = performanceOf(
      [{ name: 'Oboe', notes: [...inKey(62, 12, 0), ...inKey(63, 12, 48)] }],
      [keySignature(0, 2)],
    );
    const { queries } = toScore(performance, NO_SETTINGS);
    expect(
      queries
        .filter((query) => query.kind === 'key-change')
        .map(({ bar, facts }) => [bar, facts.stretches.map(({ heard }) => heard.fifths)]),
    ).toEqual([[12, [-3]]]);
  });
  it('are read in written pitch, or at concert pitch on request', () => {
    const performance = performanceOf(
      [
        { name: 'Clarinet in Bb', notes: inKey(60, 4, 0) },
        { name: 'Double Bass', notes: inKey(36, 4, 0) },
      ],
      [keySignature(0, 0), keySignature(4, 0)],
    );
    const { score } = toScore(performance, { ...NO_SETTINGS, key: { fifths: 0, mode: 'major' } });
    const concert = concertScore(score);
    expect(score.parts.map((part) => [part.transposition, part.writtenKeys[0]])).toEqual([
      [2, 2],
      [12, 0],
    ]);
    expect(concert.parts.map((part) => [part.transposition, part.writtenKeys[0]])).toEqual([
      [0, 0],
      [12, 0],
    ]);
    expect(
      soundsOf(concert.parts[0]!, concert.bars).every(
        (sound) => lineOfFifths(sound.pitch) >= -1 && lineOfFifths(sound.pitch) <= 5,
      ),
    ).toBe(true);
  });
});

describe('percussion', () => {
  const kit = (notes: HandNote[], settings: Partial<ConversionSettings> = {}, name = 'Drums') =>
    toScore(performanceOf([{ name, notes: notes.map((note) => ({ ...note, channel: 10 })) }]), {
      ...NO_SETTINGS,
      ...settings,
    });
  const places = ({ score }: ReturnType<typeof kit>) => [
    ...new Set(
      score.parts[0]!.bars.flatMap((bar) =>
        bar.voices.flatMap((voice) =>
          voice.symbols.flatMap((symbol) =>
            symbol.notes.map((note) => `${note.key} ${pitchName(note.pitch)} ${note.notehead} ${voice.voice}`),
          ),
        ),
      ),
    ),
  ];
  const beat = [36, 38, 36, 38].map((key, i) => ({ key, at: i, length: 0.2 }));

  it('is read by General MIDI unless another map is chosen', () => {
    expect(places(kit(beat))).toEqual(['38 C5 normal 1', '36 F4 normal 2']);
    const upside: ConversionSettings['drumMaps'] = {
      [partId('t1')]: {
        name: 'Own',
        sounds: [
          { key: 36, name: 'Boom', step: 'A', octave: 4, notehead: 'diamond', limb: 'hands' },
          { key: 38, name: 'Clack', step: 'E', octave: 5, notehead: 'x', limb: 'feet' },
        ],
      },
    };
    const own = kit(beat, { drumMaps: upside });
    expect(places(own)).toEqual(['36 A4 diamond 1', '38 E5 x 2']);
    expect(own.score.parts[0]!.struck).toEqual([
      { key: 36, name: 'Boom' },
      { key: 38, name: 'Clack' },
    ]);
  });
  it('asks about keys its map does not have, and reads them as what they are said to be', () => {
    const strange = [...beat, { key: 28, at: 4, length: 0.2 }, { key: 28, at: 5, length: 0.2 }];
    const doubt = kit(strange).queries.find((query) => query.kind === 'unmapped-drum')!;
    expect(doubt.message).toBe(
      'Drum Kit, bar 2, beat 1: key 28 is not in the drum map (2 times); 35 is Acoustic Bass Drum.',
    );
    const answered = kit(strange, { drumKeys: { [partId('t1')]: { 28: 36 } } });
    expect(answered.queries.filter((query) => query.kind === 'unmapped-drum')).toEqual([]);
    // Another place on paper, the same key for playback.
    expect(places(answered)).toContain('28 F4 normal 2');
  });
  it('writes an instrument with a single sound on a single line', () => {
    const { score } = kit(
      [0, 1, 2, 3].map((at) => ({ key: 56, at, length: 0.2 })),
      {},
      'Triangle',
    );
    expect(score.parts[0]).toMatchObject({
      instrument: 'triangle',
      staffLines: 1,
      struck: [{ key: 56, name: 'Triangle' }],
    });
  });
  it('writes a flam as a grace note, and keeps both strokes', () => {
    const { score } = kit([
      { key: 38, at: 0.97, length: 0.02, velocity: 40 },
      { key: 38, at: 1, length: 0.2, velocity: 100 },
      { key: 38, at: 2, length: 0.2 },
      { key: 38, at: 3, length: 0.2 },
    ]);
    const graces = score.parts[0]!.bars[0]!.voices[0]!.symbols.flatMap((symbol) => graceNotesOf(symbol));
    expect(graces.map((note) => note.key)).toEqual([38]);
  });
  // Names and numbers of the standard's percussion keys: MIDI Association, General MIDI Level 1.
  it('has layouts with sound places, each key once', () => {
    for (const layout of DRUM_LAYOUTS) {
      expect(new Set(layout.sounds.map((sound) => sound.key)).size).toBe(layout.sounds.length);
      expect(layout.sounds.every((sound) => sound.name.length > 0 && sound.key >= 0 && sound.key < 128)).toBe(true);
    }
    expect([35, 36, 38, 42, 49, 54, 56].map((key) => GENERAL_MIDI_DRUMS.get(key)!.name)).toEqual([
      'Acoustic Bass Drum',
      'Bass Drum 1',
      'Acoustic Snare',
      'Closed Hi-Hat',
      'Crash Cymbal 1',
      'Tambourine',
      'Cowbell',
    ]);
  });
});

describe('words', () => {
  it('of markers become rehearsal marks where they look like them, or as one wishes', () => {
    const performance = performanceOf(
      [{ name: 'Flute', notes: line([72, 4], [74, 4], [76, 4]) }],
      [
        meta(0, Meta.marker, encodeText('A')),
        meta(1920, Meta.marker, encodeText('Verse two')),
        meta(3840, Meta.marker, encodeText('Rehearsal 12')),
      ],
    );
    const markers = (settings: Partial<ConversionSettings>) =>
      toScore(performance, { ...NO_SETTINGS, ...settings }).score.markers.map(
        ({ text, rehearsal }) => `${rehearsal ? '□ ' : ''}${text}`,
      );
    expect(markers({})).toEqual(['□ A', 'Verse two', '□ 12']);
    expect(markers({ markerStyle: 'rehearsal' })).toEqual(['□ A', '□ Verse two', '□ Rehearsal 12']);
    expect(markers({ markerStyle: 'text' })).toEqual(['A', 'Verse two', 'Rehearsal 12']);
  });
  it('of tempo stand with the tempo they speak of', () => {
    const performance = performanceOf(
      [{ name: 'Flute', notes: line([72, 4], [74, 4], [76, 4], [77, 4]) }],
      [
        tempo(0, 60),
        meta(0, Meta.text, encodeText('Adagio')),
        tempo(8, 132),
        meta(3840, Meta.text, encodeText('Allegro vivace')),
        meta(5760, Meta.text, encodeText('take 3 final')),
      ],
    );
    expect(
      toScore(performance, NO_SETTINGS).score.tempos.map(({ at, bpm, words }) => [at / QUARTER, bpm, words]),
    ).toEqual([
      [0, 60, 'Adagio'],
      [8, 132, 'Allegro vivace'],
    ]);
  });
  it('that are sung stand under their notes, syllable by syllable', () => {
    const texts = [
      ['The', 0],
      ['clock-', 1],
      ['ma-', 2],
      ['ker', 3],
    ].map(([text, at]) => meta(Number(at) * 480, Meta.lyric, encodeText(String(text))));
    const { score } = toScore(
      performanceOf([{ name: 'Soprano', notes: line([72, 1], [74, 1], [76, 1], [77, 1]), extra: texts }]),
      NO_SETTINGS,
    );
    expect(score.parts[0]!.bars[0]!.voices[0]!.symbols.map((symbol) => symbol.marks?.lyrics?.[0])).toEqual([
      { verse: 1, text: 'The', syllabic: 'single' },
      { verse: 1, text: 'clock', syllabic: 'begin' },
      { verse: 1, text: 'ma', syllabic: 'middle' },
      { verse: 1, text: 'ker', syllabic: 'end' },
    ]);
  });
});

describe('repeats', () => {
  const tune = (endings: number[]): HandNote[] =>
    endings.flatMap((last, pass) =>
      [60, 62, 64, 65, 67, 69, 71, 72, 74, 72, 71, 69, last, 67, 65, 64].map((key, i) => ({
        key,
        at: pass * 16 + i,
        length: 1,
      })),
    );
  const convert = (endings: number[], settings: Partial<ConversionSettings> = {}) =>
    toScore(
      performanceOf([
        { name: 'Flute', notes: tune(endings) },
        { name: 'Bassoon', notes: tune(endings).map((note) => ({ ...note, key: note.key - 24 })) },
      ]),
      { ...NO_SETTINGS, ...settings },
    );
  it('are found over all parts, and offered', () => {
    const { queries, repeats } = convert([77, 77]);
    expect(repeats).toEqual([{ from: 0, length: 4, times: 2, endings: 0 }]);
    expect(queries.find((query) => query.kind === 'repeat')!.message).toBe(
      'Bars 1–4 come again as 5–8 in all parts. They could be written once.',
    );
    expect(convert([77, 79]).repeats).toEqual([{ from: 0, length: 4, times: 2, endings: 1 }]);
    expect(convert([77, 77, 77]).repeats).toEqual([{ from: 0, length: 4, times: 3, endings: 0 }]);
  });
  it('are not seen where one part differs', () => {
    const performance = performanceOf([
      { name: 'Flute', notes: tune([77, 77]) },
      { name: 'Bassoon', notes: tune([77, 77]).map((note) => ({ ...note, key: note.key - (note.at > 17 ? 24 : 26) })) },
    ]);
    expect(toScore(performance, NO_SETTINGS).repeats).toEqual([]);
  });
  it.each([[[77, 77]], [[77, 79]], [[77, 77, 77]]])('leave the playback as it was when they are taken', (endings) => {
    const { repeats } = convert(endings);
    const { score, printed, queries } = convert(endings, { folds: repeats });
    expect(printed.bars.length).toBeLessThan(score.bars.length);
    expect(queries.filter((query) => query.kind === 'repeat')).toEqual([]);
    score.parts.forEach((part, p) => {
      const keys = (bar: number, from: Score) =>
        from.parts[p]!.bars[bar]!.voices.flatMap((voice) =>
          voice.symbols.map((symbol) => symbol.notes.map((note) => note.key).join('+')),
        );
      expect(playOrder(printed.signs, printed.bars.length).map((bar) => keys(bar, printed))).toEqual(
        part.bars.map((_, bar) => keys(bar, score)),
      );
    });
  });
  it('of single bars become repeat signs in the part that wants them', () => {
    const notes = [0, 4, 8, 12].flatMap((at) =>
      line([60, 1], [64, 1], [67, 1], [64, 1]).map((note) => ({ ...note, at: note.at + at })),
    );
    const { printed } = toScore(performanceOf([{ name: 'Bassoon', notes }]), {
      ...NO_SETTINGS,
      barRepeats: { [partId('t1')]: true },
    });
    expect(printed.parts[0]!.bars.map((bar) => bar.likeBefore)).toEqual([undefined, 1, 1, 1]);
  });
});
