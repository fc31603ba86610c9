export const receivers = {
  oneNamedTrack: 'one named track',
  soundingNamedTracks: '{sounding, number} named tracks',
  seesATimeLineWithoutNotes: 'Sees a time line without notes.',
  seesTracksNotesNotes: 'Sees {tracks}, {notes, number} notes.',
  namelessOfSoundingTracksHaveNoName: '{nameless} of {sounding} tracks have no name; set names at Casting.',
  noFaderMovesThereIsNoMixerData: 'No fader moves: there is no mixer data.',
  noFaderMovesAfterTheBeginning: 'No fader moves after the beginning.',
  fadersWouldJumpInNamedVolumeOrPan:
    'Faders would jump in {named}: volume or pan is set again while it plays. Drop them at Intake.',
  tempoMapKeptTemposTempoChanges:
    'Tempo map kept: {tempos, number} tempo changes, {meters, number} meters, {markers, number} markers.',
  tempoOrMetersStandInLaterTracksToo: 'Tempo or meters stand in later tracks too, where a sequencer passes them over.',
  countsBarsBarsAsTheScoreDoes: 'Counts {bars, number} bars, as the score does.',
  countsBarsBarsWhereOursAreBars2A:
    'Counts {bars, number} bars where ours are {bars2, number}: a bar is shorter or longer than its meter. Compare at Timeline.',
  noTwoTracksFightOverAChannelsSound: 'No two tracks fight over a channel’s sound.',
  channelContestedIsGivenSeveral:
    'Channel {contested} is given several sounds at once; the last one would win. Give the tracks channels of their own at Casting.',
  notesAreNeverReleasedInNamed: 'Notes are never released in {named}.',
  musicWithoutAName: 'music without a name',
  nameMeasureNumber: '{name}, bar {number}',
  seesPartsNamedPartInMusicXML:
    'Sees {parts, number} named {parts, plural, one {part} other {parts}} in MusicXML {version}, {reduce, number} notes.',
  theListOfPartsAndTheMusicDiffer: 'The list of parts and the music differ: {someOf}.',
  namelessOfPartsPartsHaveNoNameSet: '{nameless} of {parts} parts have no name; set names at Casting.',
  countsValueBarsInEveryPart: 'Counts {value} bars in every part.',
  countsValueBarsWhereOursAreBars: 'Counts {value} bars where ours are {bars}.',
  everyBarIsAsLongAsItsMeter: 'Every bar is as long as its meter.',
  everyBarIsAsLongAsItsMeterButFor:
    'Every bar is as long as its meter, but for {partial, plural, one {one that is} other {{partial} that are}} marked as not full.',
  barsAreNotAsLongAsTheirMeterSomeOf:
    'Bars are not as long as their meter: {someOf}. Look at Timeline whether that is meant.',
  everyTieSlurAndTupletThatBegins: 'Every tie, slur and tuplet that begins ends.',
  beginsAndDoesNotEndOrTheOtherWay: 'Begins and does not end, or the other way round: {someOf}.',
  noPartTransposes: 'No part transposes.',
  nameByTransposes: '{name} by {transposes0, select, true {−} other {}}{transposes}',
  transposesTransposingSemitones: 'Transposes {transposing} semitones.',
  openAt: '{part}: a {what, select, slur {slur} other {tuplet}}',
  openTies: '{part}: {tied, plural, one {a tie} other {# ties}}',
  sign: '{sign, select, harppedals {harp pedal diagram} principalvoice {sign of a principal voice} accordionregistration {accordion registration} staffdetails {staff of its own kind} measurestyle {slashes, beat repeat or rest over several bars} measurenumbering {rule for bar numbers} noteheadtext {text in a notehead} accidentalmark {accidental beside an ornament} movementnumber {number of the movement} movementtitle {title of the movement} worknumber {opus number} linetypedashedofslur {dashed slur} linetypedottedofslur {dotted slur} printobjectnooftime {hidden meter} nienteyesofwedge {hairpin from or to nothing} sizecueoftype {small note} fanaccelofbeam {feathered beam} fanritofbeam {feathered beam} creatorarranger {arranger} creatorlyricist {lyricist} creatorpoet {poet} creatortranslator {translator} frame {chord diagram} other {{name}}}',
  signInFile: '{count} × {sign} (from bar {bar} on)',
  signInBar: '{sign} (bar {bar})',
  signsOfTheWhole: '{count} × {sign}',
  partAsItCame: 'part “{name}” as it came',
} as const;
