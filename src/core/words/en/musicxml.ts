export const musicxml = {
  thePartEndsAfterMeasuresOfBarsBars: 'the part ends after {measures} of {bars} bars; the rest of it is empty',
  moreBarsHaveAVoiceThatIsLongerThan: 'more bars have a voice that is longer than the bar',
  moreBarsHoldAnotherLengthThanTheir: 'more bars hold another length than their time signature asks for',
  aVoiceIsLongerThanTheBarWhat: 'a voice is longer than the bar; what reaches over its end is cut off',
  barBarHoldsQuartersOfMusicWhereIts:
    'bar {bar} holds {quarters} of music where its time signature asks for {quarters2}; it lasts as long as its music',
  theFileIsEmptyAskForItAgainOr: 'The file is empty. Ask for it again, or export it once more.',
  theXMLBreaksOffOrIsDamagedAtLine:
    'The XML breaks off or is damaged at line {line}, column {column}{path, select, true { (in {path2})} other {}}: {why}. Export the score again as MusicXML.',
  thisIsXMLButNoScoreItBeginsWith:
    "This is XML, but no score: it begins with '<'{root}> where '<'score-partwise> or '<'score-timewise> belongs. Export the score as MusicXML.",
  theFileDeclaresXMLEntitiesOfItsOwn:
    'The file declares XML entities of its own (line {line}), which no score needs and which can be harmful. It was not opened; export the score again as MusicXML.',
  theXMLIsNestedDeeperThanAnyScore:
    'The XML is nested deeper than any score (line {line}). It was not opened; export the score again as MusicXML.',
  theScoreHasMebibytesMiBOfTextAt:
    'The score has {mebibytes} MiB of text; at most {limit} MiB can be read. Export it in sections.',
  theScoreHasNoPartWithBarsInIt: 'The score has no part with bars in it. Export it again with its parts selected.',
  theCompressedScoreIsDamagedOrIsNo:
    'The compressed score is damaged or is no .mxl file. Export it again, or as plain .musicxml.',
  theCompressedFileHoldsNoScoreWhere:
    'The compressed file holds no score where its container says. Export it again, or as plain .musicxml.',
  aDurationOfQuartersQuarterNotesAt: 'a duration of {quarters} quarter notes at line {line} is left out',
  aNoteWithoutPitchSoundsAsTheNoteAt: 'a note without pitch sounds as the note at its place on the staff',
  aNoteOutsideOfWhatMIDICanSoundKey: 'a note outside of what MIDI can sound (key {key}) is left out',
  originalIWarning: 'Original {i}: {warning}',
  isCalledRawAndOriginal1First: 'is called “{raw}” and original 1 “{first}”',
  hasOwnBarsAndOriginal1HasBars: 'has {own} bars and original 1 has {bars}',
  originalIWhatAreTheyOfOnePieceBars:
    'Original {i} {what}: are they of one piece? Bars that one of them lacks are empty.',
  theSignSignStandsInsideTheBarAndIs: 'the {sign} sign stands inside the bar and is taken to the nearer barline',
} as const;
