export const manual = {
  manual: 'Manual',
  page: 'Page of the manual',
  opening: 'Opening the manual …',
  notFetched: 'The manual could not be fetched. Start the application’s server and open it again.',
  why: 'Why?',
  whyThisIsAsked: 'Why this is asked, in the manual',
  manualKey: 'Manual (?)',
} as const;
