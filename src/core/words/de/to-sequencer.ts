import type { Words } from '../words-of';

export const toSequencer: Words<'toSequencer'> = {
  someAndNamesMore: '{some} und {names} weitere',
  partAsProgramName: '{part} als {programName}',
  oneTrackHasAnotherSoundThanTheName:
    '{wrong, plural, one {Eine Spur hat} other {{wrong} Spuren haben}} einen anderen Klang, als der Name sagt: {names}.',
  keyKeyKeyInWordsStruckOnce:
    'Taste {key} ({keyInWords}), {times, plural, one {einmal} other {{times}-mal}} angeschlagen',
  generalMIDIHasNoDrumOnWordsInPartA:
    'General MIDI hat kein Schlaginstrument auf {words}, in {part}: Ein einfaches Schlagzeug schweigt dort.',
  allNotesNotesHaveVelocityVelocity:
    'Alle {notes, number} Noten haben Velocity {velocity}: Das wird nach einer Maschine klingen.',
  theVolumeFader: 'Der Lautstärkeregler',
  thePan: 'Das Panorama',
  trackChunk: 'Spur {chunk}',
  oneInBarBars: '{one} in Takt {bars}{oneBarsOver3, select, true { …} other {}}',
  wordsWouldJumpWhileItPlaysNamed: '{words} spränge während des Spielens: {named}.',
  betweenTicksEventsFallBetweenTwoOf:
    '{betweenTicks, number} Ereignisse fallen zwischen zwei von {ticksPerQuarter} Ticks je Viertel; das am weitesten entfernte rückt um {largestShiftMs} ms.',
  theRepeatsAndJumpsLeadToMoreThan:
    'Die Wiederholungen und Sprünge führen zu mehr als {most, number} Takten. Das MIDI endet danach; prüfen Sie Klammern und Sprünge.',
  theMusicBeginsWithAPickupInA:
    'Die Musik beginnt mit einem Auftakt: Im Sequenzer steht jeder Taktstrich danach zu früh.',
  partTechniquesIsWrittenAndNothing: '{part}: {techniques} steht da, und nichts in der Datei wird es sagen.',
  tracksTracksNeedPortsPortsOf:
    '{tracks} Spuren brauchen {ports} Ports zu sechzehn Kanälen; ein Sequenzer ohne Ports spielt sie auf dem ersten.',
  dynamicsDynamicSignsAndHairpinsAre:
    '{dynamics} Dynamikzeichen und Gabeln werden nicht gespielt: Die Dynamik ist auf nichts gestellt.',
  repeatsAndJumpsAreNotPlayedEvery:
    'Wiederholungen und Sprünge werden nicht gespielt: Jeder gewählte Takt klingt einmal.',
  jumpsPlayedOutTheBarsComeAgain:
    '{jumps} ausgespielt: Die Takte kommen dahinter noch einmal, und kein Marker sagt es.',
  oneHairpinIsOverHeldNotesAndCannot:
    '{held, plural, one {Eine Gabel steht} other {{held} Gabeln stehen}} über gehaltenen Noten und ist nicht zu hören: Velocity ändert sich nicht, während eine Note klingt. Leiten Sie die Dynamik auf einen Controller.',
  pedalsPedalMarksAreLeftAwayThe: '{pedals} Pedalzeichen fallen weg: Die Voreinstellung behält bloße Noten.',
  quarterTonesAndSlidesSoundAsPlain:
    'Vierteltöne und Slides klingen als einfache Tasten (in {between} {between, plural, one {Note} other {Noten}}): Die Voreinstellung behält bloße Noten, ohne Pitchbend.',
  dCAtBarBars: '{jump, select, daCapo {D.C.} other {D.S.}} in Takt {bars}',
  noTechniqueIsWritten: 'keine Spieltechnik steht da',
  noSoloIsWritten: 'kein Solo steht da',
  itHasOneVoice: 'sie hat eine Stimme',
  itHasOneStaff: 'sie hat ein System',
  itHasNoChords: 'sie hat keine Akkorde',
  noPartIsChosenTheFileHoldsTempo: 'Keine Stimme ist gewählt: Die Datei enthält nur Tempo, Taktarten und Marker.',
  thereAreNoMarkersSoThePieceIsOne: 'Es gibt keine Marker; das Stück ist ein Abschnitt und wird eine Datei.',
  thereIsNoPickupToBePaddedTheFirst: 'Es gibt keinen Auftakt aufzufüllen: Der erste Takt ist voll.',
  aScoreHasNoControllersToBeTreated:
    'Eine Partitur hat keine Controller zu bearbeiten: Ihre Dynamik geht, wohin sie geleitet ist.',
  theDrumMapOfPartMovesNoKeyNoneOf:
    'Die Schlagzeugbelegung von {part} verschiebt keine Taste: Keine der verschobenen wird angeschlagen.',
  partStaysOneTrackWhySoItsSplit: '{part} bleibt eine Spur: {why}; die Teilung ändert nichts.',
  oneAtTheStart: 'eine am Anfang',
  oneNeutralValue: 'ein neutraler Wert',
  oneInTheCentre: 'einer, in der Mitte',
  oneAt0: 'einer, bei 0',
  toController11: 'auf Controller 11',
  toController1: 'auf Controller 1',
  intoLongerNotes: 'in längere Noten',
  toText: 'in Text',
  trackTHasNoNotesButCarriesTheTempo: 'Spur {t} hat keine Noten, trägt aber Tempo und Taktart des Stücks; sie bleibt.',
  keyswitchData1: 'Keyswitch {data1}',
};
