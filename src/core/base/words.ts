import { say } from '../words';
const MOST_NAMED = 3;

/** The first few of them, and how many more there are: "Flute, Oboe, Horn and 4 more". */
export function few(words: readonly string[], between: string): string {
  if (words.length <= MOST_NAMED + 1) return words.join(between);
  return say('base.andMore', { named: words.slice(0, MOST_NAMED).join(between), more: words.length - MOST_NAMED });
}
