import type { Words } from '../words-of';

export const workers: Words<'workers'> = {
  thisCouldNotBeMadeTheBrowserRanOut:
    'Das ließ sich nicht machen: Dem Browser ging der Speicher aus, oder er versagte. Ihr Auftrag ist unberührt.',
  bookThePDFCouldNotBeMade: '{book}: Das PDF ließ sich nicht erzeugen.',
  readingItBack: 'Wird zurückgelesen',
  theEngineBrokeDownOnThisAndWas:
    'Das Programm versagte hieran und wurde neu gestartet. Ihre Entscheidungen sind sicher; machen Sie die letzte rückgängig oder versuchen Sie es erneut.',
  theEngineWasStopped: 'Die Berechnung wurde angehalten. Ihre Entscheidungen bleiben.',
  theEngraverBrokeDownAndIsStarted:
    'Der Notensatz versagte und wird neu gestartet: Ändern Sie die sichtbaren Takte oder öffnen Sie die Station erneut.',
  theApplicationsServerDidNotAnswer:
    'Der Server der Anwendung antwortete nicht; was dies erzeugt, ließ sich nicht laden. Starten Sie den Server und versuchen Sie es erneut; Ihr Auftrag ist unberührt.',
  theServerDidNotAnswer: 'Der Server der Anwendung hat nicht geantwortet; bitte starten und noch einmal versuchen.',
  scoreNotLaidOut: 'Die Partitur konnte nicht gesetzt werden.',
  passageNotEngraved: 'Diese Stelle konnte nicht gestochen werden.',
  noSoundBank: 'Es gibt keine Klangbank.',
  soundNotComputed: 'Der Klang konnte nicht berechnet werden: dem Browser fehlte Speicher, oder er brach ab.',
  soundsNotFetched: 'Die Klänge konnten nicht geladen werden. Läuft die Anwendung noch?',
};
