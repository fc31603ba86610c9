/* What a piece says of swing besides its notes, and where its score says it. */
import type { Casting } from '../../casting';
import type { Performance } from '../../performance';
import type { SwingMark } from '../../score';
import type { Bar, WrittenUnits } from '../../time';
import type { Swing, SwingSigns } from './swing';

/** Names and texts that people give to pieces that swing. */
const SWINGING = /\b(?:swing|swung|shuffle|blues|jazz|boogie)/i;

export function swingSigns(performance: Performance, casting: Casting): SwingSigns {
  const texts = [
    performance.title,
    ...performance.markers.map(({ text }) => text),
    ...performance.tracks.flatMap((track) => [track.name, ...track.texts.map(({ text }) => text)]),
  ];
  return {
    rhythmSection: casting.parts.length > 1 && casting.parts.some(({ instrument }) => instrument.keepsTime),
    named: texts.some((text) => SWINGING.test(text)),
  };
}

/** A mark where a stretch begins, and one where it ceases before the end. */
export function swingMarks({ stretches }: Swing, bars: number): SwingMark[] {
  return stretches.flatMap(({ from, to, ratio, unit }, i): SwingMark[] => [
    { bar: from, ratio, unit },
    ...(to < bars && stretches[i + 1]?.from !== to ? [{ bar: to, ratio: 1, unit }] : []),
  ]);
}

/** Whether eighths swing at a place. */
export function swingsAt({ stretches }: Swing, bars: readonly Bar[]): (at: WrittenUnits) => boolean {
  const eighths = stretches.filter(({ unit, ratio }) => unit === 'eighth' && ratio > 1);
  if (eighths.length === 0) return () => false;
  const starts = bars.map((bar) => bar.start);
  return (at) => eighths.some(({ from, to }) => at >= starts[from]! && at < (starts[to] ?? Infinity));
}
