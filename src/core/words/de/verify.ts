import type { Words } from '../words-of';

export const verify: Words<'verify'> = {
  thisVersionKnowsNoWayToCheckItKind: 'Diese Version kennt keinen Weg, das zu prüfen ({kind}).',
  theFilesDoNotSaySo: 'Die Dateien sagen das nicht.',
  pathIsMissing: '{path} fehlt',
  pathWasChanged: '{path} wurde geändert',
  pathHasNoSum: '{path} hat keine Summe',
  theSHA256SumOfEveryFileIsAsSums: 'Die SHA-256-Summe jeder Datei ist, wie {sums} sagt ({wanted} Dateien).',
  noSums: 'Keine Summen.',
  volumePanReverbOrChorus: 'Lautstärke, Panorama, Hall oder Chorus',
  channelWithTwoSounds: 'Kanal mit zwei Klängen',
  hangingNote: 'hängende Note',
  pageLayout: 'Seitenlayout',
  nameOfHasNoListIn: '{nameOf} hat nichts davon: {listIn}.',
  nameOfAndNameOf2BarCountedNone:
    '{nameOf} und {nameOf2}: {bars, plural, one {# Takt} other {# Takte}}{counted, plural, =0 {} other {, nach {counted, plural, one {# Takt} other {# Takten}} Einzähler}}, keiner weiter auseinander als {within} ms.',
  nameOfAndNameOf2BarCountedEachAs:
    '{nameOf} und {nameOf2}: {bars, plural, one {# Takt} other {# Takte}}{counted, plural, =0 {} other {, nach {counted, plural, one {# Takt} other {# Takten}} Einzähler}}, jeder so lang wie in der Partitur.',
  codeAtCode2: '{code} bei {code2}',
  noBarIsBar1: 'Kein Takt ist Takt 1.',
  bar1IsBarBarOneOfTheMapSecondsS: 'Takt 1 ist Takt {barOne} der Map, {seconds} s nach ihrem Anfang, Timecode {code}.',
  nameOfAndNameOf2BarNoneFurther:
    '{nameOf} und {nameOf2}: {bars, plural, one {# Takt} other {# Takte}}, keiner weiter auseinander als {within} ms. {where}',
  nameOfAndNameOf2BothOfInMidiNotes:
    '{nameOf} und {nameOf2}: {both, number} von {inMidi, number} gespielten und {inScore, number} geschriebenen Noten haben dieselbe Taste innerhalb eines halben Viertels; {bars, select, true {alle Takte beginnen an denselben Stellen} other {nicht alle Takte beginnen an denselben Stellen}}.',
  nameOfMIDITypeFormat:
    '{nameOf}: MIDI Typ {format}, {ticksPerQuarter, number} Ticks je Viertel, {listIn, plural, one {# Spur} other {# Spuren}} mit {notes, plural, one {# Note} other {# Noten}}, {bars, plural, one {# Takt} other {# Takte}}, {tempos, plural, one {# Tempo} other {# Tempi}}, {meters, plural, one {# Taktart} other {# Taktarten}}, {markers, plural, one {# Marker} other {# Marker}}.',
  nameOfPDFOfPage: '{nameOf}: PDF mit {count, plural, one {# Seite} other {# Seiten}}.',
  nameNotesNotesTransposesSemitones: '{name}: {notes} Noten, {transposes} Halbtöne zur klingenden Tonhöhe',
  transposingPlayers: 'Transponierend: {players}.',
  noPartTransposes: 'Keine Stimme transponiert.',
  barNotAsLongAsTheMeter: '{uneven, plural, one {# Takt} other {# Takte}} nicht so lang wie die Taktart',
  tieSlurOrTupletLeftOpen: '{open, plural, one {# Bogen oder Tuole} other {# Bögen oder Tuolen}} offen',
  withoutATitle: 'ohne Titel',
  nameOfMusicXMLVersionTitledPartBar:
    '{nameOf}: MusicXML {version}, {titled}, {listIn, plural, one {# Stimme} other {# Stimmen}}, {bars, plural, one {# Takt} other {# Takte}}, {notes, plural, one {# Notenkopf} other {# Notenköpfe}}.{transposed}{faultsOver0, select, true { {faults}.} other {}}',
  nameOfWAVRateKHzChannelSecondsS:
    '{nameOf}: WAV, {rate} kHz, {channels, plural, one {# Kanal} other {# Kanäle}}, {seconds} s; {begins, select, true {stumm} other {erster Klang nach {begins2} s}}.',
  strangeClaims: '{claims} ist nicht das, was ein Paket von Dragoman enthält. Bitten Sie noch einmal um das Paket.',
  noClaims:
    '{claims} fehlt: Das ist kein Paket von Dragoman oder eines einer früheren Version. Bitten Sie um ein neues.',
  titled: '„{title}“',
};
