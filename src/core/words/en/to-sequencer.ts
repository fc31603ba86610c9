export const toSequencer = {
  someAndNamesMore: '{some} and {names} more',
  partAsProgramName: '{part} as {programName}',
  oneTrackHasAnotherSoundThanTheName:
    '{wrong, plural, one {One track has} other {{wrong} tracks have}} another sound than the name says: {names}.',
  keyKeyKeyInWordsStruckOnce: 'key {key} ({keyInWords}), struck {times, plural, one {once} other {{times} times}}',
  generalMIDIHasNoDrumOnWordsInPartA: 'General MIDI has no drum on {words}, in {part}: a plain kit is silent there.',
  allNotesNotesHaveVelocityVelocity:
    'All {notes, number} notes have velocity {velocity}: it will sound like a machine.',
  theVolumeFader: 'The volume fader',
  thePan: 'The pan',
  trackChunk: 'Track {chunk}',
  oneInBarBars: '{one} in bar {bars}{oneBarsOver3, select, true { …} other {}}',
  wordsWouldJumpWhileItPlaysNamed: '{words} would jump while it plays: {named}.',
  betweenTicksEventsFallBetweenTwoOf:
    '{betweenTicks, number} events fall between two of {ticksPerQuarter} ticks per quarter; the furthest is moved by {largestShiftMs} ms.',
  theRepeatsAndJumpsLeadToMoreThan:
    'The repeats and jumps lead to more than {most, number} bars. The MIDI ends after those; check the endings and jumps.',
  theMusicBeginsWithAPickupInA:
    'The music begins with a pickup: in a sequencer every barline after it stands too early.',
  partTechniquesIsWrittenAndNothing: '{part}: {techniques} is written, and nothing in the file will say so.',
  tracksTracksNeedPortsPortsOf:
    '{tracks} tracks need {ports} ports of sixteen channels; a sequencer without ports plays them on the first.',
  dynamicsDynamicSignsAndHairpinsAre:
    '{dynamics} dynamic signs and hairpins are not played: dynamics are set to nothing.',
  repeatsAndJumpsAreNotPlayedEvery: 'Repeats and jumps are not played: every chosen bar sounds once.',
  jumpsPlayedOutTheBarsComeAgain: '{jumps} played out: the bars come again behind, and no marker says so.',
  oneHairpinIsOverHeldNotesAndCannot:
    '{held, plural, one {One hairpin is} other {{held} hairpins are}} over held notes and cannot be heard: a velocity does not change while a note sounds. Send dynamics to a controller.',
  pedalsPedalMarksAreLeftAwayThe: '{pedals} pedal marks are left away: the preset keeps bare notes.',
  quarterTonesAndSlidesSoundAsPlain:
    'Quarter tones and slides sound as plain keys (in {between} {between, plural, one {note} other {notes}}): the preset keeps bare notes, without pitch bend.',
  dCAtBarBars: '{jump, select, daCapo {D.C.} other {D.S.}} at bar {bars}',
  noTechniqueIsWritten: 'no technique is written',
  noSoloIsWritten: 'no solo is written',
  itHasOneVoice: 'it has one voice',
  itHasOneStaff: 'it has one staff',
  itHasNoChords: 'it has no chords',
  noPartIsChosenTheFileHoldsTempo: 'No part is chosen: the file holds tempo, meters and markers alone.',
  thereAreNoMarkersSoThePieceIsOne: 'There are no markers, so the piece is one section and leaves as one file.',
  thereIsNoPickupToBePaddedTheFirst: 'There is no pickup to be padded: the first bar is full.',
  aScoreHasNoControllersToBeTreated:
    'A score has no controllers to be treated: its dynamics go where they are set to go.',
  theDrumMapOfPartMovesNoKeyNoneOf: 'The drum map of {part} moves no key: none of the keys it moves is struck.',
  partStaysOneTrackWhySoItsSplit: '{part} stays one track: {why}, so its split changes nothing.',
  oneAtTheStart: 'one at the start',
  oneNeutralValue: 'one neutral value',
  oneInTheCentre: 'one, in the centre',
  oneAt0: 'one, at 0',
  toController11: 'to controller 11',
  toController1: 'to controller 1',
  intoLongerNotes: 'into longer notes',
  toText: 'to text',
  trackTHasNoNotesButCarriesTheTempo:
    'Track {t} has no notes but carries the tempo and meter of the piece; it is kept.',
  keyswitchData1: 'keyswitch {data1}',
} as const;
