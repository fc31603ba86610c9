import type { Words } from '../words-of';

export const server: Words<'server'> = {
  otherSites: 'Andere Seiten dürfen das nicht anfordern.',
  sendType: 'Sende {type}.',
  sayLength: 'Gib die Länge an (content-length).',
  tooLarge:
    'Das sind {size} MiB; höchstens {most} MiB werden hier angenommen. Nimm für größere Dateien die Kommandozeile.',
  tooMany: 'Zu viele Dateien werden zugleich umgewandelt; versuche es in einer Minute wieder.',
  tookLonger: 'Das dauerte länger als {seconds, plural, one {# Sekunde} other {# Sekunden}} und wurde abgebrochen.',
  moreMemory: 'Das braucht mehr Speicher, als eine Datei hier haben darf; nimm die Kommandozeile.',
  noPicture: 'Ein Bild dieses Namens gibt es nicht.',
  noManual: 'In dieser Sprache gibt es das Handbuch nicht.',
  sendForm: 'Sende Formulardaten (multipart) mit einer Datei und einer Richtung.',
  noFile: 'In der Anfrage ist keine Datei: lege sie in das Feld „file“.',
  fields:
    'Gib „direction“ an (to-score, to-midi oder tempo-map); dazu können „carry“ (bare, expression, everything), „format“ (musicxml, mxl), „musicxml“ (3.0, 4.0), „marks“ (none, taken, suggested), „extract“ (lead-sheet, piano-reduction) und für eine Tempokarte „click“ (yes, no), „countIn“ (0–16), „tolerance“ (Millisekunden), „barOne“ und „give“ (map, table) kommen.',
  notConverted: '{file} konnte nicht umgewandelt werden; nichts wurde gespeichert.',
  scoreAlready: '{file} ist schon eine Partitur; fordere „to-midi“ an.',
  noQueries: 'Das ist kein Titel mit Fragen.',
  sheetFailed: 'Aus dem Blatt konnte kein PDF werden; speichere es stattdessen als Text.',
  noPages: 'Das ist kein Titel mit gestochenen Seiten.',
  pagesFailed: 'Aus diesen Seiten konnte kein PDF werden; drucke sie stattdessen mit dem Browser.',
};
