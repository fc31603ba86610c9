/*
 * Tempo marks: which tempo changes are printed.
 *
 * Takes the tempo map; gives every change for playback, shown where it is the first, or differs from the last shown one
 * and lasts. The many small steps of a ritardando are played, not printed.
 */
import { bpmFromMicroseconds, QUARTER, writtenUnits, type TempoMap, type WrittenUnits } from '../../time';
import type { TempoMark } from '../../score';
import type { TempoWords } from './texts';

const NOTICEABLE = 0.025;
const LASTS: WrittenUnits = 3 * QUARTER;

/** @param said words of tempo in the file; each goes to the tempo change at its place, or stands by itself */
export function tempoMarks(tempo: TempoMap, end: WrittenUnits, said: readonly TempoWords[] = []): TempoMark[] {
  const marks = tempo.events.map((event) => ({
    at: writtenUnits(event.tick, tempo.ticksPerQuarter),
    bpm: Math.round(bpmFromMicroseconds(event.microsecondsPerQuarter) * 1000) / 1000,
    shown: false,
  }));
  let shownBpm = 0;
  const printed: TempoMark[] = marks
    .filter(({ at }) => at < end || at === 0)
    .map((mark, i) => {
      const lasts = (marks[i + 1]?.at ?? Infinity) - mark.at >= LASTS;
      const shown = i === 0 || (lasts && Math.abs(mark.bpm / shownBpm - 1) > NOTICEABLE);
      if (shown) shownBpm = mark.bpm;
      return { ...mark, shown };
    });
  for (const { at, words } of said) {
    const here = printed.find((mark) => Math.abs(mark.at - at) < QUARTER / 2);
    if (here) here.words = here.words ? `${here.words} ${words}` : words;
    else
      printed.push({ at, words, bpm: printed.findLast((mark) => mark.at <= at)?.bpm ?? printed[0]!.bpm, shown: false });
  }
  return printed.sort((a, b) => a.at - b.at);
}
