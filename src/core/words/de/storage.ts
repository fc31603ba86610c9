import type { Words } from '../words-of';

export const storage: Words<'storage'> = {
  thisBrowsersStorageIsFullNothing:
    'Der Speicher dieses Browsers ist voll. Nichts ging verloren; exportieren oder löschen Sie Aufträge, die Sie nicht mehr brauchen, und versuchen Sie es erneut.',
  theOriginalOfThisJobIsNoLongerIn:
    'Das Original dieses Auftrags ist nicht mehr im Speicher dieses Browsers. Legen Sie die Datei erneut ab, um einen neuen Auftrag zu machen.',
  thisJobWasDeletedInAnotherWindow:
    'Dieser Auftrag wurde in einem anderen Fenster gelöscht. Speichern Sie hier sein Archiv, wenn Sie ihn noch brauchen, oder holen Sie ihn dort zurück.',
  thisJobIsNoLongerInThisBrowser:
    'Dieser Auftrag ist nicht mehr in diesem Browser. Öffnen Sie sein Archiv, wenn Sie eines gespeichert haben.',
  somethingWasDecidedInAnotherWindow:
    'Inzwischen wurde in einem anderen Fenster etwas entschieden. Wählen Sie die neue Fassung erneut.',
  copyOf: '{name} (Kopie)',
};
