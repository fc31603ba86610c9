import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import { describe as about, expect, it } from 'vitest';
import { partId, queryId, trackId } from '../base';
import { NO_JOB_SETTINGS, USUAL_TREATMENTS } from '../settings';
import { SetMeters, type MeterShape } from './timeline/set-meters';
import { apply, asOne, DECISION_KINDS, describe, lessonsIn, type Decision } from './index';

const track = trackId('t1');
const part = partId('t1');
const sequenced = partId('P1');
const bars = { from: 0, to: 2 };
const setMetersTo = (meter: MeterShape): SetMeters => ({ kind: 'setMeters', from: 0, to: null, meters: [meter] });

/** Examples of every kind: one without does not compile. Where two stand, the second takes the first back. */
const EXAMPLES: { [K in Decision['kind']]: Extract<Decision, { kind: K }>[] } = {
  leaveOut: [{ kind: 'leaveOut', tracks: [track] }],
  takeIn: [{ kind: 'takeIn', tracks: [track] }],
  assignInstrument: [{ kind: 'assignInstrument', tracks: [track], instrument: 'oboe' }],
  setStaves: [
    { kind: 'setStaves', part, staves: 2 },
    { kind: 'setStaves', part, staves: null },
  ],
  setTechnique: [{ kind: 'setTechnique', tracks: [track], technique: 'pizzicato' }],
  gather: [{ kind: 'gather', tracks: [track, trackId('t2')] }],
  standAlone: [{ kind: 'standAlone', tracks: [track] }],
  dealOut: [
    { kind: 'dealOut', track, deal: { to: 'players', players: 2, spare: 'rest', lines: 'top-down', order: 'paired' } },
  ],
  setKeyswitches: [{ kind: 'setKeyswitches', track, meanings: [{ key: 24, technique: 'none' }] }],
  renamePart: [{ kind: 'renamePart', part, name: 'Fl.' }],
  abbreviatePart: [{ kind: 'abbreviatePart', part, abbreviation: 'F' }],
  setSolo: [{ kind: 'setSolo', part, solo: true }],
  movePart: [{ kind: 'movePart', part, before: null }],
  setLanguage: [{ kind: 'setLanguage', language: 'fr' }],
  useHouseList: [{ kind: 'useHouseList', answers: [{ track, leftOut: true }] }],
  setGrid: [{ kind: 'setGrid', part, smallest: '16th', triplets: true, also: [5, 7], bars }],
  freeGrid: [{ kind: 'freeGrid', part }],
  setLead: [{ kind: 'setLead', track, milliseconds: 80 }],
  setSwing: [
    { kind: 'setSwing', ratio: 2, unit: '16th' },
    { kind: 'setSwing', ratio: null },
  ],
  setOrnaments: [
    { kind: 'setOrnaments', part, on: false },
    { kind: 'setOrnaments', part, on: true },
  ],
  setGaps: [
    { kind: 'setGaps', part, upTo: 'quarter' },
    { kind: 'setGaps', part, upTo: null },
  ],
  setLengths: [{ kind: 'setLengths', part, as: 'played', bars }],
  writeAs: [
    { kind: 'writeAs', part, as: partId('t2') },
    { kind: 'writeAs', part, as: null },
  ],
  setVoices: [{ kind: 'setVoices', part, most: 1 }],
  setHandSplit: [
    { kind: 'setHandSplit', part, key: 60 },
    { kind: 'setHandSplit', part, key: null },
  ],
  setClefs: [
    { kind: 'setClefs', part, changes: false },
    { kind: 'setClefs', part, changes: true },
  ],
  moveNotes: [{ kind: 'moveNotes', part, moves: [{ note: 1, by: 2520 }] }],
  joinNotes: [{ kind: 'joinNotes', part, notes: [1, 2] }],
  cutNote: [{ kind: 'cutNote', part, note: 1, at: 2520 }],
  setKey: [{ kind: 'setKey', fifths: -2, mode: 'minor', bar: 3 }],
  respellNotes: [{ kind: 'respellNotes', part, notes: [1], prefer: 'flats' }],
  preferNames: [{ kind: 'preferNames', part: null, bars, prefer: 'sharps' }],
  chooseClef: [{ kind: 'chooseClef', part, staff: 2, clef: 'treble-8vb' }],
  setOctaveLines: [
    { kind: 'setOctaveLines', part, on: false },
    { kind: 'setOctaveLines', part, on: true },
  ],
  shiftNotes: [{ kind: 'shiftNotes', part, notes: [1, 2], semitones: -12 }],
  useDrumMap: [
    {
      kind: 'useDrumMap',
      part,
      name: 'Kit',
      sounds: [{ key: 36, name: 'Kick', step: 'F', octave: 4, notehead: 'normal', limb: 'feet' }],
    },
    { kind: 'useDrumMap', part, name: '', sounds: null },
  ],
  setDrumKey: [{ kind: 'setDrumKey', part, key: 99, as: 38 }],
  setTablature: [{ kind: 'setTablature', part, show: 'both', tuning: [40, 45], capo: 2 }],
  setMarks: [{ kind: 'setMarks', part, mark: 'slurs', use: 'suggest', strength: 'few', bars }],
  setArticulation: [{ kind: 'setArticulation', part, notes: [1], articulation: 'accent', on: true }],
  setSlur: [{ kind: 'setSlur', part, from: 1, to: 2, on: false }],
  setDynamic: [{ kind: 'setDynamic', part, note: 1, level: 'mf' }],
  setHairpin: [{ kind: 'setHairpin', part, from: 1, to: 2, shape: null }],
  setWords: [{ kind: 'setWords', part, note: 1, words: 'dolce' }],
  copyPattern: [{ kind: 'copyPattern', part, bar: 0, bars }],
  foldRepeat: [
    { kind: 'foldRepeat', from: 0, length: 4, times: 2, endings: 1 },
    { kind: 'foldRepeat', from: 0, length: 4, times: 1, endings: 0 },
  ],
  setBarRepeats: [
    { kind: 'setBarRepeats', part, on: true },
    { kind: 'setBarRepeats', part, on: false },
  ],
  setTitle: [{ kind: 'setTitle', title: 'Goose' }],
  setComposer: [{ kind: 'setComposer', composer: 'Band' }],
  setMarkerStyle: [{ kind: 'setMarkerStyle', style: 'text' }],
  writeAnew: [
    { kind: 'writeAnew', aspect: 'spelling', part: null },
    { kind: 'writeAnew', aspect: 'spelling', part: null, off: true },
  ],
  setSequencing: [{ kind: 'setSequencing', preset: 'expression', rampStep: 2520 }],
  setPartSequencing: [
    { kind: 'setPartSequencing', part: sequenced, split: 'voice', program: 5 },
    { kind: 'setPartSequencing', part: sequenced, split: null, program: null },
  ],
  chooseMelody: [
    { kind: 'chooseMelody', part },
    { kind: 'chooseMelody', part: null },
  ],
  chooseReduced: [
    { kind: 'chooseReduced', parts: [part] },
    { kind: 'chooseReduced', parts: null },
  ],
  setChordSymbols: [
    { kind: 'setChordSymbols', use: 'on', from: null, over: part },
    { kind: 'setChordSymbols', use: 'suggest', from: part, over: null },
    { kind: 'setChordSymbols', use: 'off', from: null, over: null },
  ],
  setBreaks: [
    { kind: 'setBreaks', keep: true },
    { kind: 'setBreaks', keep: false },
  ],
  setArranging: [{ kind: 'setArranging', sounds: 'instrument', type: 0, ticksPerQuarter: 960, emptyBars: 2 }],
  treat: [{ kind: 'treat', part: null, bars, does: USUAL_TREATMENTS.quantize }],
  playAsReceived: [{ kind: 'playAsReceived', part: sequenced }],
  setCarry: [{ kind: 'setCarry', data: 'pan', action: 'convert', track: 2 }],
  leaveTracks: [
    { kind: 'leaveTracks', tracks: [3], out: true },
    { kind: 'leaveTracks', tracks: [3], out: false },
  ],
  splitTrack: [{ kind: 'splitTrack', track, by: 'programs' }],
  readSoundChanges: [
    { kind: 'readSoundChanges', track, as: 'one' },
    { kind: 'readSoundChanges', track, as: 'usual' },
  ],
  takeUp: [{ kind: 'takeUp', part, instrument: 'piccolo', bars: { from: 0, to: 4 } }],
  takeTime: [{ kind: 'takeTime', original: 2 }],
  placeOriginal: [{ kind: 'placeOriginal', original: 2, bars: 8 }],
  setTextEncoding: [
    { kind: 'setTextEncoding', encoding: 'shift_jis' },
    { kind: 'setTextEncoding', encoding: null },
  ],
  setTempo: [{ kind: 'setTempo', at: 40320, bpm: 92.5 }],
  drawTempo: [{ kind: 'drawTempo', from: 0, to: 40320, start: 120, end: 80 }],
  setMeters: [
    {
      kind: 'setMeters',
      from: 0,
      to: null,
      meters: [
        { beats: 5, beatType: 4 },
        { beats: 7, beatType: 8, groups: [3, 2, 2] },
      ],
    },
  ],
  findTheBeats: [
    { kind: 'findTheBeats', anchors: [0.5, 1.1], period: 0.6, beatsPerBar: 3, firstDownbeat: 1, unit: 'eighth' },
  ],
  believeBars: [{ kind: 'believeBars' }],
  shiftBarlines: [{ kind: 'shiftBarlines', from: 0, by: 10080 }],
  setMarker: [{ kind: 'setMarker', at: 0, text: 'Goose' }],
  numberBar: [{ kind: 'numberBar', at: 0, number: -1 }],
  sayTempo: [
    { kind: 'sayTempo', at: 40320, words: 'rit.' },
    { kind: 'sayTempo', at: 40320, words: null },
  ],
  printTempo: [{ kind: 'printTempo', which: 'sections', tolerance: 20 }],
  dismissQuery: [{ kind: 'dismissQuery', query: queryId('x'), reason: 'It is so' }],
  addNotes: [{ kind: 'addNotes', part, notes: [{ note: 2 ** 40, start: 0, end: 10080, key: 60, velocity: 80 }] }],
  removeNotes: [{ kind: 'removeNotes', part, notes: [3] }],
  setEnds: [{ kind: 'setEnds', part, ends: [{ note: 3, at: 20160 }] }],
  setVoiceOf: [{ kind: 'setVoiceOf', part, notes: [3], voice: 2 }],
  setStaffOf: [{ kind: 'setStaffOf', part, notes: [3], staff: 2 }],
  setGrace: [{ kind: 'setGrace', part, notes: [3], on: true }],
  giveNotes: [
    { kind: 'giveNotes', part, to: partId('t2'), notes: [{ note: 3, start: 0, end: 10080, key: 60, velocity: 80 }] },
  ],
  together: [
    {
      kind: 'together',
      decisions: [
        { kind: 'setGaps', part, upTo: '16th' },
        { kind: 'dismissQuery', query: queryId('x'), reason: '' },
      ],
    },
  ],
};

/** Kinds that leave the settings as they were when nothing was decided before. */
const CHANGE_NOTHING_ALONE: Decision['kind'][] = ['playAsReceived', 'believeBars', 'freeGrid', 'dismissQuery'];

about('every kind of decision', () => {
  it.each(Object.entries(EXAMPLES))(
    '%s is checked by its own shape, changes the settings and is said',
    (kind, list) => {
      let settings = NO_JOB_SETTINGS;
      for (const made of list as Decision[]) {
        const { dto } = DECISION_KINDS[made.kind];
        const rules = { whitelist: true, forbidNonWhitelisted: true };
        expect(validateSync(plainToInstance<object, unknown>(dto, made), rules)).toEqual([]);
        const foreign = plainToInstance<object, unknown>(dto, { ...made, somethingElse: 1 });
        expect(validateSync(foreign, rules)).not.toEqual([]);
        const next = apply(settings, made);
        if (!CHANGE_NOTHING_ALONE.includes(made.kind)) expect(next).not.toEqual(settings);
        settings = next;
        expect(describe(made, () => 'Flute')).toMatch(/^\S.{3,}/);
        expect(describe(made, () => 'Flute')).not.toMatch(/undefined|null|\[object|NaN/);
      }
      // What was taken back is gone; a part that was spoken of may keep an empty place.
      if (list.length > 1 && kind !== 'setPartSequencing') expect(settings).toEqual(NO_JOB_SETTINGS);
    },
  );
  it('that is one step of several says what it does to whom in one line', () => {
    const gaps = (id: string): Decision => ({ kind: 'setGaps', part: partId(id), upTo: '16th' });
    const aside: Decision = { kind: 'dismissQuery', query: queryId('x'), reason: 'x' };
    const said = (...made: Decision[]) => describe(asOne(made), (id) => `Part ${id}`);
    expect(said(gaps('t1'), gaps('t2'), aside)).toMatch(/^Part t1, Part t2: gaps/i);
    expect(said(...['t1', 't2', 't3', 't4', 't5'].map(gaps))).toMatch(/^Part t1, Part t2, Part t3 and 2 more: /);
    expect(asOne([gaps('t1')])).toEqual(gaps('t1'));
    expect(asOne([asOne([gaps('t1'), aside]), gaps('t2')])).toEqual(asOne([gaps('t1'), aside, gaps('t2')]));
  });
  it('says of beats what ledgers of before said', () => {
    const unit = (compound: boolean) => apply(NO_JOB_SETTINGS, { kind: 'findTheBeats', compound }).freeTime?.unit;
    expect([unit(true), unit(false)]).toEqual(['dotted quarter', 'quarter']);
  });
  it('leaves it to the playing again what a beat is written as', () => {
    const said = apply(NO_JOB_SETTINGS, { kind: 'findTheBeats', unit: 'eighth' });
    const asFound: Decision = { kind: 'findTheBeats', unit: 'as found' };
    expect(apply(said, asFound).freeTime?.unit).toBeNull();
    expect(describe(asFound, String)).toContain('beats automatic');
  });
  it('takes a meter as a sum when it adds up', () => {
    const faults = (...groups: number[]) =>
      validateSync(plainToInstance(SetMeters, setMetersTo({ beats: 7, beatType: 8, groups })));
    expect(faults(3, 2, 2)).toEqual([]);
    for (const wrong of [[3, 2], [7], [3.5, 3.5], [8, -1], []]) expect(faults(...wrong)).not.toEqual([]);
    expect(describe(setMetersTo({ beats: 7, beatType: 8, groups: [3, 2, 2] }), String)).toMatch(/^3\+2\+2\/8 /);
  });
  it('frees what was pinned', () => {
    const pinned = apply(NO_JOB_SETTINGS, { kind: 'setGrid', part, smallest: '16th', triplets: true });
    expect(apply(pinned, { kind: 'freeGrid', part })).toEqual(NO_JOB_SETTINGS);
  });
  it('teaches the house list only what is true of a name', () => {
    const taught = Object.values(EXAMPLES).flatMap((list) => (list as Decision[]).flatMap(lessonsIn));
    expect(taught.map((lesson) => Object.keys(lesson).join())).toEqual([
      'track,instrument',
      'track,technique',
      'track,deal',
      'track,partName',
    ]);
    expect(lessonsIn({ kind: 'renamePart', part: partId('t1p2'), name: 'Second' })).toEqual([]);
    expect(lessonsIn({ kind: 'assignInstrument', tracks: [track], instrument: 'unknown' })).toEqual([]);
  });
});
