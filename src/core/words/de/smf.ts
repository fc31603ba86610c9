import type { Words } from '../words-of';

export const smf: Words<'smf'> = {
  theFileGoesOnAfterMostTracksMore:
    'Die Datei geht nach {most} Spuren weiter, mehr als ein Standard MIDI File zählen kann. Exportieren Sie sie mit den nötigen Spuren erneut.',
  theFileIsEmpty0BytesAskForItAgain:
    'Die Datei ist leer (0 Bytes). Bitten Sie erneut darum oder exportieren Sie sie noch einmal.',
  thisIsNotAStandardMIDIFileItStarts:
    'Dies ist kein Standard MIDI File: Es beginnt mit „{start}“, wo „MThd“ hingehört. Exportieren Sie es aus dem Programm, in dem es entstand, als .mid.',
  theFileBreaksOffInsideItsHeader:
    'Die Datei bricht in ihrem Kopf ab (Byte {offset}). Sie wurde nicht ganz kopiert; bitten Sie erneut darum.',
  theHeaderNamesTypeFormatStandard:
    'Der Kopf nennt Typ {format}; Standard MIDI Files haben die Typen 0, 1 und 2. Der Kopf ist beschädigt (Byte 8); exportieren Sie die Datei erneut.',
  theHeaderSays0TicksPerQuarterNote:
    'Der Kopf sagt 0 Ticks je Viertel (Byte 12), also hat nichts in der Datei eine Zeit. Exportieren Sie sie erneut mit 480 oder 960.',
  theHeaderAsksForFpsFramesASecond:
    'Der Kopf verlangt {fps} Frames je Sekunde zu {ticks} Ticks (Byte 12); es gibt nur 24, 25, 29 und 30 mit mindestens 1 Tick. Exportieren Sie die Datei erneut.',
  theFileHasAHeaderButNoTrackExport:
    'Die Datei hat einen Kopf, aber keine Spur. Exportieren Sie sie erneut mit ausgewählten Spuren.',
  thisIsAType2FileTracksSeparate:
    'Dies ist eine Datei vom Typ 2: {tracks} einzelne Muster ohne gemeinsame Zeit, also ohne Reihenfolge. Speichern Sie sie als Typ 1 (oder je Muster eine Datei) und legen Sie sie erneut ab.',
  theFileHasMebibytesMiBAtMostLimit:
    'Die Datei hat {mebibytes} MiB; höchstens {limit} MiB sind möglich. Teilen Sie sie nach Spuren oder Abschnitten und legen Sie die Stücke ab.',
  countBytesStandBeforeTheHeaderThey: '{count} Bytes stehen vor dem Kopf; sie wurden übergangen.',
  theHeaderAnnouncesSaidTracksFound:
    'Der Kopf kündigt {said} Spuren an, gefunden wurden {found}; alle gefundenen wurden gelesen.',
  theFileEndsMissingBytesBeforeThis: 'Die Datei endet {missing} Bytes vor dieser Spur; alles bis dahin wurde gelesen.',
  theLastEventIsCutOffAndWasLeftOut: 'Das letzte Ereignis ist abgeschnitten und wurde ausgelassen.',
  theTrackGoesOnAfterItsStatedLength:
    'Die Spur geht nach ihrer angegebenen Länge weiter; sie wurde bis zu ihrer Endmarke gelesen.',
  countBytesAfterTheTracksEndMark: '{count} Bytes nach der Endmarke der Spur wurden übergangen.',
  theEndMarkIsMissingTheTrackEnds: 'Die Endmarke fehlt; die Spur endet mit ihrem letzten Ereignis.',
  aDataByteHexStandsWhereAnEventMust:
    'Ein Datenbyte ({hex}) steht, wo ein Ereignis beginnen muss; der Rest der Spur war nicht lesbar.',
  anEventBehindAMetaEventHasNoStatus:
    'Ein Ereignis nach einem Meta-Ereignis hat keinen eigenen Status; es wurde mit dem Status davor gelesen, wie andere Programme es tun.',
  aDataByteIsOutOfRangeHexTheRestOf:
    'Ein Datenbyte liegt außerhalb des Bereichs ({hex}); der Rest der Spur war nicht lesbar.',
  aDeltaTimeIsLongerThanFourBytesThe: 'Eine Deltazeit ist länger als vier Bytes; der Rest der Spur war nicht lesbar.',
  aLiveOnlyMessageHexWhichFilesMust:
    'Eine Echtzeit-Nachricht ({hex}), die Dateien nicht enthalten dürfen, wurde übergangen.',
  countBytesBetweenTwoChunksWere: '{count} Bytes zwischen zwei Blöcken wurden übergangen.',
};
