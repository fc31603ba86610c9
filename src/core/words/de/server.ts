import type { Words } from '../words-of';

export const server: Words<'server'> = {
  otherSites: 'Andere Seiten dürfen das nicht anfordern.',
  sendType: 'Bitte {type} senden.',
  sayLength: 'Bitte die Länge angeben (content-length).',
  tooLarge:
    'Das sind {size} MiB; höchstens {most} MiB werden hier angenommen. Für größere Dateien gibt es die Kommandozeile.',
  tooMany: 'Zu viele Dateien werden zugleich umgewandelt; bitte in einer Minute noch einmal versuchen.',
  tookLonger: 'Das dauerte länger als {seconds, plural, one {# Sekunde} other {# Sekunden}} und wurde abgebrochen.',
  moreMemory: 'Das braucht mehr Speicher, als eine Datei hier haben darf; bitte die Kommandozeile verwenden.',
  noPicture: 'Ein Bild dieses Namens gibt es nicht.',
  noManual: 'In dieser Sprache gibt es das Handbuch nicht.',
  sendForm: 'Bitte Formulardaten (multipart) mit einer Datei und einer Richtung senden.',
  noFile: 'In der Anfrage ist keine Datei: sie gehört in das Feld „file“.',
  fields:
    '„direction“ angeben (to-score, to-midi oder tempo-map); dazu können „carry“ (bare, expression, everything), „format“ (musicxml, mxl), „musicxml“ (3.0, 4.0), „marks“ (none, taken, suggested), „extract“ (lead-sheet, piano-reduction) und für eine Tempokarte „click“ (yes, no), „countIn“ (0–16), „tolerance“ (Millisekunden), „barOne“ und „give“ (map, table) kommen.',
  notConverted: '{file} konnte nicht umgewandelt werden; nichts wurde gespeichert.',
  scoreAlready: '{file} ist schon eine Partitur; bitte „to-midi“ anfordern.',
  noQueries: 'Das ist kein Titel mit Fragen.',
  sheetFailed: 'Aus dem Blatt konnte kein PDF werden; bitte stattdessen als Text speichern.',
  noPages: 'Das ist kein Titel mit gestochenen Seiten.',
  pagesFailed: 'Aus diesen Seiten konnte kein PDF werden; bitte stattdessen mit dem Browser drucken.',
};
