import type { Words } from '../words-of';

export const receivers: Words<'receivers'> = {
  oneNamedTrack: 'eine benannte Spur',
  soundingNamedTracks: '{sounding, number} benannte Spuren',
  seesATimeLineWithoutNotes: 'Sieht eine Zeitlinie ohne Noten.',
  seesTracksNotesNotes: 'Sieht {tracks}, {notes, number} Noten.',
  namelessOfSoundingTracksHaveNoName:
    '{nameless} von {sounding} Spuren haben keinen Namen; benennen Sie sie bei der Besetzung.',
  noFaderMovesThereIsNoMixerData: 'Kein Regler bewegt sich: Es gibt keine Mischdaten.',
  noFaderMovesAfterTheBeginning: 'Kein Regler bewegt sich nach dem Anfang.',
  fadersWouldJumpInNamedVolumeOrPan:
    'Regler sprängen in {named}: Lautstärke oder Panorama werden während des Spielens neu gesetzt. Verwerfen Sie sie beim Eingang.',
  tempoMapKeptTemposTempoChanges:
    'Tempomap behalten: {tempos, number} Tempowechsel, {meters, number} Taktarten, {markers, number} Marker.',
  tempoOrMetersStandInLaterTracksToo:
    'Tempo oder Taktarten stehen auch in späteren Spuren, wo ein Sequenzer sie übergeht.',
  countsBarsBarsAsTheScoreDoes: 'Zählt {bars, number} Takte, wie die Partitur.',
  countsBarsBarsWhereOursAreBars2A:
    'Zählt {bars, number} Takte, wo unsere {bars2, number} sind: Ein Takt ist kürzer oder länger als seine Taktart. Vergleichen Sie beim Zeitverlauf.',
  noTwoTracksFightOverAChannelsSound: 'Keine zwei Spuren streiten um den Klang eines Kanals.',
  channelContestedIsGivenSeveral:
    'Kanal {contested} bekommt mehrere Klänge zugleich; der letzte gewänne. Geben Sie den Spuren bei der Besetzung eigene Kanäle.',
  notesAreNeverReleasedInNamed: 'Noten werden nie losgelassen in {named}.',
  musicWithoutAName: 'Musik ohne Namen',
  nameMeasureNumber: '{name}, Takt {number}',
  seesPartsNamedPartInMusicXML:
    'Sieht {parts, number} benannte {parts, plural, one {Stimme} other {Stimmen}} in MusicXML {version}, {reduce, number} Noten.',
  theListOfPartsAndTheMusicDiffer: 'Die Liste der Stimmen und die Musik weichen ab: {someOf}.',
  namelessOfPartsPartsHaveNoNameSet:
    '{nameless} von {parts} Stimmen haben keinen Namen; benennen Sie sie bei der Besetzung.',
  countsValueBarsInEveryPart: 'Zählt {value} Takte in jeder Stimme.',
  countsValueBarsWhereOursAreBars: 'Zählt {value} Takte, wo unsere {bars} sind.',
  everyBarIsAsLongAsItsMeter: 'Jeder Takt ist so lang wie seine Taktart.',
  everyBarIsAsLongAsItsMeterButFor:
    'Jeder Takt ist so lang wie seine Taktart, bis auf {partial, plural, one {einen, der} other {{partial}, die}} als nicht voll bezeichnet {partial, plural, one {ist} other {sind}}.',
  barsAreNotAsLongAsTheirMeterSomeOf:
    'Takte sind nicht so lang wie ihre Taktart: {someOf}. Sehen Sie beim Zeitverlauf, ob das gemeint ist.',
  everyTieSlurAndTupletThatBegins: 'Jeder Halte- und Bindebogen und jede Tuole, die beginnen, enden.',
  beginsAndDoesNotEndOrTheOtherWay: 'Beginnt und endet nicht, oder umgekehrt: {someOf}.',
  noPartTransposes: 'Keine Stimme transponiert.',
  nameByTransposes: '{name} um {transposes0, select, true {−} other {}}{transposes}',
  transposesTransposingSemitones: 'Transponiert {transposing} Halbtöne.',
  openAt: '{part}: {what, select, slur {ein Bogen} other {eine Tuole}}',
  openTies: '{part}: {tied, plural, one {ein Haltebogen} other {# Haltebögen}}',
  sign: '{sign, select, harppedals {Harfenpedal-Diagramm} principalvoice {Zeichen einer Hauptstimme} accordionregistration {Akkordeonregister} staffdetails {System eigener Art} measurestyle {Schrägstriche, Schlagwiederholung oder mehrtaktige Pause} measurenumbering {Regel für Taktzahlen} noteheadtext {Text in einem Notenkopf} accidentalmark {Vorzeichen an einer Verzierung} movementnumber {Satznummer} movementtitle {Satztitel} worknumber {Opuszahl} linetypedashedofslur {gestrichelter Bogen} linetypedottedofslur {gepunkteter Bogen} printobjectnooftime {verborgene Taktart} nienteyesofwedge {Gabel aus dem oder ins Nichts} sizecueoftype {kleine Note} fanaccelofbeam {gespreizter Balken} fanritofbeam {gespreizter Balken} creatorarranger {Arrangeur} creatorlyricist {Textdichter} creatorpoet {Dichter} creatortranslator {Übersetzer} frame {Akkorddiagramm} other {{name}}}',
  signInFile: '{count} × {sign} (ab Takt {bar})',
  signInBar: '{sign} (Takt {bar})',
  signsOfTheWhole: '{count} × {sign}',
  partAsItCame: 'Stimme „{name}“, wie sie kam',
};
