import { say } from '@/core/words';
import { noteValue, pitchName } from '@/core/score';
import { placeInWords, QUARTER, type Bar } from '@/core/time';
import type { NoteInView } from '../workspace/workspace';

const VALUE_NAMES: Record<string, string> = {
  get breve() {
    return say('hand.doubleWholeNote');
  },
  get whole() {
    return say('hand.wholeNote');
  },
  get half() {
    return say('hand.halfNote');
  },
  get quarter() {
    return say('hand.quarter');
  },
  get eighth() {
    return say('hand.eighth');
  },
  get '16th'() {
    return say('hand.sixteenth');
  },
  get '32nd'() {
    return say('hand.thirtySecond');
  },
  get '64th'() {
    return say('hand.sixtyFourth');
  },
  get '128th'() {
    return say('hand.hundredAndTwentyEighth');
  },
};
const dotsInWords = (dots: number) => ['', say('hand.dotted'), say('hand.doubleDotted')][dots] ?? '';

/** "Flute, bar 3, beat 2: C5, eighth" */
export function spoken(note: NoteInView, partName: string, bars: readonly Bar[]): string {
  return `${partName}, ${placeInWords(bars, note.start)}: ${pitchName(note.pitch)}, ${valueInWords(note.end - note.start)}`;
}

function valueInWords(length: number): string {
  const value = noteValue(length);
  if (value) return `${dotsInWords(value.dots)}${VALUE_NAMES[value.type] ?? value.type}`;
  return say('hand.lengthQuarters', { length: Math.round((length / QUARTER) * 100) / 100 });
}
