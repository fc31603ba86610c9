import type { Words } from '../words-of';

export const doubts: Words<'doubts'> = {
  aPlayedNote: 'eine gespielte Note',
  notesPlayedNotes: '{notes} gespielte Noten',
  countDidNotReachThePageLostBetween: '{count} kamen nicht auf die Seite (verloren zwischen Raster und Satz).',
  countStandAtAnotherPitchSpellingOr: '{count} stehen in anderer Tonhöhe (Schreibweise oder Transposition).',
  countLeftTheirPlayedPositionGridOr: '{count} verließen ihre gespielte Position (Raster oder Verdopplung).',
  trillsTrills: '{trills} Triller',
  oneTrill: 'ein Triller',
  behindFastUnevenNotesAreWrittenAs: '{behind} schnelle, ungleiche Noten sind als {many} geschrieben.',
  thereIsNoNoteToWrite: 'Es gibt keine Note zu schreiben.',
  exactlyWhereTheyWerePlayed: 'genau da, wo sie gespielt wurden',
  whereTheyWerePlayedWithinWithinMs: 'da, wo sie gespielt wurden, innerhalb {within} ms',
  notesOfNotes2NotesAreWritten: '{notes, number} von {notes2, number} Noten sind geschrieben',
  allNotesNotesAreWritten: 'Alle {notes, number} Noten sind geschrieben',
  behindATrillTremoloGraceNoteOrInA: 'hinter einem Triller, Tremolo, Vorschlag oder in einem gebrochenen Akkord',
  struckTwiceAtOnePositionWritten: 'zweimal an einer Position angeschlagen, einmal geschrieben',
  changedByDecision: 'durch Entscheidung geändert',
  furtherFromTheirPlaceThanTheGrid: 'weiter von ihrem Ort, als das Raster erlaubt, nachgefragt',
  atAnotherPitchAskedAbout: 'in anderer Tonhöhe, nachgefragt',
  notWrittenAskedAbout: 'nicht geschrieben, nachgefragt',
  millisecondsMsLater: '{milliseconds} ms {millisecondsOver0, select, true {später} other {früher}}',
  whichNobodyHasConfirmed: 'was niemand bestätigt hat',
  asDecided: 'wie entschieden',
  movedMovedWayForTheLeadOfNamesBy: '{moved, number} {way} gerückt für den Vorlauf von {names}, {by}',
  unconfirmedOfThemNotConfirmed: '{unconfirmed, number} davon nicht bestätigt',
  movedMovedByUpToMostMsForTheLeads:
    '{moved, number} um bis zu {most} ms gerückt für die Vorläufe von {led} Stimmen, {confirmed}',
  partPlaceInWordsStepNameBefore:
    '{part}, {placeInWords}: {stepName} {byOver0, select, true {vor} other {nach}} {other}, mit der sie sich sonst im Takt bewegt{more, plural, =0 {} other { ({more} Stellen)}}.',
  anEighth: 'eine Achtel',
  namesDoublesNameOfInBothBars:
    '{names} verdoppelt {nameOf} in {both} Takten; {barList} ist sie anders gespielt und geschrieben.',
  fewDoubleNameOfHereAndThereFromBar:
    '{few} verdoppeln {nameOf}; stellenweise, ab Takt {first}, sind sie anders gespielt und geschrieben.',
  inBarShown: 'in Takt {shown}',
  inNumbersOfThemFromBarShownOn: 'in {numbers} davon, ab Takt {shown},',
  inBarsShownAndShown2: 'in Takt {shown} und {shown2}',
  namesAndNames2More: '{names} und {names2} weitere',
  namesAndNames2: '{names} und {names2}',
  partHasShownOnOneStaffWithTheKit:
    '{part} hat {shown} auf einem System{groupsIncludesKITGROUP, select, true { mit dem Schlagzeug} other {}}. Jedes könnte eine eigene Linie haben.',
  partLikeOfBarsBarsAreLikeTheOneOr:
    '{part}: {like} von {bars} Takten gleichen dem einen oder den zwei davor, ab Takt {first}. Sie könnten Faulenzer sein.',
  partEntersJustBeforePlaceWhich:
    '{part} setzt unmittelbar vor {place} ein, wo andere Stimmen anschlagen. Der Einsatz ist früh geschrieben, über die Zählzeit gebunden.',
  partEntersFoundTimesJustBeforeA:
    '{part} setzt {found}-mal unmittelbar vor einer Zählzeit ein, auf der andere Stimmen anschlagen, zuerst bei {place}. Die Einsätze sind früh geschrieben, über die Zählzeit gebunden.',
  theNotesFallEverywhereButOnThe:
    'Die Noten fallen überall hin, nur nicht auf die Zählzeiten der Datei: Vielleicht wurde ohne Klick gespielt.',
  theFilesBarlinesDoNotFitTheMusicBy:
    'Die Taktstriche der Datei passen nicht zur Musik. Nach Bass, Harmonie, langen und lauten Noten beginnt der erste volle Takt auf Zählzeit {pickup}.',
  theFileIsIn44WhichOftenMeansThat:
    'Die Datei steht im 4/4, was oft heißt, dass niemand es einstellte. Bass, Harmonie, lange und laute Noten sagen {bars}.',
  wordsNotesNotesThatNoHandCanHoldOn:
    '{words}: {notes} Noten, die keine Hand auf diesen Saiten greifen kann{more, plural, =0 {} other {, und {more} weitere}}. Gezeigt werden die höchsten, die gehen.',
  wordsKeysKeyAndOtherAreBothAName:
    '{words}: Die Tasten {key} und {other} sind beide {name}; sie stehen an einem Ort und sind ein Kopf, wo sie zusammen angeschlagen werden.',
  keyKeyIsNotInTheDrumMapTimesNear0:
    'Taste {key} ist nicht in der Schlagzeugbelegung{times, plural, =0 {} other { ({times}-mal)}}{near0, select, true {; {key2} ist {near}} other {}}',
  keysFewAreNotInTheDrumMapTimes:
    'Die Tasten {few} sind nicht in der Schlagzeugbelegung{times, plural, =0 {} other { ({times}-mal)}}',
  timesTimesInARowUpToBarLast: '{times}-mal nacheinander, bis Takt {last}',
  againAsFromLast: 'noch einmal als {from}–{last}',
  barsFromFrom2ComeAgainInAllParts:
    'Takt {from}–{from2} kommen {again} in allen Stimmen{ending, plural, =0 {} other {, bis auf {ending, plural, one {den letzten Takt} other {die letzten {ending} Takte}}}}. Sie könnten einmal geschrieben werden.',
  barsFromLastSoundLikeKeyNameThe:
    'Takt {from}–{last} klingen nach {keyName}; vorgezeichnet ist dort {keyName2}.{more, plural, =0 {} other { (Und {more} weitere Abschnitte in anderen Tonarten.)}}',
  anOctaveHigherTheWholePartWouldBe:
    'Eine Oktave {octaveOver0, select, true {höher} other {tiefer}} läge die ganze Stimme darin.',
  perhapsThisIsAnotherInstrument: 'Vielleicht ist dies ein anderes Instrument.',
  strangeOfNotesNotes: '{strange} von {notes} Noten',
  musicXMLCannotWriteNamedManyAn:
    'MusicXML kann {named} nicht schreiben ({many}); in der Datei steht eine Oktave näher der Mitte.',
  manyBetweenNamedLieOutsideTheRange: '{many}, zwischen {named}, liegen außerhalb des Umfangs von {en}, {range}.',
  namedLieOutsideTheRangeOfEnRange:
    '{named} {lie, plural, one {liegt} other {liegen}} außerhalb des Umfangs von {en}, {range} ({many}).',
  theScoreHasNoKeySignatureAndNames:
    'Die Partitur hat keine Vorzeichnung und nennt alle {sharps} schwarzen Tasten mit Kreuzen, wie Sequenzer es tun; ihre Noten klingen nach {keyName}.',
  nothingInTheScoreTransposesNamesIs:
    'Nichts in der Partitur transponiert: {names} {names2, plural, one {steht} other {stehen}} klingend. Spieler lesen {names2, plural, one {es} other {sie}} transponiert.',
  partWhyDrumsAreReadInTwoVoices:
    '{part} {why}. Schlagzeug liest man in zwei Stimmen, Hände nach oben, Füße nach unten, jeder Klang mit eigenem Platz und Kopf.',
  isWrittenWithPitchesAsIfItWereA: 'ist mit Tonhöhen geschrieben, als wäre es ein Tasteninstrument',
  isWrittenInOneVoiceItsDrumsAs: 'ist in einer Stimme geschrieben, mit Schlagzeug als Akkorden mit runden Köpfen',
  someAndRestMore: '{some} und {rest} weitere',
  someAndSome2: '{some} und {some2}',
  writtenEvenlyWithSwingAbove: 'Gerade geschrieben, mit „Swing“ darüber.',
  writtenAsPlayed: 'Geschrieben wie gespielt.',
  perhapsThisSwingsEvidenceWritten: 'Vielleicht swingt das: {evidence}. {written}',
  writtenAsATripletPlainValuesFit: 'als Triole geschrieben; einfache Werte passen fast ebenso gut',
  beatsBeatsFromHereOnAreWrittenAs:
    '{beats} Zählzeiten ab hier sind als Triolen geschrieben; einfache Werte passen fast ebenso gut',
  whereIsARestShorterThanASixteenth: '{whereIs}: eine Pause kürzer als eine Sechzehntel{timesIn}.',
  whereIsStruckTwiceAtOnePosition: '{whereIs}: zweimal an einer Position angeschlagen, einmal geschrieben{timesIn}.',
  moreMoreParts: '{more} weitere Stimmen',
  whereAndMore: '{where}, und {more}',
  barNumberTheTempoFallsGradually:
    'Takt {number}: Das Tempo {firstWordsRit, select, true {fällt} other {steigt}} allmählich von {bpm} auf {bpm2}, ohne Tempowort.',
  barNumberAndOnTheTempoFallsOrRises:
    'Ab Takt {number}: Das Tempo fällt oder steigt an {bends} Stellen allmählich, ohne Tempowort.',
  wordsPlayedMostMsAfterItsWritten:
    '{words}: {most} ms {mostOver0, select, true {nach} other {vor}} der notierten Position gespielt.',
  wordsAndOnFarNotesWerePlayedUpTo:
    '{words} und weiter: {far} Noten wurden bis zu {most} ms von ihrer notierten Position gespielt.',
  partMayHaveBeenPlayedMilliseconds:
    '{part} wurde vielleicht {milliseconds} ms zu {leadMillisecondsOver0, select, true {früh} other {spät}} gespielt ({confidence} % Sicherheit); vorerst geschrieben wie gespielt.',
  transposedOctaveSHigher:
    '{transposed} {transposed2, select, true {Oktaven} other {Oktave}} {transposedOver0, select, true {höher} other {tiefer}}',
  laterMsLater: '{later} ms {laterOver0, select, true {später} other {früher}}',
  nameOfPlaysExactlyWhatNameOf2Plays:
    '{nameOf} spielt {exact, select, true {genau } other {}}, was {nameOf2} spielt{shift, select, true { ({shift2})} other {}}: zwei Instrumente im Unisono, beide geschrieben.',
  nameOfPlaysExactlyWhatNameOf2Plays2:
    '{nameOf} spielt {exact, select, true {genau } other {}}, was {nameOf2} spielt{shift, select, true { ({shift2})} other {}}: vielleicht nur, um den Klang zu verstärken.',
  trackLabelPlaysOnChannelsChannels:
    '{trackLabel} spielt auf den Kanälen {channels}: vielleicht {channels2} Instrumente.',
  theFileSaysCMajorWhichOftenMeans:
    'Die Datei sagt C-Dur, was oft heißt, dass niemand es einstellte. Ihre Noten sagen {keyName}, und das wird gedruckt.',
  theFilesKeySignatureIsPrintedBut: 'Die Tonart der Datei wird gedruckt, aber die Noten klingen nach {keyName}.',
  barsFromFrom2AreWrittenOnceFor:
    'Takt {from}–{from2} sind einmal für {times} Durchgänge geschrieben; gedruckt ist der erste. {part} hat später andere Noten in Takt {bar}{more, plural, =0 {} other { (und {more} weitere Takte)}}.',
  velocity: 'Velocity',
  controllerNumber: 'Controller {controller}',
  setByHand: 'von Hand gesetzt',
  onsetsOnAGrid: '{all, select, true {alle} other {{share} % von}} {onsets} Einsätzen liegen genau auf einem Raster',
  onsetsBesideAGrid:
    '{all, select, true {alle} other {{share} % von}} {onsets} Einsätzen liegen um dieselben Ticks neben dem Raster',
  onsetsLeft:
    '{onsets} Einsätze bleiben, wie sie gespielt wurden: {lead} passte nicht besser zu den anderen Spuren, oder es ist ein Rhythmus',
  wholeFile: 'die ganze Datei liegt {ms} ms {late, select, true {hinter} other {vor}} ihren Taktstrichen',
  leadNone: 'kein Vorlauf',
  leadMs: '{ms} ms {early, select, true {früh} other {spät}}',
  onsetsFit: '{onsets} Einsätze passen am besten mit {lead}; am zweitbesten: {rival} ({share} % sicher)',
  onsetsFitInCompany:
    '{onsets} Einsätze passen am besten mit {lead}; am zweitbesten: {rival} ({share} % sicher); damit fallen {gain} % {more, select, true {mehr} other {weniger}} der Einsätze mit anderen Spuren zusammen',
  offBeatsEven: 'Offbeats liegen gerade',
  offBeatsLate:
    '{late} Offbeat-{unit, select, eighth {Achtel} other {Sechzehntel}} liegen spät, etwa {ratio} zu 1; {even} liegen gerade, {thirds} auf dem ersten Drittel{signs, select, named {; die Datei sagt es} band {; eine Rhythmusgruppe spielt} other {}}',
  outOfRangeFrom: '{words} und weiter',
};
