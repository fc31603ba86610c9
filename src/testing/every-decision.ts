import { demoOriginal } from '../../demo/make';
import { partId, trackId } from '../core/base';
import type { Decision } from '../core/decisions';
import { performanceFromSmf } from '../core/performance';
import { readSmf } from '../core/smf';
import { USUAL_TREATMENTS } from '../core/settings';

/* A ledger with a decision of every kind, in both directions, about the demo job. */

export const demoPerformance = performanceFromSmf(readSmf(demoOriginal()));

// Long notes of the cello, somewhere in the middle.
const cello = demoPerformance.tracks[10]!.notes;
const NOTE = cello[4]!.id;
const AT = 10080 * 15;

/** Of every kind there is on the way to a score. */
export const everyDecision: Decision[] = [
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

/** Of every kind there is on the way to a sequencer. */
export const everySequencing: Decision[] = [
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
