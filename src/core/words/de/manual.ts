import type { Words } from '../words-of';

export const manual: Words<'manual'> = {
  manual: 'Handbuch',
  page: 'Seite des Handbuchs',
  opening: 'Handbuch wird geöffnet …',
  notFetched:
    'Das Handbuch konnte nicht geladen werden. Bitte den Server der Anwendung starten und es noch einmal öffnen.',
  why: 'Warum?',
  whyThisIsAsked: 'Warum danach gefragt wird, im Handbuch',
  manualKey: 'Handbuch (?)',
};
