/*
 * Every kind of decision there is. To add one: a file in the folder of its station, and a line here.
 */
import type { JobSettings } from '../settings';
import type { DecisionKind, Lesson, NameOf } from './decision-kind';
import { leaveOut } from './casting/leave-out';
import { takeIn } from './casting/take-in';
import { assignInstrument } from './casting/assign-instrument';
import { setStaves } from './casting/set-staves';
import { setTechnique } from './casting/set-technique';
import { gather } from './casting/gather';
import { standAlone } from './casting/stand-alone';
import { readSoundChanges } from './casting/read-sound-changes';
import { takeUp } from './casting/take-up';
import { dealOut } from './casting/deal-out';
import { setKeyswitches } from './casting/set-keyswitches';
import { renamePart } from './casting/rename-part';
import { abbreviatePart } from './casting/abbreviate-part';
import { setSolo } from './casting/set-solo';
import { movePart } from './casting/move-part';
import { setLanguage } from './casting/set-language';
import { useHouseList } from './casting/use-house-list';
import { setGrid } from './rhythm/set-grid';
import { freeGrid } from './rhythm/free-grid';
import { setLead } from './rhythm/set-lead';
import { setSwing } from './rhythm/set-swing';
import { setOrnaments } from './rhythm/set-ornaments';
import { setGaps } from './rhythm/set-gaps';
import { setLengths } from './rhythm/set-lengths';
import { writeAs } from './rhythm/write-as';
import { setVoices } from './rhythm/set-voices';
import { setHandSplit } from './rhythm/set-hand-split';
import { setClefs } from './rhythm/set-clefs';
import { moveNotes } from './hand/move-notes';
import { joinNotes } from './hand/join-notes';
import { cutNote } from './hand/cut-note';
import { addNotes } from './hand/add-notes';
import { giveNotes } from './hand/give-notes';
import { removeNotes } from './hand/remove-notes';
import { setEnds } from './hand/set-ends';
import { setGrace } from './hand/set-grace';
import { setStaffOf } from './hand/set-staff-of';
import { setVoiceOf } from './hand/set-voice-of';
import { setKey } from './page/set-key';
import { respellNotes } from './hand/respell-notes';
import { preferNames } from './page/prefer-names';
import { chooseClef } from './page/choose-clef';
import { setOctaveLines } from './page/set-octave-lines';
import { shiftNotes } from './hand/shift-notes';
import { useDrumMap } from './page/use-drum-map';
import { setDynamic } from './page/set-dynamic';
import { setHairpin } from './page/set-hairpin';
import { setWords } from './page/set-words';
import { setDrumKey } from './page/set-drum-key';
import { setTablature } from './page/set-tablature';
import { setMarks } from './page/set-marks';
import { setArticulation } from './page/set-articulation';
import { setSlur } from './page/set-slur';
import { copyPattern } from './page/copy-pattern';
import { foldRepeat } from './page/fold-repeat';
import { setBarRepeats } from './page/set-bar-repeats';
import { setTitle } from './page/set-title';
import { setComposer } from './page/set-composer';
import { setMarkerStyle } from './page/set-marker-style';
import { writeAnew } from './page/write-anew';
import { setBreaks } from './page/set-breaks';
import { setChordSymbols } from './page/set-chord-symbols';
import { chooseMelody } from './page/choose-melody';
import { chooseReduced } from './page/choose-reduced';
import { setSequencing } from './sequencing/set-sequencing';
import { setCarry } from './sequencing/set-carry';
import { leaveTracks } from './sequencing/leave-tracks';
import { setPartSequencing } from './sequencing/set-part-sequencing';
import { playAsReceived } from './sequencing/play-as-received';
import { setArranging } from './sequencing/set-arranging';
import { treat } from './sequencing/treat';
import { believeBars } from './timeline/believe-bars';
import { drawTempo } from './timeline/draw-tempo';
import { findTheBeats } from './timeline/find-the-beats';
import { numberBar } from './timeline/number-bar';
import { printTempo } from './timeline/print-tempo';
import { sayTempo } from './timeline/say-tempo';
import { setMarker } from './timeline/set-marker';
import { setMeters } from './timeline/set-meters';
import { setTempo } from './timeline/set-tempo';
import { shiftBarlines } from './timeline/shift-barlines';
import { splitTrack } from './originals/split-track';
import { takeTime } from './originals/take-time';
import { placeOriginal } from './originals/place-original';
import { setTextEncoding } from './originals/set-text-encoding';
import { dismissQuery } from './originals/dismiss-query';
import type { Roles } from './roles';
import { togetherOf, type Together } from './together';

const SINGLE_KINDS = {
  // casting
  leaveOut,
  takeIn,
  assignInstrument,
  setStaves,
  setTechnique,
  gather,
  standAlone,
  dealOut,
  readSoundChanges,
  takeUp,
  setKeyswitches,
  renamePart,
  abbreviatePart,
  setSolo,
  movePart,
  setLanguage,
  useHouseList,
  // rhythm
  setGrid,
  freeGrid,
  setLead,
  setSwing,
  setOrnaments,
  setGaps,
  setLengths,
  writeAs,
  setVoices,
  setHandSplit,
  setClefs,
  // by hand
  addNotes,
  removeNotes,
  moveNotes,
  shiftNotes,
  setEnds,
  joinNotes,
  cutNote,
  respellNotes,
  setVoiceOf,
  setStaffOf,
  giveNotes,
  setGrace,
  // page
  setKey,
  preferNames,
  chooseClef,
  setOctaveLines,
  useDrumMap,
  setDrumKey,
  setTablature,
  setMarks,
  setArticulation,
  setSlur,
  setDynamic,
  setHairpin,
  setWords,
  copyPattern,
  foldRepeat,
  setBarRepeats,
  setTitle,
  setComposer,
  setMarkerStyle,
  writeAnew,
  setBreaks,
  setChordSymbols,
  chooseMelody,
  chooseReduced,
  // timeline
  findTheBeats,
  believeBars,
  setTempo,
  drawTempo,
  setMeters,
  shiftBarlines,
  setMarker,
  numberBar,
  printTempo,
  sayTempo,
  // sequencing
  setSequencing,
  setCarry,
  leaveTracks,
  setPartSequencing,
  setArranging,
  treat,
  playAsReceived,
  // originals
  splitTrack,
  placeOriginal,
  takeTime,
  setTextEncoding,
  dismissQuery,
};

type KindsOf<Kinds> = {
  [K in keyof Kinds]: Kinds[K] extends DecisionKind<infer D> ? D : never;
}[keyof Kinds];

/** A decision that stands for itself. */
export type SingleDecision = KindsOf<typeof SINGLE_KINDS>;

/** Several of them as one step. */
const together: DecisionKind<Together<SingleDecision>> = togetherOf({
  apply: (settings, made) => kindOf(made).apply(settings, made),
  describe: (made, nameOf) => kindOf(made).describe(made, nameOf),
  lessonsIn: (made) => kindOf(made).learns?.(made) ?? [],
});

export const DECISION_KINDS = { ...SINGLE_KINDS, together };

export type Decision = KindsOf<typeof DECISION_KINDS>;

function kindOf<D extends Decision>(made: D): DecisionKind<D> {
  // The registry is keyed by the kinds themselves.
  return DECISION_KINDS[made.kind] as unknown as DecisionKind<D>;
}

/** What the fields of a decision point at. */
export function rolesOf({ kind }: Pick<SingleDecision, 'kind'>): Roles {
  return SINGLE_KINDS[kind].points;
}

/** Decisions as one step: one line of the ledger. @param decisions at least one */
export function asOne(decisions: readonly Decision[]): Decision {
  const single = decisions.flatMap(singles);
  return single.length === 1 ? single[0]! : { kind: 'together', decisions: single };
}

/** What was decided in one step, one by one. */
export function singles(made: Decision): SingleDecision[] {
  return made.kind === 'together' ? made.decisions : [made];
}

/** The settings after one more decision. */
export function apply(settings: JobSettings, made: Decision): JobSettings {
  return kindOf(made).apply(settings, made);
}

/** A ledger line in plain words. */
export function describe(made: Decision, nameOf: NameOf): string {
  return kindOf(made).describe(made, nameOf);
}

/** What a decision teaches about tracks. */
export function lessonsIn(made: Decision): Lesson[] {
  return kindOf(made).learns?.(made) ?? [];
}
