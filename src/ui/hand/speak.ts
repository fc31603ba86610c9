import { noteValue, pitchName } from '@/core/score';
import { placeInWords, QUARTER, type Bar } from '@/core/time';
import type { NoteInView } from '../workspace/workspace';

const VALUE_NAMES: Record<string, string> = {
  breve: 'double whole note',
  whole: 'whole note',
  half: 'half note',
  quarter: 'quarter',
  eighth: 'eighth',
  '16th': 'sixteenth',
  '32nd': 'thirty-second',
  '64th': 'sixty-fourth',
  '128th': 'hundred-and-twenty-eighth',
};
const DOTS = ['', 'dotted ', 'double-dotted '];

/** "Flute, bar 3, beat 2: C5, eighth" */
export function spoken(note: NoteInView, partName: string, bars: readonly Bar[]): string {
  return `${partName}, ${placeInWords(bars, note.start)}: ${pitchName(note.pitch)}, ${valueInWords(note.end - note.start)}`;
}

function valueInWords(length: number): string {
  const value = noteValue(length);
  if (value) return `${DOTS[value.dots] ?? ''}${VALUE_NAMES[value.type] ?? value.type}`;
  return `${Math.round((length / QUARTER) * 100) / 100} quarters`;
}
