import type { Words } from '../words-of';

export const workspace: Words<'workspace'> = {
  none: 'keine',
  controller7One: 'Controller 7 = {one}',
  intake: 'Eingang',
  whatArrived: 'Was angekommen ist',
  casting: 'Besetzung',
  whichInstrumentEachTrackIs: 'Welches Instrument jede Spur ist',
  rhythm: 'Rhythmus',
  whenNotesWereMeant: 'Wann die Noten gemeint waren',
  page: 'Seite',
  howItIsWritten: 'Wie es geschrieben ist',
  timeline: 'Zeitverlauf',
  tempoMetersBars: 'Tempo, Taktarten, Takte',
  proof: 'Vergleich',
  compareWithTheOriginal: 'Mit dem Original vergleichen',
  dispatch: 'Versand',
  exportAndSend: 'Exportieren und senden',
  whatArrivedWhatToInclude: 'Was angekommen ist, was übernommen wird',
  whichSoundEachPartHas: 'Welchen Klang jede Stimme hat',
  howItIsPlayed: 'Wie gespielt wird',
  tempoMetersBarsPlayingOrder: 'Tempo, Taktarten, Takte, Spielfolge',
  thisJobIsNotInThisBrowserItMayHave:
    'Dieser Auftrag ist nicht in diesem Browser. Er wurde vielleicht gelöscht oder in einem anderen angelegt.',
  trackIndex: 'Spur {index}',
  inTheJob: 'im Auftrag',
  inTheFamily: 'in: {family}',
};
