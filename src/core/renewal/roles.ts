/*
 * What the fields of a decision point at: by this a decision finds its place in a new version. Every kind of decision has a
 * line; what points at nothing is left out of it.
 */
import type { SingleDecision } from '../decisions';

export type Role =
  /** Ids of tracks and parts. */
  | 'id'
  /** A played note. */
  | 'note'
  /** Index of a bar. */
  | 'bar'
  /** Bars by index, the last one not included. */
  | 'span'
  /** A place on the time line. */
  | 'place'
  /** The end of something, not included. */
  | 'placeEnd'
  /** Number of a track chunk. */
  | 'chunk'
  /** Id of a query, which is made of other ids. */
  | 'query';

/** Of an object's fields; a list's role is that of each of its entries. */
export interface Roles {
  readonly [field: string]: Role | Roles;
}

const PART: Roles = { part: 'id' };
const TRACK: Roles = { track: 'id' };
const TRACKS: Roles = { tracks: 'id' };
const PART_BARS: Roles = { part: 'id', bars: 'span' };
const NOTES: Roles = { part: 'id', notes: 'note' };
const NOTE: Roles = { part: 'id', note: 'note' };
const FROM_NOTE_TO_NOTE: Roles = { part: 'id', from: 'note', to: 'note' };
const ADDED: Roles = { note: 'note', start: 'place', end: 'placeEnd' };
const NOWHERE: Roles = {};

export const ROLES_OF: Readonly<Record<SingleDecision['kind'], Roles>> = {
  // intake and casting
  leaveOut: TRACKS,
  takeIn: TRACKS,
  assignInstrument: TRACKS,
  setTechnique: TRACKS,
  gather: TRACKS,
  standAlone: TRACKS,
  dealOut: TRACK,
  setKeyswitches: TRACK,
  readSoundChanges: TRACK,
  takeUp: PART_BARS,
  setStaves: PART,
  renamePart: PART,
  abbreviatePart: PART,
  setSolo: PART,
  movePart: { part: 'id', before: 'id' },
  setLanguage: NOWHERE,
  useHouseList: { answers: TRACK },
  splitTrack: TRACK,
  placeOriginal: NOWHERE,
  takeTime: NOWHERE,
  setTextEncoding: NOWHERE,
  dismissQuery: { query: 'query' },
  // rhythm and the hand
  setSwing: NOWHERE,
  setLead: TRACK,
  setGrid: PART_BARS,
  freeGrid: PART,
  setGaps: PART,
  setLengths: PART_BARS,
  setOrnaments: PART,
  setHandSplit: PART,
  setVoices: PART,
  writeAs: { part: 'id', as: 'id' },
  setClefs: PART,
  moveNotes: { part: 'id', moves: { note: 'note' } },
  joinNotes: NOTES,
  cutNote: { part: 'id', note: 'note', at: 'place' },
  shiftNotes: NOTES,
  setEnds: { part: 'id', ends: { note: 'note', at: 'placeEnd' } },
  addNotes: { part: 'id', notes: ADDED },
  giveNotes: { part: 'id', to: 'id', notes: ADDED },
  removeNotes: NOTES,
  respellNotes: NOTES,
  setGrace: NOTES,
  setStaffOf: NOTES,
  setVoiceOf: NOTES,
  // page
  setKey: { bar: 'bar' },
  preferNames: PART_BARS,
  chooseClef: PART,
  setOctaveLines: PART,
  useDrumMap: PART,
  setDrumKey: PART,
  setTablature: PART,
  setMarks: PART_BARS,
  setArticulation: NOTES,
  setSlur: FROM_NOTE_TO_NOTE,
  setDynamic: NOTE,
  setHairpin: FROM_NOTE_TO_NOTE,
  setWords: NOTE,
  copyPattern: { part: 'id', bar: 'bar', bars: 'span' },
  foldRepeat: { from: 'bar' },
  setBarRepeats: PART,
  setTitle: NOWHERE,
  setComposer: NOWHERE,
  setMarkerStyle: NOWHERE,
  writeAnew: PART,
  setBreaks: NOWHERE,
  setChordSymbols: { from: 'id', over: 'id' },
  chooseMelody: PART,
  chooseReduced: { parts: 'id' },
  // timeline
  findTheBeats: NOWHERE,
  believeBars: NOWHERE,
  setTempo: { at: 'place' },
  drawTempo: { from: 'place', to: 'placeEnd' },
  setMeters: { from: 'place', to: 'placeEnd' },
  shiftBarlines: { from: 'place' },
  setMarker: { at: 'place' },
  numberBar: { at: 'place' },
  printTempo: NOWHERE,
  sayTempo: { at: 'place' },
  // to a sequencer
  setSequencing: { onlyParts: 'id', onlyBars: 'span' },
  setCarry: { track: 'chunk' },
  leaveTracks: { tracks: 'chunk' },
  setPartSequencing: { part: 'id', passages: { bars: 'span' } },
  setArranging: NOWHERE,
  treat: PART_BARS,
  playAsReceived: PART,
};
