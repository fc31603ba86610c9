import type { Words } from '../words-of';

export const castingCore: Words<'castingCore'> = {
  theScoreSaysSo: 'die Partitur sagt es',
  noNotes: 'keine Noten',
  leftOut: 'ausgelassen',
  leftOutByYourHouseList: 'durch Ihre Hausliste ausgelassen',
  andEmptyMore: ' und {empty} weitere',
  trackLabelHasNoNotesAndIsLeftOut: '{trackLabel} hat keine Noten und ist ausgelassen.',
  emptyTracksHaveNoNotesAndAreLeft: '{empty} Spuren haben keine Noten und sind ausgelassen: {shown}{more}.',
  enConfidenceConfidence: '{en} ({confidence} % Sicherheit)',
  labelIsWrittenForSaidIsIt: '{label} ist für {said} geschrieben. Stimmt das?',
  oneAsSaid: '{one} als {said}',
  andUnsureMore: ' und {unsure} weitere',
  unsureTracksHaveUncertain:
    '{unsure} Spuren haben unsichere Instrumente: {shown}{more}. Prüfen Sie sie bei der Besetzung.',
  labelYourHouseListSaysSaidTheFile:
    '{label}: Ihre Hausliste sagt {said}, die Datei sagt {named}. Bisher für {named} geschrieben.',
  perhapsEnConfidenceConfidence: ' Vielleicht {en} ({confidence} % Sicherheit).',
  labelWhichInstrumentIsThisGuess: '{label}: Welches Instrument ist das?{guess}',
  labelSwitchesCountNoteLookLike:
    '{label}: {switches} ({count} {count, plural, one {Note} other {Noten}}) sehen nach Keyswitches aus. Sie sind vorerst als Noten geschrieben.',
  trackLabelAndTrackLabel2AreNamed:
    '{trackLabel} und {trackLabel2} sind für einen Spieler benannt, klingen aber {share} % der Zeit zusammen: eine Stimme oder zwei?',
  trackLabelSketchesTheStringsWithUp:
    '{trackLabel} skizziert die Streicher mit bis zu {needed} Noten zugleich: auf einen Streicherchor aufteilen?',
  trackLabelPlaysUpToNeededNotesAt: '{trackLabel} spielt bis zu {needed} Noten zugleich: mehr als ein Spieler?',
  trackLabelSoundsAsNamesFromWords:
    '{trackLabel} klingt als {names} ab {words}{more}: Ist das ein anderer Spieler? Bisher durchgehend für {en} geschrieben.',
  notesNotesInAll: ' ({notes} Noten insgesamt)',
  partWordsMoreNotesAtOnceThanTheOf:
    '{part}, {words}: mehr Noten zugleich als die {of} Spieler{more}; ein Spieler bekommt zwei Noten.',
  clashesPlaces: ' ({clashes} Stellen)',
  keyInWordsIsPlayedTwiceAtOnceName: '{keyInWords} wird zweimal zugleich gespielt, {name} und {name2}',
  nameAndName2SoundTogether: '{name} und {name2} klingen zusammen',
  partWordsWhatMoreWrittenAsDivided: '{part}, {words}: {what}{more}; als geteilte Spieler geschrieben.',
  originalOriginalTrack: 'Original {original}, Spur',
  track: 'Spur',
  laterNames: ' (später {names})',
  fitsBetterOnTwoStaves: '{name} steht auf einem System; einige Noten oder Akkorde passten besser auf zwei.',
};
