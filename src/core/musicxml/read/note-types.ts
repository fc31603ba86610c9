import type { NoteType } from '../../score';

/** The standard's names of note values, as the nearest of ours. */
export const NOTE_TYPE_NAMES: Readonly<Record<string, NoteType>> = {
  maxima: 'breve',
  long: 'breve',
  breve: 'breve',
  whole: 'whole',
  half: 'half',
  quarter: 'quarter',
  eighth: 'eighth',
  '16th': '16th',
  '32nd': '32nd',
  '64th': '64th',
  '128th': '128th',
  '256th': '128th',
};
