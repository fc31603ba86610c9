import { say } from '@/core/words';
import type { Direction } from '@/storage/schema';
import type { StationId } from '../workspace/stations';

/** Something that can be set, and the words of the trade under which people look for it. */
export interface SettingPlace {
  name: string;
  station: StationId;
  direction: Direction;
  words: string;
}

const toScore = (station: StationId, name: string, words: string): SettingPlace => ({
  name,
  station,
  direction: 'to-score',
  words,
});
const toSequencer = (station: StationId, name: string, words: string): SettingPlace => ({
  name,
  station,
  direction: 'to-sequencer',
  words,
});

/** Words of the trade, in the language of the screens; common practice, no source. */
export const settingPlaces = (): readonly SettingPlace[] => [
  toScore('intake', say('jump.originalsAndWhereTheyArePlaced'), say('jump.filesImportJoinAppendOrderSecond')),
  toScore('intake', say('jump.tracksIncludedOrLeftOut'), say('jump.muteDeleteIgnoreEmptyDuplicate')),
  toScore('intake', say('jump.aNewVersionOfTheFile'), say('jump.revisionUpdateReplaceAgainChanged')),
  toScore('intake', say('jump.textsReadInAnotherEncoding'), say('jump.umlautAccentsJapaneseCyrillic')),
  toScore('casting', say('jump.instrumentsNamesAndOrderOfTheParts'), say('jump.renameLabelScoreOrderTemplate')),
  toScore('casting', say('jump.divideAmongPlayers'), say('jump.divisiExplodeSplitChordVoicingA2')),
  toScore('casting', say('jump.combineTracksIntoAPart'), say('jump.mergeCombineImplodeCondenseReduce')),
  toScore('casting', say('jump.doublingsOfAPlayer'), say('jump.doublingDoubleReedChangeSwitch')),
  toScore('casting', say('jump.keyswitchesAndTechniques'), say('jump.articulationPizzConSordPatchSwitch')),
  toScore('casting', say('jump.houseList'), say('jump.presetRememberTemplateLearned')),
  toScore('rhythm', say('jump.grid'), say('jump.quantizeQuantiseQuantization')),
  toScore('rhythm', say('jump.swing'), say('jump.shuffleGrooveOffBeatsStraight')),
  toScore('rhythm', say('jump.lead'), say('jump.latencyDelayOffsetEarlyLatePre')),
  toScore('rhythm', say('jump.gapsAndLengths'), say('jump.legatoOverlapRestsDurationNote')),
  toScore('rhythm', say('jump.voicesAndHands'), say('jump.layersSplitPointStaffLeftRightHand')),
  toScore('rhythm', say('jump.ornaments'), say('jump.trillTremoloGraceNotesArpeggioRoll')),
  toScore('page', say('jump.keysAndSpelling'), say('jump.keySignatureEnharmonicAccidentals')),
  toScore('page', say('jump.clefsAnd8va'), say('jump.clefOctaveLineOttavaLedger')),
  toScore('page', say('jump.drumMap'), say('jump.percussionKitNoteheadsDrums')),
  toScore('page', say('jump.tablature'), say('jump.tabFretsTuningCapoGuitar')),
  toScore('page', say('jump.markings'), say('jump.dynamicsHairpinsCrescendoSlurs')),
  toScore('page', say('jump.repeats'), say('jump.repeatSignsEndingsVoltaDaCapoFold')),
  toScore('page', say('jump.leadSheetAndPianoReduction'), say('jump.extractTuneChordsRehearsalPiano')),
  toScore('page', say('jump.titleComposerConcertPitchPrint'), say('jump.transposedScorePdfPrintPagesLayout')),
  toScore('timeline', say('jump.tempo'), say('jump.bpmMetronomeRitAccelTempoMap')),
  toScore('timeline', say('jump.metersAndBarlines'), say('jump.timeSignatureRebarDownbeatMeasure')),
  toScore('timeline', say('jump.barNumbersAndPickup'), say('jump.anacrusisUpbeatMeasureNumbersBar')),
  toScore('timeline', say('jump.freePlaying'), say('jump.rubatoTapBeatDetectionFollowNo')),
  toScore('timeline', say('jump.studioMapClickAndTimeCode'), say('jump.smpteTimecodeClickTrackCountIn')),
  toScore('proof', say('jump.agreement'), say('jump.checkVerifyCompareDifference')),
  toScore('dispatch', say('jump.filesForNotationPrograms'), say('jump.exportSaveMusicxmlMxlPdfDownload')),
  toScore('dispatch', say('jump.parcelStemsListsRecipes'), say('jump.zipWavStemsBounceHandoffHandOver')),
  toSequencer('intake', say('jump.whatToInclude'), say('jump.ccControllersVolumePanResetReverb')),
  toSequencer('intake', say('jump.aNewVersionOfTheFile'), say('jump.revisionUpdateReplaceAgainChanged')),
  toSequencer('casting', say('jump.soundsChannelsAndPorts'), say('jump.generalMidiProgramPatchBank')),
  toSequencer('casting', say('jump.techniqueCharts'), say('jump.articulationKeyswitchTechnique')),
  toSequencer('rhythm', say('jump.humanize'), say('jump.randomGrooveFeelHumaniseLoosen')),
  toSequencer('rhythm', say('jump.dynamics'), say('jump.velocityExpressionModulationCc11')),
  toSequencer('rhythm', say('jump.notesChangedByHand'), say('jump.editCorrectWrongNoteFixPitchMend')),
  toSequencer('rhythm', say('jump.processing'), say('jump.quantizeGridLegatoGapOverlapAccent')),
  toSequencer('timeline', say('jump.orderOfBarsAndPickup'), say('jump.repeatsDaCapoCodaAnacrusisSilence')),
  toSequencer('dispatch', say('jump.parcelStemsListsRecipes'), say('jump.zipWavStemsBounceHandoffHandOver2')),
  toSequencer('dispatch', say('jump.resolutionTypeAndFiles'), say('jump.ppqTicksType0ExportMidiSmfClips')),
];
