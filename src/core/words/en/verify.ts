export const verify = {
  thisVersionKnowsNoWayToCheckItKind: 'This version knows no way to check it ({kind}).',
  theFilesDoNotSaySo: 'The files do not say so.',
  pathIsMissing: '{path} is missing',
  pathWasChanged: '{path} was changed',
  pathHasNoSum: '{path} has no sum',
  theSHA256SumOfEveryFileIsAsSums: 'The SHA-256 sum of every file is as {sums} says ({wanted} files).',
  noSums: 'No sums.',
  volumePanReverbOrChorus: 'volume, pan, reverb or chorus',
  channelWithTwoSounds: 'channel with two sounds',
  hangingNote: 'hanging note',
  pageLayout: 'page layout',
  nameOfHasNoListIn: '{nameOf} has no {listIn}.',
  nameOfAndNameOf2BarCountedNone:
    '{nameOf} and {nameOf2}: {bars, plural, one {# bar} other {# bars}}{counted, plural, =0 {} other {, after {counted, plural, one {# bar} other {# bars}} of count-in}}, none further apart than {within} ms.',
  nameOfAndNameOf2BarCountedEachAs:
    '{nameOf} and {nameOf2}: {bars, plural, one {# bar} other {# bars}}{counted, plural, =0 {} other {, after {counted, plural, one {# bar} other {# bars}} of count-in}}, each as long as in the score.',
  codeAtCode2: '{code} at {code2}',
  noBarIsBar1: 'No bar is bar 1.',
  bar1IsBarBarOneOfTheMapSecondsS: 'Bar 1 is bar {barOne} of the map, {seconds} s after it begins, time code {code}.',
  nameOfAndNameOf2BarNoneFurther:
    '{nameOf} and {nameOf2}: {bars, plural, one {# bar} other {# bars}}, none further apart than {within} ms. {where}',
  nameOfAndNameOf2BothOfInMidiNotes:
    '{nameOf} and {nameOf2}: {both, number} of {inMidi, number} notes played and {inScore, number} written have the same key within half a quarter; {bars, select, true {all bars begin at the same places} other {not all bars begin at the same places}}.',
  nameOfMIDITypeFormat:
    '{nameOf}: MIDI type {format}, {ticksPerQuarter, number} ticks per quarter, {listIn, plural, one {# track} other {# tracks}} with {notes, plural, one {# note} other {# notes}}, {bars, plural, one {# bar} other {# bars}}, {tempos, plural, one {# tempo} other {# tempos}}, {meters, plural, one {# meter} other {# meters}}, {markers, plural, one {# marker} other {# markers}}.',
  nameOfPDFOfPage: '{nameOf}: PDF of {count, plural, one {# page} other {# pages}}.',
  nameNotesNotesTransposesSemitones: '{name}: {notes} notes, {transposes} semitones to sounding pitch',
  transposingPlayers: 'Transposing: {players}.',
  noPartTransposes: 'No part transposes.',
  barNotAsLongAsTheMeter: '{uneven, plural, one {# bar} other {# bars}} not as long as the meter',
  tieSlurOrTupletLeftOpen: '{open, plural, one {# tie, slur or tuplet} other {# ties, slurs or tuplets}} left open',
  withoutATitle: 'without a title',
  nameOfMusicXMLVersionTitledPartBar:
    '{nameOf}: MusicXML {version}, {titled}, {listIn, plural, one {# part} other {# parts}}, {bars, plural, one {# bar} other {# bars}}, {notes, plural, one {# note head} other {# note heads}}.{transposed}{faultsOver0, select, true { {faults}.} other {}}',
  nameOfWAVRateKHzChannelSecondsS:
    '{nameOf}: WAV, {rate} kHz, {channels, plural, one {# channel} other {# channels}}, {seconds} s; {begins, select, true {silent} other {first sound after {begins2} s}}.',
  strangeClaims: '{claims} is not what a parcel of Dragoman has. Ask for the parcel again.',
  noClaims: 'There is no {claims}: this is no parcel of Dragoman, or one of an earlier version. Ask for a new one.',
  titled: '“{title}”',
} as const;
