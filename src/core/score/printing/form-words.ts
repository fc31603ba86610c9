/** What is printed where the form turns. */
export const FORM_WORDS = { toCoda: 'To Coda', fine: 'Fine', daCapo: 'D.C.', dalSegno: 'D.S.' } as const;
