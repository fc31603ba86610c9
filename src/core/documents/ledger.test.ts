import { trackId, partId } from '../base';
import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { performanceFromSmf } from '../performance';
import { writeMusicXml } from '../musicxml';
import { keyName } from '../score';
import { Meta, readSmf } from '../smf';
import { line, meta, smfBytes } from '../../testing/music';
import { convert, Memo, toScore } from '../to-score';
import { preparePerformance } from '../engine/prepare';
import { apply, DECISION_KINDS, describe as inWords, type Decision } from '../decisions';
import {
  dismissedQueries,
  EMPTY_LEDGER,
  enter,
  inForce,
  JobError,
  moveTo,
  parseJob,
  readChart,
  readDrumMap,
  redo,
  settingsOf,
  undo,
  writeChart,
  writeDrumMap,
} from './index';
import { EXTRACTS, extractOf } from '../extracts';
import { remediesFor } from '../queries';
import { NO_JOB_SETTINGS, USUAL_TREATMENTS } from '../settings';

const performance = performanceFromSmf(readSmf(demoOriginal()));
// What one decision changes is computed, the rest is remembered: memo.test.ts shows that the outcome is the same.
const memo = new Memo();
function scoreText(ledger = EMPTY_LEDGER): string {
  const steps = convert(performance, settingsOf(ledger), memo);
  for (;;) {
    const step = steps.next();
    if (step.done) return writeMusicXml(step.value.printed);
  }
}

// Long notes of the cello, somewhere in the middle.
const cello = performance.tracks[10]!.notes;
const NOTE = cello[4]!.id;
const AT = 10080 * 15;

const decisions: Decision[] = [
  { kind: 'leaveOut', tracks: [trackId('t2')] },
  { kind: 'assignInstrument', tracks: [trackId('t1')], instrument: 'oboe' },
  { kind: 'setGrid', part: partId('t1'), smallest: 'eighth', triplets: false },
  { kind: 'setLead', track: trackId('t8'), milliseconds: 0 },
  { kind: 'renamePart', part: partId('t3'), name: 'Fagott' },
  { kind: 'setKey', fifths: 8 - 4, mode: 'major' },
  { kind: 'setTitle', title: 'Goose' },
  { kind: 'takeIn', tracks: [trackId('t2')] },
  { kind: 'gather', tracks: [trackId('t1'), trackId('t2')] },
  { kind: 'standAlone', tracks: [trackId('t2')] },
  {
    kind: 'dealOut',
    track: trackId('t4'),
    deal: { to: 'players', players: 2, spare: 'double', lines: 'smooth', order: 'paired' },
  },
  { kind: 'setTechnique', tracks: [trackId('t9')], technique: 'sul-tasto' },
  { kind: 'setKeyswitches', track: trackId('t11'), meanings: [{ key: 39, technique: 'tremolo' }] },
  { kind: 'takeUp', part: partId('t10'), instrument: 'double-bass', bars: { from: 2, to: 4 } },
  { kind: 'abbreviatePart', part: partId('t4p2'), abbreviation: 'Hrn.' },
  { kind: 'setSolo', part: partId('t8'), solo: true },
  { kind: 'movePart', part: partId('t4p2'), before: null },
  { kind: 'setLanguage', language: 'it' },
  { kind: 'setSwing', ratio: 2.5 },
  { kind: 'setGaps', part: partId('t11'), upTo: 'quarter' },
  { kind: 'setHandSplit', part: partId('t7'), key: 72 },
  { kind: 'setVoices', part: partId('t7'), most: 1 },
  { kind: 'moveNotes', part: partId('t10'), moves: [{ note: NOTE, by: 2520 }] },
  { kind: 'joinNotes', part: partId('t10'), notes: [NOTE, NOTE + 1] },
  { kind: 'cutNote', part: partId('t10'), note: NOTE + 2, at: AT },
  { kind: 'useHouseList', answers: [{ track: trackId('t5'), instrument: 'xylophone', partName: 'Xylo' }] },
  { kind: 'setKey', fifths: -4, mode: 'major', bar: 4 },
  { kind: 'preferNames', part: null, bars: { from: 0, to: 8 }, prefer: 'flats' },
  { kind: 'respellNotes', part: partId('t10'), notes: [NOTE + 3], prefer: 'sharps' },
  { kind: 'chooseClef', part: partId('t10'), staff: 1, clef: 'tenor' },
  { kind: 'shiftNotes', part: partId('t10'), notes: [NOTE + 4], semitones: 12 },
  {
    kind: 'useDrumMap',
    part: partId('t6'),
    name: 'Pit',
    sounds: [{ key: 36, name: 'Kick', step: 'F', octave: 4, notehead: 'x', limb: 'feet' }],
  },
  { kind: 'setDrumKey', part: partId('t6'), key: 38, as: 36 },
  { kind: 'setTablature', part: partId('t12'), show: 'both', tuning: [40, 45, 50, 55, 59, 64], capo: 0 },
  { kind: 'setMarks', part: partId('t9'), mark: 'dynamics', use: 'on', strength: 'usual' },
  { kind: 'setArticulation', part: partId('t10'), notes: [NOTE + 5], articulation: 'accent', on: true },
  { kind: 'setSlur', part: partId('t10'), from: NOTE + 5, to: NOTE + 6, on: true },
  { kind: 'setDynamic', part: partId('t10'), note: NOTE + 5, level: 'mf' },
  { kind: 'setHairpin', part: partId('t10'), from: NOTE + 5, to: NOTE + 6, shape: 'crescendo' },
  { kind: 'setWords', part: partId('t10'), note: NOTE + 5, words: 'dolce' },
  { kind: 'copyPattern', part: partId('t10'), bar: 1, bars: { from: 0, to: 28 } },
  { kind: 'foldRepeat', from: 4, length: 2, times: 2, endings: 0 },
  { kind: 'setBarRepeats', part: partId('t6'), on: true },
  { kind: 'setChordSymbols', use: 'on', from: null, over: partId('t10') },
  { kind: 'setComposer', composer: 'The pit band' },
  { kind: 'setMarkerStyle', style: 'rehearsal' },
];

describe('ledger', () => {
  const full = decisions.reduce(enter, EMPTY_LEDGER);

  it('changes the score with each decision, and replays to the same score', () => {
    const states = decisions.map((_, i) => scoreText(moveTo(full, i)));
    states.push(scoreText(full));
    for (let i = 1; i < states.length; i++) expect(states[i], decisions[i - 1]!.kind).not.toBe(states[i - 1]);
    expect(scoreText(JSON.parse(JSON.stringify(full)))).toBe(states.at(-1));
  });

  it('undoes and redoes; a decision after an undo takes the place of what was undone', () => {
    const back = undo(undo(full));
    expect(inForce(back)).toEqual(decisions.slice(0, -2));
    expect(redo(redo(redo(back)))).toEqual(full);
    expect(enter(back, decisions[0]!).decisions).toHaveLength(decisions.length - 1);
    expect(undo(EMPTY_LEDGER).position).toBe(0);
    expect(scoreText(moveTo(full, 0))).toBe(scoreText());
  });

  it('says every decision in plain words', () => {
    const named: Record<string, string> = { t1: 'Flute', t2: 'Clarinet', t3: 'Bassoon', t8: 'Violin 1' };
    const words = decisions.map((decision) => inWords(decision, (id) => named[id] ?? id));
    expect(words).toEqual([
      'Clarinet: left out',
      'Flute: written for Oboe',
      'Flute: grid pinned to eighth notes, without triplets',
      'Violin 1: no lead taken out',
      'Bassoon: named “Fagott”',
      'Key signature: E major',
      'Title: “Goose”',
      'Clarinet: taken in',
      'Flute, Clarinet: gathered into one part',
      'Clarinet: a part of its own',
      't4: dealt out to 2 players, in pairs',
      't9: sul tasto',
      't11: keyswitches E♭2 = tremolo taken out',
      't10: plays Double Bass in 2 bars',
      't4p2: shortened to “Hrn.”',
      'Violin 1: solo',
      't4p2: moved to the foot of the page',
      'Instrument names in Italian',
      'Swing of 2.5 to 1 written evenly',
      't11: gaps up to a quarter closed',
      't7: staves split at C5',
      't7: at most 1 voice a staff',
      't10: a note moved',
      't10: 2 notes joined',
      't10: a note struck again',
      'From your house list: t5',
      'Key signature from the 5. bar on: A♭ major',
      'All parts: flats preferred in 8 bars',
      't10: a note respelled towards sharps',
      't10: tenor clef',
      't10: a note an octave higher',
      't6: drum map “Pit”',
      't6: key 38 means key 36',
      't12: notation and tablature',
      't9: dynamics taken',
      't10: accent on a note',
      't10: a slur written',
      't10: mf written',
      't10: a crescendo written',
      't10: “dolce” written',
      't10: articulation of a bar copied to all of its rhythm in 28 bars',
      '2 bars written once with repeat signs',
      't6: equal bars as repeat signs',
      'Chord symbols taken, from all parts, over t10',
      'Composer: “The pit band”',
      'Markers as rehearsal marks',
    ]);
  });

  it('reads names again in the encoding that was decided', () => {
    const reading = readSmf(
      smfBytes([
        { name: '', notes: line([60, 4]), extra: [meta(0, Meta.trackName, [0x53, 0x70, 0xe5, 0x72, 0x20, 0x31])] },
      ]),
    );
    const original = { reading, performance: performanceFromSmf(reading) };
    const names = (decision: Decision) =>
      preparePerformance([original], settingsOf(enter(EMPTY_LEDGER, decision)))
        .performance.tracks.map(({ name }) => name)
        .filter(Boolean);
    expect(names({ kind: 'setTextEncoding', encoding: null })).toEqual(['Spår 1']);
    expect(names({ kind: 'setTextEncoding', encoding: 'windows-1251' })).toEqual(['Spеr 1']);
    expect(inWords({ kind: 'setTextEncoding', encoding: 'shift_jis' }, (track) => track)).toBe(
      'Texts of the file read as Japanese (Shift-JIS)',
    );
    const ledger = { decisions: [{ kind: 'setTextEncoding', encoding: 'klingon' }], position: 1 };
    expect(() =>
      parseJob(
        JSON.stringify({
          format: 'dragoman-job',
          version: 1,
          name: 'x',
          originals: [{ fileName: 'x.mid', sha256: '0'.repeat(64), size: 1 }],
          ledger,
        }),
        'x',
      ),
    ).toThrow(/encoding/);
  });

  it('names keys by the circle of fifths', () => {
    expect([-7, -4, 0, 3, 7].map((fifths) => keyName({ fifths, mode: 'major' }))).toEqual([
      'C♭ major',
      'A♭ major',
      'C major',
      'A major',
      'C♯ major',
    ]);
    expect([-7, 0, 4].map((fifths) => keyName({ fifths, mode: 'minor' }))).toEqual(['A♭ minor', 'A minor', 'C♯ minor']);
  });

  it('answers queries: every remedy of a doubt makes it go away', () => {
    const conversion = toScore(performance, settingsOf(EMPTY_LEDGER));
    const [empty] = conversion.queries;
    expect(empty!.kind).toBe('empty-track');
    for (const remedy of remediesFor(empty!)) {
      expect(
        toScore(performance, settingsOf(enter(EMPTY_LEDGER, remedy.decision))).queries.map((query) => query.id),
      ).not.toContain(empty!.id);
    }
    const piccolo = enter(EMPTY_LEDGER, { kind: 'assignInstrument', tracks: [trackId('t4')], instrument: 'piccolo' });
    const wrong = toScore(performance, settingsOf(piccolo));
    const range = wrong.queries.filter((query) => query.kind === 'out-of-range');
    expect(range).toHaveLength(1);
    const [back] = remediesFor(range[0]!);
    expect(back!.decision).toEqual({ kind: 'assignInstrument', tracks: ['t4'], instrument: 'horn-f' });
    expect(
      toScore(performance, settingsOf(enter(piccolo, back!.decision))).queries.map((query) => query.kind),
    ).not.toContain('out-of-range');
    expect(dismissedQueries(enter(EMPTY_LEDGER, { kind: 'dismissQuery', query: empty!.id, reason: '' }))).toEqual(
      new Set([empty!.id]),
    );
  });
});

const sequencing: Decision[] = [
  {
    kind: 'setSequencing',
    preset: 'expression',
    dynamicsTo: ['velocity', 'expression'],
    ticksPerQuarter: 960,
    loosening: { seed: 3, velocity: 5, accent: 2, onset: 8, swing: 1, legato: 0 },
  },
  {
    kind: 'setPartSequencing',
    part: partId('P1'),
    split: 'technique',
    program: 57,
    chart: { name: 'Library', entries: [{ technique: 'muted', by: { kind: 'key', key: 24 } }] },
    drumKeys: { 36: 35 },
  },
  { kind: 'setCarry', data: 'pan', action: 'convert', track: null },
  { kind: 'setCarry', data: 'pan', action: 'carry', track: 2 },
  { kind: 'leaveTracks', tracks: [4, 5], out: true },
  { kind: 'setArranging', sounds: 'instrument', channels: 'by-part', emptyBars: 1 },
  { kind: 'treat', part: partId('P1'), bars: { from: 0, to: 4 }, does: USUAL_TREATMENTS.accents },
  { kind: 'treat', part: null, bars: null, does: USUAL_TREATMENTS.quantize },
  { kind: 'playAsReceived', part: null, which: 1 },
];

describe('decisions about the way to a sequencer', () => {
  const ledger = sequencing.reduce(enter, EMPTY_LEDGER);
  it('add up to settings, and are undone one by one', () => {
    const { sequencing: now } = settingsOf(ledger);
    expect(now).toMatchObject({
      preset: 'expression',
      ticksPerQuarter: 960,
      carry: { pan: 'convert' },
      carryTracks: { 2: { pan: 'carry' } },
      leftOutTracks: [4, 5],
    });
    expect(now.parts[partId('P1')]).toMatchObject({ split: 'technique', program: 57 });
    expect(now.arranging).toMatchObject({ sounds: 'instrument', names: 'received', emptyBars: 1 });
    expect(now.treatments.map(({ does }) => does.kind)).toEqual(['accents']);
    expect(settingsOf(undo(ledger)).sequencing.treatments).toHaveLength(2);
    expect(settingsOf(moveTo(ledger, 4)).sequencing.leftOutTracks).toEqual([]);
    expect(
      settingsOf(enter(ledger, { kind: 'setPartSequencing', part: partId('P1'), chart: null, program: null }))
        .sequencing.parts[partId('P1')],
    ).toEqual({ split: 'technique', drumKeys: { 36: 35 } });
    expect(settingsOf(enter(ledger, { kind: 'setSequencing', preset: 'bare' })).sequencing).toMatchObject({
      carry: {},
      carryTracks: {},
      ticksPerQuarter: 960,
    });
    expect(
      settingsOf(enter(ledger, { kind: 'leaveTracks', tracks: [4], out: false })).sequencing.leftOutTracks,
    ).toEqual([5]);
  });
  it('are said in plain words', () => {
    expect(sequencing.map((decision) => inWords(decision, () => 'Trumpet'))).toEqual([
      'Preset: expression kept; Dynamics by velocity and controller 11; 960 ticks a quarter; Loosening changed',
      'Trumpet: a track for each technique; program 57; technique chart “Library”; C2 (36) becomes 35',
      'pan (10) converted',
      'Track 3: pan (10) carried',
      '2 tracks left out',
      'Sounds by instrument; A channel for each track; One empty bar before the music',
      'Trumpet: accents +12 on the first beat, +4 on beats, −6 between in 4 bars',
      'All parts: quantized to sixteenth notes',
      'All parts: treatment 2 taken back',
    ]);
  });
  it('pass through a job file, and wrong ones do not', () => {
    const job = (decisions: unknown[]) =>
      JSON.stringify({
        format: 'dragoman-job',
        version: 1,
        name: 'x',
        originals: [],
        ledger: { decisions, position: decisions.length },
      });
    expect(parseJob(job(sequencing), 'job.json').ledger.decisions).toEqual(
      sequencing.map((decision) => expect.objectContaining({ kind: decision.kind })),
    );
    for (const wrong of [
      { kind: 'setSequencing', ticksPerQuarter: 50 },
      { kind: 'setSequencing', dynamicsTo: ['smoke'] },
      { kind: 'setPartSequencing', part: '../x' },
      {
        kind: 'setPartSequencing',
        part: 'P1',
        chart: { name: 'x', entries: [{ technique: 'muted', by: { kind: 'key', key: 300 } }] },
      },
      { kind: 'setCarry', data: 'smoke', action: 'drop', track: null },
      { kind: 'setSequencing', levels: { p: 900 } },
    ]) {
      expect(() => parseJob(job([wrong]), 'job.json'), JSON.stringify(wrong)).toThrow(JobError);
    }
  });
});

describe('decisions about extracts', () => {
  const reduced = (parts: string[] | null): Decision => ({ kind: 'chooseReduced', parts: parts && parts.map(partId) });
  it('change what extracts are made of, and nothing of the score', () => {
    const ledger = [{ kind: 'chooseMelody' as const, part: partId('t10') }, reduced(['t8', 't10'])].reduce(
      enter,
      EMPTY_LEDGER,
    );
    const settings = settingsOf(ledger);
    const { printed } = toScore(performance, settings);
    expect(writeMusicXml(printed)).toBe(scoreText());
    const of = (from: typeof settings) => EXTRACTS.map((one) => writeMusicXml(extractOf(printed, one, from.extracts)));
    const found = of(settingsOf(EMPTY_LEDGER));
    of(settings).forEach((text, i) => expect(text).not.toBe(found[i]));
    expect(of(settingsOf(moveTo(ledger, 0)))).toEqual(found);
  });
  it('are said in plain words', () => {
    const words = [{ kind: 'chooseMelody' as const, part: partId('t10') }, reduced(['t8', 't10']), reduced(null)];
    expect(words.map((decision) => inWords(decision, (id) => id))).toEqual([
      'Lead sheet: the tune is that of t10',
      'Piano reduction: of t8, t10',
      'Piano reduction: of all parts',
    ]);
  });
});

describe('charts and drum maps', () => {
  const chart = {
    name: 'Brass library',
    entries: [
      { technique: 'muted' as const, by: { kind: 'key' as const, key: 24 } },
      { technique: 'ordinary' as const, by: { kind: 'controller' as const, controller: 32, value: 1 } },
    ],
  };
  const map = {
    name: 'Pit kit',
    sounds: [
      { key: 36, name: 'Kick', step: 'F' as const, octave: 4, notehead: 'normal' as const, limb: 'feet' as const },
    ],
  };
  it('travel as files and come back the same', () => {
    expect(readChart(writeChart(chart), 'c.json')).toEqual(chart);
    expect(readDrumMap(writeDrumMap(map), 'm.json')).toEqual(map);
  });
  it.each([
    ['{', /not JSON/],
    ['{"format":"other"}', /something else/],
    [writeDrumMap({ ...map, sounds: [...map.sounds, ...map.sounds] }), /twice/],
    [writeDrumMap({ ...map, sounds: [{ ...map.sounds[0]!, key: 400 }] }), /entry 1/],
  ])('refuse what is no drum map', (text, words) => {
    expect(() => readDrumMap(text, 'm.json')).toThrow(words);
  });
  it('refuse what is no chart', () => {
    expect(() =>
      readChart(writeChart({ ...chart, entries: [{ technique: 'muted', by: { kind: 'key', key: 999 } }] }), 'c.json'),
    ).toThrow(/entry 1/);
    expect(() => readChart(writeDrumMap(map), 'c.json')).toThrow(/something else/);
  });
});

describe('job files', () => {
  const good = {
    format: 'dragoman-job',
    version: 1,
    name: 'Goose',
    originals: [{ fileName: 'a.mid', sha256: 'a'.repeat(64), size: 10 }],
    ledger: { decisions, position: 3 },
  };
  const parse = (change: (job: Record<string, unknown>) => void = () => {}) => {
    const job = structuredClone(good) as Record<string, unknown>;
    change(job);
    return parseJob(JSON.stringify(job), 'job.json');
  };

  it('takes several decisions that are one step, each checked by its own shape', () => {
    const step = (...made: unknown[]) => ({ decisions: [{ kind: 'together', decisions: made }], position: 1 });
    const gaps = { kind: 'setGaps', part: 't1', upTo: '16th' };
    expect(parse((job) => (job['ledger'] = step(gaps, gaps))).ledger).toEqual(step(gaps, gaps));
    expect(() => parse((job) => (job['ledger'] = step(gaps, { ...gaps, upTo: '5th' })))).toThrow(/line 1 .*upTo/);
    expect(() => parse((job) => (job['ledger'] = step({ kind: 'together', decisions: [gaps] })))).toThrow(/within/);
    expect(() => parse((job) => (job['ledger'] = step()))).toThrow(/line 1/);
  });
  it('takes every kind of decision there is', () => {
    expect(parse().ledger).toEqual({ decisions, position: 3 });
    const kinds = new Set([
      ...decisions.map((decision) => decision.kind),
      ...sequencing.map((decision) => decision.kind),
      'chooseMelody',
      'chooseReduced',
      'freeGrid',
      'setOrnaments',
      'setClefs',
      'setOctaveLines',
      'dismissQuery',
      'findTheBeats',
      'believeBars',
      'setTempo',
      'drawTempo',
      'setMeters',
      'shiftBarlines',
      'setMarker',
      'numberBar',
      'printTempo',
      'sayTempo',
      'splitTrack',
      'readSoundChanges',
      'placeOriginal',
      'takeTime',
      'setTextEncoding',
      'setLengths',
      'setStaves',
      'writeAs',
      'writeAnew',
      'setBreaks',
      'together',
      'addNotes',
      'removeNotes',
      'setEnds',
      'setVoiceOf',
      'setStaffOf',
      'setGrace',
      'giveNotes',
    ]);
    expect(kinds).toEqual(new Set(Object.keys(DECISION_KINDS)));
  });

  const bad: [string, (job: Record<string, unknown>) => void, RegExp][] = [
    ['an unknown version', (job) => (job.version = 9), /version 9/],
    [
      'an unknown decision',
      (job) => ((job.ledger as { decisions: unknown[] }).decisions[1] = { kind: 'teleport' }),
      /line 2.*“teleport”/,
    ],
    [
      'a decision named like a built-in',
      (job) => ((job.ledger as { decisions: unknown[] }).decisions[0] = { kind: 'constructor' }),
      /“constructor”/,
    ],
    [
      'an unknown instrument',
      (job) =>
        ((job.ledger as { decisions: unknown[] }).decisions[1] = {
          kind: 'assignInstrument',
          tracks: ['t1'],
          instrument: 'kazoophone',
        }),
      /catalogue/,
    ],
    [
      'a lead of an hour',
      (job) =>
        ((job.ledger as { decisions: unknown[] }).decisions[3] = {
          kind: 'setLead',
          track: 't8',
          milliseconds: 3_600_000,
        }),
      /milliseconds/,
    ],
    [
      'a track id that is none',
      (job) => ((job.ledger as { decisions: unknown[] }).decisions[0] = { kind: 'leaveOut', tracks: ['../x'] }),
      /tracks/,
    ],
    [
      'a list where a range of bars belongs',
      (job) =>
        ((job.ledger as { decisions: unknown[] }).decisions[0] = {
          kind: 'preferNames',
          part: null,
          bars: [{ from: 0, to: 8 }],
          prefer: 'flats',
        }),
      /bars/,
    ],
    ['a list in place of the ledger', (job) => (job.ledger = []), /ledger/],
    ['a field nobody knows', (job) => (job.surprise = 1), /surprise/],
    ['a ledger beyond its end', (job) => ((job.ledger as { position: number }).position = 99), /line 99 of/],
    ['a damaged hash', (job) => ((job.originals as { sha256: string }[])[0]!.sha256 = 'zz'), /sha256/],
    ['no ledger', (job) => delete job.ledger, /ledger/],
  ];
  it.each(bad)('refuses %s with one sentence', (_, change, words) => {
    expect(() => parse(change)).toThrow(JobError);
    expect(() => parse(change)).toThrow(words);
  });
  it.each(['__proto__', 'constructor', 'prototype'])('refuses the key “%s” at every level', (key) => {
    for (const text of [`{"${key}":1}`, `{"ledger":{"${key}":{"x":1}}}`, `{"originals":[{"${key}":1}]}`])
      expect(() => parseJob(text, 'x')).toThrow(`it has the key “${key}”`);
  });
  it('refuses what is nested without end', () => {
    const deep = '['.repeat(3000) + ']'.repeat(3000);
    expect(() => parseJob(`{"format":"dragoman-job","version":1,"name":${deep}}`, 'x')).toThrow(/nested more than/);
  });
  it('replays a hundred thousand decisions as one by one', () => {
    const many = Array.from({ length: 100_000 }, (_, i): Decision => {
      const part = partId(`t${(i % 4000) + 1}`);
      if (i % 3 === 0) return { kind: 'movePart', part, before: null };
      return i % 3 === 1
        ? { kind: 'renamePart', part, name: `Part ${i}` }
        : { kind: 'setSolo', part, solo: i % 2 === 0 };
    });
    const ledger = { decisions: many, position: many.length };
    const settings = settingsOf(ledger);
    expect(settings.moves).toHaveLength(33_334);
    expect(Object.keys(settings.partNames)).toHaveLength(4000);
    const short = many.slice(0, 500);
    expect(settingsOf({ decisions: short, position: 500 })).toEqual(short.reduce(apply, NO_JOB_SETTINGS));
  });
  it('refuses what is no JSON, or no object', () => {
    expect(() => parseJob('{', 'x.json')).toThrow(/“x.json” is not a job file/);
    expect(() => parseJob('3', 'x.json')).toThrow(JobError);
  });
});
