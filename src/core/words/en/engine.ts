export const engine = {
  thisJobHasFurtherOriginalsOfWhich:
    'This job has {further} originals, of which the first goes to the sequencer; the others are not exported. Make a job of each to send them.',
  noDrumOfGeneralMIDI: 'no drum of General MIDI',
  inFilesOfInFiles2NotesInTheFile: '{inFiles, number} of {inFiles2, number} notes in the file could not be read.',
  readNotesWereReadWhereTheFileHas: '{read, number} notes were read where the file has {inFiles, number}.',
  pairsOfSmallerNotes: '{pairs, number} of {smaller, number} notes',
  sure: 'Sure',
  likely: 'Likely',
  surelyToldByShareThatBothHave: '{surely}: told by {share} that both have.',
  itHasNoNotes: 'It has no notes',
  itsNotesAreOthers: 'Its notes are others',
  likelyWhyToldByTempoMetersAnd:
    '{toldOver095, select, true {Likely} other {Unsure}}: {why}; told by tempo, meters and markers, alike in {told} % of the bars.',
  unsureWhyAndAllBarsAreAlikeToldBy:
    'Unsure: {why}, and all bars are alike; told by length alone. Check one bar by ear.',
  unsureWhyToldByLengthAloneCheckOne: 'Unsure: {why}; told by length alone. Check one bar by ear.',
  thePieceAsAWhole: 'The piece as a whole',
  barBar: 'bar {bar}',
  barBars: 'bar {bars}',
  titleQueries: '{title}: queries',
  markingsAreNotCompared: 'Markings are not compared.',
  onItsWayToAScore: 'On its way to a score.',
  onItsWayToASequencer: 'On its way to a sequencer.',
  plainSizeBytesSHA256Sha256: '- {plain}, {size} bytes, SHA-256 {sha256}',
  describeTheHouseList: '{describe} (the house list)',
  noDecisionsYet: 'No decisions yet.',
  partNotesTheSameDifferByDecisionBy: '| part | notes | the same | differ by decision | by conversion | unexplained |',
  andPartsMoreParts: 'And {parts} more parts.',
  noOpenQueries: 'No open queries.',
  barBarIsAtItsBeginning: 'Bar {bar} is at its beginning',
  barBarIsAtSAfterItBegins: 'Bar {bar} is {at} s after it begins',
  originalOriginalIsHardlyAnother:
    'Original {original} is hardly another version of this music: fewer than four in ten of the notes are in both. Its times are not taken.',
  oneNoteIsNotInItAndKeepsItsPlace:
    '{missing, plural, one {one note is} other {{missing} notes are}} not in it and {missing, plural, one {keeps its} other {keep their}} place',
  oneOfItsNotesIsNotWrittenPlacesOf:
    '{extra, plural, one {one of its notes is} other {{extra} of its notes are}} not written ({placesOf})',
  theTimesAreThoseOfOriginalOriginal:
    'The times are those of original {original}, in which {matched} notes are found; {said}.',
  barNumber: 'bar {number}',
  whatArrived: 'What arrived',
  whatWasDecided: 'What was decided',
  whatCameOfIt: 'What came of it',
  whatIsOpen: 'What is open',
  barsNamed: '{bars, plural, one {bar} other {bars}} {named}',
} as const;
