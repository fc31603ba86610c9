import type { Words } from '../words-of';

export const castingCore: Words<'castingCore'> = {
  theScoreSaysSo: 'die Partitur sagt es',
  noNotes: 'keine Noten',
  leftOut: 'ausgelassen',
  leftOutByYourHouseList: 'durch Ihre Hausliste ausgelassen',
  trackLabelHasNoNotesAndIsLeftOut: '{trackLabel} hat keine Noten und ist ausgelassen.',
  emptyTracksHaveNoNotesAndAreLeft:
    '{empty} Spuren haben keine Noten und sind ausgelassen: {shown}{more, plural, =0 {} other { und {more} weitere}}.',
  enConfidenceConfidence: '{en} ({confidence} % Sicherheit)',
  labelIsWrittenForSaidIsIt: '{label} ist für {said} geschrieben. Stimmt das?',
  oneAsSaid: '{one} als {said}',
  unsureTracksHaveUncertain:
    '{unsure} Spuren haben unsichere Instrumente: {shown}{more, plural, =0 {} other { und {more} weitere}}. Prüfen Sie sie bei der Besetzung.',
  labelYourHouseListSaysSaidTheFile:
    '{label}: Ihre Hausliste sagt {said}, die Datei sagt {named}. Bisher für {named} geschrieben.',
  perhapsEnConfidenceConfidence: 'Vielleicht {en} ({confidence} % Sicherheit).',
  labelWhichInstrumentIsThisGuess: '{label}: Welches Instrument ist das?',
  labelSwitchesCountNoteLookLike:
    '{label}: {switches} ({count} {count, plural, one {Note} other {Noten}}) sehen nach Keyswitches aus. Sie sind vorerst als Noten geschrieben.',
  trackLabelAndTrackLabel2AreNamed:
    '{trackLabel} und {trackLabel2} sind für einen Spieler benannt, klingen aber {share} % der Zeit zusammen: eine Stimme oder zwei?',
  trackLabelSketchesTheStringsWithUp:
    '{trackLabel} skizziert die Streicher mit bis zu {needed} Noten zugleich: auf einen Streicherchor aufteilen?',
  trackLabelPlaysUpToNeededNotesAt: '{trackLabel} spielt bis zu {needed} Noten zugleich: mehr als ein Spieler?',
  trackLabelSoundsAsNamesFromWords:
    '{trackLabel} klingt als {names} ab {words}{several, select, true { (später {later})} other {}}: Ist das ein anderer Spieler? Bisher durchgehend für {en} geschrieben.',
  partWordsMoreNotesAtOnceThanTheOf:
    '{part}, {words}: mehr Noten zugleich als die {of} Spieler{more, plural, =0 {} other { ({more} Noten insgesamt)}}; ein Spieler bekommt zwei Noten.',
  keyInWordsIsPlayedTwiceAtOnceName: '{keyInWords} wird zweimal zugleich gespielt, {name} und {name2}',
  nameAndName2SoundTogether: '{name} und {name2} klingen zusammen',
  partWordsWhatMoreWrittenAsDivided:
    '{part}, {words}: {what}{more, plural, =0 {} other { ({more} Stellen)}}; als geteilte Spieler geschrieben.',
  originalOriginalTrack: 'Original {original}, Spur',
  track: 'Spur',
  fitsBetterOnTwoStaves: '{name} steht auf einem System; einige Noten oder Akkorde passten besser auf zwei.',
};
