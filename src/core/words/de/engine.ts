import type { Words } from '../words-of';

export const engine: Words<'engine'> = {
  thisJobHasFurtherOriginalsOfWhich:
    'Dieser Auftrag hat {further} Originale, von denen das erste zum Sequenzer geht; die anderen werden nicht exportiert. Machen Sie aus jedem einen Auftrag, um sie zu senden.',
  noDrumOfGeneralMIDI: 'kein Schlaginstrument von General MIDI',
  inFilesOfInFiles2NotesInTheFile: '{inFiles, number} von {inFiles2, number} Noten der Datei waren nicht lesbar.',
  readNotesWereReadWhereTheFileHas: '{read, number} Noten wurden gelesen, wo die Datei {inFiles, number} hat.',
  pairsOfSmallerNotes: '{pairs, number} von {smaller, number} Noten',
  sure: 'Sicher',
  likely: 'Wahrscheinlich',
  surelyToldByShareThatBothHave: '{surely}: erkannt an {share}, die beide haben.',
  itHasNoNotes: 'Sie hat keine Noten',
  itsNotesAreOthers: 'Ihre Noten sind andere',
  likelyWhyToldByTempoMetersAnd:
    '{toldOver095, select, true {Wahrscheinlich} other {Unsicher}}: {why}; erkannt an Tempo, Taktarten und Markern, gleich in {told} % der Takte.',
  unsureWhyAndAllBarsAreAlikeToldBy:
    'Unsicher: {why}, und alle Takte sind gleich; erkannt nur an der Länge. Prüfen Sie einen Takt mit dem Ohr.',
  unsureWhyToldByLengthAloneCheckOne: 'Unsicher: {why}; erkannt nur an der Länge. Prüfen Sie einen Takt mit dem Ohr.',
  thePieceAsAWhole: 'Das Stück als Ganzes',
  barBar: 'Takt {bar}',
  barBars: 'Takt {bars}',
  titleQueries: '{title}: Fragen',
  markingsAreNotCompared: 'Zeichen werden nicht verglichen.',
  onItsWayToAScore: 'Auf dem Weg zur Partitur.',
  onItsWayToASequencer: 'Auf dem Weg zum Sequenzer.',
  plainSizeBytesSHA256Sha256: '- {plain}, {size} Bytes, SHA-256 {sha256}',
  describeTheHouseList: '{describe} (die Hausliste)',
  noDecisionsYet: 'Noch keine Entscheidungen.',
  partNotesTheSameDifferByDecisionBy:
    '| Stimme | Noten | gleich | anders durch Entscheidung | durch Umwandlung | unerklärt |',
  andPartsMoreParts: 'Und {parts} weitere Stimmen.',
  noOpenQueries: 'Keine offenen Fragen.',
  barBarIsAtItsBeginning: 'Takt {bar} ist an ihrem Anfang',
  barBarIsAtSAfterItBegins: 'Takt {bar} ist {at} s nach ihrem Anfang',
  originalOriginalIsHardlyAnother:
    'Original {original} ist kaum eine andere Fassung dieser Musik: Weniger als vier von zehn Noten sind in beiden. Seine Zeiten werden nicht verwendet.',
  oneNoteIsNotInItAndKeepsItsPlace:
    '{missing, plural, one {eine Note ist} other {{missing} Noten sind}} nicht darin und {missing, plural, one {behält ihren} other {behalten ihren}} Ort',
  oneOfItsNotesIsNotWrittenPlacesOf:
    '{extra, plural, one {eine seiner Noten ist} other {{extra} seiner Noten sind}} nicht geschrieben ({placesOf})',
  theTimesAreThoseOfOriginalOriginal:
    'Die Zeiten sind die von Original {original}, in dem {matched} Noten gefunden sind; {said}.',
  barNumber: 'Takt {number}',
  whatArrived: 'Was ankam',
  whatWasDecided: 'Was entschieden wurde',
  whatCameOfIt: 'Was daraus wurde',
  whatIsOpen: 'Was offen ist',
  barsNamed: 'Takt {named}{bars, plural, one {} other {}}',
};
