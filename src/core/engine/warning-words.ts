import { say } from '../words';
import type { MusicXmlWarning } from '../musicxml';
import type { Score } from '../score';

/** What was odd in a score, with its place: "Flute, bar 3: …". */
export function warningInWords({ message, part, bar }: MusicXmlWarning, score: Score): string {
  const name = score.parts.find((one) => one.id === part)?.name;
  const number = bar === undefined ? undefined : score.bars[bar]?.number;
  const place = [name, number !== undefined && say('engine.barNumber', { number })].filter(Boolean).join(', ');
  return `${place ? `${place}: ` : ''}${message}${/[.?!]$/.test(message) ? '' : '.'}`;
}
