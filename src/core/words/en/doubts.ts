export const doubts = {
  aPlayedNote: 'a played note',
  notesPlayedNotes: '{notes} played notes',
  countDidNotReachThePageLostBetween: '{count} did not reach the page (lost between grid and assembling).',
  countStandAtAnotherPitchSpellingOr: '{count} stand at another pitch (spelling or transposition).',
  countLeftTheirPlayedPositionGridOr: '{count} left their played position (grid or doubled lines).',
  trillsTrills: '{trills} trills',
  oneTrill: 'one trill',
  behindFastUnevenNotesAreWrittenAs: '{behind} fast uneven notes are written as {many}.',
  thereIsNoNoteToWrite: 'There is no note to write.',
  exactlyWhereTheyWerePlayed: 'exactly where they were played',
  whereTheyWerePlayedWithinWithinMs: 'where they were played, within {within} ms',
  notesOfNotes2NotesAreWritten: '{notes, number} of {notes2, number} notes are written',
  allNotesNotesAreWritten: 'All {notes, number} notes are written',
  behindATrillTremoloGraceNoteOrInA: 'behind a trill, tremolo, grace note or in a spread chord',
  struckTwiceAtOnePositionWritten: 'struck twice at one position, written once',
  changedByDecision: 'changed by decision',
  furtherFromTheirPlaceThanTheGrid: 'further from their place than the grid allows, asked about',
  atAnotherPitchAskedAbout: 'at another pitch, asked about',
  notWrittenAskedAbout: 'not written, asked about',
  millisecondsMsLater: '{milliseconds} ms {millisecondsOver0, select, true {later} other {earlier}}',
  whichNobodyHasConfirmed: 'which nobody has confirmed',
  asDecided: 'as decided',
  movedMovedWayForTheLeadOfNamesBy: '{moved, number} moved {way} for the lead of {names}, {by}',
  unconfirmedOfThemNotConfirmed: '{unconfirmed, number} of them not confirmed',
  movedMovedByUpToMostMsForTheLeads:
    '{moved, number} moved by up to {most} ms for the leads of {led} parts, {confirmed}',
  partPlaceInWordsStepNameBefore:
    '{part}, {placeInWords}: {stepName} {byOver0, select, true {before} other {after}} {other}, with which it moves elsewhere in the bar{more, plural, =0 {} other { ({more} places)}}.',
  anEighth: 'an eighth',
  namesDoublesNameOfInBothBars:
    '{names} doubles {nameOf} in {both} bars; {barList} it is played, and written, otherwise.',
  fewDoubleNameOfHereAndThereFromBar:
    '{few} double {nameOf}; here and there, from bar {first} on, they are played, and written, otherwise.',
  inBarShown: 'in bar {shown}',
  inNumbersOfThemFromBarShownOn: 'in {numbers} of them, from bar {shown} on,',
  inBarsShownAndShown2: 'in bars {shown} and {shown2}',
  namesAndNames2More: '{names} and {names2} more',
  namesAndNames2: '{names} and {names2}',
  partHasShownOnOneStaffWithTheKit:
    '{part} has {shown} on one staff{groupsIncludesKITGROUP, select, true { with the kit} other {}}. Each could have a line of its own.',
  partLikeOfBarsBarsAreLikeTheOneOr:
    '{part}: {like} of {bars} bars are like the one or the two before them, from bar {first} on. They could be repeat signs.',
  partEntersJustBeforePlaceWhich:
    '{part} enters just before {place}, which other parts strike. It is written early, tied over the beat.',
  partEntersFoundTimesJustBeforeA:
    '{part} enters {found} times just before a beat that other parts strike, first at {place}. It is written early, tied over the beat.',
  theNotesFallEverywhereButOnThe:
    'The notes fall everywhere but on the file’s beats: perhaps it was played without a click.',
  theFilesBarlinesDoNotFitTheMusicBy:
    'The file’s barlines do not fit the music. By bass, harmony, long and loud notes the first full bar begins on beat {pickup}.',
  theFileIsIn44WhichOftenMeansThat:
    'The file is in 4/4, which often means that nobody set it. Bass, harmony, long and loud notes say {bars}.',
  wordsNotesNotesThatNoHandCanHoldOn:
    '{words}: {notes} notes that no hand can hold on these strings{more, plural, =0 {} other {, and {more} more}}. The highest that can be are shown.',
  wordsKeysKeyAndOtherAreBothAName:
    '{words}: keys {key} and {other} are both a {name}; they stand on one place, and are one head where they are struck together.',
  keyKeyIsNotInTheDrumMapTimesNear0:
    'key {key} is not in the drum map{times, plural, =0 {} other { ({times} times)}}{near0, select, true {; {key2} is {near}} other {}}',
  keysFewAreNotInTheDrumMapTimes: 'keys {few} are not in the drum map{times, plural, =0 {} other { ({times} times)}}',
  timesTimesInARowUpToBarLast: '{times} times in a row, up to bar {last}',
  againAsFromLast: 'again as {from}–{last}',
  barsFromFrom2ComeAgainInAllParts:
    'Bars {from}–{from2} come {again} in all parts{ending, plural, =0 {} other {, the last {ending, plural, one {bar} other {{ending} bars}} apart}}. They could be written once.',
  barsFromLastSoundLikeKeyNameThe:
    'Bars {from}–{last} sound like {keyName}; the signature there is {keyName2}.{more, plural, =0 {} other { (And {more} more stretches in other keys.)}}',
  anOctaveHigherTheWholePartWouldBe:
    'An octave {octaveOver0, select, true {higher} other {lower}} the whole part would be within it.',
  perhapsThisIsAnotherInstrument: 'Perhaps this is another instrument.',
  strangeOfNotesNotes: '{strange} of {notes} notes',
  musicXMLCannotWriteNamedManyAn:
    'MusicXML cannot write {named} ({many}); an octave nearer the middle stands in the file.',
  manyBetweenNamedLieOutsideTheRange: '{many}, between {named}, lie outside the range of {en}, {range}.',
  namedLieOutsideTheRangeOfEnRange:
    '{named} {lie, plural, one {lies} other {lie}} outside the range of {en}, {range} ({many}).',
  theScoreHasNoKeySignatureAndNames:
    'The score has no key signature and names all {sharps} black keys with sharps, as sequencers do; its notes sound like {keyName}.',
  nothingInTheScoreTransposesNamesIs:
    'Nothing in the score transposes: {names} {names2, plural, one {is} other {are}} at concert pitch. Players read {names2, plural, one {it} other {them}} transposed.',
  partWhyDrumsAreReadInTwoVoices:
    '{part} {why}. Drums are read in two voices, hands up and feet down, each sound with its own place and head.',
  isWrittenWithPitchesAsIfItWereA: 'is written with pitches, as if it were a keyboard',
  isWrittenInOneVoiceItsDrumsAs: 'is written in one voice, its drums as chords with round heads',
  someAndRestMore: '{some} and {rest} more',
  someAndSome2: '{some} and {some2}',
  writtenEvenlyWithSwingAbove: 'Written evenly, with “Swing” above.',
  writtenAsPlayed: 'Written as played.',
  perhapsThisSwingsEvidenceWritten: 'Perhaps this swings: {evidence}. {written}',
  writtenAsATripletPlainValuesFit: 'written as a triplet; plain values fit nearly as well',
  beatsBeatsFromHereOnAreWrittenAs:
    '{beats} beats from here on are written as triplets; plain values fit nearly as well',
  whereIsARestShorterThanASixteenth: '{whereIs}: a rest shorter than a sixteenth{timesIn}.',
  whereIsStruckTwiceAtOnePosition: '{whereIs}: struck twice at one position, written once{timesIn}.',
  moreMoreParts: '{more} more parts',
  whereAndMore: '{where}, and {more}',
  barNumberTheTempoFallsGradually:
    'Bar {number}: the tempo {firstWordsRit, select, true {falls} other {rises}} gradually from {bpm} to {bpm2}, without a tempo word.',
  barNumberAndOnTheTempoFallsOrRises:
    'Bar {number} and on: the tempo falls or rises gradually in {bends} places, without a tempo word.',
  wordsPlayedMostMsAfterItsWritten:
    '{words}: played {most} ms {mostOver0, select, true {after} other {before}} its written position.',
  wordsAndOnFarNotesWerePlayedUpTo:
    '{words} and on: {far} notes were played up to {most} ms away from their written positions.',
  partMayHaveBeenPlayedMilliseconds:
    '{part} may have been played {milliseconds} ms {leadMillisecondsOver0, select, true {early} other {late}} ({confidence} % confidence); written as played for now.',
  transposedOctaveSHigher:
    '{transposed} octave{transposed2, select, true {s} other {}} {transposedOver0, select, true {higher} other {lower}}',
  laterMsLater: '{later} ms {laterOver0, select, true {later} other {earlier}}',
  nameOfPlaysExactlyWhatNameOf2Plays:
    '{nameOf} plays {exact, select, true {exactly } other {}}what {nameOf2} plays{shift, select, true { ({shift2})} other {}}: two instruments in unison, both written.',
  nameOfPlaysExactlyWhatNameOf2Plays2:
    '{nameOf} plays {exact, select, true {exactly } other {}}what {nameOf2} plays{shift, select, true { ({shift2})} other {}}: perhaps only there to thicken the sound.',
  trackLabelPlaysOnChannelsChannels: '{trackLabel} plays on channels {channels}: perhaps {channels2} instruments.',
  theFileSaysCMajorWhichOftenMeans:
    'The file says C major, which often means that nobody set it. Its notes say {keyName}, and that is printed.',
  theFilesKeySignatureIsPrintedBut: 'The file’s key signature is printed, but the notes sound like {keyName}.',
  barsFromFrom2AreWrittenOnceFor:
    'Bars {from}–{from2} are written once for {times} playings; the first is printed. {part} has other notes later in bar {bar}{more, plural, =0 {} other { (and {more} more bars)}}.',
  velocity: 'velocity',
  controllerNumber: 'controller {controller}',
  setByHand: 'set by hand',
  onsetsOnAGrid: '{all, select, true {all} other {{share} % of}} {onsets} onsets stand exactly on a grid',
  onsetsBesideAGrid:
    '{all, select, true {all} other {{share} % of}} {onsets} onsets stand beside the grid by the same ticks',
  onsetsLeft:
    '{onsets} onsets are left as they were played: {lead} would not fit the other tracks better, or it is a rhythm',
  wholeFile: 'the whole file stands {ms} ms {late, select, true {behind} other {before}} its barlines',
  leadNone: 'no lead',
  leadMs: '{ms} ms {early, select, true {early} other {late}}',
  onsetsFit: '{onsets} onsets fit best with {lead}; next best: {rival} ({share} % sure)',
  onsetsFitInCompany:
    '{onsets} onsets fit best with {lead}; next best: {rival} ({share} % sure); with it {gain} % {more, select, true {more} other {fewer}} of the onsets fall together with other tracks',
  offBeatsEven: 'off-beats lie even',
  offBeatsLate:
    '{late} off-beat {unit, select, eighth {eighths} other {sixteenths}} lie late, about {ratio} to 1; {even} lie even, {thirds} on the first third{signs, select, named {; the file says so} band {; a rhythm section plays} other {}}',
  outOfRangeFrom: '{words} and on',
} as const;
