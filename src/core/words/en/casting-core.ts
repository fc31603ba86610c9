export const castingCore = {
  theScoreSaysSo: 'the score says so',
  noNotes: 'no notes',
  leftOut: 'left out',
  leftOutByYourHouseList: 'left out by your house list',
  trackLabelHasNoNotesAndIsLeftOut: '{trackLabel} has no notes and is left out.',
  emptyTracksHaveNoNotesAndAreLeft:
    '{empty} tracks have no notes and are left out: {shown}{more, plural, =0 {} other { and {more} more}}.',
  enConfidenceConfidence: '{en} ({confidence} % confidence)',
  labelIsWrittenForSaidIsIt: '{label} is written for {said}. Is it?',
  oneAsSaid: '{one} as {said}',
  unsureTracksHaveUncertain:
    '{unsure} tracks have uncertain instruments: {shown}{more, plural, =0 {} other { and {more} more}}. Check them at Casting.',
  labelYourHouseListSaysSaidTheFile:
    '{label}: your house list says {said}, the file says {named}. Written for {named} so far.',
  perhapsEnConfidenceConfidence: 'Perhaps {en} ({confidence} % confidence).',
  labelWhichInstrumentIsThisGuess: '{label}: which instrument is this?',
  labelSwitchesCountNoteLookLike:
    '{label}: {switches} ({count} {count, plural, one {note} other {notes}}) look like keyswitches. They are written as notes for now.',
  trackLabelAndTrackLabel2AreNamed:
    '{trackLabel} and {trackLabel2} are named for one player but sound together {share} % of the time: one part, or two?',
  trackLabelSketchesTheStringsWithUp:
    '{trackLabel} sketches the strings with up to {needed} notes at once: divide it among a string choir?',
  trackLabelPlaysUpToNeededNotesAt: '{trackLabel} plays up to {needed} notes at once: more than one player?',
  trackLabelSoundsAsNamesFromWords:
    '{trackLabel} sounds as {names} from {words}{several, select, true { (later {later})} other {}}: is that another player? Written for {en} throughout so far.',
  partWordsMoreNotesAtOnceThanTheOf:
    '{part}, {words}: more notes at once than the {of} players{more, plural, =0 {} other { ({more} notes in all)}}; one player gets two notes.',
  keyInWordsIsPlayedTwiceAtOnceName: '{keyInWords} is played twice at once, {name} and {name2}',
  nameAndName2SoundTogether: '{name} and {name2} sound together',
  partWordsWhatMoreWrittenAsDivided:
    '{part}, {words}: {what}{more, plural, =0 {} other { ({more} places)}}; written as divided players.',
  originalOriginalTrack: 'Original {original}, track',
  track: 'Track',
  fitsBetterOnTwoStaves: '{name} is on one staff; a few notes or chords would fit better on two.',
} as const;
